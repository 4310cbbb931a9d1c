import { describe, expect, test } from '@jest/globals';
import { aBox } from '../../test/aBox.ts';
import { OutOfRange } from '../outOfRange.ts';
import { drawBoxes, type BoxParameters } from './boxParameters.ts';
import { fractionSizes_m } from './cleanSplits.ts';
import { forecastClean } from './forecastClean.ts';
import { floorFlowAtDepth } from './floorFlow.ts';
import { LININGS } from './linings.ts';
import { heldWithin, measureBox, type BoxEvidence } from './measureBox.ts';
import { solveBox } from './solveBox.ts';

const SETTING = aBox({ length_m: 1 });
const CUTS = [
  { from_m: 0, to_m: 0.2 },
  { from_m: 0.2, to_m: 0.5 },
  { from_m: 0.5, to_m: 1 },
];
const cleanUp = (...gold_mg: number[]): BoxEvidence => ({
  kind: 'clean-up',
  setting: SETTING,
  stretches: CUTS.map((c, i) => ({ ...c, gold_mg: gold_mg[i] ?? 0 })),
  luck_mg: 0.3,
});
/** A clean-up as one drawn box would have it, to the last mote. */
const asBox = (box: BoxParameters, fed_mg = 1000): BoxEvidence => {
  const solved = solveBox(SETTING, box);
  return cleanUp(...CUTS.map((c) => fed_mg * heldWithin(c, solved, SETTING, box)));
};
const timed = (fed_m3_s: number): BoxEvidence => ({ kind: 'timed bucket', setting: SETTING, fed_m3_s });
const tail = (atLeast: number, atMost: number | null, grades_mg_L = [0.5]): BoxEvidence => ({
  kind: 'tail pan',
  setting: SETTING,
  atLeast,
  atMost,
  bank_L: 5,
  grades_mg_L,
});

