import { MOST_IN_PAGE } from '@riffle/contract';
import type { z } from 'zod';
import { asPage, readPage, type JsonPage } from './jsonPage.ts';
import { eachRow, type Db } from './pool.ts';

/** What every record has on the wire beside its own fields. */
export interface Sent {
  readonly id: string;
  readonly deleted: boolean;
  readonly baseVersion: number;
}
export interface Kept {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly deleted: boolean;
}

/** How a field lies in its table: the SQL that reads it, and what each of its columns takes of the field's value. */
interface FieldColumns {
  readonly read: string;
  readonly write: readonly {
    readonly column: string;
    readonly of: (value: unknown) => unknown;
    /** What an update sets the column to, given the parameter; left out, the parameter itself. */
    readonly set?: (parameter: string) => string;
  }[];
}
/** The name of a column that holds the field as it is (lists and objects as JSON), or something more. */
type FieldInTable = string | FieldColumns;

const asIs = (value: unknown): unknown => value;

/** A day without a time of day, as YYYY-MM-DD. */
export const day = (column: string): FieldColumns => ({
  read: `to_char(${column}, 'YYYY-MM-DD')`,
  write: [{ column, of: asIs }],
});

/** SQL that reads a moment as it is sent: in UTC, which every connection speaks, to the millisecond. */
export const asMoment = (column: string): string => `to_char(${column}, 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`;
/** A moment in time. */
export const moment = (column: string): FieldColumns => ({ read: asMoment(column), write: [{ column, of: asIs }] });

/** An object whose parts have a column each. With `orNull`, no part is set where the object is null. */
export const parts = (columns: Readonly<Record<string, string>>, { orNull = false } = {}): FieldColumns => {
  const named = Object.entries(columns);
  const built = `json_build_object(${named.map(([name, column]) => `'${name}', ${column}`).join(', ')})`;
  return {
    read: orNull ? `case when ${named[0]?.[1]} is not null then ${built} end` : built,
    write: named.map(([name, column]) => ({
      column,
      of: (value) => (value === null ? null : (value as Record<string, unknown>)[name]),
    })),
  };
};

/** A column that an update sets by an expression of its own; `set` is given the parameter. */
export const setBy = (column: string, set: (parameter: string) => string): FieldColumns => ({
  read: column,
  write: [{ column, of: asIs, set }],
});

/** A field kept in a table of its own: read by this SQL, written by the stage. */
export const elsewhere = (read: string): FieldColumns => ({ read, write: [] });

type OwnFields<S extends Sent> = Exclude<keyof S & string, keyof Sent>;
type AddedFields<S extends Sent, K extends Kept> = Exclude<keyof K & string, keyof S | keyof Kept>;

interface Description<S extends Sent, K extends Kept> {
  /** The path segment under /api/v1, and the list's name. */
  readonly path: string;
  readonly table: string;
  readonly sent: z.ZodType<S>;
  readonly kept: z.ZodType<K>;
  /** Every field a writer sends. A field forgotten here does not compile. */
  readonly fields: { readonly [F in OwnFields<S>]: FieldInTable };
  /** Fields only the server writes: the SQL that reads each. */
  readonly added: { readonly [F in AddedFields<S, K>]: string };
  /** SQL that says how often a record was written, where its version alone does not. */
  readonly edits?: string;
}

/** A record as written: what was sent less the version it was based on. */
export type Written<S extends Sent> = Omit<S, 'baseVersion'>;

/** What changed of a list, as JSON that the database has written, and what the list comes to. */
export interface JsonChanges {
  readonly items: string;
  readonly records: number;
  readonly edits: number;
}

