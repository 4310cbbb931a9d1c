import type { Cleanup } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const CLEANUP = `c.id, c.version, c.updated_at as "updatedAt", c.deleted, c.ground_id as "groundId", c.cleaned_at as "cleanedAt",
  c.black_sand_g as "blackSand_g", c.black_sand_entered as "blackSandEntered", c.rinsed_clean as "rinsedClean", c.note,
  (select coalesce(json_agg(r.run_id order by r.run_id), '[]') from cleanup_run r where r.crew_id = c.crew_id and r.cleanup_id = c.id) as "runIds",
  (select coalesce(json_agg(json_build_object('name', s.name, 'from_m', s.from_m, 'to_m', s.to_m, 'lining', s.lining, 'gold_mg', s.gold_mg, 'goldEntered', s.gold_entered) order by s.place), '[]')
     from cleanup_section s where s.crew_id = c.crew_id and s.cleanup_id = c.id) as sections`;

/** Writes a clean-up whole, sections and runs with it. Null: `baseVersion` is not the stored one. Call inside a transaction. */
export async function writeCleanup(db: Db, crewId: string, c: Cleanup, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    c.id,
    c.groundId,
    c.deleted,
    c.cleanedAt,
    c.blackSand_g,
    c.blackSandEntered,
    c.rinsedClean,
    c.note,
  ];
  const { rowCount } =
    baseVersion === 0
      ? await db.query(
          `insert into cleanup (crew_id, id, ground_id, deleted, cleaned_at, black_sand_g, black_sand_entered, rinsed_clean, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9) on conflict do nothing`,
          values,
        )
      : await db.query(
          `update cleanup set version = version + 1, updated_at = now(), deleted = $4, cleaned_at = $5, black_sand_g = $6, black_sand_entered = $7, rinsed_clean = $8, note = $9
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $10`,
          [...values, baseVersion],
        );
  if (rowCount === 0) return null;
  await db.query('delete from cleanup_section where crew_id = $1 and cleanup_id = $2', [crewId, c.id]);
  await db.query('delete from cleanup_run where crew_id = $1 and cleanup_id = $2', [crewId, c.id]);
  await db.query(
    `insert into cleanup_section (crew_id, cleanup_id, place, name, from_m, to_m, lining, gold_mg, gold_entered)
     select $1, $2, s.* from unnest($3::int[], $4::text[], $5::float8[], $6::float8[], $7::text[], $8::numeric[], $9::jsonb[]) as s`,
    [
      crewId,
      c.id,
      c.sections.map((_, i) => i),
      c.sections.map((s) => s.name),
      c.sections.map((s) => s.from_m),
      c.sections.map((s) => s.to_m),
      c.sections.map((s) => s.lining),
      c.sections.map((s) => s.gold_mg),
      c.sections.map((s) => JSON.stringify(s.goldEntered)),
    ],
  );
  await db.query(
    'insert into cleanup_run (crew_id, ground_id, cleanup_id, counts, run_id) select $1, $2, $3, $4, unnest($5::uuid[])',
    [crewId, c.groundId, c.id, !c.deleted, [...new Set(c.runIds)]],
  );
  return findCleanup(db, crewId, c.id);
}

export async function findCleanup(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${CLEANUP} from cleanup c where c.crew_id = $1 and c.id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listCleanups(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${CLEANUP} from cleanup c where c.crew_id = $1 and c.ground_id = $2 and c.id > $3 order by c.id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}
