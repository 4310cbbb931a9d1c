// npm start [-- --empty]: sets up what is missing, starts database and server, prints one address.
import { createHash } from 'node:crypto';
import { chmodSync, mkdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { startCluster } from './cluster.mjs';
import { notRunning, runningAt, sayRunning } from './running.mjs';
import { ensurePackages, ensurePostgres, giveUp, home, root } from './setup.mjs';

const asked = process.argv.slice(2);
const unknown = asked.find((word) => word !== '--empty');
if (unknown !== undefined) {
  console.error(`"${unknown}" says nothing to Riffle. npm start, or with an empty book: npm start -- --empty`);
  process.exit(2);
}
const empty = asked.includes('--empty');
const started = Date.now();
mkdirSync(home, { recursive: true });

// One Riffle to a home: a second start tells where the first one is.
const already = runningAt(home);
if (already) {
  console.log(`Riffle is already running: ${already}`);
  process.exit(0);
}

ensurePackages();
if (!process.env.DATABASE_URL) ensurePostgres();
const { buildIfChanged } = await import('./build.mjs');
await buildIfChanged();

let cluster = null;
let server = null;
let stopping = false;
async function stop(code) {
  if (stopping) return;
  stopping = true;
  await server?.close().catch(() => {});
  await cluster?.stop();
  notRunning(home);
  process.exit(code);
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));

try {
  const ports = await choosePorts();
  cluster = process.env.DATABASE_URL
    ? null
    : await startCluster(join(home, 'postgres'), { say: (words) => console.log(words) });
  // Nobody else of this machine looks into the home; a lent account that runs the database passes through.
  chmodSync(home, cluster?.lent ? 0o711 : 0o700);
  const { startServer } = await import('../server/dist/main.js');
  server = await startServer({
    databaseUrl: process.env.DATABASE_URL ?? cluster.url,
    ownerUrl: process.env.DATABASE_OWNER_URL ?? process.env.DATABASE_URL ?? cluster.ownerUrl,
    migrationsDir: join(root, 'server/migrations'),
    webDir: join(root, 'web/dist'),
    backupsDir: join(home, 'backups'),
    diaryFile: join(home, 'diary', 'riffle'),
    ports,
    demo: empty ? false : 'of today',
  });
  const address = `http://localhost:${server.port}`;
  sayRunning(home, address);
  if (server.demoLoaded) console.log('The demo island Corran is loaded.');
  console.log(`Riffle is up after ${((Date.now() - started) / 1000).toFixed(1)} s: ${address}`);
} catch (error) {
  // Who stops it while it starts is told of no fault: the database was told to go.
  if (!stopping) console.error(`\nRiffle could not start. ${error instanceof Error ? error.message : error}\n`);
  await stop(1);
}

/** PORT, or this checkout's own (so that two checkouts have two, each always the same), those after it, and any. */
async function choosePorts() {
  if (!process.env.PORT) {
    const own = 4200 + (createHash('sha1').update(home).digest().readUInt16BE(0) % 700);
    return [...Array.from({ length: 50 }, (_, i) => own + i), 0];
  }
  const port = Number(process.env.PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    giveUp(`PORT is “${process.env.PORT}”; it must be a number from 0 to 65535.`);
  const free = await new Promise((resolve) => {
    const probe = createServer()
      .once('error', () => resolve(false))
      .listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });
  // Said before anything else is begun.
  if (!free) giveUp(`Port ${port} is in use. Set PORT to another one.`);
  return [port];
}
