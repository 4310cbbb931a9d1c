import {
  NewContainer,
  NewLook,
  NewLot,
  NewPit,
  NewSample,
  NewSamplePlan,
  NewScreening,
  NewSeeding,
  NewSizeWord,
  StoredContainer,
  StoredLook,
  StoredSweep,
  NewSweep,
  StoredLot,
  StoredPit,
  StoredSample,
  StoredSamplePlan,
  StoredScreening,
  StoredSeeding,
  StoredSizeWord,
} from '@riffle/contract';
import { asPage, readPage, type JsonPage } from '../db/jsonPage.ts';
import type { Db } from '../db/pool.ts';
import { moment, parts, recordKind, writingMore } from '../db/recordKind.ts';

export const samples = recordKind({
  path: 'samples',
  table: 'sample',
  sent: NewSample,
  kept: StoredSample,
  fields: {
    groundId: 'ground_id',
    spotId: 'spot_id',
    takenAt: moment('taken_at'),
    depth_m: 'depth_m',
    depthEntered: 'depth_entered',
    volume_L: 'volume_l',
    volumeEntered: 'volume_entered',
    volumeState: 'volume_state',
    counts: parts({
      '+10': 'colors_over_10',
      '10-20': 'colors_10_20',
      '20-40': 'colors_20_40',
      '-40': 'colors_under_40',
    }),
    blackSand: 'black_sand',
    gold_mg: 'gold_mg',
    goldEntered: 'gold_entered',
    pitId: 'pit_id',
    layerId: 'layer_id',
    layer: 'layer',
    lotId: 'lot_id',
    bucket: parts({ nth: 'bucket_nth', of: 'bucket_of' }, { orNull: true }),
    way: 'way',
    panner: 'panner',
    took_min: 'took_min',
    grownIn: 'grown_in',
    fromSafetyPan: 'from_safety_pan',
    seenWith: 'seen_with',
    saidBefore: 'said_before',
    riffleSaid: 'riffle_said',
    note: 'note',
  },
  added: {},
});

export const lots = recordKind({
  path: 'lots',
  table: 'lot',
  sent: NewLot,
  kept: StoredLot,
  fields: {
    groundId: 'ground_id',
    spotId: 'spot_id',
    tag: 'tag',
    layer: 'layer',
    volume_L: 'volume_l',
    volumeEntered: 'volume_entered',
    screen: 'screen',
    takenAt: moment('taken_at'),
    state: 'state',
    place: 'place',
    holder: 'holder',
    samplePlanId: 'sample_plan_id',
    fromDepth_m: 'from_depth_m',
    toDepth_m: 'to_depth_m',
    note: 'note',
  },
  added: {},
});

export const pits = recordKind({
  path: 'pits',
  table: 'pit',
  sent: NewPit,
  kept: StoredPit,
  fields: {
    groundId: 'ground_id',
    spotId: 'spot_id',
    name: 'name',
    dugAt: moment('dug_at'),
    planned: 'planned',
    length_m: 'length_m',
    lengthEntered: 'length_entered',
    width_m: 'width_m',
    widthEntered: 'width_entered',
    batter: 'batter',
    layers: 'layers',
    bottom: 'bottom',
    waterAt_m: 'water_at_m',
    crevice: 'crevice',
    filledIn: 'filled_in',
    putBack: 'put_back',
    note: 'note',
  },
  added: {},
});

export const screenings = recordKind({
  path: 'screenings',
  table: 'screening',
  sent: NewScreening,
  kept: StoredScreening,
  fields: {
    groundId: 'ground_id',
    spotId: 'spot_id',
    lotId: 'lot_id',
    screenedAt: moment('screened_at'),
    measure: 'measure',
    way: 'way',
    moisture_percent: 'moisture_percent',
    wentIn: 'went_in',
    wentInEntered: 'went_in_entered',
    screens: 'screens',
    through: 'through',
    throughEntered: 'through_entered',
    note: 'note',
  },
  added: {},
});

export const looks = recordKind({
  path: 'looks',
  table: 'look',
  sent: NewLook,
  kept: StoredLook,
  fields: {
    groundId: 'ground_id',
    spotId: 'spot_id',
    lookedAt: moment('looked_at'),
    aperture_mm: 'aperture_mm',
    volume_L: 'volume_l',
    volumeEntered: 'volume_entered',
    pieces: 'pieces',
  },
  added: {},
});

export const sweeps = recordKind({
  path: 'sweeps',
  table: 'sweep',
  sent: NewSweep,
  kept: StoredSweep,
  fields: {
    groundId: 'ground_id',
    spotId: 'spot_id',
    sweptAt: moment('swept_at'),
    what: 'what',
    coil: 'coil',
    setting: 'setting',
    floor_m: 'floor_m',
    floorEntered: 'floor_entered',
    signals: 'signals',
    gold: 'gold',
    note: 'note',
  },
  added: {},
});

