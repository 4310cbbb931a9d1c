// Builds interface and server when a source changed since the last build.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { promisify } from 'node:util';
import { oneAtATime } from './oneAtATime.mjs';
import { giveUp, root, run } from './setup.mjs';

const SOURCES = [
  'core/src',
  'contract/src',
  'demo/src',
  'server/src',
  'server/migrations',
  'web/src',
  'web/public',
  'web/index.html',
  'web/vite.config.ts',
  'package-lock.json',
];
const stampFile = join(root, 'server', 'dist', 'sources.sha1');

function sourceHash() {
  const hash = createHash('sha1');
  const add = (path) => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory())
      readdirSync(path)
        .sort()
        .forEach((name) => add(join(path, name)));
    else if (!/\.test\.tsx?$/.test(path)) hash.update(relative(root, path)).update(readFileSync(path));
  };
  SOURCES.forEach((s) => add(join(root, s)));
  return hash.digest('hex');
}

export async function buildServer() {
  const { build } = await import('esbuild');
  const { dependencies } = JSON.parse(readFileSync(join(root, 'server', 'package.json'), 'utf8'));
  await build({
    // The worker is started as a file of its own.
    entryPoints: { main: join(root, 'server/src/main.ts'), worker: join(root, 'server/src/work/worker.ts') },
    outdir: join(root, 'server/dist'),
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    sourcemap: true,
    logLevel: 'warning',
    external: Object.keys(dependencies).filter((name) => !name.startsWith('@riffle/')),
  });
}

const isBuilt = (hash) =>
  existsSync(stampFile) && readFileSync(stampFile, 'utf8') === hash && existsSync(join(root, 'web/dist/index.html'));

/** Two starts at once build once: the second waits for the first. */
export async function buildIfChanged() {
  if (!isBuilt(sourceHash())) await oneAtATime(join(root, 'server/dist/building.lock'), buildUnlessBuilt);
}

async function buildUnlessBuilt() {
  const hash = sourceHash();
  if (isBuilt(hash)) return;
  console.log('Building (only when something changed) ...');
  rmSync(stampFile, { force: true });
  await buildServer();
  if (
    run('npx', ['--no-install', 'vite', 'build', 'web', '--logLevel', 'warn'], {
      env: { ...process.env, NODE_ENV: 'production' },
    }) !== 0
  )
    giveUp('The interface could not be built; see above.');
  await compressAssets(join(root, 'web/dist/assets'));
  writeFileSync(stampFile, hash);
}

/** Lays a compressed copy beside each text file, so that none is compressed again for each visitor. */
async function compressAssets(dir) {
  const { brotliCompress, constants, gzip } = await import('node:zlib');
  const ways = [
    ['.br', promisify(brotliCompress), { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }],
    ['.gz', promisify(gzip), { level: 9 }],
  ];
  await Promise.all(
    readdirSync(dir)
      .filter((name) => /\.(js|css|svg)$/.test(name))
      .flatMap((name) =>
        ways.map(async ([ending, compress, options]) =>
          writeFileSync(join(dir, name + ending), await compress(readFileSync(join(dir, name)), options)),
        ),
      ),
  );
}
