import { randomBytes } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { runner } from 'node-pg-migrate';
import pg from 'pg';
import { ZodError } from 'zod';
import { EVERY_KIND } from '../db/everyKind.ts';
import { inTransaction, openPool, type Db } from '../db/pool.ts';
import { eachEvent } from '../run/queries.ts';
import { attachmentOf, BadBackup, tableEntry, type TellProgress } from './format.ts';
import type { OpenBackup } from './readBackup.ts';
import { crewTables, FILE_TABLE, isEmpty, schemaVersion, type CrewTable } from './tables.ts';

export interface RestoreInto {
  readonly pool: pg.Pool;
  readonly crewId: string;
  /** As a role that may make a schema: what an older Riffle wrote is brought up to date in one of its own. */
  readonly ownerUrl: string;
  readonly migrationsDir: string;
}

const ROWS_AT_A_TIME = 1000;
const CHARS_AT_A_TIME = 4 * 1024 * 1024;

export const NOT_EMPTY =
  'This book is not empty. A backup is restored into an empty one: start a Riffle with “npm start -- --empty” and a RIFFLE_HOME of its own.';

/**
 * Puts a backup into an empty book: all of it, or nothing.
 * @throws BadBackup where the book is not empty, or a row is not what this Riffle keeps
 */
export async function restoreBackup(backup: OpenBackup, into: RestoreInto, tell: TellProgress): Promise<void> {
  const { pool, crewId } = into;
  const here = await schemaVersion(pool);
  if (backup.schema > here)
    throw new BadBackup(
      `This backup is from a newer Riffle (${backup.schema}; this one has ${here}). Bring this Riffle up to date first.`,
    );
  let done = 0;
  const one = (records: number): void => tell({ done: (done += records), of: backup.records });
  const whole = async (through: pg.Pool, fill: (db: Db) => Promise<void>): Promise<void> =>
    inTransaction(through, async (db) => {
      await db.query('set local statement_timeout = 0');
      await db.query('set local idle_in_transaction_session_timeout = 0');
      // Two at once would both find it empty.
      await db.query('select pg_advisory_xact_lock(hashtext($1))', [`restore ${crewId}`]);
      if (!(await isEmpty(db, crewId))) throw new BadBackup(NOT_EMPTY);
      await fill(db);
      await readBack(db, crewId);
    });
  if (backup.schema === here) return whole(pool, (db) => load(db, crewId, backup, one));
  await broughtUpToDate(backup, into, one, async (schema) => {
    // The server's role does not see into the other schema.
    const owners = openPool(into.ownerUrl);
    await whole(owners, (db) => copyFrom(db, schema, crewId)).finally(() => owners.end());
  });
}

/** Every row and file into the tables of the current schema. */
async function load(db: Db, crewId: string, backup: OpenBackup, one: (records: number) => void): Promise<void> {
  const tables = await crewTables(db);
  const known = new Set([tableEntry('crew'), ...tables.map((t) => tableEntry(t.name))]);
  for (const name of known)
    if (!backup.entries.some((e) => e.name === name)) throw new BadBackup(`${name} is missing.`);
  for (const { name } of backup.entries)
    if (!known.has(name) && attachmentOf(name) === null) throw new BadBackup(`${name} does not belong to a backup.`);

  const put = async (entry: string, sql: string, atOnce: boolean): Promise<void> => {
    for await (const lines of batches(backup.lines(tableEntry(entry)), atOnce)) {
      await db.query(sql, [crewId, `[${lines.join(',')}]`]).catch((error: unknown) => {
        if (error instanceof pg.DatabaseError && /^2[23]/.test(error.code ?? ''))
          throw new BadBackup(`A row of ${tableEntry(entry)} cannot be kept: ${error.message}.`);
        throw error;
      });
      one(lines.length);
    }
  };
  await put(
    'crew',
    `insert into crew (id, name, created_at) select $1, r.name, r.created_at from jsonb_populate_recordset(null::crew, $2) r
     on conflict (id) do update set name = excluded.name, created_at = excluded.created_at`,
    true,
  );
  for (const table of tables) {
    const columns = table.columns.join(', ');
    await put(
      table.name,
      `insert into ${table.name} (crew_id, ${columns}) select $1, ${columns} from jsonb_populate_recordset(null::${table.name}, $2)`,
      // Rows that name each other may come in any order within one statement.
      table.namesItself,
    );
  }
  for (const { name } of backup.entries) {
    const attachmentId = attachmentOf(name);
    if (attachmentId === null) continue;
    await db.query(`insert into ${FILE_TABLE} (crew_id, attachment_id, bytes) values ($1, $2, $3)`, [
      crewId,
      attachmentId,
      await backup.bytes(name),
    ]);
    one(1);
  }
}

