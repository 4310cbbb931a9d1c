import type { Lot, Sample } from '@riffle/contract';
import type { Db } from '../db/pool.ts';

const SAMPLE = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", spot_id as "spotId", taken_at as "takenAt",
  depth_m, depth_entered as "depthEntered", volume_l as "volume_L", volume_entered as "volumeEntered", volume_state as "volumeState",
  json_build_object('+10', colors_over_10, '10-20', colors_10_20, '20-40', colors_20_40, '-40', colors_under_40) as counts,
  black_sand as "blackSand", gold_mg, gold_entered as "goldEntered",
  pit_id as "pitId", layer, lot_id as "lotId", case when bucket_nth is not null then json_build_object('nth', bucket_nth, 'of', bucket_of) end as bucket, way, panner, took_min, grown_in as "grownIn", from_safety_pan as "fromSafetyPan", seen_with as "seenWith", note`;

const SAMPLE_COLUMNS = `crew_id, id, ground_id, deleted, spot_id, taken_at, depth_m, depth_entered, volume_l, volume_entered, volume_state,
  colors_over_10, colors_10_20, colors_20_40, colors_under_40, black_sand, gold_mg, gold_entered, note,
  pit_id, layer, lot_id, bucket_nth, bucket_of, way, panner, took_min, grown_in, from_safety_pan, seen_with`;

const sampleValues = (crewId: string, s: Sample): unknown[] => [
  crewId,
  s.id,
  s.groundId,
  s.deleted,
  s.spotId,
  s.takenAt,
  s.depth_m,
  s.depthEntered,
  s.volume_L,
  s.volumeEntered,
  s.volumeState,
  s.counts['+10'],
  s.counts['10-20'],
  s.counts['20-40'],
  s.counts['-40'],
  s.blackSand,
  s.gold_mg,
  s.goldEntered,
  s.note,
  s.pitId,
  s.layer,
  s.lotId,
  s.bucket?.nth ?? null,
  s.bucket?.of ?? null,
  s.way,
  s.panner,
  s.took_min,
  s.grownIn,
  s.fromSafetyPan,
  s.seenWith,
];
const places = (from: number, count: number): string =>
  `(${Array.from({ length: count }, (_, i) => `$${from + i}`).join(', ')})`;

/** Null: `baseVersion` is not the stored one. */
export async function writeSample(db: Db, crewId: string, s: Sample, baseVersion: number): Promise<unknown> {
  const values = sampleValues(crewId, s);
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into sample (${SAMPLE_COLUMNS}) values ${places(1, values.length)} on conflict do nothing returning ${SAMPLE}`,
          values,
        )
      : await db.query(
          `update sample set version = version + 1, updated_at = now(), deleted = $4, spot_id = $5, taken_at = $6, depth_m = $7, depth_entered = $8,
         volume_l = $9, volume_entered = $10, volume_state = $11, colors_over_10 = $12, colors_10_20 = $13, colors_20_40 = $14, colors_under_40 = $15,
         black_sand = $16, gold_mg = $17, gold_entered = $18, note = $19, pit_id = $20, layer = $21, lot_id = $22, bucket_nth = $23, bucket_of = $24,
         way = $25, panner = $26, took_min = $27, grown_in = $28, from_safety_pan = $29, seen_with = $30
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $31 returning ${SAMPLE}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

/** Samples one statement inserts. */
export const SAMPLES_A_STATEMENT = 2000;

/** Inserts many new samples at once, sent as one JSON value: a parameter a field would be twenty times slower. Those whose id is there already are left as they are. */
export async function insertSamples(db: Db, crewId: string, samples: readonly Sample[]): Promise<void> {
  if (samples.length === 0) return;
  await db.query(
    `insert into sample (${SAMPLE_COLUMNS})
     select $1, s.id, s."groundId", s.deleted, s."spotId", s."takenAt", s."depth_m", s."depthEntered", s."volume_L", s."volumeEntered", s."volumeState",
       (s.counts->>'+10')::int, (s.counts->>'10-20')::int, (s.counts->>'20-40')::int, (s.counts->>'-40')::int, s."blackSand", s.gold_mg, s."goldEntered", s.note,
       s."pitId", s.layer, s."lotId", (s.bucket->>'nth')::smallint, (s.bucket->>'of')::smallint, s.way, s.panner, s.took_min, s."grownIn", s."fromSafetyPan", s."seenWith"
     from jsonb_to_recordset($2::jsonb) as s(id uuid, "groundId" uuid, deleted boolean, "spotId" uuid, "takenAt" timestamptz, depth_m double precision, "depthEntered" jsonb, "volume_L" double precision, "volumeEntered" jsonb, "volumeState" text,
       counts jsonb, "blackSand" smallint, gold_mg numeric, "goldEntered" jsonb, note text, "pitId" uuid, layer text, "lotId" uuid, bucket jsonb, way text, panner text, took_min double precision, "grownIn" integer, "fromSafetyPan" integer, "seenWith" jsonb)
     on conflict do nothing`,
    [crewId, JSON.stringify(samples)],
  );
}

/** Which of these spots are on the ground. */
export async function listSpotIds(db: Db, crewId: string, groundId: string): Promise<Set<string>> {
  const { rows } = await db.query<{ id: string }>('select id from spot where crew_id = $1 and ground_id = $2', [
    crewId,
    groundId,
  ]);
  return new Set(rows.map((r) => r.id));
}

export async function findSample(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${SAMPLE} from sample where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listSamples(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${SAMPLE} from sample where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

const LOT = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", spot_id as "spotId", tag, layer, volume_l as "volume_L", volume_entered as "volumeEntered", screen, taken_at as "takenAt", state, place, holder, sample_plan_id as "samplePlanId", from_depth_m as "fromDepth_m", to_depth_m as "toDepth_m", note`;

/** Null: `baseVersion` is not the stored one. */
export async function writeLot(db: Db, crewId: string, l: Lot, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    l.id,
    l.groundId,
    l.deleted,
    l.spotId,
    l.tag,
    l.layer,
    l.volume_L,
    l.volumeEntered,
    l.screen,
    l.takenAt,
    l.state,
    l.place,
    l.holder,
    l.note,
    l.samplePlanId,
    l.fromDepth_m,
    l.toDepth_m,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into lot (crew_id, id, ground_id, deleted, spot_id, tag, layer, volume_l, volume_entered, screen, taken_at, state, place, holder, note, sample_plan_id, from_depth_m, to_depth_m)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18) on conflict (crew_id, id) do nothing returning ${LOT}`,
          values,
        )
      : await db.query(
          `update lot set version = version + 1, updated_at = now(), deleted = $4, spot_id = $5, tag = $6, layer = $7, volume_l = $8, volume_entered = $9, screen = $10, taken_at = $11, state = $12, place = $13, holder = $14, note = $15, sample_plan_id = $16, from_depth_m = $17, to_depth_m = $18
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $19 returning ${LOT}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findLot(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${LOT} from lot where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

export async function listLots(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${LOT} from lot where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}
