import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { aBox, THREE_SECTIONS } from '../../test/aBox.ts';
import { drawBoxes, MEDIAN_BOX } from './boxParameters.ts';
import { sweepBox } from './boxSweep.ts';
import { LINING_IDS } from './linings.ts';
import { solveBox, type BoxSetting } from './solveBox.ts';
import { USUAL_MIX } from './goldMix.ts';
import { drawnBoxes, weighBox } from './weighBox.ts';

const few = drawnBoxes(USUAL_MIX, 10, drawBoxes(48));
const runs = { seed: 20_260_501, numRuns: 60 };

const anyBox = fc
  .record({
    width_m: fc.double({ min: 0.1, max: 0.6, noNaN: true }),
    length_m: fc.double({ min: 0.5, max: 3, noNaN: true }),
    lining: fc.constantFrom(...LINING_IDS),
    slope: fc.double({ min: 0.01, max: 0.2, noNaN: true }),
    stone_m: fc.double({ min: 0.003, max: 0.03, noNaN: true }),
    depth_m: fc.double({ min: 0.005, max: 0.08, noNaN: true }),
    split: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
    second: fc.constantFrom(...LINING_IDS),
  })
  .map(({ width_m, length_m, lining, slope, stone_m, depth_m, split, second }): BoxSetting =>
    aBox(
      {},
      {
        sections: [
          { lining, width_m, length_m: length_m * split, step_m: 0 },
          { lining: second, width_m: width_m * (0.8 + 0.4 * split), length_m: length_m * (1 - split), step_m: 0 },
        ],
        slope,
        stone_m,
        water: { known: 'depth', depth_m },
      },
    ),
  );

describe('draws of a box', () => {
  test('the same on every machine; each parameter takes every share of its belief once', () => {
    const draws = drawBoxes();
    expect(draws).toHaveLength(256);
    expect(drawBoxes()[17]).toEqual(draws[17]);
    const mixes = draws.map((d) => d.settlingMix).sort((a, b) => a - b);
    mixes.forEach((m, i) => expect(m).toBeCloseTo((i + 0.5) / 256, 12));
    const logs = draws.map((d) => Math.log(d.boxFactor / 1.8));
    expect(logs.reduce((a, b) => a + b, 0) / 256).toBeCloseTo(0, 10);
    expect(Math.sqrt(logs.reduce((a, b) => a + b * b, 0) / 256)).toBeCloseTo(0.45, 2);
    for (const d of draws) {
      expect(d.csf).toBeGreaterThanOrEqual(0.16);
      expect(d.medianOfScreen).toBeLessThanOrEqual(0.6);
    }
  });
});

describe('the arrays follow the readable form', () => {
  test.each([
    ['one section, by depth', aBox()],
    ['three sections, by depth', aBox({}, { sections: THREE_SECTIONS })],
    ['three sections, by flow', aBox({}, { sections: THREE_SECTIONS, water: { known: 'flow', flow_m3_s: 0.003 } })],
    [
      'a lining of one’s own below a known one',
      aBox(
        {},
        { sections: THREE_SECTIONS.map((s, i) => (i === 2 ? { ...s, own: { name: 'mat', height_m: 0.012 } } : s)) },
      ),
    ],
    ['a typed feed', aBox({ pitch_in_ft: 1 }, { feed_m3_s: 8e-5 })],
    ['screened gravel', aBox({}, { median_m: 0.002 })],
    ['stones taller than the water', aBox({ depth_mm: 8 })],
  ])('%s', (_name, setting) => {
    const readable = weighBox(setting, few);
    const sweep = sweepBox(setting, few);
    const water =
      setting.water.known === 'depth'
        ? sweep.atDepth(setting.water.depth_m)
        : sweep.atFlow(setting.water.flow_m3_s, setting.slope);
    const swept = sweep.weigh(water, sweep.atSlope(setting.slope));
    expect(swept.works).toBeCloseTo(readable.works, 12);
    expect(swept.stalls).toBeCloseTo(readable.stalls, 12);
    expect(swept.washesOut).toBeCloseTo(readable.washesOut, 12);
    expect(swept.gold_m3_s / Math.max(1e-12, readable.gold_m3_s)).toBeCloseTo(readable.gold_m3_s > 0 ? 1 : 0, 9);
  });
  test('on any box', () => {
    fc.assert(
      fc.property(anyBox, (setting) => {
        const { works, stalls, washesOut } = weighBox(setting, few);
        const sweep = sweepBox(setting, few);
        const water = sweep.atDepth(setting.water.known === 'depth' ? setting.water.depth_m : NaN);
        const swept = sweep.weigh(water, sweep.atSlope(setting.slope));
        expect([swept.works, swept.stalls, swept.washesOut].map((p) => p.toFixed(9))).toEqual(
          [works, stalls, washesOut].map((p) => p.toFixed(9)),
        );
        expect(works + stalls + washesOut).toBeCloseTo(1, 12);
      }),
      runs,
    );
  });
  test('the head moved and put back, the flow held, is the same water', () => {
    const setting = aBox({}, { sections: THREE_SECTIONS });
    const sweep = sweepBox(setting, few);
    const water = sweep.atDepth(0.02);
    const back = sweep.heldFlow(sweep.heldFlow(water, 0.04, 0.08), 0.08, 0.04);
    water.depth_m.forEach((d, i) => expect((back.depth_m[i] ?? NaN) / d).toBeCloseTo(1, 9));
    const lifted = sweep.heldFlow(water, 0.04, 0.08);
    lifted.depth_m.forEach((d, i) => expect(d).toBeLessThan(water.depth_m[i] ?? NaN));
  });
});

