import { describe, expect, test } from '@jest/globals';
import type { StoredBoxTest, StoredCleanup, StoredForecast, StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { gradeSpots, USUAL_MIX } from '@riffle/core';
import {
  earlierCleans,
  evidenceOf,
  fedSince_m3,
  leftUnrinsed,
  feedOf_m3_s,
  oneSetupOf,
  speaking,
  weighedBlackSand,
  type BoxBook,
} from './boxEvidence.ts';
import { forecastProblem, forecastRecord, openForecast, sayForecast, sealedFor } from './cleanForecast.ts';
import { usualCuts_m } from './usualCuts.ts';

const rig = {
  id: 'rig',
  sections: [{ lining: 'riffles', width_m: 0.25, length_m: 1, step_m: 0 }],
} as unknown as StoredRig;
const setup = (id: string, some: Partial<StoredSetup> = {}): StoredSetup =>
  ({
    id,
    rigId: 'rig',
    spotId: null,
    slope: 0.04,
    depth_m: 0.02,
    flow_m3_s: null,
    stone_m: 0.0127,
    temperature_C: 10,
    ...some,
  }) as StoredSetup;
const run = (id: string, some: Partial<StoredRun> = {}, loose_L = 118): StoredRun =>
  ({
    id,
    setupId: 'a',
    spotId: 's',
    startedAt: '2026-05-01T08:00:00.000Z',
    tally: { volumeLoose_L: loose_L, running_s: 3600, bySpot_L: { s: loose_L }, stopped: true },
    ...some,
  }) as StoredRun;
const cleanup = (id: string, runIds: string[], some: Partial<StoredCleanup> = {}): StoredCleanup =>
  ({
    id,
    runIds,
    cleanedAt: '2026-05-02T18:00:00.000Z',
    rinsedClean: 'yes',
    screens: [],
    sections: [
      { from_m: 0, to_m: 0.2, gold_mg: 30, colors: null, bySize: [] },
      { from_m: 0.2, to_m: 1, gold_mg: 8, colors: null, bySize: [] },
    ],
    ...some,
  }) as StoredCleanup;
const boxTest = (id: string, tested: StoredBoxTest['tested'], some: Partial<StoredBoxTest> = {}): StoredBoxTest =>
  ({ id, setupId: 'a', testedAt: '2026-05-01T12:00:00.000Z', tested, ...some }) as StoredBoxTest;
const book = (some: Partial<BoxBook> = {}): BoxBook => ({
  lifts: [],
  rigs: [rig],
  setups: [setup('a'), setup('b')],
  runs: [run('1'), run('2', { setupId: 'b' })],
  cleanups: [],
  tests: [],
  swell_percent: 18,
  gold: USUAL_MIX,
  luck_mg: 0.3,
  gradesOf: (spotId) => (spotId === 's' ? [0.2, 0.4, 0.8] : []),
  ...some,
});
const L = (n: number) => ({ text: String(n), unit: 'L' });

describe('what was measured at a box', () => {
  test('a clean-up speaks of the box as its runs were set and fed', () => {
    const [found] = evidenceOf(book({ cleanups: [cleanup('c', ['1', '2'])] }), 'rig');
    expect(found).toMatchObject({ what: 'clean-up', evidence: { kind: 'clean-up', luck_mg: 0.3 } });
    // Two runs of 118 L in an hour each.
    expect(found?.evidence?.setting.feed_m3_s).toBeCloseTo(0.118 / 3600, 9);
  });
  test('gold weighed by sizes speaks by its sizes, colors counted everywhere as counts', () => {
    const cell = (gold_mg: number | null) => ({ gold_mg, goldEntered: null });
    const of = (screens: number[], ...rows: { colors: number | null; bySize: ReturnType<typeof cell>[] }[]) =>
      evidenceOf(
        book({
          cleanups: [
            cleanup('c', ['1'], {
              screens: screens.map((aperture_mm) => ({ aperture_mm, apertureEntered: L(1) })),
              sections: cleanup('c', []).sections.map((s, i) => ({ ...s, ...rows[i] })),
            }),
          ],
        }),
        'rig',
      )[0]?.evidence;
    expect(
      of([1], { colors: 3, bySize: [cell(20), cell(10)] }, { colors: 1, bySize: [cell(2), cell(null)] }),
    ).toMatchObject({
      bySize: [{ gold_mg: [20, 2] }, { gold_mg: [10, null] }],
    });
    expect(of([], { colors: 31, bySize: [] }, { colors: 4, bySize: [] })).toMatchObject({ colors: [31, 4] });
    expect(of([], { colors: 31, bySize: [] }, { colors: null, bySize: [] })).not.toHaveProperty('colors');
  });
  test.each([
    ['not rinsed: it kept some of its gold', cleanup('c', ['1'], { rinsedClean: 'no' })],
    ['in one piece', cleanup('c', ['1'], { sections: [{ from_m: 0, to_m: 1, gold_mg: 3 }] as never })],
    ['of a run this device has not heard of', cleanup('c', ['1', 'far'])],
  ])('a clean-up %s says nothing', (_, c) => expect(evidenceOf(book({ cleanups: [c] }), 'rig')).toEqual([]));
  test('runs set otherwise are not of one box', () => {
    const steeper = book({ setups: [setup('a'), setup('b', { slope: 0.06 })], cleanups: [cleanup('c', ['1', '2'])] });
    expect(oneSetupOf(steeper.runs, steeper)).toBeNull();
    expect(evidenceOf(steeper, 'rig')).toEqual([]);
    expect(evidenceOf(book({ cleanups: [cleanup('c', ['1'])] }), 'another rig')).toEqual([]);
  });
  test('each kind of test, the latest first; a tail pan of ground nobody panned waits', () => {
    const tests = [
      boxTest('t', { kind: 'timed bucket', took_s: 240, volume_L: 20, volumeEntered: L(20) }),
      boxTest('p', { kind: 'tail pan', colors: '1-2', volume_L: 5.9, volumeEntered: L(5.9) }),
      boxTest('f', { kind: 'tracers', of: 'gold', size_mm: 0.3, sizeEntered: L(1), fed: 20, held: 14 }),
      boxTest(
        'w',
        { kind: 'water', depth_m: 0.02, depthEntered: L(1), flow_m3_s: 0.003, flowEntered: L(3) },
        { testedAt: '2026-05-03T12:00:00.000Z' },
      ),
    ];
    const found = evidenceOf(book({ tests }), 'rig');
    expect(found.map((f) => f.id)).toEqual(['w', 't', 'p', 'f']);
    expect(speaking(found)).toMatchObject([
      { kind: 'water', flow_m3_s: 0.003 },
      { kind: 'timed bucket', fed_m3_s: 0.02 / 240 },
      { kind: 'tail pan', atLeast: 1, atMost: 2, bank_L: expect.closeTo(5, 9), grades_mg_L: [0.2, 0.4, 0.8] },
      { kind: 'tracers', size_m: 0.0003, fed: 20, held: 14 },
    ]);
    const unpanned = evidenceOf(book({ tests, gradesOf: () => [] }), 'rig');
    expect(unpanned).toHaveLength(4);
    expect(speaking(unpanned)).toHaveLength(3);
  });
  test('a run of no time has no feed', () =>
    expect(feedOf_m3_s([run('x', { tally: { volumeLoose_L: 20, running_s: 3 } as never })])).toBeNull());
  test('black sand is a share of what was fed for the clean-ups that weighed it', () => {
    expect(weighedBlackSand(book({ cleanups: [cleanup('c', ['1'], { blackSand_g: null })] }))).toBeNull();
    // 118 L of loose gravel hold 118 x 0.65 x 2.65 = 203.255 kg.
    const found = weighedBlackSand(book({ cleanups: [cleanup('c', ['1'], { blackSand_g: 2032.55 })] }));
    expect(found).toBeCloseTo(0.01, 9);
  });
  test('what was fed since the box was cleaned up', () => {
    expect(fedSince_m3(book(), 'rig')).toBeCloseTo(0.236, 9);
    expect(fedSince_m3(book({ cleanups: [cleanup('c', ['1'])] }), 'rig')).toBeCloseTo(0.118, 9);
    // What was lifted into tubs lies in the box no more.
    expect(fedSince_m3(book({ lifts: [{ runIds: ['1'] }] }), 'rig')).toBeCloseTo(0.118, 9);
    expect(fedSince_m3(book(), 'another')).toBe(0);
    const lift = (liftedAt: string, rinsedClean: 'yes' | 'no') => ({ runIds: ['1'], liftedAt, rinsedClean });
    const emptied = {
      ...book({ cleanups: [cleanup('c', ['1'], { cleanedAt: '2026-05-02T10:00:00Z', rinsedClean: 'yes' })] }),
    };
    expect(leftUnrinsed({ ...emptied, lifts: [] }, 'rig')).toBe(false);
    expect(leftUnrinsed({ ...emptied, lifts: [lift('2026-05-03T10:00:00Z', 'no')] }, 'rig')).toBe(true);
    expect(leftUnrinsed({ ...emptied, lifts: [lift('2026-05-01T10:00:00Z', 'no')] }, 'rig')).toBe(false);
    expect(leftUnrinsed({ ...emptied, lifts: [lift('2026-05-03T10:00:00Z', 'no')] }, 'another')).toBe(false);
  });
  test('earlier clean-ups of a spot are those of it alone', () => {
    const mixed = run('2', {
      setupId: 'b',
      tally: { volumeLoose_L: 50, running_s: 9000, bySpot_L: { s: 20, q: 30 } } as never,
    });
    const of = book({ runs: [run('1'), mixed], cleanups: [cleanup('c', ['1']), cleanup('d', ['2'])] });
    expect(earlierCleans(of, 's')).toMatchObject([{ gold_mg: 38, to_m: 1 }]);
    expect(earlierCleans(of, 's')[0]?.bank_L).toBeCloseTo(100, 6);
    expect(earlierCleans(of, 'q')).toEqual([]);
  });
});

describe('where a box is cut', () => {
  test('of one lining at 200 mm, half a meter and its end; where it was built of several, there', () => {
    expect(usualCuts_m([{ lining: 'riffles', length_m: 1.2 }])).toEqual([0.2, 0.5, 1.2]);
    expect(usualCuts_m([{ lining: 'riffles', length_m: 0.5 }])).toEqual([0.2, 0.5]);
    expect(
      usualCuts_m([
        { lining: 'indicator', length_m: 0.2 },
        { lining: 'riffles', length_m: 0.9 },
      ]),
    ).toEqual([0.2, 1.1]);
  });
});

function toEnd<Result>(steps: Iterator<unknown, Result>): Result {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
const pan = (spotId: string, colors: number) => ({
  spotId,
  depth_m: 0.3,
  layerId: null,
  volume_L: 5,
  volumeState: 'loose' as const,
  counts: { '+10': 0, '10-20': 0, '20-40': 2, '-40': colors },
  gold_mg: null,
  panner: '',
  takenAt: '2026-05-01T10:00:00.000Z',
});

describe('a forecast of a clean-up', () => {
  const { grades } = gradeSpots([pan('s', 6), pan('s', 9), pan('q', 3)], 18);
  const posed = (runs: StoredRun[], of = book()) =>
    forecastProblem('g', runs, grades, of, (id) => (id === 'z' ? 'the far bar' : id));
  const whole = posed([run('1')]);
  const problem = 'why' in whole ? null : whole;
  const said = problem && toEnd(sayForecast(problem));

  test('rests on the pans of the spots fed, and is of the box by its usual cuts', () => {
    expect(problem?.about).toMatchObject({ runIds: ['1'], pans: 2, measuredBy: 0, setupId: 'a' });
    expect(problem?.about.volumeBank_L).toBeCloseTo(100, 6);
    expect(problem?.stretches.map((s) => s.to_m)).toEqual([0.2, 0.5, 1]);
  });
  test('of runs the box was set otherwise between, each part went through it as it stood', () => {
    const turned = posed(
      [run('1'), run('2', { setupId: 'b' })],
      book({ setups: [setup('a'), setup('b', { slope: 0.06 })] }),
    );
    if ('why' in turned) throw new Error(turned.why);
    expect(turned.fed).toHaveLength(1);
    expect(turned.fed[0]?.through.map((t) => [t.setting.slope, Math.round(t.bank_L)])).toEqual([
      [0.04, 100],
      [0.06, 100],
    ]);
    expect(turned.about).toMatchObject({ setupId: 'b', runIds: ['1', '2'] });
  });
  test.each([
    [
      'of ground nobody panned',
      () => posed([run('1', { tally: { ...run('1').tally, bySpot_L: { z: 9 } } })]),
      /the far bar/,
    ],
    [
      'of two boxes',
      () => posed([run('1'), run('2', { setupId: 'b' })], book({ setups: [setup('a'), setup('b', { rigId: 'q' })] })),
      /different boxes/,
    ],
    ['of a box put away', () => posed([run('1')], book({ rigs: [] })), /put away/],
    ['of an unknown depth', () => posed([run('1')], book({ setups: [setup('a', { depth_m: null })] })), /water/],
    ['of nothing fed', () => posed([run('1', { tally: { ...run('1').tally, bySpot_L: {} } })]), /Nothing was fed/],
  ])('%s nothing is foretold, and it says why', (_, of, says) => {
    const found = of();
    expect('why' in found && found.why).toMatch(says);
  });
  test('is sealed in three figures, its ends about its middle', () => {
    if (!problem || !said) throw new Error('no forecast');
    const record = forecastRecord(problem, said, '2026-05-01T14:00:00.000Z');
    for (const s of [...record.sections, record.all]) {
      expect(s.low_mg).toBeLessThanOrEqual(s.middle_mg);
      expect(s.middle_mg).toBeLessThanOrEqual(s.high_mg);
      expect(String(s.middle_mg).replace(/[.0]/g, '').length).toBeLessThanOrEqual(3);
    }
  });

  const forecast = (some: Partial<StoredForecast> = {}): StoredForecast =>
    ({
      id: 'f',
      runIds: ['1', '2'],
      sealedAt: '2026-05-01T14:00:00.000Z',
      volumeBank_L: 100,
      sections: [
        { from_m: 0, to_m: 0.2, low_mg: 10, middle_mg: 20, high_mg: 40 },
        { from_m: 0.2, to_m: 1, low_mg: 1, middle_mg: 3, high_mg: 7 },
      ],
      all: { low_mg: 12, middle_mg: 24, high_mg: 45 },
      ...some,
    }) as StoredForecast;
  test('is that of just these runs with just so much fed, the last sealed before', () => {
    const [early, late] = [forecast(), forecast({ id: 'late', sealedAt: '2026-05-01T16:00:00.000Z' })];
    const of = (runs: string[], volume: number | null, before?: string) =>
      sealedFor(
        [early, late],
        runs.map((id) => ({ id })),
        volume,
        before,
      )?.id;
    expect(of(['2', '1'], 100)).toBe('late');
    expect(of(['2', '1'], 100, '2026-05-01T15:00:00.000Z')).toBe('f');
    expect(of(['1'], 100)).toBeUndefined();
    expect(of(['1', '2'], 120)).toBeUndefined();
    expect(of(['1', '2'], null)).toBe('late');
  });
  test('opens stretch by stretch where the box was cut where it was said, else as a whole', () => {
    const same = openForecast(forecast(), [
      { from_m: 0, to_m: 0.205, gold_mg: 41 },
      { from_m: 0.205, to_m: 1, gold_mg: 3 },
    ]);
    expect(same.stretches.map((s) => s.held)).toEqual([false, true]);
    expect(same.all).toMatchObject({ came_mg: 44, held: true });
    const other = openForecast(forecast(), [{ from_m: 0, to_m: 1, gold_mg: 50 }]);
    expect(other).toMatchObject({ stretches: [], all: { came_mg: 50, held: false } });
  });
});
