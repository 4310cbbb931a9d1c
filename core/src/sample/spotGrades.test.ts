import { describe, expect, test } from '@jest/globals';
import {
  bestSpot,
  COLOR_MG,
  groundColors,
  measureOf,
  NO_COLORS,
  poissonLimits,
  spotGrades,
  type ColorCounts,
  type SpotPan,
} from '../index.ts';

const counts = (c: Partial<ColorCounts>): ColorCounts => ({ ...NO_COLORS, ...c });
const sample = (spotId: string, volume_L: number, c: Partial<ColorCounts>, some: Partial<SpotPan> = {}): SpotPan => ({
  spotId,
  volume_L,
  volumeState: 'loose',
  counts: counts(c),
  gold_mg: null,
  ...some,
});

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
    const width = (samples: SpotPan[]): number => {
      const g = spotGrades(samples, 18).get('a')?.grade;
      return g?.kind === 'band' ? g.high_mg_L - g.low_mg_L : NaN;
    };
    expect(width(patchy)).toBeGreaterThan(1.3 * width(even));
    const limit = (samples: SpotPan[]): number => {
      const g = spotGrades([...samples, sample('z', 11.8, {})], 18).get('z')?.grade;
      return g?.kind === 'blank' ? g.lessThan_mg_L : NaN;
    };
    expect(limit(patchy)).toBeGreaterThan(limit(even));
  });
});
