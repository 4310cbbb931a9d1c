import { beforeAll, describe, expect, test } from '@jest/globals';
import type { Problem } from '@riffle/contract';
import { v7 as uuidv7 } from 'uuid';
import {
  firstRecords,
  bucketAt,
  newAttachment,
  newBoxTest,
  newCleanup,
  newAgreement,
  newForecast,
  newLift,
  newTub,
  newAir,
  newWasher,
  newJar,
  newGoldEntry,
  newTrial,
  newWorkRound,
  newGaugeReading,
  newSwellReading,
  newGround,
  newContainer,
  newLayer,
  newLook,
  newSweep,
  newLot,
  newOutline,
  newPermission,
  newPit,
  newDaySheet,
  newRig,
  newRigSection,
  newRun,
  newSample,
  newSamplePlan,
  newScreening,
  newSection,
  newSeeding,
  newSetup,
  newSign,
  newSizeWord,
  newSpot,
} from '../test/records.ts';
import { EVERY_KIND } from './db/everyKind.ts';
import { useTestServer } from '../test/testServer.ts';

const server = useTestServer();
const ids = { ground: '', spot: '', rig: '', setup: '', run: '' };

const put = (kind: string, record: { id: string; [field: string]: unknown }): ReturnType<typeof server.call> =>
  server.call('PUT', `/${kind}/${record.id}`, record);

beforeAll(async () => {
  const first = firstRecords();
  for (const [kind, record] of Object.entries(first)) expect((await put(kind, record)).statusCode).toBe(201);
  const { grounds, spots, rigs, setups, runs } = first;
  Object.assign(ids, { ground: grounds.id, spot: spots.id, rig: rigs.id, setup: setups.id, run: runs.id });
});

/** A right record of each kind, on the ground made above. */
const RIGHT = {
  grounds: () => newGround(),
  spots: () => newSpot(ids.ground),
  signs: () => newSign(ids.ground),
  'gauge-readings': () => newGaugeReading(ids.ground),
  'swell-readings': () => newSwellReading(ids.ground),
  permissions: () => newPermission(ids.ground),
  'day-sheets': () => newDaySheet(ids.ground),
  outlines: () => newOutline(ids.ground),
  attachments: () => newAttachment(ids.ground, ids.spot),
  lots: () => newLot(ids.ground, ids.spot),
  samples: () => newSample(ids.ground, ids.spot),
  'sample-plans': () => newSamplePlan(ids.ground),
  pits: () => newPit(ids.ground, ids.spot),
  screenings: () => newScreening(ids.ground, ids.spot),
  looks: () => newLook(ids.ground, ids.spot),
  sweeps: () => newSweep(ids.ground, ids.spot),
  containers: () => newContainer(),
  seedings: () => newSeeding(),
  'size-words': () => newSizeWord(),
  rigs: () => newRig(),
  setups: () => newSetup(ids.ground, ids.rig),
  'box-tests': () => newBoxTest(ids.ground, ids.setup),
  runs: () => newRun(ids.ground, ids.setup, ids.spot),
  cleanups: () => newCleanup(ids.ground, [ids.run], [newSection(0, 1.2, 5)]),
  'work-rounds': () => newWorkRound(ids.ground),
  jars: () => newJar(ids.ground),
  lifts: () => newLift(ids.ground, [ids.run]),
  forecasts: () => newForecast(ids.ground, ids.setup, [ids.run]),
  trials: () => newTrial(ids.ground),
  'gold-entries': () => newGoldEntry(),
  agreements: () => newAgreement(),
} as const;
type Kind = keyof typeof RIGHT;

