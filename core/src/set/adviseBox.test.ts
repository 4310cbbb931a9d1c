import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { aBox, type SomeBox } from '../../test/aBox.ts';
import { adviseBox, type BoxAdvice, type Reach } from './adviseBox.ts';
import { drawBoxes, MEDIAN_BOX } from './boxParameters.ts';
import { PRUDENT_SHARE } from './feed.ts';
import { LINING_IDS } from './linings.ts';
import { loadUp } from './loadUp.ts';
import { LININGS } from './linings.ts';
import { solveBox, type BoxSetting } from './solveBox.ts';
import { USUAL_MIX } from './goldMix.ts';
import { drawnBoxes, weighBox } from './weighBox.ts';

const drawn = drawnBoxes(USUAL_MIX, 10);
const works = (some: SomeBox): number => weighBox(aBox(some), drawn).works;
const advice = (some: SomeBox, more: Partial<BoxSetting> = {}, reach: Reach = {}): BoxAdvice =>
  adviseBox(aBox(some, more), drawn, reach);
const levers = (a: BoxAdvice): string[] => (a.kind === 'change' ? a.levers.map((l) => l.kind) : [a.kind]);
const median = (some: SomeBox, more: Partial<BoxSetting> = {}) => solveBox(aBox(some, more), MEDIAN_BOX);
const BUCKET_M3 = 0.0189;
const OWNED = { screens_m: [0.25, 0.5, 0.75, 1].map((s) => s * 0.0254) };

// What every practitioner knows of a sluice. Common practice, no source; the guideline: Clarkson (1990), from memory.
describe('facts of the trade', () => {
  test('10 in of riffles, 20 mm of water, half-inch gravel works at 1/2 and at 3/4 in/ft, and is left alone', () => {
    for (const pitch_in_ft of [0.5, 0.75]) {
      expect(works({ pitch_in_ft })).toBeGreaterThan(0.8);
      expect(levers(advice({ pitch_in_ft }, {}, OWNED))).toEqual(['leave']);
    }
  });
  test('a bucket every 4 to 9 minutes at 1/2 in/ft, every 1.5 to 4 at 3/4', () => {
    const minutes = (pitch_in_ft: number): number =>
      BUCKET_M3 / (PRUDENT_SHARE * median({ pitch_in_ft }).capacity_m3_s) / 60;
    expect(minutes(0.5)).toBeGreaterThan(4);
    expect(minutes(0.5)).toBeLessThan(9);
    expect(minutes(0.75)).toBeGreaterThan(1.5);
    expect(minutes(0.75)).toBeLessThan(4);
  });
  test('1/4 in/ft stalls and is lifted or given water; so are inch stones, or they are screened', () => {
    expect(works({ pitch_in_ft: 0.25 })).toBeLessThan(0.3);
    expect(['head', 'water']).toEqual(expect.arrayContaining(levers(advice({ pitch_in_ft: 0.25 }, {}, OWNED))));
    expect(works({ stone_in: 1 })).toBeLessThan(0.3);
    expect(['head', 'water']).toEqual(expect.arrayContaining(levers(advice({ stone_in: 1 }))));
    const screened = advice({ stone_in: 1 }, {}, OWNED);
    expect(screened).toMatchObject({ kind: 'change', levers: [{ kind: 'screen', stone_m: 0.0127 }] });
  });
  test('5 to 10 mm of water stalls and wants more water, never a screen', () => {
    for (const depth_mm of [5, 8, 10]) {
      expect(works({ depth_mm })).toBeLessThan(0.3);
      expect(levers(advice({ depth_mm }, {}, OWNED))).toEqual(['water']);
    }
  });
  test('3/4 in/ft with quarter-inch feed is left alone', () =>
    expect(levers(advice({ pitch_in_ft: 0.75, stone_in: 0.25 }, {}, OWNED))).toEqual(['leave']));
  test('the guideline box is fed 8 loose yd3 an hour a foot of width, and holds 0.7 of half-millimeter gold in 2.4 m', () => {
    const water = { known: 'flow' as const, flow_m3_s: (320 * 4.54609) / 60_000 };
    for (const pitch_in_ft of [1.5, 2, 2.5]) {
      const box = { lining: 'expanded' as const, width_in: 12, length_m: 2.4, pitch_in_ft };
      const found = median(box, { water, crew_m3_s: 1 });
      const yd3_h = (PRUDENT_SHARE * found.capacity_m3_s * 3600) / 0.764555;
      expect(Math.abs(yd3_h / 8 - 1)).toBeLessThan(0.15);
      expect(found.held[2]).toBeGreaterThan(0.7);
    }
  });
  test('a plant of 46 to 57 m3/h, half of it through the screens: a 1.2 m box at the guideline’s water takes 23 to 25', () => {
    const perFoot = (320 * 4.54609) / 60_000;
    const found = median(
      { lining: 'expanded', width_in: 1.2 / 0.0254, length_m: 2.4, pitch_in_ft: 2 },
      { water: { known: 'flow', flow_m3_s: (perFoot * 1.2) / 0.3048 }, crew_m3_s: 1 },
    );
    const m3_h = PRUDENT_SHARE * found.capacity_m3_s * 3600;
    expect(m3_h).toBeGreaterThan(22.5);
    expect(m3_h).toBeLessThan(25.5);
  });
  test('gold of 1 mm and coarser lies in the first hand of the box: 0.8 of it by 200 mm', () => {
    for (const pitch_in_ft of [0.5, 0.75]) {
      const section = median({ pitch_in_ft }).sections[0];
      for (const k of [3, 4]) expect(-Math.expm1(-(section?.rate_per_m[k] ?? NaN) * 0.2)).toBeGreaterThan(0.8);
      // Of all that is caught more than 0.6 lies there.
      const first = USUAL_MIX.reduce(
        (sum, g, k) => sum - g.share * Math.expm1(-(section?.rate_per_m[k] ?? NaN) * 0.2),
        0,
      );
      expect(first / median({ pitch_in_ft }).heldOfMix).toBeGreaterThan(0.6);
    }
  });
  test('10 in against 6.5 in: half again as much at one depth, twice with 2.5 mm more', () => {
    const narrow = median({ width_in: 6.5 }).capacity_m3_s;
    const times = (depth_mm: number): number => median({ depth_mm }).capacity_m3_s / narrow;
    expect(times(20)).toBeGreaterThan(1.5);
    expect(times(20)).toBeLessThan(1.65);
    expect(times(22.5)).toBeGreaterThan(2);
    expect(times(22.5)).toBeLessThan(2.6);
  });
  test('sandy ground with 1 % black sand is cleaned up after 3 to 14 buckets', () => {
    const [section] = median({}).sections;
    if (!section) throw new Error('no section');
    const riffles = LININGS.riffles;
    const fill = (buckets: number): number =>
      loadUp(
        [
          {
            length_m: 0.9144,
            width_m: 0.254,
            holds_kg_m2: riffles.holds_kg_m2,
            heavyRate_per_m: section.heavyRate_per_m,
            goldRate_per_m: section.rate_per_m[1] ?? NaN,
          },
        ],
        // A bucket of loose gravel holds 0.65 of solid; one part in a hundred of its mass is black sand.
        buckets * BUCKET_M3 * 0.65 * 2650 * 0.01,
      )[0]?.fillAtHead ?? NaN;
    let buckets = 1;
    while (fill(buckets) < 0.7) buckets++;
    expect(buckets).toBeGreaterThanOrEqual(3);
    expect(buckets).toBeLessThanOrEqual(14);
  });
});

