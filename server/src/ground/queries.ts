import type { Ground, Position, Spot } from '@riffle/contract';
import type { z } from 'zod';
import type { Db } from '../db/pool.ts';

type Line = z.infer<typeof Position>[];

const GROUND = `id, version, updated_at as "updatedAt", deleted, name, kind, length_m, swell_percent, note, tide, profile,
  case when joins_ground_id is not null then json_build_object('groundId', joins_ground_id, 'distance_m', joins_distance_m, 'bank', joins_bank) end as joins, line, line_points as "linePoints"`;
const SPOT = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", name, kind, distance_m, bank, offset_m, position, works_below_m as "worksBelow_m", works_below_entered as "worksBelowEntered", note, sample_plan_id as "samplePlanId"`;

/** Writes a ground without touching its line; one that has a line keeps the line's length. Null: `baseVersion` is not the stored one. */
export async function writeGround(db: Db, crewId: string, g: Ground, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    g.id,
    g.deleted,
    g.name,
    g.kind,
    g.length_m,
    g.swell_percent,
    g.note,
    g.tide,
    JSON.stringify(g.profile),
    g.joins?.groundId ?? null,
    g.joins?.distance_m ?? null,
    g.joins?.bank ?? null,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into ground (crew_id, id, deleted, name, kind, length_m, swell_percent, note, tide, profile, joins_ground_id, joins_distance_m, joins_bank)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13) on conflict do nothing returning ${GROUND}`,
          values,
        )
      : await db.query(
          `update ground set version = version + 1, updated_at = now(), deleted = $3, name = $4, kind = $5,
         length_m = case when line is null then $6 else length_m end, swell_percent = $7, note = $8, tide = $9, profile = $10, joins_ground_id = $11, joins_distance_m = $12, joins_bank = $13
       where crew_id = $1 and id = $2 and version = $14 returning ${GROUND}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

/** Stores a new ground with its line. Null: a ground of this id is there already. */
export async function insertGroundWithLine(
  db: Db,
  crewId: string,
  ground: Pick<Ground, 'id' | 'name' | 'kind' | 'length_m' | 'swell_percent' | 'note'>,
  line: Line,
  thinned: Line,
): Promise<unknown> {
  const { rows } = await db.query(
    `insert into ground (crew_id, id, name, kind, length_m, swell_percent, note, line, line_points) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
     on conflict do nothing returning ${GROUND}`,
    [
      crewId,
      ground.id,
      ground.name,
      ground.kind,
      ground.length_m,
      ground.swell_percent,
      ground.note,
      JSON.stringify(thinned),
      line.length,
    ],
  );
  if (rows[0])
    await db.query('insert into ground_line (crew_id, ground_id, line) values ($1, $2, $3)', [
      crewId,
      ground.id,
      JSON.stringify(line),
    ]);
  return rows[0] ?? null;
}

/** Gives a ground another line, or its first. Null: `baseVersion` is not the stored one. */
export async function writeLine(
  db: Db,
  crewId: string,
  groundId: string,
  line: Line,
  thinned: Line,
  length_m: number,
  baseVersion: number,
): Promise<unknown> {
  const { rows } = await db.query(
    `update ground set version = version + 1, updated_at = now(), line = $3, line_points = $4, length_m = $5 where crew_id = $1 and id = $2 and version = $6 returning ${GROUND}`,
    [crewId, groundId, JSON.stringify(thinned), line.length, length_m, baseVersion],
  );
  if (rows[0])
    await db.query(
      'insert into ground_line (crew_id, ground_id, line) values ($1, $2, $3) on conflict (crew_id, ground_id) do update set line = excluded.line',
      [crewId, groundId, JSON.stringify(line)],
    );
  return rows[0] ?? null;
}

export async function findGround(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${GROUND} from ground where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listGrounds(db: Db, crewId: string, after: string, limit: number): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${GROUND} from ground where crew_id = $1 and id > $2 order by id limit $3`,
    [crewId, after, limit],
  );
  return rows;
}

/** The whole line as brought in, foot to head. */
export async function findLine(db: Db, crewId: string, groundId: string): Promise<Line | null> {
  const { rows } = await db.query<{ line: Line }>(
    'select line from ground_line where crew_id = $1 and ground_id = $2',
    [crewId, groundId],
  );
  return rows[0]?.line ?? null;
}

/** Null: `baseVersion` is not the stored one. */
export async function writeSpot(db: Db, crewId: string, s: Spot, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    s.id,
    s.groundId,
    s.deleted,
    s.name,
    s.kind,
    s.distance_m,
    s.bank,
    s.offset_m,
    s.position && JSON.stringify(s.position),
    s.note,
    s.worksBelow_m,
    s.worksBelowEntered,
    s.samplePlanId,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into spot (crew_id, id, ground_id, deleted, name, kind, distance_m, bank, offset_m, position, note, works_below_m, works_below_entered, sample_plan_id)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14) on conflict do nothing returning ${SPOT}`,
          values,
        )
      : await db.query(
          `update spot set version = version + 1, updated_at = now(), deleted = $4, name = $5, kind = $6, distance_m = $7, bank = $8, offset_m = $9, position = $10, note = $11, works_below_m = $12, works_below_entered = $13, sample_plan_id = $14
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $15 returning ${SPOT}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findSpot(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SPOT} from spot where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

/** More than a ground can have been given by hand or by file; bounds an export. */
export const MOST_SPOTS = 100_000;

export async function listSpots(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SPOT} from spot where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}
