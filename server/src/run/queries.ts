import { LoggedEvent, NewRun, StoredRun, type Tally } from '@riffle/contract';
import type { z } from 'zod';
import type { Db } from '../db/pool.ts';
import { recordKind } from '../db/recordKind.ts';

/** A run as written; its events and what they add up to are left as they are. */
export const runs = recordKind({
  path: 'runs',
  table: 'run',
  sent: NewRun,
  kept: StoredRun,
  fields: {
    groundId: 'ground_id',
    setupId: 'setup_id',
    spotId: 'spot_id',
    startedAt: 'started_at',
    bucket_L: 'bucket_l',
    bucketEntered: 'bucket_entered',
    note: 'note',
  },
  added: { tally: 'tally' },
});

const EVENT = `id, kind, at, spot_id as "spotId", volume_l as "volume_L", fullness, undoes`;

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
     select $1, $2, $3, e.id, e.kind, e.at, e."spotId", e."volume_L", e.fullness, e.undoes
     from jsonb_to_recordset($4::jsonb) as e(id uuid, kind text, at timestamptz, "spotId" uuid, "volume_L" float8, fullness text, undoes uuid)
     on conflict do nothing`,
    [crewId, groundId, runId, JSON.stringify(events)],
  );
}

export async function listEvents(db: Db, crewId: string, runId: string): Promise<LoggedEvent[]> {
  const { rows } = await db.query<object>(
    `select ${EVENT} from run_event where crew_id = $1 and run_id = $2 order by at, id`,
    [crewId, runId],
  );
  return rows.map((row) => LoggedEvent.parse(row));
}

export async function writeTally(
  db: Db,
  crewId: string,
  runId: string,
  tally: z.infer<typeof Tally>,
): Promise<StoredRun> {
  const { rows } = await db.query(`update run set tally = $3 where crew_id = $1 and id = $2 returning ${runs.reads}`, [
    crewId,
    runId,
    tally,
  ]);
  return StoredRun.parse(rows[0]);
}
