// npm run soak [-- minutes]: an hour of everything that can go wrong, with fresh seeds. Prints what was acknowledged, lost,
// doubled and told falsely, and the longest stall; ends with 1 if anything was.
import { spawn } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { availableParallelism } from 'node:os';
import { buildIfChanged } from '../build.mjs';
import { ensureChromium, ensurePackages, ensurePostgres, root } from '../setup.mjs';

const minutes = Number(process.argv[2] ?? 60);
if (!(minutes > 0)) {
  console.error('Say how many minutes: npm run soak -- 10');
  process.exit(1);
}
ensurePackages();
ensurePostgres();
ensureChromium();
await buildIfChanged();
// What is written is made as in the server's tests, which are TypeScript.
(await import('tsx/esm/api')).register();
const { killAndCount, quantile } = await import('./kills.mjs');
const { playSeeds } = await import('./playSeeds.mjs');
const { startRiffleProcess } = await import('./riffleProcess.mjs');
const seed = randomInt(1, 2 ** 31);
console.log(`Soak of ${minutes} minutes; first seed ${seed}.`);
let wrong = 0;
const tell = (words) => console.log(`  ${words}`);

console.log('Kills, a freeze now and then, and a full disk, under writing:');
const riffle = await startRiffleProcess({ smallMB: 700 });
const counted = await killAndCount({ riffle, seed, kills: Math.max(5, Math.round((minutes / 60) * 50)), tell });
await riffle.stop();
tell(`${counted.acknowledged} writes acknowledged, ${counted.lost} lost, ${counted.doubled} counted twice`);
tell(`other answers than yes and "later": ${JSON.stringify(counted.unasked)}`);
tell(
  `back after ${quantile(counted.away_ms, 0.5).toFixed(0)} ms, at most ${Math.max(...counted.away_ms).toFixed(0)} ms`,
);
tell(`health: p99 ${quantile(counted.health_ms, 0.99).toFixed(0)} ms of ${counted.health_ms.length}`);
tell(`longest wait for any answer: ${(counted.longestStall_ms / 1000).toFixed(1)} s; full disk: ${counted.full}`);
wrong += counted.lost + counted.doubled + Object.keys(counted.unasked).length;

console.log('Days at the creek gone wrong:');
// A day takes about eight seconds in each of three lanes.
const days = await playSeeds(
  [...Array(Math.max(6, Math.round((minutes / 60) * 200))).keys()].map((i) => seed + i),
  3,
  (day) => day.wrong.length > 0 && tell(JSON.stringify(day)),
);
const bad = days.filter((d) => d.wrong.length > 0).length;
tell(`${days.length} days, ${days.reduce((sum, d) => sum + d.taps, 0)} taps; ${bad} days on which something was wrong`);
wrong += bad;

console.log('Requests drawn from the documentation, most of them wrong:');
const requests = Math.max(50, Math.round((minutes / 60) * 10_000));
const parts = availableParallelism();
const fuzzed = await Promise.all(Array.from({ length: parts }, (_, i) => fuzz(`${i + 1}/${parts}`)));
tell(`${requests} requests to each route; ${fuzzed.every(Boolean) ? 'no' : 'A'} fault`);
wrong += fuzzed.filter((well) => !well).length;
console.log(wrong === 0 ? 'Nothing went wrong.' : `${wrong} things went wrong.`);
process.exit(wrong === 0 ? 0 : 1);

/** One part of the routes, in a process with a server of its own; whether it went without a fault. */
function fuzz(part) {
  const jest = ['node_modules/jest/bin/jest.js', '--selectProjects', 'server', '--testTimeout=7200000', '--', 'fuzz'];
  const child = spawn(
    process.execPath,
    ['--experimental-vm-modules', '--disable-warning=ExperimentalWarning', ...jest],
    {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, FUZZ_REQUESTS: String(requests), FUZZ_SEED: String(seed), FUZZ_PART: part },
    },
  );
  return new Promise((resolve) => child.once('close', (code) => resolve(code === 0)));
}
