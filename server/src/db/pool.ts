import { FIRST_ID } from '@riffle/contract';
import type { Socket } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import QueryStream from 'pg-query-stream';

/** What a query needs: the pool, or one client inside a transaction. */
export type Db = Pick<pg.Pool, 'query'>;

// numeric and bigint come as text by default; Riffle's fit a double exactly (mg with 4 decimals below 10^10).
pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number);
pg.types.setTypeParser(pg.types.builtins.INT8, Number);
// Every connection speaks UTC, so "2026-05-01 09:00:00.12+00" only has to be written the ISO way (milliseconds, as sent).
pg.types.setTypeParser(
  pg.types.builtins.TIMESTAMPTZ,
  (text) => `${text.slice(0, 10)}T${text.slice(11, 19)}.${text.slice(20, -3).slice(0, 3).padEnd(3, '0')}Z`,
);

const lettingGo = new WeakMap<pg.Pool, () => void>();
const socketOf = (client: pg.ClientBase): Socket =>
  (client as unknown as { connection: { stream: Socket } }).connection.stream;

/** Ends every connection of the pool where it stands: what waits for an answer is told at once that there will be none. */
export const letGoOfAll = (pool: pg.Pool): void => lettingGo.get(pool)?.();

/** A bounded pool; a statement that takes longer than ten seconds is given up. */
export function openPool(connectionString: string): pg.Pool {
  const pool = new pg.Pool({
    connectionString,
    max: 10,
    connectionTimeoutMillis: 3000,
    idleTimeoutMillis: 30_000,
    statement_timeout: 10_000,
    idle_in_transaction_session_timeout: 15_000,
    application_name: 'riffle',
    options: '-c timezone=UTC',
  });
  // By hand as well: a database that has stopped answering is waited for by none of them.
  const connected = new Set<pg.PoolClient>();
  pool.on('connect', (client) => {
    connected.add(client);
    // In hand between two statements of a transaction it has no listener either: the next statement tells what happened.
    client.on('error', () => undefined);
  });
  pool.on('remove', (client) => connected.delete(client));
  lettingGo.set(pool, () => {
    for (const client of connected) socketOf(client).destroy(new Error('Connection terminated: the database is away.'));
  });
  // An idle connection lost (the server restarted) is replaced at the next query; without a listener it would end the process.
  pool.on('error', () => undefined);
  return pool;
}

const FIRST_PATIENCE_MS = 60_000;

/**
 * Waits for the first connection. A request gives up after three seconds, for someone waits for it; a start on a machine
 * with much else to do goes on asking for a minute.
 * @throws DatabaseError what the database itself answers (no such role, no such database): that is no matter of time
 */
export async function untilConnected(pool: pg.Pool, patience_ms = FIRST_PATIENCE_MS): Promise<void> {
  for (const until = Date.now() + patience_ms; ;)
    try {
      await pool.query('select 1');
      return;
    } catch (error) {
      if (error instanceof pg.DatabaseError || Date.now() >= until) throw error;
      await sleep(200);
    }
}

const ROWS_AT_A_TIME = 500;

/** The rows of a statement a few at a time, however many there are; on one connection, which answers nothing else meanwhile. */
export const eachRow = (db: Db, sql: string, values: unknown[]): QueryStream =>
  db.query(new QueryStream(sql, values, { batchSize: ROWS_AT_A_TIME, highWaterMark: ROWS_AT_A_TIME }));

/** Every page of a list that is read by pages. */
export async function eachRecord<K extends { readonly id: string }>(
  page: (after: string) => Promise<K[]>,
): Promise<K[]> {
  const all: K[] = [];
  for (let some = await page(FIRST_ID); some.length > 0; some = await page(some.at(-1)?.id ?? FIRST_ID))
    for (const record of some) all.push(record);
  return all;
}

/** Runs `work` in one transaction: all of it is stored or nothing. */
export async function inTransaction<T>(pool: pg.Pool, work: (db: Db) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query('begin');
    const result = await work(client);
    await client.query('commit');
    client.release();
    return result;
  } catch (error) {
    await client.query('rollback').then(
      () => client.release(),
      (lost: Error) => client.release(lost),
    );
    throw error;
  }
}
