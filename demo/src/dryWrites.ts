import type { BoxTest, Cleanup, Jar, LoggedEvent, Rig, Run, Setup } from '@riffle/contract';
import { bankVolume_L, CONTAINERS, DEFAULT_SWELL_PERCENT, seededRandom, USUAL_MIX, type Random } from '@riffle/core';
import { BUCKET, DAY_MS, entered, type Book } from './book.ts';
import { leftAfter, weighed_mg, type TrueWasher } from './trueWasher.ts';

/** The crew's washer as it really is, of usual kind. */
const TRUE_WASHER: TrueWasher = { riffles: 8, takes: 0.33, fine_m: 0.0002, falls: 3.6, differs: 1.1 };
const COLOR_MG = 0.5;
/** Grade in the bank, mg/L, of what was dug at the spots. */
const GRADE_MG_L: Readonly<Record<string, number>> = { 'Caliche step': 1.5, Ledge: 0.45 };

/** One day at the washer. `takes` is how it caught that day, over how it does when it is set right. */
interface DryDay {
  readonly day: number;
  readonly spot: string;
  readonly puffs_min: number;
  readonly pulley_mm: number;
  readonly slope_percent: number;
  readonly squeeze: 'dusts' | 'cool';
  readonly pass: 1 | 2;
  readonly buckets: number;
  readonly minutesEach: number;
  readonly takes: number;
  readonly tail: '0' | '1-2' | '3+' | null;
  readonly event: 'lies still' | 'damp feed' | null;
  readonly weighed: boolean;
  readonly note: string;
}

/** A fortnight in the wash, with its mistakes: slow bellows, feed after a shower, tailings thrown away once. */
const DAYS: readonly DryDay[] = [
  {
    day: 92,
    spot: 'Ledge',
    puffs_min: 149,
    pulley_mm: 22,
    slope_percent: 12,
    squeeze: 'dusts',
    pass: 1,
    buckets: 6,
    minutesEach: 24,
    takes: 0.55,
    tail: '1-2',
    event: 'lies still',
    weighed: true,
    note: 'As it came: the sand hardly moves.',
  },
  {
    day: 93,
    spot: 'Caliche step',
    puffs_min: 272,
    pulley_mm: 40,
    slope_percent: 15,
    squeeze: 'dusts',
    pass: 1,
    buckets: 14,
    minutesEach: 15,
    takes: 1,
    tail: '0',
    event: null,
    weighed: true,
    note: 'A bigger pulley on the motor: it creeps over every riffle now.',
  },
  {
    day: 94,
    spot: 'Caliche step',
    puffs_min: 272,
    pulley_mm: 40,
    slope_percent: 15,
    squeeze: 'dusts',
    pass: 2,
    buckets: 13,
    minutesEach: 14,
    takes: 1,
    tail: null,
    event: null,
    weighed: true,
    note: 'The tailings of yesterday once more.',
  },
  {
    day: 97,
    spot: 'Caliche step',
    puffs_min: 272,
    pulley_mm: 40,
    slope_percent: 15,
    squeeze: 'cool',
    pass: 1,
    buckets: 8,
    minutesEach: 19,
    takes: 0.5,
    tail: '3+',
    event: 'damp feed',
    weighed: true,
    note: 'After a shower. It felt dry enough.',
  },
  {
    day: 100,
    spot: 'Caliche step',
    puffs_min: 272,
    pulley_mm: 40,
    slope_percent: 15,
    squeeze: 'dusts',
    pass: 1,
    buckets: 11,
    minutesEach: 15,
    takes: 1,
    tail: null,
    event: null,
    weighed: false,
    note: '',
  },
];

