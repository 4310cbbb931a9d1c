import { describe, expect, test } from '@jest/globals';
import {
  bestSpot,
  COLOR_MG,
  effectiveColors,
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
  depth_m: 0.3,
  layerId: null,
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
  test('several pans of one spot add up: by hand 6 fine colors in 20 L bank; the band is wider than the luck of the count alone (Garwood)', () => {
    const samples = [sample('a', 11.8, { '-40': 2 }), sample('a', 11.8, { '-40': 4 })];
    const grade = spotGrades(samples, 18).get('a')?.grade;
    const mg = groundColors(samples, 18).weights_mg['-40'];
    const { low, high } = poissonLimits(6);
    expect(grade).toMatchObject({ kind: 'band', colors: 6, grade_mg_L: expect.closeTo((6 * mg) / 20, 9) });
    if (grade?.kind !== 'band') throw new Error('no band');
    // What a color weighs, and how patchy the gravel is, nobody told.
    expect(grade.low_mg_L).toBeLessThan((low * mg) / 20);
    expect(grade.high_mg_L).toBeGreaterThan((high * mg) / 20);
  });
  test('a blank tried twice is counted twice and its limit falls to half or less', () => {
    const once = spotGrades([sample('a', 11.8, {})], 18).get('a');
    const twice = spotGrades([sample('a', 11.8, {}), sample('a', 11.8, {})], 18).get('a');
    expect([once?.blanks, twice?.blanks]).toEqual([1, 2]);
    if (once?.grade.kind !== 'blank' || twice?.grade.kind !== 'blank') throw new Error('not blank');
    // Twice the ground halves it; two pans of patchy ground are also surer than one.
    expect(once.grade.lessThan_mg_L / twice.grade.lessThan_mg_L).toBeGreaterThan(2);
    expect(once.grade.lessThan_mg_L / twice.grade.lessThan_mg_L).toBeLessThan(3);
  });
  test('a blank is judged by the colors of its own ground, and by fine ones where there are none', () => {
    const fine = groundColors([sample('a', 5, { '-40': 3 })], 18);
    expect(fine.blankColor_mg).toBeCloseTo(fine.weights_mg['-40'], 12);
    expect(groundColors([sample('a', 5, {})], 18)).toMatchObject({
      blankColor_mg: expect.closeTo(COLOR_MG['20-40'], 1),
      oneMoreColor_mg: expect.closeTo(COLOR_MG['20-40'], 1),
    });
  });
  test('four good pans outrank one lucky pan: it is pulled toward its ground, and they hardly are', () => {
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
  test('the best of many is named by less than its own pans say: it was chosen for them', () => {
    const grades = spotGrades(
      [2, 5, 3, 4, 6, 3, 2, 14].map((n, i) => sample(`s${i}`, 11.8, { '-40': n })),
      18,
    );
    const leader = bestSpot(grades.values());
    expect(leader?.spotId).toBe('s7');
    expect(leader?.pulled.grade_mg_L).toBeLessThan(0.95 * (leader?.grade.grade_mg_L ?? 0));
    expect(leader?.chanceBest).toBeGreaterThan(0.5);
  });
  test('weighed pans move what a color weighs, here and in every grade', () => {
    const weighed = sample('a', 11.8, { '-40': 40 }, { gold_mg: 1.2 });
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
    expect(width(patchy)).toBeGreaterThan(1.15 * width(even));
    const limit = (samples: SpotPan[]): number => {
      const g = spotGrades([...samples, sample('z', 11.8, {})], 18).get('z')?.grade;
      return g?.kind === 'blank' ? g.lessThan_mg_L : NaN;
    };
    expect(limit(patchy)).toBeGreaterThan(limit(even));
  });
  test('layers that differ are no scatter: six pans down one pit leave it where it was', () => {
    const down = [0, 0, 1, 2, 18, 25].map((n, i) => sample('a', 11.8, { '-40': n }, { depth_m: 0.2 + 0.3 * i }));
    const even = ['b', 'c', 'd'].flatMap((id) => [6, 7].map((n) => sample(id, 11.8, { '-40': n })));
    expect(groundColors(down, 18).scatter).toBeNull();
    const [with_, without] = [groundColors([...down, ...even], 18), groundColors(even, 18)];
    expect(with_.scatter?.cv).toBeCloseTo(without.scatter?.cv ?? NaN, 9);
  });
  test('layers are weighed by their thickness and not by how many pans were taken there; by hand 0.3 m of rich gravel under 1 m of barren', () => {
    const pit = {
      id: 'pit',
      spotId: 'a',
      layers: [
        { id: 'cover', thickness_m: 1 },
        { id: 'pay', thickness_m: 0.3 },
      ],
    };
    const of = (layerId: string, fine: number): SpotPan => sample('a', 11.8, { '-40': fine }, { layerId });
    const samples = [of('cover', 0), of('cover', 0), of('cover', 0), of('pay', 40)];
    const colors = groundColors(samples, 18);
    const found = spotGrades(samples, 18, colors, [pit]).get('a');
    const ofPay = (40 * colors.weights_mg['-40']) / 10;
    expect(found?.hole.stop).toEqual({ level: 1, depth_m: expect.closeTo(1.3, 12) });
    expect(found?.grade).toMatchObject({ kind: 'band', grade_mg_L: expect.closeTo((ofPay * 0.3) / 1.3, 9) });
    expect(found?.hole.levels.map((l) => l.grade?.kind)).toEqual(['blank', 'band']);
  });
  test('one digs no deeper than pays: barren below the gold is not moved', () => {
    const samples = [2, 12, 0, 0].map((n, i) => sample('a', 11.8, { '-40': n }, { depth_m: 0.2 + 0.4 * i }));
    const colors = groundColors(samples, 18);
    const { hole } = spotGrades(samples, 18, colors).get('a') ?? {};
    // Levels speak half way to the next: 0 to 0.4, 0.4 to 0.8 m.
    expect(hole?.stop).toEqual({ level: 1, depth_m: expect.closeTo(0.8, 12) });
  });
  test('a weighed pan counts by its effective colors: nineteen with two pickers are few (by hand, Kish)', () => {
    const counts_ = counts({ '10-20': 2, '-40': 17 });
    const w = { '10-20': 7, '20-40': 1, '-40': 0.1 };
    expect(effectiveColors(counts_, w, { spread: false })).toBeCloseTo((14 + 1.7) ** 2 / (2 * 49 + 17 * 0.01), 9);
    expect(effectiveColors(counts_, w)).toBeLessThan(2.6);
    expect(effectiveColors(counts({ '-40': 19 }), w, { spread: false })).toBeCloseTo(19, 9);
  });
});
