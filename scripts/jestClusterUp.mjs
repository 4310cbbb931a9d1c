// One throwaway cluster for all server tests, with a migrated template that each test file copies.
import { chmodSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startCluster } from './cluster.mjs';
import { ensurePostgres, root } from './setup.mjs';

export default async function clusterUp() {
  ensurePostgres();
  const dir = mkdtempSync(join(tmpdir(), 'riffle-test-'));
  chmodSync(dir, 0o755);
  const cluster = await startCluster(dir, { throwaway: true });
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: cluster.superUrl });
  await client.connect();
  await client.query('create database riffle_template');
  await client.end();
  await cluster.openTo('riffle_template');
  const { runner } = await import('node-pg-migrate');
  await runner({
    databaseUrl: cluster.ownerUrl.replace(/postgres$/, 'riffle_template'),
    dir: join(root, 'server/migrations'),
    direction: 'up',
    migrationsTable: 'migration',
    log: () => {},
  });
  globalThis.riffleCluster = { cluster, dir };
  process.env.TEST_CLUSTER_URL = cluster.url;
  process.env.TEST_CLUSTER_SUPER_URL = cluster.superUrl;
}
