import { describe, expect, test } from '@jest/globals';
import type { StoredGround, StoredSpot } from '@riffle/contract';
import { CONTAINERS, USUAL_TOOLS, WET_GRAVEL_KG_L, type RankedPlace } from '@riffle/core';
import { cautionsOf } from './cautions.ts';
import { asStop, type DayDraft } from './dayDraft.ts';
import { clock, lasting } from './dayWords.ts';
import { dayCandidates, dayProblem, dayVisits, walkedLine, type Candidate } from '@riffle/core';
import { localTime } from '../when/localTime.ts';
import { tideDay } from '../shore/shoreOf.ts';
import { daySky } from './daySky.ts';

const ground = (some: Partial<StoredGround> = {}): StoredGround => ({
  id: 'g',
  version: 1,
  updatedAt: '2026-05-01T08:00:00.000Z',
  deleted: false,
  name: 'Test Fork',
  kind: 'creek',
  length_m: 1000,
  swell_percent: 18,
  timeZone: null,
  fedBy: null,
  catchment_m2: null,
  catchmentEntered: null,
  note: '',
  tide: null,
  faceSlope: null,
  faceSlopeEntered: null,
  profile: [],
  lookedAt: [],
  joins: null,
  line: [
    [-33, 46.5],
    [-33, 46.509],
  ],
  linePoints: 2,
  ...some,
});
const spot = (id: string, some: Partial<StoredSpot> = {}): StoredSpot => ({
  id,
  version: 1,
  updatedAt: '2026-05-01T08:00:00.000Z',
  deleted: false,
  groundId: 'g',
  name: id,
  kind: 'bar',
  distance_m: 200,
  bank: 'left',
  offset_m: 12,
  position: null,
  worksBelow_m: null,
  worksBelowEntered: null,
  samplePlanId: null,
  note: '',
  ...some,
});
const ranked = (spotId: string, chance: number, some: Partial<RankedPlace['place']> = {}): RankedPlace => ({
  place: {
    id: spotId,
    spotId,
    name: spotId,
    distance_m: 200,
    bank: 'left',
    across_m: 6,
    kinds: ['bar'],
    traits: {},
    signIds: [],
    cover_m: 0,
    own: null,
    ...some,
  },
  panned: null,
  chance,
  logOdds: Math.log(chance / (1 - chance)),
  reasons: [],
});
const draft = (some: Partial<DayDraft> = {}): DayDraft => ({
  start_min: 480,
  back_min: 960,
  start_m: 0,
  rest_min: 0,
  limit_kg: 25,
  tools: [{ name: 'shovel', kg: 2 }],
  aim: 'best traps',
  way: 'quick pans',
  frozen: false,
  waterAway: false,
  order: null,
  minutes: {},
  ...some,
});
const pace = { pan_min: 12, from: 4 };
const now = new Date('2026-05-02T08:00:00Z');
const river = (level_m: number, readAt = '2026-05-02T06:00:00.000Z') => ({
  last: {
    id: 'r',
    version: 1,
    updatedAt: readAt,
    deleted: false,
    groundId: 'g',
    readAt,
    level_m,
    levelEntered: { text: String(level_m), unit: 'm' },
    isFlood: false,
    note: '',
  },
  trend_m_day: null,
  flood: null,
});
const RULES = { pays_mg_L: 0.15, spotCv: 1, pan_L: 5, color_mg: 0.1, panVariance: 0.25 };
const flat = { length_m: 1000, height_m: null };
const one = (
  r: RankedPlace,
  some: { d?: DayDraft; spots?: StoredSpot[]; g?: StoredGround; level_m?: number; readAt?: string } = {},
): Candidate => {
  const asked = some.d ?? draft();
  const [c] = dayCandidates(
    (some.g ?? ground()).kind,
    some.spots ?? [spot(r.place.id)],
    [r],
    dayVisits([r], RULES, pace.pan_min, asked),
    asked,
    pace,
    some.level_m === undefined ? null : river(some.level_m, some.readAt),
    flat,
    now.getTime(),
  );
  if (!c) throw new Error('no candidate');
  return c;
};

