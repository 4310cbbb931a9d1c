import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { show } from './figures.mjs';
import { root } from '../setup.mjs';

/** What the scripts weigh. */
export async function sizes() {
  const dist = join(root, 'web', 'dist');
  const html = readFileSync(join(dist, 'index.html'), 'utf8');
  const gz = (file) => gzipSync(readFileSync(join(dist, file)), { level: 9 }).length / 1000;
  const startScripts = [...html.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((m) => m[1]);
  const { build } = await import('esbuild');
  const bare = await build({
    stdin: {
      contents: `import { createRoot } from 'react-dom/client'; createRoot(document.body).render('x');`,
      resolveDir: join(root, 'web'),
    },
    bundle: true,
    minify: true,
    write: false,
    define: { 'process.env.NODE_ENV': '"production"' },
  });
  const start_kB = startScripts.reduce((sum, f) => sum + gz(f), 0);
  show('start scripts, gzip', start_kB, 'kB', 'target', 130);
  show(
    'start scripts, gzip',
    start_kB,
    'kB',
    'React DOM alone',
    gzipSync(bare.outputFiles[0].contents, { level: 9 }).length / 1000,
  );
  const charts = readdirSync(join(dist, 'assets')).find((f) => f.startsWith('echarts') && f.endsWith('.js'));
  show('charts, loaded on Books only, gzip', gz(`assets/${charts}`), 'kB', 'start scripts', start_kB);
}
