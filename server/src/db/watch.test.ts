import { setTimeout as sleep } from 'node:timers/promises';
import { expect, test } from '@jest/globals';
import pg from 'pg';
import { useTestServer } from '../../test/testServer.ts';
import { watchDatabase } from './watch.ts';

const server = useTestServer();
const watchers = async (): Promise<number[]> => {
  const { rows } = await server.pool.query<{ pid: number }>(
    `select pid from pg_stat_activity where datname = current_database() and application_name = 'riffle watch'`,
  );
  return rows.map(({ pid }) => pid);
};

test('its own connection cut is no database away: it asks over a new one before it says anything', async () => {
  const said: boolean[] = [];
  const before = new Set(await watchers());
  const watch = watchDatabase(server.pool, { patience_ms: 30_000, onChange: (up) => said.push(up) });
  const mine = async (): Promise<number[]> => (await watchers()).filter((pid) => !before.has(pid));
  try {
    while ((await mine()).length === 0) await sleep(50);
    const [first] = await mine();
    await server.pool.query('select pg_terminate_backend($1)', [first]);
    while ((await mine()).every((pid) => pid === first)) await sleep(50);
    expect((await mine()).length).toBe(1);
    expect(said).toEqual([]);
    expect(watch.isUp()).toBe(true);
  } finally {
    await watch.stop();
  }
}, 300_000);

test('a database that lets nobody in is said to be away, and back when it is', async () => {
  const said: boolean[] = [];
  const url = new URL(server.ownerUrl);
  const name = url.pathname.slice(1);
  const shut = async (open: boolean): Promise<void> => {
    url.pathname = '/postgres';
    const owner = new pg.Client({ connectionString: url.href });
    await owner.connect();
    await owner.query(`alter database ${name} allow_connections ${String(open)}`);
    if (!open) await owner.query(`select pg_terminate_backend(pid) from pg_stat_activity where datname = $1`, [name]);
    await owner.end();
  };
  const watch = watchDatabase(server.pool, { patience_ms: 30_000, onChange: (up) => said.push(up) });
  try {
    await sleep(600);
    await shut(false);
    while (watch.isUp()) await sleep(50);
    await shut(true);
    while (!watch.isUp()) await sleep(50);
    expect(said).toEqual([false, true]);
  } finally {
    await shut(true);
    await watch.stop();
  }
}, 300_000);