describe('places of a day', () => {
  test('two quick pans at twelve minutes; a square metre takes eight; one’s own minutes come first', () => {
    expect(one(ranked('a', 0.5)).work_min).toBe(24);
    expect(one(ranked('a', 0.5), { d: draft({ way: 'one square metre' }) }).work_min).toBe(96);
    expect(one(ranked('a', 0.5), { d: draft({ minutes: { a: 50 } }) }).work_min).toBe(50);
    expect(one(ranked('a', 0.5, { cover_m: 0.5 })).work_min).toBe(24 + 15);
  });
  test('looking for pay the likelier place is worth more; looking to learn, most where the chance is even', () => {
    const worth = (chance: number, aim: DayDraft['aim']): number =>
      one(ranked('a', chance), { d: draft({ aim }) }).value;
    expect(worth(0.9, 'best traps')).toBeGreaterThan(worth(0.5, 'best traps'));
    expect(worth(0.5, 'odd places')).toBeCloseTo(1, 9);
    expect(worth(0.9, 'odd places')).toBeLessThan(worth(0.6, 'odd places'));
  });
  test('a few more pans are worth little where many have told already; digging goes where most gold lies', () => {
    const panned = (gold_mg: number, volumeBank_L: number): Partial<RankedPlace> => ({
      panned: {
        gold_mg,
        volumeBank_L,
        colors: Math.round(gold_mg / 0.1),
        color_mg: 0.1,
        laidAnew: 0,
        scatterVariance: 0.02,
        commonLogSd: 0.2,
      },
    });
    const places = [
      { ...ranked('told', 0.95), ...panned(60, 120) },
      { ...ranked('new', 0.4), panned: null },
    ];
    const worths = (way: DayDraft['way']): Record<string, number> => {
      const asked = draft({ way });
      const visits = dayVisits(places, RULES, pace.pan_min, asked);
      const spots = [spot('told'), spot('new')];
      return Object.fromEntries(
        dayCandidates('creek', spots, places, visits, asked, pace, null, flat, now.getTime()).map((c) => [
          c.id,
          c.value,
        ]),
      );
    };
    const [quick, square] = [worths('quick pans'), worths('one square metre')];
    expect(quick.new).toBeGreaterThan(quick.told ?? NaN);
    expect(square.told).toBeGreaterThan(square.new ?? NaN);
  });
  test('a river above its mark closes a spot, if it was read lately; frost closes all but rock', () => {
    const low = [spot('a', { worksBelow_m: 0.5 })];
    expect(one(ranked('a', 0.5), { spots: low, level_m: 0.6 }).closed).toBe('the river stands too high');
    expect(one(ranked('a', 0.5), { spots: low, level_m: 0.4 }).closed).toBeNull();
    expect(one(ranked('a', 0.5), { spots: low, level_m: 0.6, readAt: '2026-04-20T06:00:00.000Z' }).closed).toBeNull();
    expect(one(ranked('a', 0.5), { d: draft({ frozen: true }) }).closed).toBe('frozen ground');
    expect(one(ranked('a', 0.5, { kinds: ['crevice'] }), { d: draft({ frozen: true }) }).closed).toBeNull();
  });
  test('without water there, the pans’ gravel is carried down, and what does not fit in one trip costs walks', () => {
    const away = one(ranked('a', 0.5), { d: draft({ waterAway: true, way: 'one square metre' }) });
    expect(away.load_kg).toBeCloseTo(8 * CONTAINERS.pan * WET_GRAVEL_KG_L, 9);
    expect(away.trips).toBe(Math.ceil(away.load_kg / 23));
    // By hand: 200 m each way at Tobler's flat speed off the path, 3.97 min, for every trip but the last.
    expect(away.work_min).toBe(Math.round(96 + (away.trips - 1) * 2 * (200 / ((5.036742125 * 0.6) / 0.06))));
    expect(one(ranked('a', 0.5), { d: draft({ waterAway: true, tools: [...USUAL_TOOLS], limit_kg: 5 }) }).trips).toBe(
      0,
    );
  });
  test('what lies in or close by the water is told, for the plan B of a rising creek', () => {
    expect(one(ranked('a', 0.5, { bank: 'mid' })).byWater).toBe(true);
    expect(one(ranked('a', 0.5), { spots: [spot('a', { offset_m: 3 })] }).byWater).toBe(true);
    expect(one(ranked('a', 0.5)).byWater).toBe(false);
    expect(one(ranked('a', 0.5, { bank: 'mid' }), { g: ground({ kind: 'wash' }) }).byWater).toBe(false);
  });
  test('the planner’s table has a row for each place and one for the start, uphill longer than down', () => {
    const line = walkedLine(
      ground({
        profile: [
          { distance_m: 0, height_m: 0, form: 'run' },
          { distance_m: 500, height_m: 50, form: 'run' },
          { distance_m: 1000, height_m: 100, form: 'run' },
        ],
      }),
    );
    const problem = dayProblem(
      [one(ranked('a', 0.5)), one(ranked('b', 0.5, { distance_m: 800 }))],
      draft(),
      line,
      () => null,
    );
    expect(problem.walk_min.map((row) => row.length)).toEqual([3, 3, 3]);
    expect(problem.walk_min[0]?.[0]).toBe(0);
    expect(problem.walk_min[2]?.[1] ?? 0).toBeGreaterThan(problem.walk_min[1]?.[2] ?? Infinity);
    expect(asStop(one(ranked('a', 0.5)))).toMatchObject({ placeId: 'a', spotId: 'a', work_min: 24 });
  });
});

