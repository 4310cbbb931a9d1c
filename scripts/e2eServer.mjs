// A whole Riffle on a throwaway cluster for end-to-end tests, pictures and benchmarks. E2E_PORT says where; with E2E_EMPTY the book is empty.
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { buildIfChanged } from './build.mjs';
import { startCluster } from './cluster.mjs';
import { ensurePackages, ensurePostgres, root } from './setup.mjs';

export async function startThrowaway(port, { demo = true } = {}) {
  ensurePackages();
  ensurePostgres();
  await buildIfChanged();
  const dir = mkdtempSync(join(tmpdir(), 'riffle-e2e-'));
  chmodSync(dir, 0o755);
  const cluster = await startCluster(dir, { throwaway: true });
  const { startServer } = await import('../server/dist/main.js');
  const server = await startServer({
    databaseUrl: cluster.url,
    ownerUrl: cluster.ownerUrl,
    migrationsDir: join(root, 'server/migrations'),
    webDir: join(root, 'web/dist'),
    backupsDir: join(dir, 'backups'),
    ports: [port],
    demo: demo && 'as in pictures',
  });
  return {
    address: `http://localhost:${server.port}`,
    databaseUrl: cluster.url,
    stop: async () => {
      await server.close();
      await cluster.stop();
      rmSync(dir, { recursive: true, force: true });
    },
  };
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) {
  const riffle = await startThrowaway(Number(process.env.E2E_PORT ?? 4399), { demo: !process.env.E2E_EMPTY });
  console.log(riffle.address);
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void riffle.stop().then(() => process.exit(0)));
}
