import {
  NewCleanup,
  NewForecast,
  NewJar,
  NewLift,
  StoredCleanup,
  StoredForecast,
  StoredJar,
  StoredLift,
  type Cleanup,
} from '@riffle/contract';
import type { Db } from '../db/pool.ts';
import { elsewhere, moment, recordKind, writingMore } from '../db/recordKind.ts';

const ownRow = recordKind({
  path: 'cleanups',
  table: 'cleanup',
  sent: NewCleanup,
  kept: StoredCleanup,
  fields: {
    groundId: 'ground_id',
    cleanedAt: moment('cleaned_at'),
    blackSand_g: 'black_sand_g',
    blackSandEntered: 'black_sand_entered',
    rinsedClean: 'rinsed_clean',
    worked_s: 'worked_s',
    note: 'note',
    screens: 'screens',
    rinseOutOf: 'rinse_out_of',
    runIds: elsewhere(
      `(select coalesce(json_agg(r.run_id order by r.run_id), '[]') from cleanup_run r
        where r.crew_id = cleanup.crew_id and r.cleanup_id = cleanup.id)`,
    ),
    sections: elsewhere(
      `(select coalesce(json_agg(json_build_object('name', s.name, 'from_m', s.from_m, 'to_m', s.to_m, 'lining', s.lining,
          'gold_mg', s.gold_mg, 'goldEntered', s.gold_entered, 'colors', s.colors, 'bySize', s.by_size,
          'weighing', s.weighing) order by s.place), '[]')
        from cleanup_section s where s.crew_id = cleanup.crew_id and s.cleanup_id = cleanup.id)`,
    ),
  },
  added: {},
});

/** A clean-up is written whole, its sections and runs with it. */
export const cleanups = writingMore(ownRow, async (db, crewId, cleanup, baseVersion) => {
  if (!(await ownRow.writeRow(db, crewId, cleanup, baseVersion))) return null;
  await writeSections(db, crewId, cleanup);
  await writeRunIds(db, crewId, cleanup);
  return ownRow.find(db, crewId, cleanup.id);
});

/** Jars of concentrate on their way to gold. */
export const jars = recordKind({
  path: 'jars',
  table: 'jar',
  sent: NewJar,
  kept: StoredJar,
  fields: {
    groundId: 'ground_id',
    name: 'name',
    madeAt: moment('made_at'),
    coarsest_mm: 'coarsest_mm',
    finest_mm: 'finest_mm',
    volume_L: 'volume_l',
    volumeEntered: 'volume_entered',
    way: 'way',
    state: 'state',
    floor: 'floor',
    sluice: 'sluice',
    spoons: 'spoons',
    magnet: 'magnet',
    gold_mg: 'gold_mg',
    goldEntered: 'gold_entered',
    note: 'note',
  },
  added: {},
});

async function writeSections(db: Db, crewId: string, { id, sections }: Cleanup): Promise<void> {
  await db.query('delete from cleanup_section where crew_id = $1 and cleanup_id = $2', [crewId, id]);
  await db.query(
    `insert into cleanup_section (crew_id, cleanup_id, place, name, from_m, to_m, lining, gold_mg, gold_entered, colors, by_size,
       weighing)
     select $1, $2, s.place, s.name, s.from_m, s.to_m, s.lining, s.gold_mg, s."goldEntered", s.colors, s."bySize",
       nullif(s.weighing, 'null'::jsonb)
     from jsonb_to_recordset($3::jsonb) as s(place int, name text, from_m float8, to_m float8, lining text, gold_mg numeric, "goldEntered" jsonb,
       colors int, "bySize" jsonb, weighing jsonb)`,
    [crewId, id, JSON.stringify(sections.map((section, place) => ({ ...section, place })))],
  );
}

async function writeRunIds(db: Db, crewId: string, { id, groundId, deleted, runIds }: Cleanup): Promise<void> {
  await db.query('delete from cleanup_run where crew_id = $1 and cleanup_id = $2', [crewId, id]);
  await db.query(
    'insert into cleanup_run (crew_id, ground_id, cleanup_id, counts, run_id) select $1, $2, $3, $4, unnest($5::uuid[])',
    [crewId, groundId, id, !deleted, runIds],
  );
}

export const lifts = recordKind({
  path: 'lifts',
  table: 'lift',
  sent: NewLift,
  kept: StoredLift,
  fields: {
    groundId: 'ground_id',
    runIds: 'run_ids',
    liftedAt: moment('lifted_at'),
    tubs: 'tubs',
    rinsedClean: 'rinsed_clean',
    leaksWashed: 'leaks_washed',
    note: 'note',
  },
  added: {},
});

export const forecasts = recordKind({
  path: 'forecasts',
  table: 'forecast',
  sent: NewForecast,
  kept: StoredForecast,
  fields: {
    groundId: 'ground_id',
    setupId: 'setup_id',
    runIds: 'run_ids',
    sealedAt: moment('sealed_at'),
    volumeBank_L: 'volume_bank_l',
    sections: 'sections',
    all: 'all_gold',
    pans: 'pans',
    measuredBy: 'measured_by',
  },
  added: {},
});
