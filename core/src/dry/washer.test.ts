import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { loadUp } from '../set/loadUp.ts';
import { USUAL_MIX } from '../set/goldMix.ts';
import { adviseWasher, driven } from './adviseWasher.ts';
import { passesOver } from './passes.ts';
import { heldGrain, solveWasher, USUAL_CLOTH_PA_S_M, type WasherSetting } from './solveWasher.ts';
import { drawWashers, MEDIAN_WASHER, PASS_SCATTER } from './washerParameters.ts';
import { weighWasher } from './weighWasher.ts';

const BUCKET_M3 = 0.0189;
/** The rig of most checks: 0.30 x 0.76 m, riffles of 12 mm every 90 mm, 6.5 L a puff, quarter-inch, bone dry. */
const USUAL: WasherSetting = {
  width_m: 0.3,
  length_m: 0.76,
  riffle_m: 0.012,
  spacing_m: 0.09,
  slope: 0.15,
  drive: { kind: 'bellows', puffs_min: 270, stroke_m3: 0.0065 },
  cloth_Pa_s_m: USUAL_CLOTH_PA_S_M,
  screen_m: 0.00635,
  feedSize_m: null,
  altitude_m: 600,
  temperature_C: 30,
  moisture_percent: 0.2,
  isClayey: false,
  crew_m3_s: (4 * BUCKET_M3) / 3600,
  feed_m3_s: null,
  gold: USUAL_MIX,
};
const puffs = (puffs_min: number): WasherSetting => ({
  ...USUAL,
  drive: { kind: 'bellows', puffs_min, stroke_m3: 0.0065 },
});
const WASHERS = drawWashers();
const weigh = (s: WasherSetting) => weighWasher(s, WASHERS);

// Facts of the trade, as practice has them; no source. Held to as marked in each.
describe('facts of the trade: common practice, no source', () => {
  test('the usual rig works, and is left alone', () => {
    expect(weigh(USUAL).works).toBeGreaterThan(0.7);
    expect(adviseWasher(USUAL, WASHERS).kind).toBe('leave');
  });
  test('one pass loses a fifth to three tenths; the second loses a larger share of what it meets', () => {
    const lost = 1 - weigh(USUAL).heldOfMix.middle;
    expect([lost >= 0.2, lost <= 0.3]).toEqual([true, true]);
    const { exponents } = solveWasher(USUAL, MEDIAN_WASHER);
    const mix = USUAL.gold.map((g, i) => ({ share: g.share, exponent: exponents[i] ?? 0 }));
    const [first, second] = passesOver(mix, 2, PASS_SCATTER);
    expect(second?.lostOfWhatItMeets).toBeGreaterThan(first?.lostOfWhatItMeets ?? 1);
  });
  test.each([120, 150])('%i puffs are too few: pulley up', (n) => {
    expect(weigh(puffs(n)).tooLittle).toBeGreaterThan(0.5);
    const advice = adviseWasher(puffs(n), WASHERS);
    expect(advice).toMatchObject({ kind: 'change', lever: { kind: 'air' } });
    expect(advice.kind === 'change' && advice.lever.kind === 'air' && advice.lever.times).toBeGreaterThan(1);
  });
  test.each([540, 720])('%i puffs blow it out: pulley down', (n) => {
    expect(weigh(puffs(n)).blowsOut).toBeGreaterThan(0.5);
    const advice = adviseWasher(puffs(n), WASHERS);
    expect(advice).toMatchObject({ kind: 'change', lever: { kind: 'air' } });
    expect(advice.kind === 'change' && advice.lever.kind === 'air' && advice.lever.times).toBeLessThan(1);
  });
  test('half-inch there is too much for its air: a smaller screen', () => {
    const coarse = { ...USUAL, screen_m: 0.0127 };
    expect(weigh(coarse).tooLittle).toBeGreaterThan(0.5);
    expect(adviseWasher(coarse, WASHERS, [0.0127, 0.00635])).toMatchObject({
      kind: 'change',
      lever: { kind: 'screen' },
    });
  });
  test.each([1, 2, 3])('at %i %% of moisture: dry it first', (moisture_percent) =>
    expect(adviseWasher({ ...USUAL, moisture_percent }, WASHERS)).toMatchObject({
      kind: 'change',
      lever: { kind: 'dry' },
    }),
  );
  test('fine black sand stays, quartz of any size and coarse magnetite ride over', () => {
    const held = (size_mm: number, density: number): number => heldGrain(USUAL, MEDIAN_WASHER, size_mm / 1000, density);
    for (const size of [0.3, 0.5]) expect([size, held(size, DENSITY_KG_M3.magnetite) > 0.4]).toEqual([size, true]);
    expect(held(4, DENSITY_KG_M3.magnetite)).toBeLessThan(0.1);
    // A tenth is wanted; a little more of 0.3 mm stays.
    for (const size of [0.1, 0.2, 0.5, 1, 2, 6])
      expect([size, held(size, DENSITY_KG_M3.quartz) < 0.1]).toEqual([size, true]);
    expect(held(0.3, DENSITY_KG_M3.quartz)).toBeLessThan(0.15);
  });
  test('after four buckets with 1 % of black sand the head riffle is a fiftieth to six tenths full', () => {
    const { wedge } = solveWasher(USUAL, MEDIAN_WASHER);
    const sizes = [0.1, 0.2, 0.3, 0.5, 1];
    const caught = sizes.reduce((sum, mm) => sum + heldGrain(USUAL, MEDIAN_WASHER, mm / 1000, 5180), 0) / sizes.length;
    const fed_kg = 4 * BUCKET_M3 * 1600 * 0.01;
    const [filled] = loadUp(
      [
        {
          length_m: USUAL.length_m,
          width_m: USUAL.width_m,
          holds_kg_m2: (2900 * USUAL.riffle_m * wedge) / 2,
          heavyRate_per_m: -Math.log(1 - caught) / USUAL.length_m,
          goldRate_per_m: 0,
        },
      ],
      fed_kg,
    );
    expect(filled?.fillAtHead).toBeGreaterThan(0.02);
    expect(filled?.fillAtHead).toBeLessThan(0.6);
  });
  test('three thousand metres of altitude move the loss by a point or two', () => {
    const lost = (altitude_m: number): number => 1 - solveWasher({ ...USUAL, altitude_m }, MEDIAN_WASHER).heldOfMix;
    expect(Math.abs(lost(3000) - lost(0))).toBeLessThan(0.03);
  });
});