export const containers = recordKind({
  path: 'containers',
  table: 'container',
  sent: NewContainer,
  kept: StoredContainer,
  fields: { name: 'name', volume_L: 'volume_l', volumeEntered: 'volume_entered', way: 'way', note: 'note' },
  added: {},
});

export const seedings = recordKind({
  path: 'seedings',
  table: 'seeding',
  sent: NewSeeding,
  kept: StoredSeeding,
  fields: {
    panner: 'panner',
    seededAt: moment('seeded_at'),
    size: 'size',
    putIn: 'put_in',
    cameBack: 'came_back',
    way: 'way',
    note: 'note',
  },
  added: {},
});

export const sizeWords = recordKind({
  path: 'size-words',
  table: 'size_word',
  sent: NewSizeWord,
  kept: StoredSizeWord,
  fields: { word: 'word', size: 'size' },
  added: {},
});

const planRow = recordKind({
  path: 'sample-plans',
  table: 'sample_plan',
  sent: NewSamplePlan,
  kept: StoredSamplePlan,
  fields: {
    groundId: 'ground_id',
    name: 'name',
    pattern: 'pattern',
    madeAt: moment('made_at'),
    bag_L: 'bag_l',
    bagEntered: 'bag_entered',
    note: 'note',
  },
  added: {},
});

/** A plan taken out takes the bags nobody dug along, and brings them back when it is put back. */
export const samplePlans = writingMore(planRow, async (db, crewId, plan, baseVersion) => {
  const found = await planRow.find(db, crewId, plan.id);
  if (found?.deleted && !plan.deleted && found.version === baseVersion) await bringBackUndug(db, crewId, plan.id);
  const written = await planRow.write(db, crewId, plan, baseVersion);
  if (written && plan.deleted) await dropUndug(db, crewId, plan.id);
  return written;
});