/** One kind of record as it is kept: its statements, made once from its description. Rows are parsed on the way out. */
export interface RecordKind<S extends Sent, K extends Kept> {
  readonly path: string;
  readonly table: string;
  readonly sent: z.ZodType<S>;
  readonly kept: z.ZodType<K>;
  /** Belongs to one ground, and stays there; otherwise to the crew. */
  readonly ofGround: boolean;
  /** `write` is one statement, all or nothing by itself; otherwise it is called inside a transaction. */
  readonly writesAtOnce: boolean;
  /** What `select` and `returning` name, for the statements a stage writes by hand. */
  readonly reads: string;
  /** Columns by field, for tests that hold the limits of both against each other. */
  readonly columns: ReadonlyMap<string, readonly string[]>;
  /** Writes the whole record if `baseVersion` is the stored one (0: not stored yet). Null: nothing was written. */
  readonly write: (db: Db, crewId: string, record: Written<S>, baseVersion: number) => Promise<K | null>;
  /** As `write`, for a kind with fields in tables of their own, which the stage writes after it: whether the row was written. */
  readonly writeRow: (db: Db, crewId: string, record: Written<S>, baseVersion: number) => Promise<boolean>;
  readonly find: (db: Db, crewId: string, id: string) => Promise<K | null>;
  /** Which of these ids the crew has used already. */
  readonly existing: (db: Db, crewId: string, ids: readonly string[]) => Promise<string[]>;
  /** In id order from the one after `after`; of one ground, or of the crew where the kind belongs to no ground. */
  readonly list: (db: Db, crewId: string, groundId: string | null, after: string, limit: number) => Promise<K[]>;
  /** As `list`, for sending it on as it is; held to the schema by a test, for nothing is parsed. */
  readonly page: (db: Db, crewId: string, groundId: string | null, after: string, limit: number) => Promise<JsonPage>;
  /** As `page`, of several grounds in one. */
  readonly pageOfGrounds: (
    db: Db,
    crewId: string,
    groundIds: readonly string[],
    after: string,
    limit: number,
  ) => Promise<JsonPage>;
  /** What of a ground's list changed after a moment, MOST_IN_PAGE at most, and what the list comes to; as one statement sees it. */
  readonly changes: (db: Db, crewId: string, groundId: string, since: string) => Promise<JsonChanges>;
  /** Every record of the crew, in no order, a few at a time; on a connection of its own. */
  readonly each: (db: Db, crewId: string) => AsyncGenerator<K>;
  /** Many new records in one statement, sent as one JSON value: a parameter a field would be twenty times slower. Those there already are left as they are. */
  readonly insertMany: (db: Db, crewId: string, records: readonly Written<S>[]) => Promise<void>;
}

const HEAD: Readonly<Record<keyof Kept, string>> = {
  id: 'id',
  version: 'version',
  updatedAt: asMoment('updated_at'),
  deleted: 'deleted',
};

/**
 * Makes the statements of a kind from its description.
 * @throws Error at start when a field of the kept schema is read nowhere: a default of the schema would fill it in silently
 */
