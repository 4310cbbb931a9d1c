import { NewGround, NewSpot, StoredGround, StoredSpot, type Ground, type Position } from '@riffle/contract';
import type { z } from 'zod';
import type { Db } from '../db/pool.ts';
import { parts, recordKind, setBy } from '../db/recordKind.ts';

type Line = z.infer<typeof Position>[];

/** A ground without its line; one that has a line keeps the line's length. */
export const grounds = recordKind({
  path: 'grounds',
  table: 'ground',
  sent: NewGround,
  kept: StoredGround,
  fields: {
    name: 'name',
    kind: 'kind',
    length_m: setBy('length_m', (typed) => `case when line is null then ${typed} else length_m end`),
    swell_percent: 'swell_percent',
    timeZone: 'time_zone',
    fedBy: 'fed_by',
    catchment_m2: 'catchment_m2',
    catchmentEntered: 'catchment_entered',
    note: 'note',
    tide: 'tide',
    faceSlope: 'face_slope',
    faceSlopeEntered: 'face_slope_entered',
    profile: 'profile',
    lookedAt: 'looked_at',
    joins: parts({ groundId: 'joins_ground_id', distance_m: 'joins_distance_m', bank: 'joins_bank' }, { orNull: true }),
  },
  added: { line: 'line', linePoints: 'line_points' },
});

export const spots = recordKind({
  path: 'spots',
  table: 'spot',
  sent: NewSpot,
  kept: StoredSpot,
  fields: {
    groundId: 'ground_id',
    name: 'name',
    kind: 'kind',
    distance_m: 'distance_m',
    bank: 'bank',
    offset_m: 'offset_m',
    position: 'position',
    worksBelow_m: 'works_below_m',
    worksBelowEntered: 'works_below_entered',
    samplePlanId: 'sample_plan_id',
    note: 'note',
  },
  added: {},
});

/** The ground that opens where nothing says which. */
export async function firstGround(db: Db, crewId: string): Promise<string | null> {
  const { rows } = await db.query<{ id: string }>(
    'select id from ground where crew_id = $1 and not deleted order by id limit 1',
    [crewId],
  );
  return rows[0]?.id ?? null;
}

/** More than a ground can have been given by hand or by file; bounds an export. */
export const MOST_SPOTS = 100_000;

/** Stores a new ground with its line. Null: a ground of this id is there already. */
export async function insertGroundWithLine(
  db: Db,
  crewId: string,
  ground: Ground,
  line: Line,
  thinned: Line,
): Promise<StoredGround | null> {
  const made = await grounds.write(db, crewId, ground, 0);
  if (!made) return null;
  const { rows } = await db.query(
    `update ground set line = $3, line_points = $4 where crew_id = $1 and id = $2 returning ${grounds.reads}`,
    [crewId, ground.id, JSON.stringify(thinned), line.length],
  );
  await writeWholeLine(db, crewId, ground.id, line);
  return StoredGround.parse(rows[0]);
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
): Promise<StoredGround | null> {
  const { rows } = await db.query(
    `update ground set version = version + 1, updated_at = now(), line = $3, line_points = $4, length_m = $5
     where crew_id = $1 and id = $2 and version = $6 returning ${grounds.reads}`,
    [crewId, groundId, JSON.stringify(thinned), line.length, length_m, baseVersion],
  );
  if (!rows[0]) return null;
  await writeWholeLine(db, crewId, groundId, line);
  return StoredGround.parse(rows[0]);
}

const writeWholeLine = (db: Db, crewId: string, groundId: string, line: Line): Promise<unknown> =>
  db.query(
    'insert into ground_line (crew_id, ground_id, line) values ($1, $2, $3) on conflict (crew_id, ground_id) do update set line = excluded.line',
    [crewId, groundId, JSON.stringify(line)],
  );

/** The whole line as brought in, foot to head. */
export async function findLine(db: Db, crewId: string, groundId: string): Promise<Line | null> {
  const { rows } = await db.query<{ line: Line }>(
    'select line from ground_line where crew_id = $1 and ground_id = $2',
    [crewId, groundId],
  );
  return rows[0]?.line ?? null;
}