/** What a plan leaves when it is taken out: bags nobody dug go with it, and points nobody sampled or dug at. */
async function dropUndug(db: Db, crewId: string, samplePlanId: string): Promise<void> {
  await db.query(
    `update lot set deleted = true, version = version + 1, updated_at = now()
     where crew_id = $1 and sample_plan_id = $2 and state = 'planned' and not deleted`,
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
async function bringBackUndug(db: Db, crewId: string, samplePlanId: string): Promise<void> {
  for (const table of ['lot', 'spot'] as const) {
    await db.query(
      `update ${table} set deleted = false, version = ${table}.version + 1, updated_at = now() from sample_plan p
       where ${table}.crew_id = $1 and ${table}.sample_plan_id = $2 and ${table}.deleted
         and p.crew_id = $1 and p.id = $2 and p.deleted and ${table}.updated_at = p.updated_at`,
      [crewId, samplePlanId],
    );
  }
}

/** Which of these spots are on the ground. */
export async function listSpotIds(db: Db, crewId: string, groundId: string): Promise<Set<string>> {
  const { rows } = await db.query<{ id: string }>('select id from spot where crew_id = $1 and ground_id = $2', [
    crewId,
    groundId,
  ]);
  return new Set(rows.map((r) => r.id));
}

/** Grounds of the crew with more samples than `most`, those with the most first; so many of them. */
export async function groundsOfManySamples(
  db: Db,
  crewId: string,
  most: number,
  atMost: number,
): Promise<readonly string[]> {
  const { rows } = await db.query<{ id: string }>(
    `select s.ground_id as id
     from sample s join ground g on g.crew_id = s.crew_id and g.id = s.ground_id and not g.deleted
     where s.crew_id = $1 group by 1 having count(*) > $2 order by count(*) desc limit $3`,
    [crewId, most, atMost],
  );
  return rows.map((r) => r.id);
}

/** Words that change with a ground, its spots, its samples and its pits; null where it is not in the book. */
export async function stampOfPans(db: Db, crewId: string, groundId: string): Promise<string | null> {
  const of = (table: 'spot' | 'sample' | 'pit'): string =>
    `(select concat_ws(' ', count(*), sum(version), max(updated_at)) from ${table} where crew_id = $1 and ground_id = $2)`;
  const { rows } = await db.query<{ stamp: string }>(
    `select concat_ws(', ', version, ${of('spot')}, ${of('sample')}, ${of('pit')}) as stamp
     from ground where crew_id = $1 and id = $2 and not deleted`,
    [crewId, groundId],
  );
  return rows[0]?.stamp ?? null;
}

/** So many fill a screen many times over. */
const LATEST = 500;

const LATEST_PAGE = {
  name: 'sample latest',
  // Read as they are sent only once it is known which.
  text: asPage(`select ${samples.reads} from (select * from sample where crew_id = $1 and ground_id = $2 and not deleted
    order by taken_at desc, id limit ${LATEST}) as sample order by taken_at desc, id`),
};

/** The samples of a ground that were taken last, the last first. */
export const latestSamples = (db: Db, crewId: string, groundId: string): Promise<JsonPage> =>
  readPage(db, { ...LATEST_PAGE, values: [crewId, groundId] });

/**
 * The moment up to which all that was written is seen by whoever reads after this: a record bears the time its writing
 * began, and writings that are under way are not seen yet. To the millisecond, as records are sent.
 */
async function allSeenUpTo(db: Db): Promise<string> {
  const { rows } = await db.query<{ moment: string }>(
    `select to_char(date_trunc('milliseconds', least(now(), min(xact_start))) - interval '1 millisecond', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as moment
     from pg_stat_activity
     where datname = current_database() and backend_type = 'client backend' and pid <> pg_backend_pid()`,
  );
  return rows[0]?.moment ?? '';
}

/** The samples of a ground in columns by spot, as JSON that the database has written: `Pans` of the contract. */
export async function pansAsJson(db: Db, crewId: string, groundId: string): Promise<string> {
  const asOf = await allSeenUpTo(db);
  const { rows } = await db.query<{ pans: string }>(
    `select json_build_object(
       'asOf', $3::text,
       'later', (select coalesce(json_agg(id), '[]') from sample
         where crew_id = $1 and ground_id = $2 and not deleted and updated_at > $3::timestamptz),
       'spots', coalesce(json_agg(by_spot), '[]'))::text as pans
     from (
       select spot_id as "spotId",
         array_to_json(taken_at_ms) as "takenAt_ms",
         array_to_json(depth_m) as depth_m,
         array_to_json(case when layer_ids is null then array_fill(-1, array[cardinality(layer_id)])
           else (select array_agg(coalesce(array_position(layer_ids, id), 0) - 1 order by place)
             from unnest(layer_id) with ordinality as each(id, place)) end) as layer,
         coalesce(array_to_json(layer_ids), '[]') as "layerIds",
         array_to_json(volume_l) as "volume_L",
         array_to_json(is_loose) as "isLoose",
         json_build_object('+10', array_to_json(over_10), '10-20', array_to_json(from_10),
           '20-40', array_to_json(from_20), '-40', array_to_json(under_40)) as counts,
         array_to_json(gold_mg) as gold_mg
       from (
         select spot_id,
           array_agg((extract(epoch from taken_at) * 1000)::bigint) as taken_at_ms,
           array_agg(depth_m) as depth_m,
           array_agg(layer_id) as layer_id,
           array_agg(volume_l) as volume_l,
           array_agg(volume_state = 'loose') as is_loose,
           array_agg(colors_over_10) as over_10, array_agg(colors_10_20) as from_10,
           array_agg(colors_20_40) as from_20, array_agg(colors_under_40) as under_40,
           array_agg(gold_mg) as gold_mg
         from sample where crew_id = $1 and ground_id = $2 and not deleted group by spot_id
       ) as columns,
       lateral (select array_agg(distinct id) as layer_ids from unnest(layer_id) as each(id) where id is not null) as layers
     ) as by_spot`,
    [crewId, groundId, asOf],
  );
  return rows[0]?.pans ?? '';
}

/**
 * Takes out what an import made, or brings it in again. Only what nobody touched since: a sample as it came in, a spot that
 * holds nothing. Brought in again is what was taken back and left so.
 */
export async function moveImport(
  db: Db,
  crewId: string,
  groundId: string,
  { samples: sampleIds, spots: spotIds }: { readonly samples: readonly string[]; readonly spots: readonly string[] },
  isBack: boolean,
): Promise<{ samples: number; spots: number }> {
  const set = 'deleted = $4, version = version + 1, updated_at = now()';
  // As it came in, or as it was taken back.
  const untouched = isBack ? 'not deleted and version = 1' : 'deleted and version = 2';
  const move = async (table: 'sample' | 'spot', ids: readonly string[], also = ''): Promise<number> => {
    const { rowCount } = await db.query(
      `update ${table} set ${set} where crew_id = $1 and ground_id = $2 and id = any($3::uuid[]) and ${untouched} ${also}`,
      [crewId, groundId, ids, isBack],
    );
    return rowCount ?? 0;
  };
  const empty = ['sample', 'pit', 'lot', 'screening', 'look', 'setup', 'run']
    .map((t) => `and not exists (select from ${t} x where x.crew_id = $1 and x.spot_id = spot.id and not x.deleted)`)
    .join(' ');
  // A sample stands on its spot: it leaves first and comes back last.
  if (isBack) {
    const moved = await move('sample', sampleIds);
    return { samples: moved, spots: await move('spot', spotIds, empty) };
  }
  const moved = await move('spot', spotIds);
  return { samples: await move('sample', sampleIds), spots: moved };
}
