import { createHash } from 'node:crypto';
import { Readable, Transform, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type pg from 'pg';
import { ZipFile } from 'yazl';
import { eachRow } from '../db/pool.ts';
import { FORMAT, FORMAT_VERSION, fileEntry, MANIFEST, tableEntry, type Manifest, type TellProgress } from './format.ts';
import { crewTables, FILE_TABLE, schemaVersion, type CrewTable } from './tables.ts';

/** No clock, zone or umask of the machine goes into the zip. */
const FIXED = { mtime: new Date(1980, 0, 1), mode: 0o100644, forceDosTimestamp: true } as const;
const LINES_AT_A_TIME = 500;
/** Nobody waits for the backup of the day: after each few hundred rows it rests so many times as long as they took, and leaves the machine to whoever works. */
const RESTS = 2;

type Entry = Manifest['entries'][number];
export type BackupPace = 'at once' | 'beside others';

/**
 * Writes all that a crew has into `to`, as it stood at one moment, however long it takes and whatever is written meanwhile.
 * @throws whatever the database or the receiver failed with; `to` is then not a backup
 */
export async function writeBackup(
  pool: pg.Pool,
  crewId: string,
  to: Writable,
  tell: TellProgress,
  pace: BackupPace = 'at once',
): Promise<void> {
  const client = await pool.connect();
  try {
    await client.query('begin isolation level repeatable read read only');
    // A slow receiver holds the rows up for as long as it likes.
    await client.query('set local statement_timeout = 0');
    await client.query('set local idle_in_transaction_session_timeout = 0');
    await writeZip(client, crewId, to, tell, pace === 'beside others' ? RESTS : 0);
    await client.query('commit');
    client.release();
  } catch (error) {
    client.release(error instanceof Error ? error : true);
    throw error;
  }
}

async function writeZip(
  db: pg.PoolClient,
  crewId: string,
  to: Writable,
  tell: TellProgress,
  rests: number,
): Promise<void> {
  const tables = await crewTables(db);
  const { rows: files } = await db.query<{ id: string; mime: string }>(
    `select f.attachment_id as id, a.mime from ${FILE_TABLE} f
     join attachment a on a.crew_id = f.crew_id and a.id = f.attachment_id where f.crew_id = $1 order by f.attachment_id`,
    [crewId],
  );
  const of = (await countRows(db, crewId, tables)) + files.length;
  const schema = await schemaVersion(db);
  let done = 0;

  const zip = new ZipFile();
  const entries: Entry[] = [];
  const given = new AbortController();
  zip.on('error', (error) => given.abort(error));
  const add = (name: string, open: () => Promise<Readable>, compress: boolean): void =>
    zip.addReadStreamLazy(name, { ...FIXED, compress }, (give) => {
      const entry: Entry = { name, bytes: 0, sha256: '', records: 0 };
      const sum = createHash('sha256');
      const counted = new Transform({
        transform(chunk: Buffer, _encoding, next) {
          sum.update(chunk);
          entry.bytes += chunk.length;
          next(null, chunk);
        },
        flush(next) {
          entries.push({ ...entry, sha256: sum.digest('hex') });
          next();
        },
      });
      const one = (records: number): void => {
        entry.records += records;
        done += records;
        // What is thrown in the midst of a stream ends the process.
        try {
          tell({ done, of });
        } catch (error) {
          given.abort(error);
        }
      };
      open().then(
        (stream) => {
          stream.on('records', one).once('error', (error) => zip.emit('error', error));
          give(null, stream.pipe(counted));
        },
        (error: unknown) => give(error, counted),
      );
    });

  add(
    tableEntry('crew'),
    async () => linesOf(db, `${rowWithout('id')} from crew t where id = $1`, crewId, rests),
    true,
  );
  for (const table of tables)
    add(
      tableEntry(table.name),
      async () =>
        linesOf(
          db,
          `${rowWithout('crew_id')} from ${table.name} t where crew_id = $1 order by ${table.key.join(', ')}`,
          crewId,
          rests,
        ),
      true,
    );
  for (const { id, mime } of files) add(fileEntry(id, mime), () => bytesOf(db, crewId, id), false);
  zip.addReadStreamLazy(MANIFEST, { ...FIXED, compress: true }, (give) => {
    const manifest: Manifest = { format: FORMAT, version: FORMAT_VERSION, schema, entries };
    give(null, Readable.from([JSON.stringify(manifest, null, 1)]));
  });
  zip.end();
  await pipeline(zip.outputStream, to, { signal: given.signal }).catch((error: unknown) => {
    throw given.signal.aborted ? given.signal.reason : error;
  });
}

/** A row as JSON without the crew's id; the database writes numbers and times itself, so that nothing is rounded. */
const rowWithout = (crewColumn: string): string => `select (to_jsonb(t) - '${crewColumn}')::text as row`;

/** The rows of a statement, a line each. Says `records` as they pass, and rests so many times as long as some took. */
function linesOf(db: pg.PoolClient, sql: string, crewId: string, rests: number): Readable {
  const rows = eachRow(db, sql, [crewId]);
  let waiting: string[] = [];
  let began_ms = performance.now();
  const lines = new Transform({
    writableObjectMode: true,
    transform({ row }: { row: string }, _encoding, next) {
      waiting.push(row);
      if (waiting.length < LINES_AT_A_TIME) return next();
      const text = taken();
      const goOn = (): void => {
        began_ms = performance.now();
        next(null, text);
      };
      if (rests === 0) goOn();
      else setTimeout(goOn, rests * (performance.now() - began_ms));
    },
    flush(next) {
      next(null, waiting.length > 0 ? taken() : undefined);
    },
  });
  const taken = (): string => {
    const text = `${waiting.join('\n')}\n`;
    lines.emit('records', waiting.length);
    waiting = [];
    return text;
  };
  rows.once('error', (error) => lines.destroy(error));
  return rows.pipe(lines);
}

async function bytesOf(db: pg.PoolClient, crewId: string, attachmentId: string): Promise<Readable> {
  const { rows } = await db.query<{ bytes: Buffer }>(
    `select bytes from ${FILE_TABLE} where crew_id = $1 and attachment_id = $2`,
    [crewId, attachmentId],
  );
  const stream = Readable.from(rows.map((r) => r.bytes));
  stream.once('end', () => stream.emit('records', 1));
  return stream;
}

async function countRows(db: pg.PoolClient, crewId: string, tables: readonly CrewTable[]): Promise<number> {
  const { rows } = await db.query<{ count: number }>(
    `select ${tables.map((t) => `(select count(*) from ${t.name} where crew_id = $1)`).join(' + ')} + 1 as count`,
    [crewId],
  );
  return rows[0]?.count ?? 0;
}
