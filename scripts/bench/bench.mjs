// npm run bench: what Riffle's speed is, each figure beside a yardstick taken in the same run. Nothing here passes or fails.
// Names of parts run those alone: npm run bench -- load firstView.
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bigTable } from './bigTable.mjs';
import { show } from './figures.mjs';
import { firstView } from './firstView.mjs';
import { largeGround } from './largeGround.mjs';
import { load } from './load.mjs';
import { manySigns } from './manySigns.mjs';
import { sizes } from './sizes.mjs';
import { worked } from './worked.mjs';
import { buildIfChanged } from '../build.mjs';
import { freePort, startCluster } from '../cluster.mjs';
import { ensurePackages, ensurePostgres, root, START } from '../setup.mjs';

/** By itself. */
const ALONE = { worked, sizes };
/** Of a Riffle that runs, with the demo. The large database last: it stays. */
const RUNNING = { firstView, manySigns, bigTable, largeGround, load };

const named = process.argv.slice(2);
const names = [...Object.keys(ALONE), ...Object.keys(RUNNING)];
const unknown = named.find((name) => !names.includes(name));
if (unknown) {
  console.error(`There is no part “${unknown}”. Parts: ${names.join(', ')}.`);
  process.exit(1);
}
const asked = (parts) => Object.entries(parts).filter(([name]) => named.length === 0 || named.includes(name));

ensurePackages();
ensurePostgres();
await buildIfChanged();
for (const [, measure] of asked(ALONE)) await measure();

const home = mkdtempSync(join(tmpdir(), 'riffle-bench-'));
chmodSync(home, 0o755);
const port = await freePort();
try {
  if (asked(RUNNING).length > 0) {
    const first = await startRiffle();
    await first.stop();
    const began = performance.now();
    const cluster = await startCluster(join(home, 'postgres'));
    const postgres_ms = performance.now() - began;
    await cluster.stop();
    const riffle = await startRiffle();
    show('first start, with the demo', first.took_ms / 1000, 's', 'PostgreSQL alone, warm', postgres_ms / 1000);
    show('second start', riffle.took_ms / 1000, 's', 'PostgreSQL alone, warm', postgres_ms / 1000);
    for (const [, measure] of asked(RUNNING)) await measure(port, home);
    await riffle.stop();
  }
} finally {
  rmSync(home, { recursive: true, force: true });
}

/** Start-up, as a person does it. */
async function startRiffle() {
  const began = performance.now();
  const child = spawn(process.execPath, START, {
    cwd: root,
    env: { ...process.env, RIFFLE_HOME: home, PORT: String(port) },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve, reject) => {
    child.stdout.on('data', (text) => {
      if (String(text).includes('Riffle is up')) resolve();
    });
    child.once('exit', () => reject(new Error('Riffle did not start.')));
  });
  return {
    took_ms: performance.now() - began,
    stop: () =>
      new Promise((resolve) => {
        child.once('exit', resolve);
        child.kill('SIGINT');
      }),
  };
}