/** Every wrong field of every form: what is sent in its place, and the path that must be named. */
const WRONG: readonly (readonly [Kind, string, unknown, string?])[] = [
  ['grounds', 'name', '   '],
  ['grounds', 'name', 'x'.repeat(81)],
  ['grounds', 'kind', 'ocean'],
  ['grounds', 'length_m', 0],
  ['grounds', 'length_m', 2e6],
  ['grounds', 'length_m', 'long'],
  ['grounds', 'swell_percent', -1],
  ['grounds', 'swell_percent', 300],
  ['grounds', 'note', 'x'.repeat(4001)],
  ['grounds', 'baseVersion', -1],
  ['spots', 'groundId', 'here'],
  ['spots', 'name', ''],
  ['spots', 'kind', 'castle'],
  ['spots', 'distance_m', -1],
  ['spots', 'distance_m', null],
  ['spots', 'bank', 'up'],
  ['spots', 'offset_m', -2],
  ['spots', 'position', [200, 10], 'position.0'],
  ['spots', 'position', [10, 95], 'position.1'],
  ['signs', 'kind', 'omen'],
  ['signs', 'distance_m', -4],
  ['signs', 'bank', 'north'],
  ['signs', 'seenAt', 'last week'],
  ['signs', 'size_mm', 0],
  ['signs', 'cover_m', -1],
  ['signs', 'weight', 1, 'weight'],
  ['signs', 'weight', 7],
  ['signs', 'kind', 'own word', 'weight'],
  ['signs', 'comeBackWith', 'x'.repeat(401)],
  ['gauge-readings', 'level_m', 80],
  ['gauge-readings', 'level_m', 'high'],
  ['gauge-readings', 'readAt', 'then'],
  ['gauge-readings', 'isFlood', 'yes'],
  ['swell-readings', 'height_m', 0],
  ['swell-readings', 'height_m', 26],
  ['swell-readings', 'period_s', 1],
  ['swell-readings', 'period_s', 'long'],
  ['swell-readings', 'isStorm', 'yes'],
  ['swell-readings', 'cut_m', -1],
  ['swell-readings', 'readAt', 'then'],
  ['signs', 'height_m', 21],
  ['grounds', 'faceSlope', 0.6],
  ['permissions', 'name', ' '],
  ['permissions', 'kind', 'wink'],
  ['permissions', 'from', 'spring'],
  ['permissions', 'to', '2026-02-30'],
  ['permissions', 'from', null, 'from'],
  ['grounds', 'tide', { meanLevel_m: 0, workBelow_m: 0, constituents: [] }, 'tide.constituents'],
  [
    'grounds',
    'tide',
    { meanLevel_m: 0, workBelow_m: 0, constituents: [{ name: 'M9', amplitude_m: 1, phase_deg: 0 }] },
    'tide.constituents.0.name',
  ],
  ['grounds', 'profile', [{ distance_m: 5, height_m: 1, form: 'fall' }], 'profile.0.form'],
  ['grounds', 'joins', { groundId: 'x', distance_m: 5, bank: 'left' }, 'joins.groundId'],
  ['spots', 'worksBelow_m', 90],
  ['signs', 'kind', 'own: '],
  ['signs', 'traits', { strike: 'across the flow' }],
  ['signs', 'traits', { mood: 'good' }],
  ['day-sheets', 'day', 'Monday'],
  ['day-sheets', 'start_min', -5],
  ['day-sheets', 'back_min', 400, 'back_min'],
  ['day-sheets', 'back_min', 2000],
  ['day-sheets', 'limit_kg', 0],
  ['day-sheets', 'aim', 'luck'],
  ['day-sheets', 'way', 'slowly'],
  [
    'day-sheets',
    'stops',
    [{ placeId: 'p', spotId: null, name: '', distance_m: 1, bank: 'left', offset_m: 0, work_min: 5 }],
    'stops.0.name',
  ],
  ['day-sheets', 'tools', [{ name: 'anvil', kg: 400 }], 'tools.0.kg'],
  ['outlines', 'points', [[0, 0]]],
  [
    'outlines',
    'points',
    [
      [0, 0],
      [1, 1],
    ],
    'points',
  ],
  [
    'outlines',
    'points',
    [
      [0, 0],
      [200, 1],
      [1, 1],
    ],
    'points.1.0',
  ],
  ['outlines', 'kind', 'moon'],
  ['outlines', 'height_m', 900],
  ['outlines', 'holder', 'ours'],
  ['attachments', 'mime', 'text/html'],
  ['attachments', 'about', 'dog'],
  ['attachments', 'name', ''],
  ['attachments', 'takenAt', 'noon'],
  ['attachments', 'width_px', 0],
  ['lots', 'tag', ''],
  ['lots', 'tag', 'x'.repeat(21)],
  ['lots', 'volume_L', 0],
  ['lots', 'state', 'somewhere'],
  ['lots', 'takenAt', 'late'],
  ['lots', 'spotId', 'x'],
  ['samples', 'spotId', ''],
  ['samples', 'takenAt', 'yesterday'],
  ['samples', 'depth_m', -0.1],
  ['samples', 'depth_m', 31],
  ['samples', 'depthEntered', '1 ft'],
  ['samples', 'volume_L', 0],
  ['samples', 'volume_L', -4],
  ['samples', 'volume_L', 20_000],
  ['samples', 'volumeEntered', { text: '2' }, 'volumeEntered.unit'],
  ['samples', 'volumeState', 'wet'],
  ['samples', 'counts', { '+10': 0, '10-20': 0, '20-40': 1 }, 'counts.-40'],
  ['samples', 'counts', { '+10': 0, '10-20': -1, '20-40': 1, '-40': 0 }, 'counts.10-20'],
  ['samples', 'counts', { '+10': 0, '10-20': 0.5, '20-40': 1, '-40': 0 }, 'counts.10-20'],
  ['samples', 'blackSand', 5],
  ['samples', 'blackSand', 1.5],
  ['samples', 'gold_mg', 0],
  ['samples', 'gold_mg', -3],
  ['samples', 'bucket', { nth: 5, of: 4 }, 'bucket.nth'],
  ['samples', 'bucket', { nth: 0, of: 4 }, 'bucket.nth'],
  ['samples', 'grownIn', 9],
  ['samples', 'fromSafetyPan', 9],
  ['samples', 'took_min', -1],
  ['samples', 'seenWith', { pan: 'tea cup', light: 'sun', eyes: 'through a lens' }, 'seenWith.pan'],
  ['samples', 'way', 'by prayer'],
  ['lots', 'fromDepth_m', -1],
  ['lots', 'toDepth_m', 31],
  ['lots', 'samplePlanId', 'x'],
  ['sample-plans', 'pattern', 'star'],
  ['sample-plans', 'bag_L', 0],
  ['sample-plans', 'name', ''],
  ['sample-plans', 'madeAt', 'now'],
  ['pits', 'length_m', 0],
  ['pits', 'width_m', -1],
  ['pits', 'batter', 4],
  ['pits', 'batter', 1.5, 'batter'],
  ['pits', 'layers', [], 'layers'],
  ['pits', 'layers', [newLayer(0)], 'layers.0.thickness_m'],
  ['pits', 'layers', [newLayer(20), newLayer(20)], 'layers'],
  ['pits', 'layers', [newLayer(0.3, { cobbles_percent: 120 })], 'layers.0.cobbles_percent'],
  ['pits', 'layers', [{ ...newLayer(0.3), material: 'cheese' }], 'layers.0.material'],
  ['pits', 'layers', Array.from({ length: 21 }, () => newLayer(0.1)), 'layers'],
  ['pits', 'waterAt_m', 2, 'waterAt_m'],
  ['pits', 'bottom', 'China'],
  [
    'pits',
    'crevice',
    { width_m: 0, length_m: 1, depth_m: 1, strike: 'across the flow', state: 'found' },
    'crevice.width_m',
  ],
  ['screenings', 'screens', []],
  ['screenings', 'wentIn', 10, 'wentIn'],
  ['screenings', 'wentIn', -2],
  ['screenings', 'through', -1],
  ['screenings', 'moisture_percent', 140],
  ['screenings', 'measure', 'feel'],
  [
    'screenings',
    'screens',
    [{ name: 'a', aperture_mm: 2, shape: 'square', kept: 1, keptEntered: { text: '1', unit: 'kg' }, colors: 1.5 }],
    'screens.0.colors',
  ],
  [
    'screenings',
    'screens',
    [
      { name: 'a', aperture_mm: 2, shape: 'square', kept: 1, keptEntered: { text: '1', unit: 'kg' } },
      { name: 'b', aperture_mm: 2, shape: 'slot', kept: 1, keptEntered: { text: '1', unit: 'kg' } },
    ],
    'screens',
  ],
  ['looks', 'aperture_mm', 0],
  ['looks', 'volume_L', 0],
  ['looks', 'pieces', 1.5],
  ['looks', 'lookedAt', 'just now'],
  ['sweeps', 'what', 'the moon'],
  ['sweeps', 'floor_m', 31],
  ['sweeps', 'signals', -1],
  ['sweeps', 'gold', 5, 'gold'],
  ['sweeps', 'coil', 'x'.repeat(81)],
  ['sweeps', 'setting', 'x'.repeat(201)],
  ['sweeps', 'sweptAt', 'now'],
  ['grounds', 'timeZone', 'Corran/Harbor'],
  ['grounds', 'fedBy', 'the moon'],
  ['grounds', 'catchment_m2', 0],
  ['containers', 'name', ''],
  ['containers', 'name', '14 in pan'],
  ['containers', 'volume_L', 0],
  ['containers', 'way', 'guess'],
  ['size-words', 'word', ' '],
  ['size-words', 'word', '3 flakes'],
  ['size-words', 'word', 'x'.repeat(31)],
  ['size-words', 'size', 'small'],
  ['seedings', 'putIn', 0],
  ['seedings', 'cameBack', 11, 'cameBack'],
  ['seedings', 'cameBack', -1],
  ['seedings', 'size', 'huge'],
  ['seedings', 'panner', ' '],
  ['rigs', 'name', ''],
  ['rigs', 'sections', []],
  ['rigs', 'sections', [newRigSection({ width_m: 0.01 })], 'sections.0.width_m'],
  ['rigs', 'sections', [newRigSection({ width_m: 3 })], 'sections.0.width_m'],
  ['rigs', 'sections', [newRigSection({ length_m: 0.01 })], 'sections.0.length_m'],
  ['rigs', 'sections', [newRigSection({ length_m: 0.1 })], 'sections'],
  ['rigs', 'sections', [newRigSection({ length_m: 6 }), newRigSection({ length_m: 6 })], 'sections'],
  ['rigs', 'sections', [newRigSection({ step_m: 2 })], 'sections.0.step_m'],
  ['rigs', 'sections', [{ ...newRigSection(), lining: 'velvet' }], 'sections.0.lining'],
  ['rigs', 'sections', [{ ...newRigSection(), widthEntered: undefined }], 'sections.0.widthEntered'],
  ['rigs', 'sections', Array.from({ length: 9 }, () => newRigSection({ length_m: 0.3 }))],
  ['rigs', 'washer', newWasher({ riffle_m: 0.2 }), 'washer.riffle_m'],
  ['rigs', 'washer', newWasher({ cloth: 'lace' as never }), 'washer.cloth'],
  ['rigs', 'washer', newWasher({ drive: { kind: 'mule' } as never }), 'washer.drive.kind'],
  ['setups', 'air', newAir({ altitude_m: 9000 }), 'air.altitude_m'],
  ['setups', 'air', newAir({ squeeze: 'drips' as never }), 'air.squeeze'],
  ['setups', 'air', newAir({ pass: 0 }), 'air.pass'],
  ['setups', 'air', newAir(), 'depth_m'],
  ['setups', 'rigId', null],
  ['setups', 'slope', 0],
  ['setups', 'slope', 0.5],
  ['setups', 'flow_m3_s', null, 'depth_m'],
  ['setups', 'depth_m', 0.02, 'depth_m'],
  ['setups', 'flow_m3_s', -1],
  ['setups', 'stone_m', 0],
  ['setups', 'stone_m', 1],
  ['setups', 'temperature_C', -4],
  ['setups', 'temperature_C', 55],
  ['setups', 'scoop_L', 0],
  ['setups', 'bucket_L', 900],
  ['setups', 'setAt', '2026-13-01'],
  ['runs', 'setupId', 'x'],
  ['runs', 'spotId', null],
  ['runs', 'startedAt', 5],
  ['runs', 'who', 'x'.repeat(201)],
  ['runs', 'layer', 'x'.repeat(81)],
  ['runs', 'fuel_L', -1],
  ['runs', 'fuelEntered', { text: '2', unit: 'L' }],
  ['runs', 'bucket_L', 0],
  ['runs', 'bucketEntered', { text: 'x'.repeat(61), unit: 'L' }, 'bucketEntered.text'],
  ['cleanups', 'runIds', []],
  ['cleanups', 'runIds', ['x'], 'runIds.0'],
  ['cleanups', 'sections', []],
  ['cleanups', 'sections', [{ ...newSection(0, 1, 1), gold_mg: -1 }], 'sections.0.gold_mg'],
  ['cleanups', 'sections', [newSection(0.5, 0.2, 1)], 'sections'],
  ['cleanups', 'sections', [newSection(0, 0.5, 1), newSection(0.4, 0.9, 1)], 'sections'],
  ['cleanups', 'sections', [newSection(0, 12, 1)], 'sections.0.to_m'],
  ['cleanups', 'blackSand_g', -1],
  ['cleanups', 'rinsedClean', 'maybe'],
  ['box-tests', 'testedAt', 'later'],
  ['box-tests', 'tested', { kind: 'kick' }, 'tested.kind'],
  [
    'box-tests',
    'tested',
    { kind: 'tracers', size_mm: 0.5, sizeEntered: { text: '0.5', unit: 'mm' }, fed: 10, held: 11 },
    'tested.held',
  ],
  [
    'box-tests',
    'tested',
    { kind: 'timed bucket', took_s: 0, volume_L: 20, volumeEntered: { text: '20', unit: 'L' } },
    'tested.took_s',
  ],
  ['jars', 'name', ''],
  ['jars', 'coarsest_mm', 0],
  ['jars', 'finest_mm', 0.6],
  ['jars', 'finest_mm', -1],
  ['jars', 'volume_L', 0],
  ['jars', 'state', 'lost'],
  ['jars', 'way', 'mercury'],
  ['jars', 'spoons', [{ ...newJar('').spoons[0], saw: 'nothing' }], 'spoons.0.saw'],
  ['jars', 'spoons', [{ ...newJar('').spoons[0], depth_m: 1 }], 'spoons.0.depth_m'],
  ['jars', 'magnet', { washedShare: 2, found: 0, elsewhere: 1 }, 'magnet.washedShare'],
  ['jars', 'gold_mg', -1],
  ['seedings', 'way', 'steam'],
  ['work-rounds', 'dig_s', 0],
  ['work-rounds', 'carry_s', 7201],
  ['work-rounds', 'pails', 0],
  ['work-rounds', 'pails', 2.5],
  ['work-rounds', 'posts', []],
  ['work-rounds', 'posts', [{ tasks: ['sing'], people: 1 }], 'posts.0.tasks.0'],
  ['work-rounds', 'posts', [{ tasks: ['dig'], people: 13 }], 'posts.0.people'],
  ['work-rounds', 'posts', [{ tasks: ['feed', 'dig'], people: 1 }], 'posts'],
  [
    'work-rounds',
    'posts',
    [
      { tasks: ['dig'], people: 6 },
      { tasks: ['feed'], people: 6 },
    ],
    'posts',
  ],
  ['cleanups', 'worked_s', -1],
  [
    'cleanups',
    'sections',
    [{ ...newSection(0, 1, 1), weighing: { empty: { text: '12.3', unit: 'g' }, full: [] } }],
    'sections.0.weighing.full',
  ],
  ['lifts', 'runIds', []],
  ['lifts', 'tubs', []],
  ['lifts', 'tubs', [newTub('1', 0, 0.5), newTub('2', 0.4, 0.9)], 'tubs'],
  ['lifts', 'tubs', [newTub('1', 0, 0.5), newTub('1', 0.5, 0.9)], 'tubs'],
  ['lifts', 'tubs', [newTub('', 0, 0.5)], 'tubs.0.tag'],
  ['lifts', 'rinsedClean', 'maybe'],
  ['lifts', 'leaksWashed', [''], 'leaksWashed.0'],
  ['cleanups', 'rinseOutOf', [uuidv7()], 'runIds'],
  ['rigs', 'leakPoints', [''], 'leakPoints.0'],
  ['forecasts', 'volumeBank_L', 0],
  ['forecasts', 'runIds', []],
  ['forecasts', 'all', { low_mg: 9, middle_mg: 7, high_mg: 17 }, 'sections'],
  ['forecasts', 'sections', []],
  ['forecasts', 'pans', 0.5],
  ['gold-entries', 'deed', 'gambled'],
  ['gold-entries', 'to', ''],
  ['gold-entries', 'from', '  '],
  ['gold-entries', 'amount_mg', -1],
  ['gold-entries', 'out_mg', 3],
  ['gold-entries', 'fineness_permille', 1001],
  ['gold-entries', 'price', -4],
  ['gold-entries', 'corrects', '019370a0-0000-7000-8000-000000000001'],
  ['agreements', 'since', 'spring'],
  ['agreements', 'partners', []],
  ['agreements', 'partners', [{ name: 'Ana', parts: 0 }]],
  [
    'agreements',
    'partners',
    [
      { name: 'Ana', parts: 1 },
      { name: 'Ana', parts: 2 },
    ],
  ],
  ['agreements', 'partners', [{ name: '', parts: 1 }], 'partners.0.name'],
  ['agreements', 'partners', [{ name: 'Ana', parts: 1.5 }], 'partners.0.parts'],
  ['trials', 'a', ''],
  ['trials', 'measure', 'luck'],
  ['trials', 'rounds', [{ ...newTrial('').rounds[0], first: 'C' }], 'rounds.0.first'],
  ['trials', 'rounds', [{ ...newTrial('').rounds[0], a: { value: -1, entered: null } }], 'rounds.0.a.value'],
  ['cleanups', 'sections', [{ ...newSection(0, 1, 1), bySize: [{ gold_mg: 1, goldEntered: null }] }], 'sections'],
  ['cleanups', 'sections', [{ ...newSection(0, 1, 1), colors: 1.5 }], 'sections.0.colors'],
  [
    'cleanups',
    'screens',
    [0.3, 2].map((aperture_mm) => ({ aperture_mm, apertureEntered: { text: '1', unit: 'mm' } })),
    'screens',
  ],
];

