import { describe, expect, test } from '@jest/globals';
import type { StoredSample } from '@riffle/contract';
import { COLOR_MG, NO_COLORS, poissonLimits, type ColorCounts } from '@riffle/core';
import { bandLevels } from './CreekBand.tsx';
import { creekShape } from './creekShape.ts';
import { placeLabels } from './placeLabels.ts';
import { bestSpot, groundColors, measureOf, spotGrades } from './spotGrades.ts';

/** A line walked north from the foot that swings east in its middle: going downstream (south) the water first turns left, then right. */
const swing = Array.from({ length: 61 }, (_, i): [number, number, number] => [
  -33 + 0.0004 * Math.sin((Math.PI * i) / 60),
  46.5 + i * 0.00008,
  10 + i * 0.2,
]);

describe('the straightened creek', () => {
  test('a swing to the east is an inside on the west: the right bank of a creek that runs south', () => {
    const shape = creekShape({ kind: 'creek', line: swing, length_m: 540 });
    // A radius of about a kilometre: drawn, but drawn gentle.
    expect(shape.bend(270)).toBeLessThan(-0.1);
    expect(shape.bend(270)).toBeGreaterThan(-0.5);
    expect(Math.abs(shape.bend(0))).toBeLessThanOrEqual(1);
  });
  test('heights stand above the foot, rising upstream', () => {
    const { heights_m } = creekShape({ kind: 'creek', line: swing, length_m: 540 });
    expect(heights_m?.[0]).toBeCloseTo(0, 9);
    expect(heights_m?.at(-1)).toBeCloseTo(12, 3);
    expect(heights_m?.every((z, i, all) => i === 0 || z >= (all[i - 1] ?? 0))).toBe(true);
  });
  test('one height missing and no bed is drawn, rather than a false one', () => {
    const line = swing.map((p, i) => (i === 7 ? ([p[0], p[1]] as const) : p));
    expect(creekShape({ kind: 'creek', line, length_m: 540 }).heights_m).toBeNull();
  });
  test('a typed ground has no line and is drawn all the same', () =>
    expect(creekShape({ kind: 'creek', line: null, length_m: 300 }).heights_m).toBeNull());
  test('water swings away from the inside of a bend and stays between the banks', () => {
    const shape = creekShape({ kind: 'creek', line: swing, length_m: 540 });
    for (let d = 0; d <= 540; d += 9) {
      const at = bandLevels(shape, 40, 96, d);
      expect(at.bankTop).toBeLessThan(at.waterTop);
      expect(at.waterTop).toBeLessThan(at.waterBottom);
      expect(at.waterBottom).toBeLessThan(at.bankBottom);
    }
    const inside = bandLevels(shape, 40, 96, 270);
    expect((inside.waterTop + inside.waterBottom) / 2).toBeLessThan(40 + 48);
  });
  test('on a beach the lower half is the sea', () => {
    const at = bandLevels(creekShape({ kind: 'beach', line: swing, length_m: 540 }), 40, 96, 100);
    expect(at.waterBottom).toBe(136);
    expect(at.waterTop).toBeGreaterThan(80);
  });
});

describe('names on the ribbon', () => {
  const wish = (id: string, x: number, weight: number, below = false) => ({
    id,
    x,
    text: 'Ten letters',
    below,
    weight,
  });
  test('two that would touch: the weightier stays', () =>
    expect([...placeLabels([wish('a', 100, 1), wish('b', 120, 2)], 0, 900).keys()]).toEqual(['b']));
  test('above and below the band do not touch', () =>
    expect(placeLabels([wish('a', 100, 1), wish('b', 100, 2, true)], 0, 900).size).toBe(2));
  test('no name begins left of the drawing', () =>
    expect(placeLabels([wish('a', 2, 1)], 10, 900).get('a')?.x).toBeGreaterThan(40));
});

const counts = (c: Partial<ColorCounts>): ColorCounts => ({ ...NO_COLORS, ...c });
const sample = (
  spotId: string,
  volume_L: number,
  c: Partial<ColorCounts>,
  some: Partial<StoredSample> = {},
): StoredSample =>
  ({ spotId, volume_L, volumeState: 'loose', counts: counts(c), gold_mg: null, ...some }) as StoredSample;

