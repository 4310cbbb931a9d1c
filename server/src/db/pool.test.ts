import { describe, expect, test } from '@jest/globals';
import { once } from 'node:events';
import { connect, createServer, type AddressInfo } from 'node:net';
import { useTestServer } from '../../test/testServer.ts';
import { asRefusal } from '../http/errorHandler.ts';
import { inTransaction, letGoOfAll, openPool, untilConnected } from './pool.ts';

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

describe('the first connection', () => {
  test('is waited for where the database is slow to answer', async () => {
    const direct = new URL(server.ownerUrl);
    const slowly = new URL(server.ownerUrl);
    let tries = 0;
    // Hangs up on the first two, as a connection that took too long is hung up on; the third gets through.
    const slow = createServer((socket) => {
      socket.on('error', () => undefined);
      if (++tries < 3) socket.destroy();
      else {
        const through = connect(Number(direct.port), direct.hostname).on('error', () => undefined);
        socket.pipe(through).pipe(socket);
      }
    }).listen(0, '127.0.0.1');
    await once(slow, 'listening');
    slowly.port = String((slow.address() as AddressInfo).port);
    const pool = openPool(slowly.href);
    await untilConnected(pool);
    expect(tries).toBe(3);
    await pool.end();
    slow.close();
  });
  test('is given up when the time is over, and at once where the database itself says no', async () => {
    const nobody = new URL(server.ownerUrl);
    nobody.port = '1';
    const nowhere = openPool(nobody.href);
    await expect(untilConnected(nowhere, 300)).rejects.toThrow('ECONNREFUSED');
    await nowhere.end();
    const other = new URL(server.ownerUrl);
    other.pathname = '/no_such_database';
    const none = openPool(other.href);
    await expect(untilConnected(none)).rejects.toThrow('no_such_database');
    await none.end();
  });
});
