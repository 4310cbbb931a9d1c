import type { Db } from './pool.ts';

/**
 * A page of a list as it goes out: JSON that the database has written. Reading, parsing and writing a hundred rows in
 * the server took it ten times as long, and every other request waited for that.
 */
export interface JsonPage {
  /** An array of the page's rows. */
  readonly items: string;
  readonly count: number;
  /** The id of its last row. */
  readonly lastId: string | null;
}

/** The statement that answers the rows of `select` (one of its columns is `id`), in its order, as a page. */
export const asPage = (select: string): string =>
  `select coalesce(json_agg(r), '[]')::text as items, count(*)::int as count, (array_agg(r.id))[count(*)::int] as "lastId"
   from (${select}) as r`;

/** A statement made with `asPage`. */
export async function readPage(
  db: Db,
  statement: { readonly name?: string; readonly text: string; readonly values: unknown[] },
): Promise<JsonPage> {
  const { rows } = await db.query<JsonPage>(statement);
  return rows[0] ?? { items: '[]', count: 0, lastId: null };
}
