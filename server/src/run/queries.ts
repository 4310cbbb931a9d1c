import { LoggedEvent, NewRun, NewWorkRound, StoredRun, StoredWorkRound, type Tally } from '@riffle/contract';
import type { z } from 'zod';
import { asPage, readPage, type JsonPage } from '../db/jsonPage.ts';
import { eachRow, type Db } from '../db/pool.ts';
import { asMoment, moment, recordKind } from '../db/recordKind.ts';

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
    startedAt: moment('started_at'),
    bucket_L: 'bucket_l',
    bucketEntered: 'bucket_entered',
    people: 'people',
    who: 'who',
    layer: 'layer',
    fuel_L: 'fuel_l',
    fuelEntered: 'fuel_entered',
    note: 'note',
  },
  added: { tally: 'tally' },
});

export const workRounds = recordKind({
  path: 'work-rounds',
  table: 'work_round',
  sent: NewWorkRound,
  kept: StoredWorkRound,
  fields: {
    groundId: 'ground_id',
    timedAt: moment('timed_at'),
    bucket_L: 'bucket_l',
    bucketEntered: 'bucket_entered',
    dig_s: 'dig_s',
    carry_s: 'carry_s',
    screen_s: 'screen_s',
    feed_s: 'feed_s',
    posts: 'posts',
    pails: 'pails',
    note: 'note',
  },
  added: {},
});

const EVENT = `id, kind, ${asMoment('at')} as at, spot_id as "spotId", volume_l as "volume_L", fullness, undoes, device_id as "deviceId", device_count as "deviceCount", told_by as "by"`;
const EVENTS_PAGE = {
  name: 'run_event page',
  text: asPage(
    `select ${EVENT} from run_event where crew_id = $1 and run_id = $2 and id > $3 order by run_event.id limit $4`,
  ),
};
const asEvents = (rows: readonly object[]): LoggedEvent[] => rows.map((row) => LoggedEvent.parse(row));

/** The run, held against other writers until the transaction ends, so that two batches of events tally one after the other. */
export async function lockRun(db: Db, crewId: string, id: string): Promise<StoredRun | null> {
  const { rows } = await db.query<object>({
    name: 'run lock',
    text: `select ${runs.reads} from run where crew_id = $1 and id = $2 for update`,
    values: [crewId, id],
  });
  return rows[0] ? StoredRun.parse(rows[0]) : null;
}

/** Appends events; answers those that were new. */
export async function appendEvents(
  db: Db,
  crewId: string,
  groundId: string,
  runId: string,
  events: readonly LoggedEvent[],
): Promise<LoggedEvent[]> {
  const { rows } = await db.query<object>({
    name: 'run_event append',
    text: `insert into run_event (crew_id, ground_id, run_id, id, kind, at, spot_id, volume_l, fullness, undoes, device_id, device_count, told_by)
     select $1, $2, $3, e.id, e.kind, e.at, e."spotId", e."volume_L", e.fullness, e.undoes, e."deviceId", e."deviceCount", e.by
     from jsonb_to_recordset($4::jsonb) as e(id uuid, kind text, at timestamptz, "spotId" uuid, "volume_L" float8,
       fullness text, undoes uuid, "deviceId" uuid, "deviceCount" integer, by text)
     on conflict do nothing returning ${EVENT}`,
    values: [crewId, groundId, runId, JSON.stringify(events)],
  });
  return asEvents(rows);
}

/**
 * Buckets of a run that these new events take back and that stood in the count before them; null when one of the events
 * was counted by its device before one that is kept already.
 */
export async function undoneBy(
  db: Db,
  crewId: string,
  runId: string,
  fresh: readonly LoggedEvent[],
): Promise<Map<string, LoggedEvent> | null> {
  const ids = fresh.map((e) => e.id);
  const { rows: late } = await db.query({
    name: 'run_event late',
    text: `select 1 from run_event f join run_event kept on kept.crew_id = $1 and kept.run_id = $2
       and kept.device_id = f.device_id and kept.device_count > f.device_count and kept.id <> all ($3::uuid[])
     where f.crew_id = $1 and f.id = any ($3::uuid[]) limit 1`,
    values: [crewId, runId, ids],
  });
  if (late.length > 0) return null;
  const undone = fresh.flatMap((e) => (e.undoes === null ? [] : [e.undoes]));
  if (undone.length === 0) return new Map();
  const { rows } = await db.query<object>(
    `select ${EVENT} from run_event b where crew_id = $1 and run_id = $2 and kind = 'bucket' and id = any ($3::uuid[])
       and id <> all ($4::uuid[])
       and not exists (select 1 from run_event u where u.crew_id = $1 and u.undoes = b.id and u.id <> all ($4::uuid[]))`,
    [crewId, runId, undone, ids],
  );
  return new Map(asEvents(rows).map((e) => [e.id, e]));
}

export async function allEvents(db: Db, crewId: string, runId: string): Promise<LoggedEvent[]> {
  const { rows } = await db.query<object>(`select ${EVENT} from run_event where crew_id = $1 and run_id = $2`, [
    crewId,
    runId,
  ]);
  return asEvents(rows);
}

/** A page of a run's events, in id order from the one after `after`. */
export const pageOfEvents = (db: Db, crewId: string, runId: string, after: string, limit: number): Promise<JsonPage> =>
  readPage(db, { ...EVENTS_PAGE, values: [crewId, runId, after, limit] });

/** Every event of the crew's runs, in no order; on a connection of its own. */
export async function* eachEvent(db: Db, crewId: string): AsyncGenerator<LoggedEvent> {
  for await (const row of eachRow(db, `select ${EVENT} from run_event where crew_id = $1`, [crewId]))
    yield LoggedEvent.parse(row);
}

export async function writeTally(
  db: Db,
  crewId: string,
  runId: string,
  tally: z.infer<typeof Tally>,
): Promise<StoredRun> {
  const { rows } = await db.query<object>({
    name: 'run tally',
    text: `update run set tally = $3 where crew_id = $1 and id = $2 returning ${runs.reads}`,
    values: [crewId, runId, tally],
  });
  return StoredRun.parse(rows[0]);
}
