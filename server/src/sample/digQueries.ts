import type { Pit, SamplePlan, Screening } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const SAMPLE_PLAN = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", name, pattern, made_at as "madeAt", bag_l as "bag_L", bag_entered as "bagEntered", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeSamplePlan(db: Db, crewId: string, r: SamplePlan, baseVersion: number): Promise<unknown> {
  const values = [crewId, r.id, r.deleted, r.groundId, r.name, r.pattern, r.madeAt, r.bag_L, r.bagEntered, r.note];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into sample_plan (crew_id, id, deleted, ground_id, name, pattern, made_at, bag_l, bag_entered, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) on conflict (crew_id, id) do nothing returning ${SAMPLE_PLAN}`,
          values,
        )
      : await db.query(
          `update sample_plan set version = version + 1, updated_at = now(), deleted = $3, name = $5, pattern = $6, made_at = $7, bag_l = $8, bag_entered = $9, note = $10
       where crew_id = $1 and id = $2 and ground_id = $4 and version = $11 returning ${SAMPLE_PLAN}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findSamplePlan(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SAMPLE_PLAN} from sample_plan where crew_id = $1 and id = $2`, [
    crewId,
    id,
  ]);
  return rows[0] ?? null;
}

export async function listSamplePlans(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SAMPLE_PLAN} from sample_plan where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

/** What a plan leaves when it is taken out: bags nobody dug go with it, and points nobody sampled or dug at. */
export async function dropUndug(db: Db, crewId: string, samplePlanId: string): Promise<void> {
  await db.query(
    `update lot set deleted = true, version = version + 1, updated_at = now() where crew_id = $1 and sample_plan_id = $2 and state = 'planned' and not deleted`,
    [crewId, samplePlanId],
  );
  await db.query(
    `update spot set deleted = true, version = version + 1, updated_at = now() where crew_id = $1 and sample_plan_id = $2 and not deleted
       and not exists (select 1 from sample s where s.crew_id = $1 and s.spot_id = spot.id and not s.deleted)
       and not exists (select 1 from pit p where p.crew_id = $1 and p.spot_id = spot.id and not p.deleted)
       and not exists (select 1 from lot l where l.crew_id = $1 and l.spot_id = spot.id and not l.deleted)`,
    [crewId, samplePlanId],
  );
}

/** Undoes `dropUndug`: what went in the same moment as the plan comes back. Called before the plan itself is written anew. */
export async function bringBackUndug(db: Db, crewId: string, samplePlanId: string): Promise<void> {
  for (const table of ['lot', 'spot'] as const) {
    await db.query(
      `update ${table} set deleted = false, version = ${table}.version + 1, updated_at = now() from sample_plan p
       where ${table}.crew_id = $1 and ${table}.sample_plan_id = $2 and ${table}.deleted and p.crew_id = $1 and p.id = $2 and p.deleted and ${table}.updated_at = p.updated_at`,
      [crewId, samplePlanId],
    );
  }
}

const PIT = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", spot_id as "spotId", name, dug_at as "dugAt", planned, length_m, length_entered as "lengthEntered", width_m, width_entered as "widthEntered", batter, layers, bottom, water_at_m as "waterAt_m", crevice, filled_in as "filledIn", put_back as "putBack", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writePit(db: Db, crewId: string, r: Pit, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    r.id,
    r.deleted,
    r.groundId,
    r.spotId,
    r.name,
    r.dugAt,
    r.planned,
    r.length_m,
    r.lengthEntered,
    r.width_m,
    r.widthEntered,
    r.batter,
    JSON.stringify(r.layers),
    r.bottom,
    r.waterAt_m,
    r.crevice,
    r.filledIn,
    r.putBack,
    r.note,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into pit (crew_id, id, deleted, ground_id, spot_id, name, dug_at, planned, length_m, length_entered, width_m, width_entered, batter, layers, bottom, water_at_m, crevice, filled_in, put_back, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20) on conflict (crew_id, id) do nothing returning ${PIT}`,
          values,
        )
      : await db.query(
          `update pit set version = version + 1, updated_at = now(), deleted = $3, spot_id = $5, name = $6, dug_at = $7, planned = $8, length_m = $9, length_entered = $10, width_m = $11, width_entered = $12, batter = $13, layers = $14, bottom = $15, water_at_m = $16, crevice = $17, filled_in = $18, put_back = $19, note = $20
       where crew_id = $1 and id = $2 and ground_id = $4 and version = $21 returning ${PIT}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findPit(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${PIT} from pit where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listPits(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${PIT} from pit where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

const SCREENING = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", spot_id as "spotId", lot_id as "lotId", screened_at as "screenedAt", measure, way, moisture_percent, went_in as "wentIn", went_in_entered as "wentInEntered", screens, through, through_entered as "throughEntered", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeScreening(db: Db, crewId: string, r: Screening, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    r.id,
    r.deleted,
    r.groundId,
    r.spotId,
    r.lotId,
    r.screenedAt,
    r.measure,
    r.way,
    r.moisture_percent,
    r.wentIn,
    r.wentInEntered,
    JSON.stringify(r.screens),
    r.through,
    r.throughEntered,
    r.note,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into screening (crew_id, id, deleted, ground_id, spot_id, lot_id, screened_at, measure, way, moisture_percent, went_in, went_in_entered, screens, through, through_entered, note)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16) on conflict (crew_id, id) do nothing returning ${SCREENING}`,
          values,
        )
      : await db.query(
          `update screening set version = version + 1, updated_at = now(), deleted = $3, spot_id = $5, lot_id = $6, screened_at = $7, measure = $8, way = $9, moisture_percent = $10, went_in = $11, went_in_entered = $12, screens = $13, through = $14, through_entered = $15, note = $16
       where crew_id = $1 and id = $2 and ground_id = $4 and version = $17 returning ${SCREENING}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findScreening(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SCREENING} from screening where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listScreenings(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SCREENING} from screening where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}
