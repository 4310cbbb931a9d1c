import { describe, expect, test } from '@jest/globals';
import { useTestServer } from '../../test/testServer.ts';
import { asRefusal } from '../http/errorHandler.ts';
import { inTransaction, letGoOfAll } from './pool.ts';

const server = useTestServer();
const caught = (work: Promise<unknown>): Promise<string> =>
  work.then(
    () => 'done',
    (error: unknown) => asRefusal(error).code,
  );

describe('a connection lost', () => {
  test('between two statements of a transaction ends neither the process nor more than that transaction', async () => {
    const lost = inTransaction(server.pool, async (db) => {
      const { rows } = await db.query<{ pid: number }>('select pg_backend_pid() as pid');
      await server.pool.query('select pg_terminate_backend($1)', [rows[0]?.pid]);
      await new Promise((resolve) => setTimeout(resolve, 100));
      await db.query('select 1');
    });
    expect(await caught(lost)).toBe('NO_DATABASE');
    expect((await server.pool.query('select 1 as one')).rows).toEqual([{ one: 1 }]);
  });
  test('or let go of by hand, under a statement that will not end', async () => {
    const waiting = server.pool.query('select pg_sleep(9)');
    await new Promise((resolve) => setTimeout(resolve, 100));
    letGoOfAll(server.pool);
    expect(await caught(waiting)).toBe('NO_DATABASE');
    expect(await caught(server.pool.query('select 1'))).toBe('done');
  });
});
