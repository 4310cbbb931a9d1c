import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** Asks for the letters of the first sight with the document, not only once its styles are read. */
const preloadFonts = (): Plugin => ({
  name: 'preload-fonts',
  transformIndexHtml: {
    order: 'post',
    handler: (_html, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => /(hyperlegible-next|bitter)-latin-wght-normal[^/]*\.woff2$/.test(file))
        .map((file) => ({
          tag: 'link',
          attrs: { rel: 'preload', as: 'font', type: 'font/woff2', crossorigin: '', href: `/${file}` },
          injectTo: 'head' as const,
        })),
  },
});

/**
 * The router names its parts for tools of developers, and a bundler keeps what is given a name: four kilobytes of links,
 * forms and fetching ahead that nothing here asks for, before the first sight. Queries that grow by pages, which none here
 * is, come with every other.
 */
const withoutUnusedParts = (): Plugin => ({
  name: 'without-unused-parts',
  transform: {
    filter: { id: /node_modules\/(react-router\/dist\/production|@tanstack\/query-core\/build\/modern)\// },
    handler: (code) => ({
      code: code
        .replace(/^\w+\.displayName = .*;$/gm, '')
        // What it warns developers of, in long sentences, is dropped where nobody asks for its answer.
        .replace(/^(\s+)(?=(?:warning|warningOnce)\()/gm, '$1/* @__PURE__ */ ')
        .replace(/\(this\.#queryType === "infinite" \? infiniteQueryBehavior\([^)]*\) : ([\w.]+)\)/, '$1')
        .replace(/^(var \w+ = )(?=React\d*\.(?:forwardRef|createContext)\()/gm, '$1/* @__PURE__ */ '),
      map: null,
    }),
  },
});

/** The screens by their addresses, as `page` in `src/shell/page.tsx` is given them. */
const PAGE = /page\(\s*async \(\) => \(await import\('([^']+)'\)\)\.\w+,\s*'([^']+)'/g;

/**
 * Writes the scripts that each address opens with beside the document's own into `pages.json`: the server names them in
 * the document's head. A page would else learn of them from one another, each time by way of the server.
 */
function pageFiles(): Plugin {
  const screens: { at: string; module: string }[] = [];
  return {
    name: 'page-files',
    enforce: 'pre',
    transform: {
      filter: { id: /\/src\/(shell\/Pages|stages\/\w+\/\w+Stage)\.tsx$/ },
      async handler(code, id) {
        const named = [...code.matchAll(PAGE)];
        if (named.length !== code.split(' = page(').length - 1) this.error(`${id} names a page in another way.`);
        for (const [, from = '', at = ''] of named) {
          const found = await this.resolve(from, id);
          if (found) screens.push({ at, module: found.id });
        }
      },
    },
    generateBundle(_options, bundle) {
      const chunks = Object.values(bundle).filter((c) => c.type === 'chunk');
      const withImports = (name: string, seen = new Set<string>()): Set<string> => {
        if (!seen.has(name)) {
          seen.add(name);
          chunks.find((c) => c.fileName === name)?.imports.forEach((i) => withImports(i, seen));
        }
        return seen;
      };
      const start = new Set(chunks.filter((c) => c.isEntry).flatMap((c) => [...withImports(c.fileName)]));
      const pages = screens.map(({ at, module }) => {
        const chunk = chunks.find((c) => c.moduleIds.includes(module));
        if (!chunk) this.error(`No script holds ${module}.`);
        return { at, files: [...withImports(chunk.fileName)].filter((f) => !start.has(f)) };
      });
      this.emitFile({ type: 'asset', fileName: 'pages.json', source: JSON.stringify(pages) });
    },
  };
}

/** A name for how records look: the contract and the migrations that fill what is kept already. */
function recordShape(): string {
  const sum = createHash('sha256');
  for (const folder of ['../contract/src/', '../server/migrations/'])
    for (const file of readdirSync(new URL(folder, import.meta.url)).sort())
      if (!file.endsWith('.test.ts')) sum.update(readFileSync(new URL(folder + file, import.meta.url)));
  return sum.digest('hex').slice(0, 12);
}

export default defineConfig({
  define: { RECORD_SHAPE: JSON.stringify(recordShape()) },
  plugins: [
    preloadFonts(),
    withoutUnusedParts(),
    pageFiles(),
    react(),
    tailwindcss(),
    VitePWA({
      registerType: 'autoUpdate',
      injectRegister: false,
      manifest: {
        name: 'Riffle',
        short_name: 'Riffle',
        description: 'Plan, measure, run and log placer ground.',
        start_url: '/',
        display: 'standalone',
        background_color: '#F3F0E7',
        theme_color: '#F3F0E7',
        icons: [
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          // Drawn small enough that a launcher may cut it round.
          { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
      strategies: 'injectManifest',
      srcDir: 'src',
      filename: 'sw.ts',
      injectManifest: {
        // The letters of a printed sheet are woff.
        globPatterns: ['**/*.{js,css,html,svg,png,woff,woff2}'],
        globIgnores: ['**/*-{cyrillic,cyrillic-ext,greek,greek-ext,vietnamese}-*.woff2'],
        maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
        rollupFormat: 'iife',
      },
    }),
  ],
  // Its ESM entry names the build with the warnings for developers in; the other one lies beside it.
  resolve: {
    alias: [
      {
        find: /^react-router$/,
        replacement: fileURLToPath(new URL('../node_modules/react-router/dist/production/index.mjs', import.meta.url)),
      },
    ],
  },
  server: {
    host: 'localhost',
    port: 5310,
    proxy: { '/api': { target: process.env.API_URL ?? 'http://127.0.0.1:4310', changeOrigin: true } },
  },
  build: {
    sourcemap: true,
    // Small files stay files: as data: addresses the content policy would block them.
    assetsInlineLimit: 0,
    // A page asks for its parts when it needs them; only the document names files ahead.
    modulePreload: {
      polyfill: false,
      resolveDependencies: (_file, parts, { hostType }) => (hostType === 'html' ? parts : []),
    },
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'ol', test: /node_modules[\\/](ol|rbush|quickselect|earcut|pbf|color-[a-z]+)[\\/]/, priority: 20 },
            { name: 'echarts', test: /node_modules[\\/](echarts|zrender)[\\/]/, priority: 20 },
            // Alone: what else uses their parts (a dialog, a map’s pictures) would bring a megabyte along.
            { name: 'pdf', test: /node_modules[\\/](pdf-lib|@pdf-lib)[\\/]/, priority: 20 },
            // What the first sight needs comes as one file: on a slow phone each further one costs more than its bytes.
            { name: 'start', tags: ['$initial'], priority: 10 },
            // What five pages or more share comes as one file as well: a page had asked for seventy, most of them of a kilobyte, six
            // at a time, and each six cost a far phone the way to the server and back.
            { name: 'common', minShareCount: 5, priority: 1 },
            // And the small parts that two to four of them share: a third of a hundred files of a few hundred bytes.
            { name: 'shared', test: /[\\/](core|contract|web)[\\/]src[\\/]/, minShareCount: 2, maxModuleSize: 1500 },
          ],
        },
      },
    },
  },
});
