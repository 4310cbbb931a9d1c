import type { LoggedEvent, Run, Tally } from '@riffle/contract';
import type { z } from 'zod';
import type { Db } from '../db/pool.ts';

const RUN = `id, version, updated_at as "updatedAt", deleted, ground_id as "groundId", setup_id as "setupId", spot_id as "spotId", started_at as "startedAt",
  bucket_l as "bucket_L", bucket_entered as "bucketEntered", note, tally`;
const EVENT = `id, kind, at, spot_id as "spotId", volume_l as "volume_L", fullness, undoes`;

const NOTHING_YET: z.infer<typeof Tally> = {
  buckets: 0,
  volumeLoose_L: 0,
  bySpot_L: {},
  running_s: 0,
  stopped: false,
  lastEventAt: null,
};

/** Writes a run; its events and tally are left as they are. Null: `baseVersion` is not the stored one. */
export async function writeRun(db: Db, crewId: string, r: Run, baseVersion: number): Promise<unknown> {
  const values = [
    crewId,
    r.id,
    r.groundId,
    r.deleted,
    r.setupId,
    r.spotId,
    r.startedAt,
    r.bucket_L,
    r.bucketEntered,
    r.note,
  ];
  const { rows } =
    baseVersion === 0
      ? await db.query(
          `insert into run (crew_id, id, ground_id, deleted, setup_id, spot_id, started_at, bucket_l, bucket_entered, note, tally)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11) on conflict do nothing returning ${RUN}`,
          [...values, NOTHING_YET],
        )
      : await db.query(
          `update run set version = version + 1, updated_at = now(), deleted = $4, setup_id = $5, spot_id = $6, started_at = $7, bucket_l = $8, bucket_entered = $9, note = $10
       where crew_id = $1 and id = $2 and ground_id = $3 and version = $11 returning ${RUN}`,
          [...values, baseVersion],
        );
  return rows[0] ?? null;
}

export async function findRun(db: Db, crewId: string, id: string): Promise<unknown> {
  const { rows } = await db.query(`select ${RUN} from run where crew_id = $1 and id = $2`, [crewId, id]);
  return rows[0] ?? null;
}

/** The run, held against other writers until the transaction ends, so that two batches of events tally one after the other. */
export async function lockRun(
  db: Db,
  crewId: string,
  id: string,
): Promise<{ groundId: string; startedAt: string } | null> {
  const { rows } = await db.query<{ groundId: string; startedAt: string }>(
    'select ground_id as "groundId", started_at as "startedAt" from run where crew_id = $1 and id = $2 for update',
    [crewId, id],
  );
  return rows[0] ?? null;
}

export async function listRuns(
  db: Db,
  crewId: string,
  groundId: string,
  after: string,
  limit: number,
): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${RUN} from run where crew_id = $1 and ground_id = $2 and id > $3 order by id limit $4`,
    [crewId, groundId, after, limit],
  );
  return rows;
}

/** Appends events; those already there are passed over. */
export async function appendEvents(
  db: Db,
  crewId: string,
  groundId: string,
  runId: string,
  events: readonly LoggedEvent[],
): Promise<void> {
  await db.query(
    `insert into run_event (crew_id, ground_id, run_id, id, kind, at, spot_id, volume_l, fullness, undoes)
     select $1, $2, $3, e.* from unnest($4::uuid[], $5::text[], $6::timestamptz[], $7::uuid[], $8::float8[], $9::text[], $10::uuid[]) as e
     on conflict do nothing`,
    [
      crewId,
      groundId,
      runId,
      events.map((e) => e.id),
      events.map((e) => e.kind),
      events.map((e) => e.at),
      events.map((e) => e.spotId),
      events.map((e) => e.volume_L),
      events.map((e) => e.fullness),
      events.map((e) => e.undoes),
    ],
  );
}

export async function listEvents(db: Db, crewId: string, runId: string): Promise<unknown[]> {
  const { rows } = await db.query<object>(
    `select ${EVENT} from run_event where crew_id = $1 and run_id = $2 order by at, id`,
    [crewId, runId],
  );
  return rows;
}

export async function writeTally(
  db: Db,
  crewId: string,
  runId: string,
  tally: z.infer<typeof Tally>,
): Promise<unknown> {
  const { rows } = await db.query(`update run set tally = $3 where crew_id = $1 and id = $2 returning ${RUN}`, [
    crewId,
    runId,
    tally,
  ]);
  return rows[0] ?? null;
}