describe('a box by what was measured at it', () => {
  test('nothing measured leaves the draws as they were', () => {
    const { boxes, before, after } = measureBox([]);
    expect(boxes).toEqual(drawBoxes());
    expect(after).toEqual(before);
  });

  test('two clean-ups of a box that catches much, or little, move the catch toward it and narrow it', () => {
    const [, ...rest] = drawBoxes(400);
    for (const scale of [0.5, 2]) {
      const box = {
        ...rest[0],
        catchScale: scale,
        tilt: 0,
        mixTilt: 0,
        depthError_m: 0,
        headError_m: 0,
      };
      const { before, after, effective, fits } = measureBox([asBox(box), asBox(box, 700)]);
      expect(fits).toEqual([true, true]);
      expect(effective).toBeGreaterThan(40);
      expect(Math.sign(Math.log(after.catchScale.middle))).toBe(Math.sign(Math.log(scale)));
      expect(Math.log(after.catchScale.high / after.catchScale.low)).toBeLessThan(
        0.9 * Math.log(before.catchScale.high / before.catchScale.low),
      );
    }
  });

  test('a bucket timed at half, or twice, what the middle box takes moves the box factor that way, by Bayes with normals', () => {
    const middle = measureBox([timed(1e-4)]).boxes;
    // The prior of ln B has deviation 0.45, a timed bucket 0.2: what comes is about sqrt(1/(1/0.45^2 + 1/0.2^2)) wide, wider for what else is not known.
    const { before, after } = measureBox([timed(7e-5)]);
    const sd = (s: { low: number; high: number }) => Math.log(s.high / s.low) / (2 * 1.645);
    expect(sd(before.boxFactor)).toBeCloseTo(0.45, 1);
    expect(sd(after.boxFactor)).toBeGreaterThan(1 / Math.sqrt(1 / 0.45 ** 2 + 1 / 0.2 ** 2));
    expect(sd(after.boxFactor)).toBeLessThan(0.42);
    const factor = (fed: number) => measureBox([timed(fed)]).after.boxFactor.middle;
    expect(factor(3.5e-5)).toBeLessThan(factor(7e-5));
    expect(factor(7e-5)).toBeLessThan(factor(1.4e-4));
    expect(middle).toHaveLength(256);
  });

  test('colors in the tail speak of a box that holds less; none of one that holds more, the richer the ground the more so', () => {
    const scale = (e: BoxEvidence) => measureBox([e]).after.catchScale.middle;
    const none = scale(tail(0, 0));
    expect(scale(tail(3, null))).toBeLessThan(none);
    expect(scale(tail(0, 0, [5]))).toBeGreaterThan(none);
    // Ground that may be almost empty says little.
    expect(Math.abs(Math.log(scale(tail(0, 0, [0.001]))))).toBeLessThan(0.05);
  });

  test('tracers held or lost move the catch, and all of two numbers is the product of each alone', () => {
    const tracers = (fed: number, held: number): BoxEvidence => ({
      kind: 'tracers',
      setting: SETTING,
      size_m: 0.0003,
      fed,
      held,
    });
    const after = (e: BoxEvidence[]) => measureBox(e).after.catchScale;
    const twice = after([tracers(10, 6), tracers(10, 4)]);
    const once = after([tracers(20, 10)]);
    expect(after([tracers(20, 20)]).middle).toBeGreaterThan(after([tracers(20, 8)]).middle);
    // Twice ten are as good as twenty.
    for (const end of ['low', 'middle', 'high'] as const) expect(twice[end]).toBeCloseTo(once[end], 9);
  });

  test('a measured flow finds the roughness that carries it', () => {
    const rough = (times: number) => {
      const floor = { width_m: 0.254, roughness_m: LININGS.riffles.roughness_m * times };
      const { flow_m3_s } = floorFlowAtDepth(floor, SETTING.slope, 0.02);
      return measureBox([{ kind: 'water', setting: SETTING, depth_m: 0.02, flow_m3_s }]).after.roughness;
    };
    const [smooth, usual, coarse] = [rough(0.7), rough(1), rough(1.4)];
    expect(smooth.middle).toBeLessThan(usual.middle);
    expect(usual.middle).toBeLessThan(coarse.middle);
    expect(usual.middle).toBeGreaterThan(0.9);
    expect(usual.middle).toBeLessThan(1.1);
  });

  describe('gold weighed by sizes', () => {
    const SIZES = [0.002, 0.0007, 0.0003];
    const ofBox = (box: BoxParameters, missing: readonly string[] = []): BoxEvidence => {
      const setting = { ...SETTING, gold: SIZES.map((size_m) => ({ size_m, share: 1 })) };
      const solved = solveBox(setting, box);
      const bySize = SIZES.map((size_m, k) => ({
        size_m,
        gold_mg: CUTS.map((c, i) => {
          if (missing.includes(`${i}/${k}`)) return null;
          const rate = solved.sections[0]?.rate_per_m[k] ?? 0;
          return 400 * (Math.exp(-rate * c.from_m) - Math.exp(-rate * c.to_m));
        }),
      }));
      return { ...(cleanUp(1, 1, 1) as BoxEvidence & { kind: 'clean-up' }), bySize };
    };
    const tiltOf = (e: BoxEvidence[]): number => {
      const { boxes } = measureBox(e);
      return boxes.reduce((sum, b) => sum + b.tilt, 0) / boxes.length;
    };
    const plain = { ...drawBoxes(2)[0], depthError_m: 0, headError_m: 0, mixTilt: 0 };

    test('tells how the catch goes with size, surer than the whole does', () => {
      const [fineBetter, coarseBetter] = [-0.4, 0.4].map((tilt) => ({ ...plain, tilt })) as [
        BoxParameters,
        BoxParameters,
      ];
      expect(tiltOf([ofBox(fineBetter)])).toBeLessThan(-0.15);
      expect(tiltOf([ofBox(coarseBetter)])).toBeGreaterThan(0.15);
      expect(Math.abs(tiltOf([asBox(coarseBetter)]))).toBeLessThan(tiltOf([ofBox(coarseBetter)]));
    });
    test('cells may be missing: the rest says nearly the same', () => {
      const box = { ...plain, tilt: 0.4 };
      expect(tiltOf([ofBox(box, ['2/2', '1/0'])])).toBeGreaterThan(0.1);
      // Of a size weighed in one stretch alone nothing is read; of none, the whole weights speak.
      const alone = SIZES.flatMap((_, k) => [`0/${k}`, `1/${k}`]);
      expect(measureBox([ofBox(box, alone)]).after).toEqual(measureBox([cleanUp(1, 1, 1)]).after);
    });
    test('sizes that no such box lays so are left out', () => {
      const upside = ofBox(plain) as BoxEvidence & { kind: 'clean-up' };
      const turned = { ...upside, bySize: upside.bySize?.map((f) => ({ ...f, gold_mg: [...f.gold_mg].reverse() })) };
      expect(measureBox([turned as BoxEvidence]).fits).toEqual([false]);
    });
    test('stand between their screens', () => {
      expect(fractionSizes_m([0.002, 0.0005]).map((m) => Number((m * 1000).toFixed(3)))).toEqual([2.828, 1, 0.354]);
      expect(fractionSizes_m([])).toEqual([]);
      expect(() => fractionSizes_m([0.0005, 0.002])).toThrow(OutOfRange);
    });
  });

  test('colors counted in each stretch speak as so many pieces: four times as many, twice as sure', () => {
    const counted = (colors: number[]): BoxEvidence => ({
      ...(cleanUp(1, 1, 1) as BoxEvidence & { kind: 'clean-up' }),
      colors,
    });
    const width = (e: BoxEvidence): number => {
      const { catchScale } = measureBox([e]).after;
      return Math.log(catchScale.high / catchScale.low);
    };
    expect(width(counted([60, 20, 8]))).toBeLessThan(width(counted([15, 5, 2])));
    const middle = (colors: number[]): number => measureBox([counted(colors)]).after.catchScale.middle;
    expect(middle([60, 3, 0])).toBeGreaterThan(middle([30, 20, 13]));
  });

  test('gold that grows down the box fits no such box: it is left out, and moves nothing', () => {
    const { fits, after, before } = measureBox([cleanUp(20, 100, 900)]);
    expect(fits).toEqual([false]);
    expect(Math.log(after.catchScale.middle / before.catchScale.middle)).toBeCloseTo(0, 1);
  });

  test('what cannot be is refused by its name', () => {
    const field = (e: BoxEvidence) => {
      try {
        measureBox([e]);
      } catch (error) {
        return (error as OutOfRange).field;
      }
      return null;
    };
    expect(field(timed(0))).toBe('fed_m3_s');
    expect(field({ ...(tail(0, 0) as BoxEvidence & { kind: 'tail pan' }), bank_L: 0 })).toBe('bank_L');
    expect(field({ kind: 'tracers', setting: SETTING, size_m: 0.001, fed: 5, held: 6 })).toBe('held');
    expect(field(cleanUp(-1))).toBe('gold_mg');
    expect(field({ kind: 'water', setting: SETTING, depth_m: 0.02, flow_m3_s: 0 })).toBe('flow_m3_s');
  });
});