describe('sky and water of a day', () => {
  test('sunset by the clock of the device; none without a line', () => {
    const { sun, twilightEnd_min } = daySky(ground(), '2026-05-02', localTime(null));
    if (sun?.kind !== 'rises and sets') throw new Error('no sun');
    // 46.5 N, 33 W: local noon 2 h 12 after Greenwich; the day in early May lasts 14 h 25 there, to five minutes.
    const utc = sun.sunset_min + new Date('2026-05-02T12:00:00').getTimezoneOffset();
    expect(
      Math.abs(
        (sun.sunset_min + sun.sunrise_min) / 2 + new Date('2026-05-02T12:00:00').getTimezoneOffset() - (720 + 132 - 3),
      ),
    ).toBeLessThan(2);
    expect(Math.abs(sun.sunset_min - sun.sunrise_min - 865)).toBeLessThan(8);
    expect(twilightEnd_min ?? 0).toBeGreaterThan(sun.sunset_min + 20);
    expect(utc).toBeGreaterThan(1200);
    expect(daySky(ground({ line: null }), '2026-05-02', localTime(null)).sun).toBeNull();
  });
  test('a beach’s sand is bare while the water stands lower than its level, twice a day for a twice-daily tide', () => {
    const beach = ground({
      kind: 'beach',
      tide: {
        meanLevel_m: 1,
        workBelow_m: 1,
        wayBelow_m: null,
        margin_min: 0,
        constituents: [{ name: 'M2', amplitude_m: 0.6, phase_deg: 40 }],
      },
    });
    const tide = tideDay(beach, '2026-05-02', localTime(null), 0);
    expect(tide?.work.length).toBeGreaterThanOrEqual(2);
    for (const w of tide?.work ?? []) expect(tide?.height_m((w.from_min + w.to_min) / 2)).toBeLessThan(1);
    expect((tide?.work ?? []).reduce((sum, w) => sum + w.to_min - w.from_min, 0)).toBeGreaterThan(600);
    expect(tideDay(ground(), '2026-05-02', localTime(null), 0)).toBeNull();
  });
});

describe('cautions and clocks', () => {
  const says = (g: StoredGround, planned: Candidate[], d = draft()): string =>
    cautionsOf(g, planned, d, (m) => `${m} m`)
      .map((c) => c.says)
      .join(' ');
  test('each ground says its own danger, whatever is planned, and always to tell someone', () => {
    expect(says(ground(), [])).toMatch(/Cold fast water.*Tell someone/);
    expect(says(ground(), [])).toMatch(/keep clear of a partner’s.*wade after nothing/);
    expect(says(ground({ kind: 'wash' }), [])).toMatch(/A wash floods.*Heat and sun/);
    expect(says(ground({ kind: 'beach' }), [])).toMatch(/swell runs higher/);
    expect(says(ground({ kind: 'bench' }), [])).not.toMatch(/Cold fast water|wash floods|swell/);
  });
  test('banks, boulders, chips and old metal only where such a place is planned, with its name', () => {
    expect(says(ground(), [])).not.toMatch(/overhangs|Eye cover|Boulders/);
    const undercut = cautionsOf(
      ground(),
      [one(ranked('Deep cut', 0.5, { kinds: ['undercut'] }))],
      draft(),
      (m) => `${m} m`,
    ).find((c) => c.says.includes('unshored'));
    expect(undercut?.at).toEqual(['Deep cut']);
    expect(says(ground(), [one(ranked('a', 0.5, { kinds: ['crevice'] }))])).toMatch(/Boulders roll.*Eye cover/);
    expect(says(ground(), [one(ranked('a', 0.5, { kinds: ['lead or iron'] }))])).toMatch(/licensed hands/);
    expect(says(ground(), [], draft({ frozen: true }))).toMatch(/Frozen banks/);
    expect(says(ground(), [one(ranked('a', 0.5, { kinds: ['old workings'] }))])).toMatch(/have to be reported/);
    expect(says(ground(), [one(ranked('a', 0.5, { kinds: ['water hole'] }))])).toMatch(/Standing water makes ill/);
  });
  test('minutes as a clock and as a time that passes', () => {
    expect([clock(485), clock(0), clock(1439.6), clock(1500)]).toEqual(['8:05', '0:00', '0:00', '1:00']);
    expect([lasting(25), lasting(60), lasting(80.4), lasting(59.7)]).toEqual(['25 min', '1 h', '1 h 20', '1 h']);
  });
});