describe('a wrong field is named, and nothing is stored', () => {
  test.each(WRONG.map(([kind, field, value, path = field]) => [kind, field, value, path] as const))(
    '%s: %s = %j',
    async (kind, field, value, path) => {
      const record = { ...RIGHT[kind](), [field]: value };
      const answer = await put(kind, record);
      expect([answer.statusCode, answer.headers['content-type']]).toEqual([
        400,
        expect.stringContaining('application/problem+json'),
      ]);
      const problem = answer.json<Problem>();
      expect(problem.code).toBe('INVALID');
      expect(problem.errors?.map((e) => e.path)).toContain(path);
      for (const e of problem.errors ?? []) expect(e.message.length).toBeGreaterThan(3);
      const { rows } = await server.pool.query(`select 1 from ${TABLE[kind]} where id = $1`, [record.id]);
      expect(rows).toEqual([]);
    },
  );
  test.each(Object.keys(RIGHT) as Kind[])(
    '%s: the right record beside them is taken, and taken again is the same one',
    async (kind) => {
      const record = RIGHT[kind]();
      expect((await put(kind, record)).statusCode).toBe(201);
      const again = await put(kind, record);
      expect([again.statusCode, again.json<{ version: number }>().version]).toEqual([200, 1]);
      // Lists are written by the database and parsed by nobody on their way.
      const of = EVERY_KIND.find((k) => k.path === kind)?.ofGround ? `/grounds/${ids.ground}` : '';
      const { items } = (await server.call('GET', `${of}/${kind}?limit=1000`)).json<{ items: { id: string }[] }>();
      expect(items.find((r) => r.id === record.id)).toStrictEqual(again.json());
    },
  );
  test.each(Object.keys(RIGHT) as Kind[])('%s: the id in the address must be the record’s', async (kind) => {
    expect((await server.call('PUT', `/${kind}/${uuidv7()}`, RIGHT[kind]())).json()).toMatchObject({
      code: 'INVALID',
      errors: [{ path: 'id' }],
    });
  });
  test.each(Object.keys(RIGHT) as Kind[])('%s: changing what is not there is refused', async (kind) => {
    const record = { ...RIGHT[kind](), baseVersion: 3 };
    expect((await put(kind, record)).json()).toMatchObject({ status: 404, code: 'NOT_FOUND' });
  });
});

