// node scripts/bench/backup.mjs: a large book (100,000 samples, 1,000,000 taps, 1,000 photos) into a backup and back, with time,
// size and memory, beside what the disk alone takes for as many bytes.
import { createHash, randomBytes } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { buildIfChanged } from '../build.mjs';
import { startCluster } from '../cluster.mjs';
import { loadLargeSeason, LARGE_GROUND_ID } from './largeSeason.mjs';
import { ensurePackages, ensurePostgres, root } from '../setup.mjs';

const CREW_ID = '019370a0-0000-7000-8000-000000000001';
const PHOTOS = 1000;
const PHOTO_BYTES = 300_000;

ensurePackages();
ensurePostgres();
await buildIfChanged();
const dir = mkdtempSync(join(tmpdir(), 'riffle-bench-backup-'));
chmodSync(dir, 0o755);
const { startServer } = await import('../../server/dist/main.js');

async function startOne(name) {
  const cluster = await startCluster(join(dir, name));
  const server = await startServer({
    databaseUrl: cluster.url,
    ownerUrl: cluster.ownerUrl,
    migrationsDir: join(root, 'server/migrations'),
    backupsDir: join(dir, name, 'backups'),
    ports: [0],
    demo: false,
  });
  const call = async (method, path, body) => {
    const answer = await fetch(`http://localhost:${server.port}/api/v1${path}`, {
      method,
      ...(body && { body, headers: { 'content-type': 'application/zip' } }),
    });
    if (!answer.ok) throw new Error(await answer.text());
    return answer.json();
  };
  return {
    cluster,
    /** Milliseconds, the most memory this process held meanwhile, the longest wait for health, and how it ended. */
    through: async (method, path, body) => {
      const began = performance.now();
      let most_MB = 0;
      let longestHealth_ms = 0;
      let shelf = await call(method, path, body);
      while (shelf.work) {
        await new Promise((resolve) => setTimeout(resolve, 50));
        const asked = performance.now();
        await call('GET', '/health');
        longestHealth_ms = Math.max(longestHealth_ms, performance.now() - asked);
        most_MB = Math.max(most_MB, process.memoryUsage().rss / 1e6);
        shelf = await call('GET', '/backups');
      }
      return { ms: performance.now() - began, most_MB, longestHealth_ms, ...shelf };
    },
    stop: async () => {
      await server.close();
      await cluster.stop();
    },
  };
}

const tell = (what, { ms, most_MB, longestHealth_ms }) =>
  console.log(
    `${what}: ${(ms / 1000).toFixed(1)} s, at most ${most_MB.toFixed(0)} MB in memory, health within ${longestHealth_ms.toFixed(0)} ms`,
  );

const first = await startOne('first');
const client = new pg.Client({ connectionString: first.cluster.superUrl });
await client.connect();
await loadLargeSeason(client, CREW_ID);
for (let n = 0; n < PHOTOS; n++) {
  const id = `01900000-0000-7000-8050-${n.toString(16).padStart(12, '0')}`;
  await client.query(
    `insert into attachment (crew_id, id, ground_id, about, about_id, name, mime) values ($1, $2, $3, 'ground', $3, $4, 'image/jpeg')`,
    [CREW_ID, id, LARGE_GROUND_ID, `photo ${n}.jpg`],
  );
  await client.query('insert into attachment_file (crew_id, attachment_id, bytes) values ($1, $2, $3)', [
    CREW_ID,
    id,
    Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), randomBytes(PHOTO_BYTES)]),
  ]);
}
await client.end();
console.log(`At rest: ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB in memory`);

const made = await first.through('POST', '/backups');
const path = join(dir, 'first', 'backups', CREW_ID, made.kept[0].name);
tell(`Made (${(statSync(path).size / 1e6).toFixed(0)} MB)`, made);
const again = await first.through('POST', '/backups');
tell('Made again', again);
await first.stop();

const { openAsBlob } = await import('node:fs');
const second = await startOne('second');
const restored = await second.through('POST', '/backups/restore', await openAsBlob(path));
tell(`Restored (${JSON.stringify(restored.ended)})`, restored);
const back = await second.through('POST', '/backups');
tell('Made from the restored book', back);
await second.stop();

const sumOf = (file) => createHash('sha256').update(readFileSync(file)).digest('hex');
const same = sumOf(path) === sumOf(join(dir, 'second', 'backups', CREW_ID, back.kept[0].name));
console.log(same ? 'Identical to the byte.' : 'NOT IDENTICAL.');
const bytes = readFileSync(path);
const began = performance.now();
writeFileSync(join(dir, 'alone'), bytes, { flush: true });
console.log(`Yardstick: as many bytes onto the disk: ${((performance.now() - began) / 1000).toFixed(1)} s`);
rmSync(dir, { recursive: true, force: true });
process.exit(same ? 0 : 1);
