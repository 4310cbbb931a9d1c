// npm run check: format, types, lint, the arrows between rooms, what a first view weighs, the lock file. Exit code 0 when
// all hold.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { buildIfChanged } from './build.mjs';
import { ensurePackages, root, run } from './setup.mjs';

const dist = join(root, 'web', 'dist');
const gzip_kB = (file) => gzipSync(readFileSync(join(dist, file))).length / 1000;
/** What a phone fetches before it draws anything, kB gzip. */
const FIRST_VIEW = [
  ['scripts', /(?:src|href)="\/(assets\/[^"]+\.js)"/g, 130],
  ['styles', /href="\/(assets\/[^"]+\.css)"/g, 12],
  ['letters', /href="\/(assets\/[^"]+\.woff2)"/g, 80],
];
async function firstViewIsLight() {
  await buildIfChanged();
  const html = readFileSync(join(dist, 'index.html'), 'utf8');
  const weighed = FIRST_VIEW.map(([what, files, most_kB]) => {
    const kB = [...html.matchAll(files)].reduce((sum, m) => sum + gzip_kB(m[1]), 0);
    console.log(`       ${what}: ${kB.toFixed(1)} kB of ${most_kB}`);
    return kB > 0 && kB <= most_kB;
  });
  // A file that has crept into every page is seen here too.
  const largest = readdirSync(join(dist, 'assets')).filter((f) => f.endsWith('.js') && !/^(ol|echarts)-/.test(f));
  return weighed.every(Boolean) && largest.every((f) => gzip_kB(join('assets', f)) <= 130);
}

const CHECKS = [
  [
    'format (npm run format mends it)',
    () => run('npx', ['--no-install', 'prettier', '--check', '--log-level', 'warn', '.']) === 0,
  ],
  // Forced: without `composite` a build does not see that a package it imports has changed.
  ['types', () => run('npx', ['--no-install', 'tsc', '-b', '--force']) === 0],
  ['lint', () => run('npx', ['--no-install', 'eslint', '--max-warnings=0', '.']) === 0],
  [
    'arrows between rooms',
    () =>
      run('npx', [
        '--no-install',
        'depcruise',
        '--config',
        'dependency-rules.cjs',
        'core/src',
        'contract/src',
        'demo/src',
        'server/src',
        'web/src',
      ]) === 0,
  ],
  ['the first view is light', firstViewIsLight],
  [
    'no registry host in the lock file',
    () => !/"resolved": "https?:/.test(readFileSync(join(root, 'package-lock.json'), 'utf8')),
  ],
];

export async function check() {
  ensurePackages();
  const all = [];
  for (const [name, holds] of CHECKS) {
    const ok = await holds();
    console.log(`${ok ? 'ok    ' : 'FAILED'} ${name}`);
    all.push(ok);
  }
  return all;
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) process.exit((await check()).every(Boolean) ? 0 : 1);
