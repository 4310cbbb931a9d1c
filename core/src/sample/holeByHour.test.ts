import { describe, expect, test } from '@jest/globals';
import { handPace, USUAL_WASH_H_M3, type HandPace } from '../day/handPace.ts';
import { OutOfRange } from '../outOfRange.ts';
import { NO_COLORS, type ColorCounts } from './colorWeights.ts';
import { groundColors, type SpotPan } from './groundColors.ts';
import { goldOfLevel_mg_L, levelHole, type HolePit, type LeveledHole } from './hole.ts';
import { breakEven, holeByHour, hourAtDepth, type HoleByHour } from './holeByHour.ts';

const counts = (c: Partial<ColorCounts>): ColorCounts => ({ ...NO_COLORS, ...c });
const pan = (layerId: string | null, fine: number, more: Partial<SpotPan> = {}): SpotPan => ({
  spotId: 'a',
  counts: counts({ '-40': fine }),
  gold_mg: null,
  volume_L: 10,
  volumeState: 'bank',
  depth_m: 0.5,
  layerId,
  ...more,
});
const pitOf = (layers: readonly [id: string, thickness_m: number][]): HolePit => ({
  id: 'pit',
  spotId: 'a',
  layers: layers.map(([id, thickness_m]) => ({ id, thickness_m })),
});
const holeOf = (layers: readonly [id: string, thickness_m: number, fine: number | null][]) => {
  const pans = layers.flatMap(([id, , fine]) =>
    fine === null ? [] : [pan(id, fine), pan(id, fine, { depth_m: 0.6 })],
  );
  return levelHole(pans, [pitOf(layers.map(([id, t]) => [id, t]))], 18, groundColors(pans, 18));
};
const PACE = { strip_h_m3: 1, wash_h_m3: 2.5, carry_h_m3: 0.5, logSd: 0.3, from_h: 0 };

const hours = (hole: LeveledHole, pace: HandPace = PACE): HoleByHour => {
  const found = holeByHour(hole, pace);
  if (!found) throw new Error('nothing was panned');
  return found;
};

