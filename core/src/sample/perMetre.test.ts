import { describe, expect, test } from '@jest/globals';
import { crackGold_mg_m, crackVolume_L, paidByKind, squareMetre } from './perMetre.ts';

const grade = { low: 1, middle: 2, high: 4 };

describe('a crack', () => {
  test('by hand: 30 mm wide, 4 m long, 250 mm deep is 30 L as a box, 15 as a wedge', () => {
    const v = crackVolume_L({ width_m: 0.03, length_m: 4, depth_m: 0.25 });
    expect([v.low, v.high]).toEqual([expect.closeTo(15, 9), expect.closeTo(30, 9)]);
  });
  test('gold of a metre of it does not hang on its length', () => {
    const short = crackGold_mg_m({ width_m: 0.03, length_m: 1, depth_m: 0.25 }, grade);
    expect(crackGold_mg_m({ width_m: 0.03, length_m: 9, depth_m: 0.25 }, grade)).toEqual(short);
    expect([short.low, short.high]).toEqual([expect.closeTo(3.75, 9), expect.closeTo(30, 9)]);
  });
  test('what kinds of crack paid: by length, richest first; one of no kind is left out', () => {
    const band = (mg: number) => ({ low: mg / 2, middle: mg, high: 2 * mg });
    const by = paidByKind([
      { length_m: 1, gold_mg_m: band(1), kind: 'along' },
      { length_m: 1, gold_mg_m: band(30), kind: 'across' },
      { length_m: 3, gold_mg_m: band(10), kind: 'across' },
      { length_m: 9, gold_mg_m: band(99), kind: null },
    ]);
    expect(by.map((k) => [k.kind, k.cracks, k.gold_mg_m.middle])).toEqual([
      ['across', 2, 15],
      ['along', 1, 1],
    ]);
  });
  test('what is no crack is refused', () =>
    expect(() => crackVolume_L({ width_m: 0, length_m: 1, depth_m: 1 })).toThrow('width_m'));
});

describe('a square metre', () => {
  test('by hand: 50 mm of seam at 2 mg/L under 300 mm of sand is 100 mg', () => {
    const found = squareMetre([
      { thickness_m: 0.3, grade_mg_L: null },
      { thickness_m: 0.05, grade_mg_L: grade },
    ]);
    expect(found?.gold_mg).toEqual({
      low: expect.closeTo(50, 9),
      middle: expect.closeTo(100, 9),
      high: expect.closeTo(200, 9),
    });
    expect([found?.seam_m, found?.cover_m, found?.blackSand_kg]).toEqual([0.05, 0.3, null]);
  });
  test('black sand by hand: 50 mm, four fifths of it black, at 2.8 t a cubic metre is 112 kg', () =>
    expect(squareMetre([{ thickness_m: 0.05, grade_mg_L: grade, blackShare: 0.8 }])?.blackSand_kg).toBeCloseTo(112, 9));
  test('two seams add up; one under a false bottom counts too; without a pan nothing is said', () => {
    const two = squareMetre([
      { thickness_m: 0.02, grade_mg_L: grade },
      { thickness_m: 0.1, grade_mg_L: null },
      { thickness_m: 0.03, grade_mg_L: grade },
    ]);
    expect(two?.gold_mg.middle).toBeCloseTo(100, 9);
    expect(two?.cover_m).toBe(0);
    expect(squareMetre([{ thickness_m: 0.3, grade_mg_L: null }])).toBeNull();
  });
});
