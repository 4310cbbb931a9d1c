// npm test: types, lint, arrows, unit and server tests, end-to-end tests; the last line is "N passed, N failed".
// --unit or --e2e runs that part only.
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { check } from './check.mjs';
import { freePort } from './cluster.mjs';
import { ensureChromium, ensurePackages, ensurePostgres, ensureReaders, run } from './setup.mjs';

const only = process.argv.find((a) => a === '--unit' || a === '--e2e');
const rest = process.argv.slice(2).filter((a) => a !== only);
const reports = mkdtempSync(join(tmpdir(), 'riffle-reports-'));
let passed = 0;
let failed = 0;

ensurePackages();
ensurePostgres();
if (only !== '--unit') ensureChromium();
if (only !== '--e2e') ensureReaders();

if (!only) {
  for (const ok of await check()) ok ? passed++ : failed++;
}
if (only !== '--e2e') {
  const file = join(reports, 'jest.json');
  const status = run(process.execPath, [
    '--experimental-vm-modules',
    '--disable-warning=ExperimentalWarning',
    'node_modules/jest/bin/jest.js',
    '--json',
    `--outputFile=${file}`,
    ...rest,
  ]);
  count(status, file, (r) => [r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites]);
}
if (only !== '--unit') {
  const { buildIfChanged } = await import('./build.mjs');
  await buildIfChanged();
  const file = join(reports, 'playwright.json');
  const env = { ...process.env, E2E_PORT: String(await freePort()), PLAYWRIGHT_JSON_OUTPUT_NAME: file };
  const status = run(
    'npx',
    ['--no-install', 'playwright', 'test', '--config', 'e2e/playwright.config.ts', '--reporter=list,json', ...rest],
    { env },
  );
  count(status, file, (r) => [r.stats.expected + r.stats.flaky, r.stats.unexpected]);
}
rmSync(reports, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);

/** Adds a report to the totals; a run that died without one, or failed without a failed test, is one failure. */
function count(status, file, totals) {
  const [good, bad] = existsSync(file) ? totals(JSON.parse(readFileSync(file, 'utf8'))) : [0, 0];
  passed += good;
  failed += bad === 0 && status !== 0 ? 1 : bad;
}