/** The crew's dry washer, and its fortnight in Dry Harrier Wash. */
export function dryWrites(
  { put, call, nextId, season_ms }: Book,
  groundId: string,
  spotIds: ReadonlyMap<string, string>,
): void {
  const random = seededRandom(1848);
  const tray = {
    lining: 'riffles' as const,
    own: null,
    width_m: 0.3,
    widthEntered: entered('30', 'cm'),
    length_m: 0.76,
    lengthEntered: entered('76', 'cm'),
    step_m: 0,
    stepEntered: null,
  };
  const rig: Rig = {
    id: nextId(0),
    deleted: false,
    name: 'The bellows',
    sections: [tray],
    leakPoints: ['under the cloth', 'foot of the hopper'],
    washer: {
      riffle_m: 0.012,
      riffleEntered: entered('12', 'mm'),
      spacing_m: 0.09,
      spacingEntered: entered('90', 'mm'),
      cloth: 'usual',
      drive: {
        kind: 'bellows',
        stroke_L: 6.5,
        strokeEntered: entered('6.5', 'L'),
        motor: { speed_rpm: 1750, pulley_mm: 40, drivenPulley_mm: 250 },
      },
      battery: { usable_Ah: 17.5, drawn_A: 5 },
    },
    note: '',
  };
  put('rigs', rig);
  for (const d of DAYS) {
    const start_ms = season_ms + d.day * DAY_MS + 1.5 * 3.6e6;
    const iso = (ms: number): string => new Date(ms).toISOString();
    const spotId = spotIds.get(d.spot) ?? '';
    const setup = setupOf(d, rig.id, groundId, spotId, nextId(d.day), iso(start_ms - 1.2e6));
    put('setups', setup);
    const run: Run = {
      id: nextId(d.day),
      deleted: false,
      groundId,
      setupId: setup.id,
      spotId,
      startedAt: iso(start_ms),
      ...BUCKET,
      people: 2,
      who: 'Mara, Odd',
      layer: '',
      fuel_L: null,
      fuelEntered: null,
      note: '',
    };
    put('runs', run);
    const { events, stopped_ms } = tapsOf(d, spotId, start_ms, nextId, random);
    call('POST', `/runs/${run.id}/events`, { events });
    const test = (tested: BoxTest['tested'], at_ms: number): BoxTest => ({
      id: nextId(d.day),
      deleted: false,
      groundId,
      setupId: setup.id,
      testedAt: iso(at_ms),
      tested,
      note: '',
    });
    if (d.event) put('box-tests', test({ kind: 'event', what: d.event }, start_ms + 3e6));
    if (d.tail)
      put(
        'box-tests',
        test(
          { kind: 'tail pan', colors: d.tail, volume_L: CONTAINERS.pan, volumeEntered: entered('1', 'pan') },
          stopped_ms - 1.2e6,
        ),
      );
    if (d.weighed) put('cleanups', cleanUp(d, run, goldOf(d, random), iso(stopped_ms + 2.4e6), nextId(d.day), random));
  }
}

/** Jars of the wash's concentrate at the kitchen table: coarse ones done, fine ones waiting, and the mark found for one of them. */
export function jarWrites({ put, nextId, season_ms }: Book, groundId: string): void {
  const floor: Jar['floor'] = {
    feature_m: 0.0005,
    featureEntered: entered('0.5', 'mm'),
    width_m: 0.2,
    widthEntered: entered('20', 'cm'),
    slope: 0.08,
    pitchEntered: entered('8', '%'),
    companion: 'magnetite',
    saltWater: false,
  };
  const spoon = (depth_mm: number, saw: Jar['spoons'][number]['saw'], took_s: number | null, level: string) => ({
    depth_m: depth_mm / 1000,
    depthEntered: entered(String(depth_mm), 'mm'),
    saw,
    took_s,
    level,
  });
  const jars: readonly Pick<
    Jar,
    'name' | 'coarsest_mm' | 'finest_mm' | 'way' | 'state' | 'floor' | 'spoons' | 'gold_mg' | 'magnet' | 'note'
  >[] = [
    {
      name: 'Caliche, coarse',
      coarsest_mm: 2.36,
      finest_mm: 0.6,
      way: 'pan',
      state: 'weighed',
      floor: null,
      spoons: [],
      gold_mg: 118.6,
      magnet: null,
      note: '',
    },
    {
      name: 'Caliche, minus 30',
      coarsest_mm: 0.6,
      finest_mm: 0.3,
      way: 'recirculating box',
      state: 'tails washed',
      floor,
      spoons: [
        spoon(2.6, 'gold creeps', null, '55 mm in the tube'),
        spoon(1.9, 'right', 100, '42 mm in the tube'),
        spoon(1.9, 'right', 85, '42 mm in the tube'),
      ],
      gold_mg: null,
      magnet: { washedShare: 0.25, found: 3, elsewhere: 140 },
      note: '',
    },
    {
      name: 'Caliche, flour',
      coarsest_mm: 0.15,
      finest_mm: 0,
      way: 'recirculating box',
      state: 'waiting',
      floor,
      spoons: [],
      gold_mg: null,
      magnet: null,
      note: 'Too fine for the box?',
    },
  ];
  jars.forEach((j, i) => {
    const jar: Jar = {
      sluice: null,
      ...j,
      id: nextId(101),
      deleted: false,
      groundId,
      madeAt: new Date(season_ms + 101 * DAY_MS + i * 6e5).toISOString(),
      volume_L: [0.3, 0.45, 0.2][i] ?? 0.3,
      volumeEntered: entered(String([300, 450, 200][i]), 'mL'),
      goldEntered: j.gold_mg === null ? null : entered(String(j.gold_mg), 'mg'),
    };
    put('jars', jar);
  });
}

