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
  edits: `version + (tally ->> 'taps')::int`,
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
  text: asPage(`select ${EVENT} from run_event where crew_id = $1 and run_id = $2 and id > $3 order by id limit $4`),
};
const asEvents = (rows: readonly object[]): LoggedEvent[] => rows.map((row) => LoggedEvent.parse(row));

/** Taps of a run and what their run was before them. */
export interface BeforeTaps {
  readonly run: StoredRun;
  /** Those of the taps that are in no run yet. */
  readonly fresh: readonly LoggedEvent[];
  /** One of them was counted by its device before one that is kept already. */
  readonly late: boolean;
}

/** Null: the crew has no such run. */
export async function readBeforeTaps(
  db: Db,
  crewId: string,
  runId: string,
  taps: readonly LoggedEvent[],
): Promise<BeforeTaps | null> {
  const once = new Map(taps.map((t) => [t.id, t]));
  const sent = [...once.values()];
  const { rows } = await db.query<{ fresh: string[]; late: boolean }>({
    name: 'run before taps',
    text: `with sent as (select * from unnest($3::uuid[], $4::uuid[], $5::int[]) as s(id, device_id, device_count)),
       fresh as (select * from sent where not exists (select 1 from run_event e where e.crew_id = $1 and e.id = sent.id))
     select ${runs.reads}, (select coalesce(json_agg(fresh.id), '[]') from fresh) as fresh,
       exists (select 1 from fresh join run_event kept on kept.crew_id = $1 and kept.run_id = $2
         and kept.device_id = fresh.device_id and kept.device_count > fresh.device_count) as late
     from run where crew_id = $1 and id = $2`,
    values: [crewId, runId, sent.map((t) => t.id), sent.map((t) => t.deviceId), sent.map((t) => t.deviceCount)],
  });
  if (!rows[0]) return null;
  const { fresh, late } = rows[0];
  const isFresh = new Set(fresh);
  return { run: StoredRun.parse(rows[0]), fresh: sent.filter((t) => isFresh.has(t.id)), late };
}

/**
 * Keeps new taps of a run and what all its taps come to with them, both or neither, if the run is still what the sum was
 * made from. One statement: a transaction would hold its connection through each turn of a busy server.
 *
 * @returns whether they were kept
 */
export async function keepTaps(
  db: Db,
  crewId: string,
  run: StoredRun,
  fresh: readonly LoggedEvent[],
  tally: z.infer<typeof Tally>,
): Promise<boolean> {
  const { rowCount } = await db.query({
    name: 'run taps',
    text: `with unchanged as (
       update run set tally = $4, updated_at = now() where crew_id = $1 and id = $2 and version = $3 and (tally ->> 'taps')::int = $5 returning ground_id)
     insert into run_event (crew_id, ground_id, run_id, id, kind, at, spot_id, volume_l, fullness, undoes, device_id, device_count, told_by)
     select $1, unchanged.ground_id, $2, e.id, e.kind, e.at, e."spotId", e."volume_L", e.fullness, e.undoes, e."deviceId", e."deviceCount", e.by
     from unchanged, jsonb_to_recordset($6::jsonb) as e(id uuid, kind text, at timestamptz, "spotId" uuid, "volume_L" float8,
       fullness text, undoes uuid, "deviceId" uuid, "deviceCount" integer, by text)`,
    values: [crewId, run.id, run.version, tally, run.tally.taps, JSON.stringify(fresh)],
  });
  return rowCount === fresh.length;
}

/** Holds a run against other writers until the transaction ends. */
export const lockRun = (db: Db, crewId: string, runId: string): Promise<unknown> =>
  db.query('select 1 from run where crew_id = $1 and id = $2 for update', [crewId, runId]);

/** Buckets of a run that these new events take back and that stand in the count before them. */
export async function undoneBy(
  db: Db,
  crewId: string,
  runId: string,
  fresh: readonly LoggedEvent[],
): Promise<Map<string, LoggedEvent>> {
  const undone = fresh.flatMap((e) => (e.undoes === null ? [] : [e.undoes]));
  if (undone.length === 0) return new Map();
  const { rows } = await db.query<object>(
    `select ${EVENT} from run_event b where crew_id = $1 and run_id = $2 and kind = 'bucket' and id = any ($3::uuid[])
       and not exists (select 1 from run_event u where u.crew_id = $1 and u.undoes = b.id)`,
    [crewId, runId, undone],
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
    text: `update run set tally = $3, updated_at = now() where crew_id = $1 and id = $2 returning ${runs.reads}`,
    values: [crewId, runId, tally],
  });
  return StoredRun.parse(rows[0]);
}
