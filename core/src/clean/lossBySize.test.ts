import { describe, expect, test } from '@jest/globals';
import { OutOfRange } from '../outOfRange.ts';
import { lossBySize } from './lossBySize.ts';

const CUTS = [0, 0.2, 0.5, 1.2];
const sections = [0, 1, 2].map((i) => ({ from_m: CUTS[i] ?? 0, to_m: CUTS[i + 1] ?? 0, lining: 'riffles' }));
const SCREENS = [0.002, 0.0005];
/** Gold of three sizes, each taken at a rate of its own, laid by the exponential law. */
const cells = (fed_mg: readonly number[], rates: readonly number[]): number[][] =>
  sections.map((s) =>
    fed_mg.map((mg, f) => mg * (Math.exp(-(rates[f] ?? 0) * s.from_m) - Math.exp(-(rates[f] ?? 0) * s.to_m))),
  );

describe('what went over the end by sizes', () => {
  test('each size that is taken evenly gives back the share it lost, and together the gold', () => {
    const { sizes, lost_mg, told } = lossBySize(sections, SCREENS, cells([400, 300, 200], [9, 4, 1.2]));
    expect(told).toBe(1);
    [9, 4, 1.2].forEach((k, f) => {
      const lost = sizes[f]?.lost;
      expect(lost?.middle).toBeCloseTo(Math.exp(-1.2 * k), 4);
      expect(lost?.low).toBeLessThanOrEqual(lost?.middle ?? 0);
      expect(lost?.high).toBeGreaterThan(lost?.middle ?? 1);
    });
    expect(lost_mg?.middle).toBeCloseTo(400 * Math.exp(-10.8) + 300 * Math.exp(-4.8) + 200 * Math.exp(-1.44), 1);
  });
  test('a few coarse pieces are not said to be lost more than the finer gold', () => {
    const { sizes } = lossBySize(sections, SCREENS, [
      [60, 300, 80],
      [30, 90, 70],
      [0, 10, 60],
    ]);
    const highs = sizes.map((s) => s.lost?.high ?? NaN);
    expect(highs).toEqual([...highs].sort((a, b) => a - b));
    expect(sizes.map((s) => [s.under_m, s.over_m])).toEqual([
      [null, 0.002],
      [0.002, 0.0005],
      [0.0005, null],
    ]);
  });
  test('a size missing in one stretch, or lying upside down, tells nothing and says why; the others still do', () => {
    const lay = cells([400, 300, 200], [9, 4, 1.2]);
    const missing = lay.map((row, i) => row.map((mg, f) => (i === 1 && f === 2 ? null : mg)));
    const found = lossBySize(sections, SCREENS, missing);
    expect(found.sizes[2]).toMatchObject({ lost: null, reason: expect.stringMatching(/not weighed/) });
    expect(found.sizes[1]?.lost).not.toBeNull();
    expect(found.told).toBeLessThan(1);
    const upside = lossBySize(
      sections,
      SCREENS,
      lay.map((row, i) => [row[0] ?? 0, 0, [5, 20, 90][i] ?? 0]),
    );
    expect(upside.sizes.map((s) => s.lost === null)).toEqual([false, true]);
  });
  test('nothing found tells nothing; screens that do not become finer are refused', () => {
    expect(
      lossBySize(sections, SCREENS, [
        [0, 0, 0],
        [0, 0, 0],
        [0, 0, 0],
      ]),
    ).toEqual({ sizes: [], lost_mg: null, told: 0 });
    expect(() => lossBySize(sections, [0.0005, 0.002], cells([1, 1, 1], [1, 1, 1]))).toThrow(OutOfRange);
  });
});