describe('what must hold whatever the washer', () => {
  const washers = fc.constantFrom(...WASHERS);
  const settings = fc.record({
    puffs_min: fc.integer({ min: 80, max: 700 }),
    slope: fc.double({ min: 0.08, max: 0.35, noNaN: true }),
    screen_m: fc.constantFrom(0.003, 0.00635, 0.0127),
    moisture_percent: fc.double({ min: 0, max: 3, noNaN: true }),
  });
  const of = ({
    puffs_min,
    ...s
  }: {
    puffs_min: number;
    slope: number;
    screen_m: number;
    moisture_percent: number;
  }) => ({
    ...puffs(puffs_min),
    ...s,
  });
  test('more puffs are never less air, nor a smaller capacity', () =>
    fc.assert(
      fc.property(settings, washers, (s, w) => {
        const [slow, fast] = [solveWasher(of(s), w), solveWasher(driven(of(s), 1.2), w)];
        expect(fast.air.peak_m_s).toBeGreaterThanOrEqual(slow.air.peak_m_s);
        expect(fast.capacity_m3_s).toBeGreaterThanOrEqual(slow.capacity_m3_s - 1e-15);
      }),
    ));
  test('at a typed feed more of it never catches more, nor does damper feed', () =>
    fc.assert(
      fc.property(settings, washers, fc.double({ min: 1e-6, max: 5e-5, noNaN: true }), (s, w, feed_m3_s) => {
        const held = (some: Partial<WasherSetting>): number =>
          solveWasher({ ...of(s), feed_m3_s, ...some }, w).heldOfMix;
        expect(held({ feed_m3_s: 1.3 * feed_m3_s })).toBeLessThanOrEqual(held({}) + 1e-12);
        expect(held({ moisture_percent: s.moisture_percent + 0.5 })).toBeLessThanOrEqual(held({}) + 1e-12);
      }),
    ));
  test('what is advised never brings less gold an hour', () =>
    fc.assert(
      fc.property(settings, (s) => {
        const few = WASHERS.filter((_, i) => i % 8 === 0);
        const advice = adviseWasher(of(s), few, [0.003, 0.00635]);
        expect(advice.after.gold_m3_s).toBeGreaterThanOrEqual(weighWasher(of(s), few).gold_m3_s - 1e-15);
      }),
      { numRuns: 30 },
    ));
  test('a blower holds the bed open all the time, and a faster one blows more', () => {
    const blower: WasherSetting = { ...USUAL, drive: { kind: 'blower', shutoff_Pa: 700, freeFlow_m3_s: 0.1 } };
    const [slow, fast] = [solveWasher(blower, MEDIAN_WASHER), solveWasher(driven(blower, 1.3), MEDIAN_WASHER)];
    expect(fast.air.peak_m_s).toBeGreaterThan(slow.air.peak_m_s);
    expect(slow.blows).toBe(1);
  });
  test('what is no washer is refused by name', () => {
    expect(() => solveWasher({ ...USUAL, slope: 0.9 }, MEDIAN_WASHER)).toThrow('slope');
    expect(() => solveWasher({ ...USUAL, moisture_percent: 60 }, MEDIAN_WASHER)).toThrow('moisture_percent');
    expect(() => solveWasher({ ...USUAL, width_m: 0 }, MEDIAN_WASHER)).toThrow('width_m');
  });
});