describe('what a clean-up should weigh', () => {
  const through = [{ setting: SETTING, bank_L: 300 }];
  const ground = { through, grade_mg_L: 0.5, band_mg_L: { low: 0.2, high: 1 }, earlier: [] };
  const boxes = measureBox([]).boxes;
  const said = forecastClean(boxes, CUTS, [ground], 0.3);

  test('the head holds most, all is at most what was fed, the same is said twice', () => {
    expect(said.stretches[0]?.middle).toBeGreaterThan(said.stretches[1]?.middle ?? 0);
    expect(said.all_mg.middle).toBeLessThan(300 * 0.6);
    expect(said.held.middle).toBeGreaterThan(0.7);
    expect(said.held.high).toBeLessThanOrEqual(1);
    expect(forecastClean(boxes, CUTS, [ground], 0.3)).toEqual(said);
  });
  test('an earlier clean-up of the same ground moves the grade and narrows the band', () => {
    const rich = forecastClean(
      boxes,
      CUTS,
      [{ ...ground, earlier: [{ setting: SETTING, bank_L: 300, gold_mg: 260, to_m: 1 }] }],
      0.3,
    );
    expect(rich.all_mg.middle).toBeGreaterThan(1.3 * said.all_mg.middle);
    expect(rich.all_mg.high / rich.all_mg.low).toBeLessThan(0.7 * (said.all_mg.high / said.all_mg.low));
  });
  test('gravel that went through in two halves, the box set alike for both, is the same gravel', () => {
    const half = { setting: SETTING, bank_L: 150 };
    const inHalves = forecastClean(boxes, CUTS, [{ ...ground, through: [half, half] }], 0.3);
    expect(inHalves.all_mg.middle).toBeCloseTo(said.all_mg.middle, 9);
    // Set steeper for the second half it holds less, but more than if it had stood so all day.
    const steep = { ...SETTING, slope: 3 * SETTING.slope };
    const turned = forecastClean(boxes, CUTS, [{ ...ground, through: [half, { ...half, setting: steep }] }], 0.3);
    const steepAll = forecastClean(boxes, CUTS, [{ ...ground, through: [{ setting: steep, bank_L: 300 }] }], 0.3);
    expect(turned.held.middle).toBeLessThan(said.held.middle);
    expect(turned.held.middle).toBeGreaterThan(steepAll.held.middle);
  });
  test('of less than a color nothing may come', () => {
    const poor = forecastClean(boxes, CUTS, [{ ...ground, through: [{ setting: SETTING, bank_L: 3 }] }], 0.3);
    expect(poor.stretches[2]?.low).toBe(0);
  });
  test('a ground without volume or grade has no forecast', () => {
    expect(() => forecastClean(boxes, CUTS, [{ ...ground, through: [{ setting: SETTING, bank_L: 0 }] }], 0.3)).toThrow(
      OutOfRange,
    );
    expect(() => forecastClean(boxes, CUTS, [{ ...ground, grade_mg_L: 0 }], 0.3)).toThrow(OutOfRange);
  });
});