describe('a hole by the hour', () => {
  test('by hand: a metre of barren cast aside and 0.3 m of pay washed take 1 x 1 + 0.3 x 3 hours a square metre', () => {
    const hole = holeOf([
      ['cover', 1, 0],
      ['pay', 0.3, 40],
    ]);
    const { best } = hours(hole);
    const pay_mg_L = goldOfLevel_mg_L(hole.levels[1]);
    expect(best.washed).toEqual([1]);
    expect(best.depth_m).toBeCloseTo(1.3, 12);
    expect(best.hours).toBeCloseTo(1.9, 12);
    expect(best.gold_mg_h).toBeCloseTo((300 * pay_mg_L) / 1.9, 6);
    expect(best.low_mg_h).toBeLessThan(best.gold_mg_h ?? 0);
    expect(best.high_mg_h).toBeGreaterThan(best.gold_mg_h ?? 0);
    // Break-even where the wanted hour is what it brings: about even chances, and the grade it has.
    const even = breakEven(best, best.gold_mg_h ?? NaN, PACE);
    expect(even.grade_mg_L).toBeCloseTo((pay_mg_L * 0.3) / 1.3, 9);
    expect(even.chance).toBeGreaterThan(0.3);
    expect(even.chance).toBeLessThan(0.6);
    expect(breakEven(best, 1e-3, PACE).chance).toBeGreaterThan(0.999);
  });
  test('what is washed and where one stops is the best of every choice there is (all subsets of all stops)', () => {
    for (const fines of [
      [0, 3, 0, 40],
      [12, 0, 5, 30],
      [30, 2, 0, 1],
      [1, 1, 20, 1],
      [4, null, 9, 0],
    ] as const) {
      const layers = fines.map((fine, i): [string, number, number | null] => [`l${i}`, 0.2 + 0.15 * i, fine]);
      const hole = holeOf(layers);
      let most = 0;
      for (let stop = 1; stop <= layers.length; stop++)
        for (let set = 1; set < 1 << stop; set++) {
          let [gold, hours] = [0, 0];
          for (let i = 0; i < stop; i++) {
            const t = layers[i]?.[1] ?? 0;
            const washed = (set & (1 << i)) !== 0;
            hours += t * (washed ? PACE.wash_h_m3 + PACE.carry_h_m3 : PACE.strip_h_m3);
            if (washed) gold += 1000 * t * goldOfLevel_mg_L(hole.levels[i]);
          }
          most = Math.max(most, gold / hours);
        }
      expect(hours(hole).best.gold_mg_h).toBeCloseTo(most, 6);
    }
  });
  test('no depth between two bottoms beats them', () => {
    const { best, curve } = hours(
      holeOf([
        ['a', 0.3, 6],
        ['b', 0.5, 0],
        ['c', 0.4, 30],
        ['d', 0.6, 1],
      ]),
    );
    expect(curve.length).toBeGreaterThan(80);
    expect(Math.max(...curve.map((c) => c.gold_mg_h ?? 0))).toBeCloseTo(best.gold_mg_h ?? NaN, 9);
    expect(curve.at(-1)?.depth_m).toBeCloseTo(1.8, 12);
  });
  test('pans of one depth and no pit: an hour of washing it, and no cover is made up', () => {
    const pans = [pan(null, 8), pan(null, 5)];
    const hole = levelHole(pans, [], 18, groundColors(pans, 18));
    const { best, curve } = hours(hole);
    expect(curve).toEqual([]);
    expect(best.depth_m).toBe(0);
    expect(best.gold_mg_h).toBeCloseTo((1000 * goldOfLevel_mg_L(hole.levels[0])) / 3, 6);
  });
  test('above the first pan nobody knows what it brings: the pay under unpanned cover is dug to its bottom', () => {
    const hole = holeOf([
      ['silt', 0.34, null],
      ['gravel', 0.45, null],
      ['pay', 0.22, 12],
    ]);
    expect(hourAtDepth(hole, 0.79, PACE)).toBeNull();
    const { best, curve } = hours(hole);
    expect(best).toMatchObject({ washed: [2], depth_m: expect.closeTo(1.01, 9) });
    expect(curve.every((c) => c.depth_m > 0.79)).toBe(true);
    expect(holeByHour(levelHole([], [], 18, groundColors([], 18)), PACE)).toBeNull();
  });
  test('blank pans bring less than so much, and no figure; coarse gold alone neither', () => {
    const { best } = hours(
      holeOf([
        ['cover', 0.5, 0],
        ['gravel', 0.5, 0],
      ]),
    );
    expect(best.gold_mg_h).toBeNull();
    expect(best.high_mg_h).toBeGreaterThan(0);
    const coarse = [pan(null, 0, { counts: counts({ '+10': 1 }) })];
    expect(hours(levelHole(coarse, [], 18, groundColors(coarse, 18))).best.gold_mg_h).toBeNull();
  });
  test('the slower the crew, the wider nothing but the hours: twice the hours, half the gold an hour', () => {
    const hole = holeOf([
      ['cover', 0.4, 0],
      ['pay', 0.4, 20],
    ]);
    const slow = { ...PACE, strip_h_m3: 2, wash_h_m3: 5, carry_h_m3: 1 };
    const [one, two] = [hours(hole).best, hours(hole, slow).best];
    expect(two.gold_mg_h).toBeCloseTo((one.gold_mg_h ?? NaN) / 2, 9);
    expect(two.high_mg_h / two.low_mg_h).toBeCloseTo(one.high_mg_h / one.low_mg_h, 6);
  });
});

describe('the pace of hands', () => {
  test('by hand: carrying 30 m in loads of 25 kg at 3.0 km/h (Tobler, off the path, level) is 1.4 h a cubic metre', () => {
    // 68 loads of 60 m there and back; 6 exp(-0.175) x 0.6 = 3.022 km/h.
    expect(handPace([], 30, 25).carry_h_m3).toBeCloseTo((68 * 0.06) / 3.022, 3);
    expect(handPace([], 0, 25)).toMatchObject({ carry_h_m3: 0, wash_h_m3: USUAL_WASH_H_M3, from_h: 0 });
  });
  test('own runs move it, the more the longer; and it grows surer', () => {
    const slow = (hours: number) => handPace([{ volumeBank_L: 200 * hours, hours }], 0, 25);
    expect(slow(1).wash_h_m3).toBeGreaterThan(USUAL_WASH_H_M3);
    expect(slow(1).wash_h_m3).toBeLessThan(slow(20).wash_h_m3);
    expect(slow(400).wash_h_m3).toBeCloseTo(5, 1);
    expect(slow(20).logSd).toBeLessThan(slow(1).logSd);
  });
  test('refuses a run of no time, a load of nothing, a way that is none', () => {
    expect(() => handPace([{ volumeBank_L: 10, hours: 0 }], 0, 25)).toThrow(OutOfRange);
    expect(() => handPace([], 0, 0)).toThrow(OutOfRange);
    expect(() => handPace([], -1, 25)).toThrow(OutOfRange);
  });
});