describe('advice', () => {
  test('a box out of level is leveled first, whatever else is wrong', () =>
    expect(levers(advice({ pitch_in_ft: 0.25 }, { crossFall_m: 0.008 }))).toEqual(['level']));
  test('a box fed too much is fed slower, at the prudent pace', () => {
    const found = advice({}, { feed_m3_s: 1e-4 });
    expect(levers(found)).toEqual(['slower']);
    if (found.kind !== 'change') throw new Error(found.kind);
    expect(found.after.load.middle).toBeCloseTo(PRUDENT_SHARE, 2);
  });
  test('what the creek does not give is not advised', () => {
    const thin = { depth_mm: 10 };
    const now_m3_s = weighBox(aBox(thin), drawn).solved[0]?.sections[0]?.flow.flow_m3_s ?? NaN;
    const dry = advice(thin, {}, { most_m3_s: now_m3_s });
    expect(levers(dry)).not.toContain('water');
    const flat = advice({ pitch_in_ft: 0.25 }, {}, { most_m3_s: now_m3_s, steepestSlope: 0.022 });
    expect(levers(flat)).not.toContain('head');
  });
  test('where nothing helps it says what limits the box', () => {
    const stuck = advice({ stone_in: 3, depth_mm: 10 }, {}, { most_m3_s: 1e-4, steepestSlope: 0.05 });
    expect(stuck).toMatchObject({ kind: 'limited', by: 'stones' });
  });
  test('on any box: a hand can set it, the gold an hour never falls by it, and it works better after', () => {
    const few = drawnBoxes(USUAL_MIX, 10, drawBoxes(40));
    const anyBox = fc
      .record({
        lining: fc.constantFrom(...LINING_IDS),
        width_in: fc.double({ min: 5, max: 20, noNaN: true }),
        length_m: fc.double({ min: 0.5, max: 2, noNaN: true }),
        pitch_in_ft: fc.double({ min: 0.2, max: 1.8, noNaN: true }),
        depth_mm: fc.double({ min: 5, max: 50, noNaN: true }),
        stone_in: fc.constantFrom(0.25, 0.5, 1),
      })
      .map((some) => aBox(some));
    fc.assert(
      fc.property(anyBox, (setting) => {
        const now = weighBox(setting, few);
        const found = adviseBox(setting, few, OWNED);
        if (found.kind !== 'change') return;
        expect(found.after.gold_m3_s).toBeGreaterThan(now.gold_m3_s);
        expect(found.levers.length).toBeLessThanOrEqual(2);
        for (const l of found.levers) {
          if (l.kind === 'head') expect(Math.abs(l.head_m)).toBeGreaterThanOrEqual(0.005 - 1e-12);
          if (l.kind === 'water') expect(Math.abs(l.water_m)).toBeGreaterThanOrEqual(0.002 - 1e-12);
          if (l.kind === 'screen') expect(OWNED.screens_m).toContain(l.stone_m);
        }
        if (now.works < 0.8) expect(found.after.works).toBeGreaterThan(now.works - 0.05);
      }),
      { seed: 20_260_501, numRuns: 25 },
    );
  });
});