describe('what physics asks of any box', () => {
  const solve = (setting: BoxSetting) => solveBox(setting, MEDIAN_BOX);
  const depthOf = (s: BoxSetting): number => (s.water.known === 'depth' ? s.water.depth_m : NaN);
  test('capacity never falls with depth or pitch, nor with pitch at held flow', () => {
    fc.assert(
      fc.property(anyBox, fc.double({ min: 1.02, max: 1.6, noNaN: true }), (setting, more) => {
        const now = solve(setting);
        const flow_m3_s = now.sections[0]?.flow.flow_m3_s ?? NaN;
        const steeper = Math.min(0.25, setting.slope * more);
        const least = now.capacity_m3_s * (1 - 1e-9);
        const deeper: BoxSetting['water'] = { known: 'depth', depth_m: depthOf(setting) * more };
        expect(solve({ ...setting, water: deeper }).capacity_m3_s).toBeGreaterThanOrEqual(least);
        expect(solve({ ...setting, slope: steeper }).capacity_m3_s).toBeGreaterThanOrEqual(least);
        expect(
          solve({ ...setting, slope: steeper, water: { known: 'flow', flow_m3_s } }).capacity_m3_s,
        ).toBeGreaterThanOrEqual(least);
      }),
      runs,
    );
  });
  test('the catch never rises with depth or pitch at held load', () => {
    fc.assert(
      fc.property(anyBox, fc.double({ min: 1.02, max: 1.6, noNaN: true }), (setting, more) => {
        // Nothing fed: the load stays at none.
        const calm = { ...setting, feed_m3_s: 0 };
        const rates = (s: BoxSetting): number[] => solve(s).sections.flatMap((x) => x.rate_per_m);
        const now = rates(calm);
        for (const other of [
          { ...calm, slope: Math.min(0.25, setting.slope * more) },
          { ...calm, water: { known: 'depth' as const, depth_m: depthOf(setting) * more } },
        ])
          rates(other).forEach((k, i) => expect(k).toBeLessThanOrEqual((now[i] ?? NaN) * (1 + 1e-9)));
      }),
      runs,
    );
  });
  test('gold closes: what the sections hold and what passes is what came, each size', () => {
    fc.assert(
      fc.property(anyBox, (setting) => {
        const { sections, held } = solve(setting);
        held.forEach((h, k) => {
          expect(h).toBeGreaterThanOrEqual(0);
          expect(h).toBeLessThanOrEqual(1);
          expect(sections.reduce((sum, s) => sum + (s.caught[k] ?? NaN), 0)).toBeCloseTo(h, 12);
        });
      }),
      runs,
    );
  });
  test('two sections of one lining are one section as long as both', () => {
    const whole = solve(aBox());
    const [section] = aBox().sections;
    if (!section) throw new Error('no section');
    const halves = solve(
      aBox({}, { sections: [0.3, 0.7].map((share) => ({ ...section, length_m: section.length_m * share })) }),
    );
    halves.held.forEach((h, k) => expect(h).toBeCloseTo(whole.held[k] ?? NaN, 12));
  });
  test('a cross fall makes the shallow side stall first and takes nothing from a level box', () => {
    const level = solve(aBox());
    const tilted = solve(aBox({}, { crossFall_m: 0.012 }));
    expect(tilted.stones.least).toBeLessThan(level.stones.least);
    expect(solve(aBox({}, { crossFall_m: 1e-9 })).heldOfMix).toBeCloseTo(level.heldOfMix, 6);
  });
  test('absurd boxes are refused by field', () => {
    expect(() => solve(aBox({ width_in: 200 }))).toThrow(/width_m is/);
    expect(() => solve(aBox({}, { slope: NaN }))).toThrow(/slope is NaN/);
    expect(() => solve(aBox({}, { sections: [] }))).toThrow(/sections/);
    expect(() => solve(aBox({}, { water: { known: 'flow', flow_m3_s: 0 } }))).toThrow(/flow_m3_s/);
  });
});
