import { describe, expect, test } from '@jest/globals';
import { freshWater } from '../grains/water.ts';
import { filmFlow_m2_s, filmFor_m, shearOfFilm_Pa } from './film.ts';
import { finishSluicePace_m3_s } from './finishSluice.ts';
import { goOn } from './goOn.ts';
import { weighFinish, type FinishSetting, type SeenAtFloor } from './weighFinish.ts';

const water = freshWater(12);
/** Minus 30 plus 50 over half a millimeter, a tablespoon at a time. */
const FLOOR: FinishSetting = {
  finest_m: 0.0003,
  coarsest_m: 0.0006,
  feature_m: 0.0005,
  floorWidth_m: 0.2,
  slope: 0.08,
  depth_m: 0.0022,
  water,
  spoon_m3: 15e-6,
  blackLeft: 1 / 3,
};

describe('a film of water over a floor', () => {
  test('shear and depth are one another turned round', () => {
    expect(shearOfFilm_Pa(filmFor_m(1.7, 0.08, water), 0.08, water)).toBeCloseTo(1.7, 12);
    expect(filmFor_m(0.784532, 0.08, { ...water, density_kg_m3: 1000 })).toBeCloseTo(0.001, 9);
  });
  test('a thin film is laminar: eight times the flow for twice the depth (Nusselt 1916); a thick one goes by Manning', () => {
    expect(filmFlow_m2_s(0.0004, 0.05, water) / filmFlow_m2_s(0.0002, 0.05, water)).toBeCloseTo(8, 9);
    expect(filmFlow_m2_s(0.02, 0.05, water) / filmFlow_m2_s(0.01, 0.05, water)).toBeCloseTo(2 ** (5 / 3), 9);
  });
});

describe('a floor as it may be', () => {
  const at = (depth_m: number, seen: readonly SeenAtFloor[] = []) => weighFinish({ ...FLOOR, depth_m }, seen);
  test('chances add up; more water never leaves more sand lying, nor less gold going', () => {
    const depths = [0.0008, 0.0015, 0.0022, 0.004, 0.008].map((d) => at(d));
    for (const w of depths) expect(w.still + w.parts + w.goes).toBeCloseTo(1, 9);
    depths.slice(1).forEach((w, i) => {
      expect(w.still).toBeLessThanOrEqual(depths[i]?.still ?? 0);
      expect(w.goes).toBeGreaterThanOrEqual(depths[i]?.goes ?? 1);
      expect(w.spoon_min.middle).toBeLessThan(depths[i]?.spoon_min.middle ?? 0);
    });
  });
  test('sized there is a mark, between where sand goes and gold does; unsized there is none', () => {
    const sized = at(0.002);
    expect(sized.mark_m?.middle).toBeGreaterThan(sized.from_m);
    expect(sized.mark_m?.middle).toBeLessThan(sized.to_m);
    const unsized = weighFinish({ ...FLOOR, finest_m: 0.00015, coarsest_m: 0.0024 });
    expect([unsized.mark_m, unsized.windowChance < 0.5]).toEqual([null, true]);
  });
  // Common practice, no source: a tablespoon to a third in minutes, light taps and waiting.
  test('a tablespoon at the mark takes half a minute to a quarter of an hour', () => {
    const mark_m = at(0.002).mark_m?.middle ?? 0;
    const { spoon_min, kept, keptAgain } = at(mark_m);
    expect([spoon_min.middle > 0.5, spoon_min.middle < 15]).toEqual([true, true]);
    expect(kept.middle).toBeGreaterThan(0.9);
    expect(keptAgain.middle).toBeGreaterThan(kept.middle);
    expect(keptAgain.high).toBeLessThanOrEqual(1);
  });
  test('what is seen moves the mark: sand that lies still asks for more water, gold that creeps for less', () => {
    const before = at(0.002).mark_m?.middle ?? 0;
    const seen = (saw: SeenAtFloor['saw']) => at(0.002, [{ depth_m: before, saw, took_s: null }]).mark_m?.middle ?? 0;
    expect(seen('sand lies still')).toBeGreaterThan(before);
    expect(seen('gold creeps')).toBeLessThan(before);
    expect(Math.abs(Math.log(seen('right') / before))).toBeLessThan(0.12);
  });
  test('a timed spoon makes the pace known', () => {
    const depth_m = at(0.002).mark_m?.middle ?? 0;
    const before = at(depth_m).spoon_min;
    const slow = at(depth_m, [{ depth_m, saw: 'right', took_s: 60 * 3 * before.middle }]).spoon_min;
    expect(slow.middle).toBeGreaterThan(before.middle);
    expect(slow.high / slow.low).toBeLessThan(before.high / before.low);
  });
  test('a fraction upside down is refused', () =>
    expect(() => weighFinish({ ...FLOOR, finest_m: 0.001 })).toThrow('coarsest_m'));
});

// Common practice, no source: two five-gallon buckets two thirds full of minus 8, half black, in about two hours.
test('a finishing sluice wide open takes two buckets two thirds full in one to four hours', () => {
  const pace = finishSluicePace_m3_s({
    width_m: 0.254,
    depth_m: 0.016,
    slope: 1 / 12,
    riffle_m: 0.006,
    roughness_m: 0.005,
    blackShare: 0.5,
    black_m: 0.0005,
  });
  const hours = 0.0252 / pace / 3600;
  expect([hours > 1, hours < 4]).toEqual([true, true]);
});

describe('whether the rest of a heap pays', () => {
  const heap = {
    washedShare: 0.1,
    found: 4,
    meanColor_mg: 0.3,
    hours: 2,
    price_per_mg: 0.07,
    hourValue: 12,
  };
  test('by hand: ten colors in half a heap are about ten in the other half', () => {
    const { gold_mg } = goOn({ ...heap, washedShare: 0.5, found: 10, meanColor_mg: 1 });
    // Gamma of shape 10.5: its middle is 10.17, its ends 5.80 and 16.34 (tables of chi-square, 21 degrees: 11.591 and 32.671, halved).
    expect(gold_mg.low).toBeCloseTo(11.591 / 2, 2);
    expect(gold_mg.high).toBeCloseTo(32.671 / 2, 2);
  });
  test('little found: stop; much: go on; between: wash some more first', () => {
    expect(goOn({ ...heap, found: 0 }).say).toBe('stop');
    expect(goOn({ ...heap, found: 400 }).say).toBe('go on');
    const between = goOn({ ...heap, hourValue: 0.4 });
    expect([between.say, between.pays > 0.2 && between.pays < 0.8]).toEqual(['wash some more first', true]);
  });
  test('gold without a price pays nothing', () => expect(goOn({ ...heap, price_per_mg: 0 }).pays).toBe(0));
  test('a heap of which nothing was washed is refused', () =>
    expect(() => goOn({ ...heap, washedShare: 0 })).toThrow('washedShare'));
});
