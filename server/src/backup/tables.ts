import type { Db } from '../db/pool.ts';

/** Bytes lie in a zip as files of their own, not as rows. */
export const FILE_TABLE = 'attachment_file';

/** A table of which every row belongs to a crew, as the database itself describes it. */
export interface CrewTable {
  readonly name: string;
  /** Without the crew's id. */
  readonly columns: readonly string[];
  /** The primary key, without the crew's id. */
  readonly key: readonly string[];
  /** Its rows name other rows of the table. */
  readonly namesItself: boolean;
}

/**
 * Every table of the current schema that belongs to crews, each after those it names. Asked of the catalog, so that a
 * table made tomorrow is in tomorrow's backup. The crew itself and the bytes of files are not among them.
 */
export async function crewTables(db: Db): Promise<CrewTable[]> {
  const { rows } = await db.query<CrewTable & { names: string[] }>(
    `select c.relname::text as name,
       (select json_agg(a.attname order by a.attnum) from pg_attribute a
        where a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.attname <> 'crew_id') as columns,
       (select json_agg(a.attname order by k.place)
        from pg_index i cross join unnest(i.indkey::int2[]) with ordinality as k(attnum, place)
        join pg_attribute a on a.attrelid = c.oid and a.attnum = k.attnum
        where i.indrelid = c.oid and i.indisprimary and a.attname <> 'crew_id') as key,
       exists (select from pg_constraint f where f.conrelid = c.oid and f.contype = 'f' and f.confrelid = c.oid) as "namesItself",
       (select coalesce(json_agg(distinct r.relname), '[]') from pg_constraint f join pg_class r on r.oid = f.confrelid
        where f.conrelid = c.oid and f.contype = 'f' and f.confrelid <> c.oid) as names
     from pg_class c
     where c.relkind = 'r' and c.relnamespace = current_schema()::regnamespace and c.relname <> $1
       and exists (select from pg_attribute a where a.attrelid = c.oid and a.attname = 'crew_id' and not a.attisdropped)
     order by c.relname`,
    [FILE_TABLE],
  );
  const ordered: CrewTable[] = [];
  const placed = new Set(['crew']);
  for (let waiting = rows; waiting.length > 0;) {
    const ready = waiting.filter((t) => t.names.every((name) => placed.has(name)));
    if (ready.length === 0) throw new Error(`Tables name each other in a circle: ${waiting.map((t) => t.name).join()}`);
    for (const { names: _names, ...table } of ready) {
      ordered.push(table);
      placed.add(table.name);
    }
    waiting = waiting.filter((t) => !placed.has(t.name));
  }
  return ordered;
}

/** The name of the last migration that was run. */
export async function schemaVersion(db: Db): Promise<string> {
  const { rows } = await db.query<{ name: string }>('select name from migration order by id desc limit 1');
  return rows[0]?.name ?? '';
}

/** Whether nothing of the crew is in any of its tables. */
export async function isEmpty(db: Db, crewId: string): Promise<boolean> {
  const tables = await crewTables(db);
  const { rows } = await db.query<{ some: boolean }>(
    `select ${tables.map((t) => `exists (select from ${t.name} where crew_id = $1)`).join(' or ')} as some`,
    [crewId],
  );
  return rows[0]?.some === false;
}
