// npm run check: format, types, lint, the arrows between rooms, what a first view weighs, the lock file. Exit code 0 when
// all hold.
import { spawn } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { gzipSync } from 'node:zlib';
import { buildIfChanged } from './build.mjs';
import { ensurePackages, root } from './setup.mjs';

const dist = join(root, 'web', 'dist');
/** As the server sends it (`build.mjs`). */
const gzip_kB = (file) => gzipSync(readFileSync(join(dist, file)), { level: 9 }).length / 1000;
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
    return { ok: kB > 0 && kB <= most_kB, says: `       ${what}: ${kB.toFixed(1)} kB of ${most_kB}` };
  });
  // A file that has crept into every page is seen here too.
  const largest = readdirSync(join(dist, 'assets')).filter((f) => f.endsWith('.js') && !/^(ol|echarts|pdf)-/.test(f));
  const withPdf = filesThatBring('pdf').filter((f) => !/^(pdf|(pdf|season|spot|statement)Sheet)-/.test(f));
  return {
    ok: weighed.every((w) => w.ok) && largest.every((f) => gzip_kB(join('assets', f)) <= 130) && withPdf.length === 0,
    says: [...weighed.map((w) => w.says), ...withPdf.map((f) => `       ${f} brings what draws sheets along`)].join(
      '\n',
    ),
  };
}

/** Files of the build that cannot be read without this one. */
function filesThatBring(name) {
  const files = readdirSync(join(dist, 'assets')).filter((f) => f.endsWith('.js'));
  const importsOf = new Map(
    files.map((f) => {
      const source = readFileSync(join(dist, 'assets', f), 'utf8');
      return [f, [...source.matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)].map((m) => m[1])];
    }),
  );
  const bring = new Set(files.filter((f) => f.startsWith(`${name}-`)));
  // A set is walked through to what is added on the way.
  for (const brought of bring) for (const [f, imported] of importsOf) if (imported.includes(brought)) bring.add(f);
  return [...bring];
}

const CHECKS = [
  ['format (npm run format mends it)', () => holds('prettier', '--check', '--log-level', 'warn', '.')],
  // Forced: without `composite` a build does not see that a package it imports has changed.
  ['types', () => holds('tsc', '-b', '--force')],
  [
    'arrows between rooms',
    () =>
      holds(
        'depcruise',
        '--config',
        'dependency-rules.cjs',
        ...['core', 'contract', 'demo', 'server', 'web'].map((room) => `${room}/src`),
      ),
  ],
  ['the first view is light', firstViewIsLight],
  [
    'no registry host in the lock file',
    () => ({ ok: !/"resolved": "https?:/.test(readFileSync(join(root, 'package-lock.json'), 'utf8')), says: '' }),
  ],
];
/** The longest of all, with a lane to itself. */
const LINT = ['lint', () => holds('eslint', '--max-warnings=0', '.')];

/** Runs one of the project's own commands; what it says is printed whole when it is through, so that lanes do not mix. */
function holds(command, ...args) {
  return new Promise((resolve) => {
    const child = spawn('npx', ['--no-install', command, ...args], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    let says = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (says += text));
    child.once('close', (code) => resolve({ ok: code === 0, says }));
  });
}

export async function check() {
  ensurePackages();
  const all = [];
  const lane = async (checks) => {
    for (const [name, look] of checks) {
      const { ok, says } = await look();
      console.log(`${ok ? 'ok    ' : 'FAILED'} ${name}${says.trim() && `\n${says.trim()}`}`);
      all.push(ok);
    }
  };
  await Promise.all([lane(CHECKS), lane([LINT])]);
  return all;
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) process.exit((await check()).every(Boolean) ? 0 : 1);