const TABLE: Readonly<Record<Kind, string>> = {
  grounds: 'ground',
  spots: 'spot',
  signs: 'sign',
  'gauge-readings': 'gauge_reading',
  'swell-readings': 'swell_reading',
  permissions: 'permission',
  'day-sheets': 'day_sheet',
  outlines: 'outline',
  attachments: 'attachment',
  lots: 'lot',
  samples: 'sample',
  'sample-plans': 'sample_plan',
  pits: 'pit',
  screenings: 'screening',
  looks: 'look',
  sweeps: 'sweep',
  containers: 'container',
  seedings: 'seeding',
  'size-words': 'size_word',
  rigs: 'rig',
  setups: 'setup',
  'box-tests': 'box_test',
  runs: 'run',
  cleanups: 'cleanup',
  'work-rounds': 'work_round',
  jars: 'jar',
  lifts: 'lift',
  forecasts: 'forecast',
  trials: 'trial',
  'gold-entries': 'gold_entry',
  agreements: 'agreement',
};

describe('a record that points to nothing is refused by field', () => {
  test.each([
    ['spots', { groundId: uuidv7() }, 'groundId'],
    ['signs', { groundId: uuidv7() }, 'groundId'],
    ['gauge-readings', { groundId: uuidv7() }, 'groundId'],
    ['swell-readings', { groundId: uuidv7() }, 'groundId'],
    ['permissions', { groundId: uuidv7() }, 'groundId'],
    ['day-sheets', { groundId: uuidv7() }, 'groundId'],
    ['outlines', { groundId: uuidv7() }, 'groundId'],
    ['outlines', { kind: 'claim', permissionId: uuidv7() }, 'permissionId'],
    ['lots', { spotId: uuidv7() }, 'spotId'],
    ['attachments', { groundId: uuidv7() }, 'groundId'],
    ['grounds', { joins: { groundId: uuidv7(), distance_m: 4, bank: 'left' } }, 'joins.groundId'],
    ['samples', { spotId: uuidv7() }, 'spotId'],
    ['samples', { pitId: uuidv7() }, 'pitId'],
    ['samples', { lotId: uuidv7() }, 'lotId'],
    ['pits', { spotId: uuidv7() }, 'spotId'],
    ['screenings', { spotId: uuidv7() }, 'spotId'],
    ['screenings', { lotId: uuidv7() }, 'lotId'],
    ['looks', { spotId: uuidv7() }, 'spotId'],
    ['sweeps', { spotId: uuidv7() }, 'spotId'],
    ['sample-plans', { groundId: uuidv7() }, 'groundId'],
    ['lots', { samplePlanId: uuidv7() }, 'samplePlanId'],
    ['spots', { samplePlanId: uuidv7() }, 'samplePlanId'],
    ['setups', { rigId: uuidv7() }, 'rigId'],
    ['setups', { spotId: uuidv7() }, 'spotId'],
    ['runs', { setupId: uuidv7() }, 'setupId'],
    ['runs', { spotId: uuidv7() }, 'spotId'],
    ['cleanups', { runIds: [uuidv7()] }, 'runIds'],
    ['lifts', { groundId: uuidv7() }, 'groundId'],
    ['work-rounds', { groundId: uuidv7() }, 'groundId'],
    ['jars', { groundId: uuidv7() }, 'groundId'],
    ['box-tests', { setupId: uuidv7() }, 'setupId'],
    ['forecasts', { setupId: uuidv7() }, 'setupId'],
    ['trials', { groundId: uuidv7() }, 'groundId'],
    ['gold-entries', { deed: 'taken back', from: '', to: '', corrects: uuidv7() }, 'corrects'],
  ] as const)('%s %j', async (kind, some, path) => {
    const answer = await put(kind, { ...RIGHT[kind](), ...some });
    expect([answer.statusCode, answer.json<Problem>().errors?.[0]?.path]).toEqual([422, path]);
  });
});