const setupOf = (d: DryDay, rigId: string, groundId: string, spotId: string, id: string, setAt: string): Setup => ({
  id,
  deleted: false,
  groundId,
  rigId,
  spotId,
  setAt,
  slope: d.slope_percent / 100,
  pitchEntered: entered(String(d.slope_percent), '%'),
  depth_m: null,
  depthEntered: null,
  flow_m3_s: null,
  flowEntered: null,
  air: {
    drive: { kind: 'bellows', puffs_min: d.puffs_min },
    driveEntered: String(d.puffs_min),
    altitude_m: 60,
    altitudeEntered: entered('60', 'm'),
    squeeze: d.squeeze,
    isClayey: false,
    pass: d.pass,
  },
  stone_m: 0.00635,
  stoneEntered: entered('1/4', 'in'),
  temperature_C: 27,
  scoop_L: CONTAINERS.scoop,
  scoopEntered: entered('1 scoop', 'scoop'),
  ...BUCKET,
  note: d.note,
});

function tapsOf(d: DryDay, spotId: string, start_ms: number, nextId: (day: number) => string, random: Random) {
  const tap = (kind: LoggedEvent['kind'], at_ms: number): LoggedEvent => ({
    id: nextId(d.day),
    kind,
    at: new Date(at_ms).toISOString(),
    spotId: kind === 'bucket' ? spotId : null,
    volume_L: kind === 'bucket' ? CONTAINERS.bucket : null,
    fullness: kind === 'bucket' ? 'full' : null,
    undoes: null,
    deviceId: null,
    deviceCount: null,
    by: null,
  });
  let clock_ms = start_ms;
  const events = Array.from({ length: d.buckets }, () => {
    clock_ms += d.minutesEach * 60_000 * (0.8 + 0.4 * random());
    return tap('bucket', clock_ms);
  });
  clock_ms += 6 * 60_000;
  return { events: [...events, tap('stop', clock_ms)], stopped_ms: clock_ms };
}

/** Gold the tray held that day, mg: what the passes before left, less what it let go. */
function goldOf(d: DryDay, random: Random): number {
  const washer = { ...TRUE_WASHER, takes: d.takes * TRUE_WASHER.takes };
  const fed_mg = (GRADE_MG_L[d.spot] ?? 0) * d.buckets * bankVolume_L(CONTAINERS.bucket, DEFAULT_SWELL_PERCENT);
  const held = USUAL_MIX.reduce(
    (sum, g) => sum + g.share * (leftAfter(washer, g.size_m, d.pass - 1) - leftAfter(washer, g.size_m, d.pass)),
    0,
  );
  return weighed_mg(fed_mg * held, COLOR_MG, random);
}

function cleanUp(d: DryDay, run: Run, gold_mg: number, cleanedAt: string, id: string, random: Random): Cleanup {
  // Most lies in the first third of the tray.
  const head = Math.round(gold_mg * (0.55 + 0.12 * random()) * 10) / 10;
  const parts = [
    { name: 'head riffles', from_m: 0, to_m: 0.25, mg: head },
    { name: 'rest of the tray', from_m: 0.25, to_m: 0.76, mg: Math.round((gold_mg - head) * 10) / 10 },
  ];
  return {
    id,
    deleted: false,
    groundId: run.groundId,
    runIds: [run.id],
    rinseOutOf: [],
    cleanedAt,
    sections: parts.map(({ name, from_m, to_m, mg }) => ({
      name,
      from_m,
      to_m,
      lining: 'riffles',
      gold_mg: mg,
      goldEntered: entered(String(mg), 'mg'),
      colors: null,
      bySize: [],
      weighing: null,
    })),
    screens: [],
    blackSand_g: Math.round(d.buckets * 55),
    blackSandEntered: entered(String(Math.round(d.buckets * 55)), 'g'),
    rinsedClean: 'yes',
    worked_s: 2400,
    note: '',
  };
}