async function* batches(lines: AsyncGenerator<string[]>, atOnce: boolean): AsyncGenerator<string[]> {
  let batch: string[] = [];
  let chars = 0;
  for await (const some of lines)
    for (const line of some) {
      batch.push(line);
      chars += line.length;
      if (!atOnce && (batch.length >= ROWS_AT_A_TIME || chars >= CHARS_AT_A_TIME)) {
        yield batch;
        batch = [];
        chars = 0;
      }
    }
  if (batch.length > 0) yield batch;
}

/** Reads every record as it will be read from now on: one that cannot be would break each list it is in. */
async function readBack(db: Db, crewId: string): Promise<void> {
  for (const kind of EVERY_KIND) await readThrough(kind.each(db, crewId), kind.table);
  await readThrough(eachEvent(db, crewId), 'run_event');
}

async function readThrough(records: AsyncGenerator, table: string): Promise<void> {
  try {
    while (!(await records.next()).done);
  } catch (error) {
    throw error instanceof ZodError
      ? new BadBackup(`A record of ${tableEntry(table)} is not what Riffle keeps.`)
      : error;
  }
}

/**
 * Loads an older backup into a schema of its own as it was then, and runs the migrations since on it: the way the
 * database itself came here. The schema is gone afterwards, whatever happened.
 */
async function broughtUpToDate(
  backup: OpenBackup,
  { crewId, ownerUrl, migrationsDir }: RestoreInto,
  one: (records: number) => void,
  use: (schema: string) => Promise<void>,
): Promise<void> {
  const names = readdirSync(migrationsDir)
    .filter((f) => f.endsWith('.sql'))
    .map((f) => f.replace(/\.sql$/, ''))
    .sort();
  const count = names.indexOf(backup.schema) + 1;
  if (count === 0) throw new BadBackup(`This Riffle does not know how ${backup.schema} wrote its backups.`);
  const schema = `restoring_${randomBytes(8).toString('hex')}`;
  const client = new pg.Client({ connectionString: ownerUrl, options: '-c timezone=UTC' });
  await client.connect();
  client.on('error', () => undefined);
  const upTo = (most: number): Promise<unknown> =>
    runner({
      dbClient: client,
      dir: migrationsDir,
      direction: 'up',
      migrationsTable: 'migration',
      schema,
      count: most,
      checkOrder: true,
      log: () => undefined,
    });
  try {
    await client.query(`create schema ${schema}`);
    await upTo(count);
    await client.query(`set search_path to ${schema}`);
    await load(client, crewId, backup, one);
    await upTo(Infinity);
    await use(schema);
  } finally {
    await client.query(`drop schema if exists ${schema} cascade`).finally(() => client.end());
  }
}

async function copyFrom(db: Db, schema: string, crewId: string): Promise<void> {
  const copy = (table: Pick<CrewTable, 'name' | 'columns'>): Promise<unknown> => {
    const columns = ['crew_id', ...table.columns].join(', ');
    return db.query(
      `insert into ${table.name} (${columns}) select ${columns} from ${schema}.${table.name} where crew_id = $1`,
      [crewId],
    );
  };
  await db.query(
    `update crew set name = old.name, created_at = old.created_at from ${schema}.crew old where crew.id = $1 and old.id = $1`,
    [crewId],
  );
  for (const table of await crewTables(db)) await copy(table);
  await copy({ name: FILE_TABLE, columns: ['attachment_id', 'bytes'] });
}