describe('two bags never share a tag', () => {
  test('the second is refused by field, and may have the tag once the first is gone', async () => {
    const first = newLot(ids.ground, ids.spot, { tag: 'H-7' });
    expect((await put('lots', first)).statusCode).toBe(201);
    const second = newLot(ids.ground, null, { tag: 'H-7' });
    expect((await put('lots', second)).json()).toMatchObject({ status: 409, code: 'TAKEN', errors: [{ path: 'tag' }] });
    expect((await put('lots', { ...first, deleted: true, baseVersion: 1 })).statusCode).toBe(200);
    expect((await put('lots', second)).statusCode).toBe(201);
  });
});

describe('taps', () => {
  const send = (events: unknown[]): ReturnType<typeof server.call> =>
    server.call('POST', `/runs/${ids.run}/events`, { events });
  test.each([
    ['no events', []],
    ['a kind there is not', [{ ...bucketAt(1, null), kind: 'shovel' }]],
    ['a time that is none', [{ ...bucketAt(1, null), at: 'noon' }]],
    ['a bucket of nothing', [{ ...bucketAt(1, null), volume_L: 0 }]],
    ['a bucket of a cubic metre', [{ ...bucketAt(1, null), volume_L: 1000 }]],
    ['more than a batch takes', Array.from({ length: 501 }, () => bucketAt(1, null))],
  ])('%s', async (_name, events) => {
    expect((await send(events)).json()).toMatchObject({ status: 400, code: 'INVALID' });
    const { rows } = await server.pool.query('select 1 from run_event where run_id = $1', [ids.run]);
    expect(rows).toEqual([]);
  });
  test('one wrong tap in a batch keeps none of it', async () => {
    expect((await send([bucketAt(1, ids.spot), bucketAt(2, uuidv7())])).json()).toMatchObject({
      status: 422,
      errors: [{ path: 'events' }],
    });
    const { rows } = await server.pool.query('select 1 from run_event where run_id = $1', [ids.run]);
    expect(rows).toEqual([]);
  });
});

