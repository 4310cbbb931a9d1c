import type { Plan } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const PLAN = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", to_char(day, 'YYYY-MM-DD') as day, start_min, back_min, start_m, limit_kg, tools, aim, way, frozen, water_away as "waterAway", stops, note`;

/** Null: `baseVersion` is not the stored one. */
export async function writePlan(db: Db, crewId: string, p: Plan, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    p.id,
    p.groundId,
    p.deleted,
    p.day,
    p.start_min,
    p.back_min,
    p.start_m,
    p.limit_kg,
    JSON.stringify(p.tools),
    p.aim,
    p.way,
    p.frozen,
    p.waterAway,
    JSON.stringify(p.stops),
    p.note,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into day_plan (crew_id, id, ground_id, deleted, day, start_min, back_min, start_m, limit_kg, tools, aim, way, frozen, water_away, stops, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16) on conflict do nothing returning ${PLAN}`,
          values,
        )
      : await db.query(
          `update day_plan set version = version + 1, updated_at = now(), deleted = $4, day = $5, start_min = $6, back_min = $7, start_m = $8, limit_kg = $9, tools = $10, aim = $11, way = $12,
         frozen = $13, water_away = $14, stops = $15, note = $16
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $17 returning ${PLAN}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findPlan(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${PLAN} from day_plan where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listPlans(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${PLAN} from day_plan where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}