describe('what the pans of a spot say together', () => {
  test('loose volume shrinks into the bank by the swell, bank volume stays', () => {
    expect(measureOf(sample('a', 11.8, {}), 18).volumeBank_L).toBeCloseTo(10, 12);
    expect(measureOf(sample('a', 11.8, {}, { volumeState: 'bank' }), 18).volumeBank_L).toBe(11.8);
  });
  test('several pans of one spot add up: by hand 6 fine colors in 20 L bank, with Garwood’s limits', () => {
    const grade = spotGrades([sample('a', 11.8, { '-40': 2 }), sample('a', 11.8, { '-40': 4 })], 18).get('a')?.grade;
    const { low, high } = poissonLimits(6);
    expect(grade).toMatchObject({
      kind: 'band',
      colors: 6,
      grade_mg_L: expect.closeTo((6 * COLOR_MG['-40']) / 20, 9),
      low_mg_L: expect.closeTo((low * COLOR_MG['-40']) / 20, 9),
      high_mg_L: expect.closeTo((high * COLOR_MG['-40']) / 20, 9),
    });
  });
  test('a blank tried twice is counted twice and its limit halves', () => {
    const once = spotGrades([sample('a', 11.8, {})], 18).get('a');
    const twice = spotGrades([sample('a', 11.8, {}), sample('a', 11.8, {})], 18).get('a');
    expect([once?.blanks, twice?.blanks]).toEqual([1, 2]);
    if (once?.grade.kind !== 'blank' || twice?.grade.kind !== 'blank') throw new Error('not blank');
    expect(once.grade.lessThan_mg_L / twice.grade.lessThan_mg_L).toBeCloseTo(2, 9);
  });
  test('a blank is judged by the colors of its own ground, and by fine ones where there are none', () => {
    expect(groundColors([sample('a', 5, { '-40': 3 })], 18).blankColor_mg).toBeCloseTo(COLOR_MG['-40'], 12);
    expect(groundColors([sample('a', 5, {})], 18)).toMatchObject({
      blankColor_mg: COLOR_MG['20-40'],
      oneMoreColor_mg: COLOR_MG['20-40'],
    });
  });
  test('four good pans outrank one lucky pan: the low end of the band decides', () => {
    const grades = spotGrades(
      [
        sample('lucky', 4.75, { '20-40': 1 }),
        ...[1, 2, 3, 4].map(() => sample('steady', 4.75, { '20-40': 1, '-40': 1 })),
      ],
      18,
    );
    expect(bestSpot(grades.values())?.spotId).toBe('steady');
    expect(bestSpot(spotGrades([sample('a', 5, {})], 18).values())).toBeNull();
  });
  test('weighed pans move what a color weighs, here and in every grade', () => {
    const weighed = sample('a', 11.8, { '-40': 40 }, { gold_mg: 12 });
    const known = groundColors([weighed, sample('b', 11.8, { '-40': 4 })], 18);
    expect(known.weights_mg['-40']).toBeLessThan(COLOR_MG['-40']);
    expect(known.learned['-40'].weighedColors).toBe(40);
    const grade = spotGrades([weighed, sample('b', 11.8, { '-40': 4 })], 18).get('b')?.grade;
    expect(grade).toMatchObject({ kind: 'band', grade_mg_L: expect.closeTo((4 * known.weights_mg['-40']) / 10, 9) });
  });
  test('patchy pans widen every band and lift every limit', () => {
    const patchy = ['a', 'b', 'c'].flatMap((id) => [1, 14, 2, 11].map((n) => sample(id, 11.8, { '-40': n })));
    const even = ['a', 'b', 'c'].flatMap((id) => [7, 7, 7, 7].map((n) => sample(id, 11.8, { '-40': n })));
    const width = (samples: StoredSample[]): number => {
      const g = spotGrades(samples, 18).get('a')?.grade;
      return g?.kind === 'band' ? g.high_mg_L - g.low_mg_L : NaN;
    };
    expect(width(patchy)).toBeGreaterThan(1.3 * width(even));
    const limit = (samples: StoredSample[]): number => {
      const g = spotGrades([...samples, sample('z', 11.8, {})], 18).get('z')?.grade;
      return g?.kind === 'blank' ? g.lessThan_mg_L : NaN;
    };
    expect(limit(patchy)).toBeGreaterThan(limit(even));
  });
});