describe('requests that are no requests', () => {
  test.each([
    ['not JSON', '{"id":', 400],
    ['no body', undefined, 400],
  ] as const)('%s', async (_name, body, status) => {
    const answer = await server.call('PUT', `/grounds/${uuidv7()}`, body, { 'content-type': 'application/json' });
    expect([answer.statusCode, answer.json<Problem>().code]).toEqual([status, 'INVALID']);
  });
  test('a body of 2 MB', async () => {
    expect((await put('grounds', newGround({ note: 'x'.repeat(2 * 1024 * 1024) }))).json()).toMatchObject({
      status: 413,
      code: 'TOO_LARGE',
    });
  });
  test.each(['limit=0', 'limit=5001', 'limit=many', 'after=there'])('a page of %s', async (query) => {
    expect((await server.call('GET', `/grounds/${ids.ground}/samples?${query}`)).json()).toMatchObject({
      status: 400,
      code: 'INVALID',
    });
  });
  test('an id that is none', async () =>
    expect((await server.call('GET', '/grounds/x/book')).json()).toMatchObject({
      status: 400,
      errors: [{ path: 'groundId' }],
    }));
});

/** The database holds the same rules, for whoever writes past the server. */
describe('the database refuses by itself', () => {
  const insert = (table: string, row: Record<string, unknown>): Promise<unknown> => {
    const names = Object.keys(row);
    return server.pool.query(
      `insert into ${table} (${names.join(', ')}) values (${names.map((_, i) => `$${i + 1}`).join(', ')})`,
      Object.values(row),
    );
  };
  const ground = (): Record<string, unknown> => ({
    crew_id: server.crewId,
    id: uuidv7(),
    name: 'G',
    kind: 'creek',
    length_m: 10,
    swell_percent: 18,
    looked_at: '[]',
  });
  test.each([
    ['a ground of no length', { length_m: 0 }, '23514'],
    ['a ground of a kind there is not', { kind: 'moon' }, '23514'],
    ['a ground without a name', { name: '' }, '23514'],
    ['a ground of no crew', { crew_id: uuidv7() }, '23503'],
    ['a ground whose gravel triples', { swell_percent: 200 }, '23514'],
  ])('%s', async (_name, some, code) =>
    expect(insert('ground', { ...ground(), ...some })).rejects.toMatchObject({ code }),
  );

  const event = (): Record<string, unknown> => ({
    crew_id: server.crewId,
    id: uuidv7(),
    ground_id: ids.ground,
    run_id: ids.run,
    kind: 'bucket',
    at: '2026-05-01T09:00:00Z',
    volume_l: 20,
  });
  test.each([
    ['a bucket of no volume', { volume_l: null }, 'run_event_bucket'],
    ['an undo of nothing', { kind: 'undo', volume_l: null }, 'run_event_undo'],
    ['a tap of another crew', { crew_id: uuidv7() }, 'run_event_run_fk'],
    ['a tap of no run', { run_id: uuidv7() }, 'run_event_run_fk'],
  ])('%s', async (_name, some, constraint) =>
    expect(insert('run_event', { ...event(), ...some })).rejects.toMatchObject({ constraint }),
  );

  test('a set-up with both depth and flow, or neither', async () => {
    const setup = {
      crew_id: server.crewId,
      id: uuidv7(),
      ground_id: ids.ground,
      rig_id: ids.rig,
      set_at: '2026-05-01T09:00:00Z',
      slope: 0.05,
      pitch_entered: '{}',
      stone_m: 0.01,
      stone_entered: '{}',
      temperature_c: 10,
      scoop_l: 1,
      scoop_entered: '{}',
      bucket_l: 20,
      bucket_entered: '{}',
    };
    await expect(insert('setup', setup)).rejects.toMatchObject({ constraint: 'setup_one_known' });
    await expect(insert('setup', { ...setup, depth_m: 0.02, flow_m3_s: 0.003 })).rejects.toMatchObject({
      constraint: 'setup_one_known',
    });
    const dry = { ...setup, air: JSON.stringify(newAir()) };
    await expect(insert('setup', { ...dry, depth_m: 0.02 })).rejects.toMatchObject({ constraint: 'setup_one_known' });
    await expect(insert('setup', { ...dry, temperature_c: 60 })).rejects.toMatchObject({
      constraint: 'setup_temperature_c_within',
    });
    await expect(insert('setup', { ...setup, depth_m: 0.02, temperature_c: 45 })).rejects.toMatchObject({
      constraint: 'setup_water_temperature',
    });
    await expect(insert('setup', { ...dry, air: JSON.stringify({ drive: { kind: 'mule' } }) })).rejects.toMatchObject({
      constraint: 'setup_air_drive',
    });
  });
});