export function recordKind<S extends Sent, K extends Kept>(description: Description<S, K>): RecordKind<S, K> {
  const { path, table, sent, kept } = description;
  const fields = new Map(Object.entries<FieldInTable>(description.fields).map(([name, f]) => [name, inTable(f)]));
  const readAs = new Map([
    ...Object.entries(HEAD),
    ...[...fields].map(([name, f]) => [name, f.read] as const),
    ...Object.entries<string>(description.added),
  ]);
  for (const name of fieldsOf(kept)) if (!readAs.has(name)) throw new Error(`${path}: ${name} is read from no column.`);

  const reads = [...readAs].map(([name, sql]) => `${sql} as "${name}"`).join(', ');
  const written = [...fields].flatMap(([name, f]) => f.write.map((w) => ({ name, ...w })));
  const columns = ['crew_id', 'id', 'deleted', ...written.map((w) => w.column)];
  const ofGround = fields.has('groundId');

  const rowOf = (crewId: string, record: Written<S>): unknown[] => [
    crewId,
    record.id,
    record.deleted,
    ...written.map((w) => w.of((record as unknown as Record<string, unknown>)[w.name])),
  ];
  const placeOf = (column: string): string => `$${columns.indexOf(column) + 1}`;
  // Named, so that a connection reads and plans each of them once.
  const named = (what: string, text: string) => ({ name: `${table} ${what}`, text });
  const insert = named(
    'insert',
    `insert into ${table} (${columns.join(', ')}) values (${columns.map(placeOf).join(', ')}) on conflict (crew_id, id) do nothing returning ${reads}`,
  );
  const sets = written
    .filter((w) => w.column !== 'ground_id')
    .map((w) => `${w.column} = ${w.set?.(placeOf(w.column)) ?? placeOf(w.column)}`);
  const update = named(
    'update',
    `update ${table} set version = version + 1, updated_at = now(), ${['deleted = $3', ...sets].join(', ')}
    where crew_id = $1 and id = $2${ofGround ? ` and ground_id = ${placeOf('ground_id')}` : ''} and version = $${columns.length + 1} returning ${reads}`,
  );
  const insertMany = `insert into ${table} (${columns.join(', ')})
    select $1, ${columns
      .slice(1)
      .map((c) => `r.${c}`)
      .join(', ')} from jsonb_populate_recordset(null::${table}, $2) as r on conflict (crew_id, id) do nothing`;
  const find = named('find', `select ${reads} from ${table} where crew_id = $1 and id = $2`);
  const existing = `select id from ${table} where crew_id = $1 and id = any ($2::uuid[])`;
  const listed = (of: string): string =>
    `select ${reads} from ${table} where crew_id = $1${of} and id > $2 order by id limit $3`;
  const ofOne = listed(ofGround ? ' and ground_id = $4' : '');
  const list = named('list', ofOne);
  const page = named('page', asPage(ofOne));
  const pageOfGrounds = named('page of grounds', asPage(listed(' and ground_id = any ($4::uuid[])')));

  // The millisecond of the moment is past, for so far it was sent: a list brought in at one stroke is not sent again with each look.
  const changes = named(
    'changes',
    `select items, records, edits from
       (${asPage(`select ${reads} from ${table} where crew_id = $1 and ground_id = $2 and updated_at >= $3::timestamptz + interval '1 millisecond' order by id limit ${MOST_IN_PAGE}`)}) as changed,
       (select count(*)::int as records, coalesce(sum(${description.edits ?? 'version'}), 0)::int as edits
        from ${table} where crew_id = $1 and ground_id = $2) as whole`,
  );

  const listedBy = (crewId: string, groundId: string | null, after: string, limit: number): unknown[] => [
    crewId,
    after,
    limit,
    ...(ofGround ? [groundId] : []),
  ];
  const rowWritten = async (db: Db, crewId: string, record: Written<S>, baseVersion: number): Promise<unknown> => {
    const row = rowOf(crewId, record).map(asParameter);
    const { rows } = await db.query<object>(
      baseVersion === 0 ? { ...insert, values: row } : { ...update, values: [...row, baseVersion] },
    );
    return rows[0] ?? null;
  };
  return {
    path,
    table,
    sent,
    kept,
    ofGround,
    writesAtOnce: true,
    reads,
    columns: new Map([...fields].map(([name, f]) => [name, f.write.map((w) => w.column)])),
    write: async (db, crewId, record, baseVersion) => {
      const row = await rowWritten(db, crewId, record, baseVersion);
      return row === null ? null : kept.parse(row);
    },
    writeRow: async (db, crewId, record, baseVersion) => (await rowWritten(db, crewId, record, baseVersion)) !== null,
    find: async (db, crewId, id) => {
      const { rows } = await db.query<object>({ ...find, values: [crewId, id] });
      return rows[0] ? kept.parse(rows[0]) : null;
    },
    existing: async (db, crewId, ids) => {
      if (ids.length === 0) return [];
      const { rows } = await db.query<{ id: string }>(existing, [crewId, ids]);
      return rows.map((r) => r.id);
    },
    list: async (db, crewId, groundId, after, limit) => {
      const { rows } = await db.query<object>({ ...list, values: listedBy(crewId, groundId, after, limit) });
      return rows.map((row) => kept.parse(row));
    },
    page: (db, crewId, groundId, after, limit) =>
      readPage(db, { ...page, values: listedBy(crewId, groundId, after, limit) }),
    pageOfGrounds: (db, crewId, groundIds, after, limit) =>
      readPage(db, { ...pageOfGrounds, values: [crewId, after, limit, groundIds] }),
    changes: async (db, crewId, groundId, since) => {
      const { rows } = await db.query<JsonChanges>({ ...changes, values: [crewId, groundId, since] });
      return rows[0] ?? { items: '[]', records: 0, edits: 0 };
    },
    each: async function* (db, crewId) {
      for await (const row of eachRow(db, `select ${reads} from ${table} where crew_id = $1`, [crewId]))
        yield kept.parse(row);
    },
    insertMany: async (db, crewId, records) => {
      if (records.length === 0) return;
      const rows = records.map((record) => {
        const row = rowOf(crewId, record);
        return Object.fromEntries(columns.map((column, i) => [column, row[i]]));
      });
      await db.query(insertMany, [crewId, JSON.stringify(rows)]);
    },
  };
}

/** A kind that writes more than its own row: its `write` is called inside a transaction. */
export const writingMore = <S extends Sent, K extends Kept>(
  kind: RecordKind<S, K>,
  write: RecordKind<S, K>['write'],
): RecordKind<S, K> => ({ ...kind, write, writesAtOnce: false });

const inTable = (field: FieldInTable): FieldColumns =>
  typeof field === 'string' ? { read: field, write: [{ column: field, of: asIs }] } : field;

/** The driver would write a list as an array of PostgreSQL; Riffle's lists are JSON. */
const asParameter = (value: unknown): unknown =>
  typeof value === 'object' && value !== null ? JSON.stringify(value) : value;

const fieldsOf = (schema: z.ZodType): string[] =>
  Object.keys((schema as z.ZodType & { readonly shape?: object }).shape ?? {});
