import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { freshWater } from '../grains/water.ts';
import { adviseBox } from './adviseBox.ts';
import { catchRate_per_m, caughtTo } from './catchAlong.ts';
import { drawdown } from './drawdown.ts';
import { carriedGravel_m3_s, STEEP_SLOPE } from './feed.ts';
import { LINING_IDS, LININGS } from './linings.ts';
import { flowAtDepth, flowAtRate } from './manning.ts';
import { GOLD_SIZES_M, goldSizes, solveBox, type BoxSetting } from './solveBox.ts';

/** What must hold of any box a person could set, whatever the constants: balances, limits and directions. Seeds are fixed, so a failure comes back. */
const runs = { seed: 20_260_501, numRuns: 150 };
const water = freshWater(10);
const gold = goldSizes(10);

const aBox = fc
  .record({
    width_m: fc.double({ min: 0.1, max: 0.6, noNaN: true }),
    length_m: fc.double({ min: 0.5, max: 3, noNaN: true }),
    lining: fc.constantFrom(...LINING_IDS),
    slope: fc.double({ min: 0.01, max: 0.2, noNaN: true }),
    stone_m: fc.double({ min: 0.003, max: 0.03, noNaN: true }),
    flow_m3_s: fc.double({ min: 0.0008, max: 0.02, noNaN: true }),
  })
  .map(({ flow_m3_s, ...box }): BoxSetting => ({ ...box, temperature_C: 10, water: { known: 'flow', flow_m3_s } }));

describe('water', () => {
  const channel = fc.record({
    width_m: fc.double({ min: 0.1, max: 1, noNaN: true }),
    manningN: fc.double({ min: 0.015, max: 0.04, noNaN: true }),
    slope: fc.double({ min: 0.005, max: 0.25, noNaN: true }),
  });
  test('depth from flow and flow from depth are inverses', () => {
    fc.assert(
      fc.property(channel, fc.double({ min: 0.004, max: 0.2, noNaN: true }), (c, depth_m) => {
        expect(flowAtRate(c, flowAtDepth(c, depth_m).flow_m3_s).depth_m / depth_m).toBeCloseTo(1, 9);
      }),
      runs,
    );
  });
  test('deeper or steeper water runs faster and pulls harder', () => {
    fc.assert(
      fc.property(channel, fc.double({ min: 0.004, max: 0.1, noNaN: true }), (c, depth_m) => {
        const now = flowAtDepth(c, depth_m);
        for (const more of [flowAtDepth(c, depth_m * 1.2), flowAtDepth({ ...c, slope: c.slope * 1.2 }, depth_m)]) {
          expect(more.speed_m_s).toBeGreaterThan(now.speed_m_s);
          expect(more.shear_Pa).toBeGreaterThan(now.shear_Pa);
        }
      }),
      runs,
    );
  });
  test('Froude is 1 at critical depth (definition), by hand for a wide channel', () => {
    fc.assert(
      fc.property(channel, fc.double({ min: 0.001, max: 0.05, noNaN: true }), (c, flow_m3_s) => {
        const { criticalDepth_m: y } = flowAtRate(c, flow_m3_s);
        const speed = flow_m3_s / (c.width_m * y);
        expect(speed / Math.sqrt(9.80665 * y)).toBeCloseTo(1, 9);
      }),
      runs,
    );
  });
  test('along a steep box the water only gets thinner, and never thinner than it runs uniformly', () => {
    fc.assert(
      fc.property(aBox, (box) => {
        const channel = { width_m: box.width_m, manningN: LININGS[box.lining].manningN, slope: box.slope };
        const flow_m3_s = box.water.known === 'flow' ? box.water.flow_m3_s : NaN;
        const surface = drawdown(channel, flow_m3_s, box.length_m);
        const normal = flowAtRate(channel, flow_m3_s).depth_m;
        surface.forEach((p, i) => {
          expect(p.depth_m).toBeGreaterThanOrEqual(normal * (1 - 1e-6));
          if (i > 0) expect(p.depth_m).toBeLessThanOrEqual((surface[i - 1]?.depth_m ?? 0) * (1 + 1e-6));
        });
        expect(surface.at(-1)?.x_m).toBeCloseTo(box.length_m, 9);
      }),
      runs,
    );
  });
});

describe('feed', () => {
  test('a bigger stone is never carried better, and a stone that stalls is not carried at all', () => {
    fc.assert(
      fc.property(aBox, (box) => {
        const { flow, largestStone_m } = solveBox(box, []);
        const of = (stone_m: number): number => carriedGravel_m3_s(flow, box.slope, box.width_m, stone_m, water);
        expect(of(box.stone_m * 1.3)).toBeLessThanOrEqual(of(box.stone_m) * (1 + 1e-9));
        if (box.slope >= STEEP_SLOPE) expect(of(largestStone_m * 1.01)).toBe(0);
      }),
      runs,
    );
  });
  test('what is carried stays a small share of the water', () => {
    fc.assert(
      fc.property(aBox, (box) => {
        const { flow, carried_m3_s } = solveBox(box, []);
        expect(carried_m3_s).toBeGreaterThanOrEqual(0);
        expect(carried_m3_s / flow.flow_m3_s).toBeLessThan(0.45);
      }),
      runs,
    );
  });
});

describe('catch', () => {
  test('shares are shares, low under high, and grow down the box', () => {
    fc.assert(
      fc.property(aBox, (box) => {
        for (const { rate_per_m, share } of solveBox(box, gold).caught) {
          expect(share.low).toBeGreaterThanOrEqual(0);
          expect(share.low).toBeLessThanOrEqual(share.high);
          expect(share.high).toBeLessThanOrEqual(1);
          const half = caughtTo(rate_per_m, box.length_m / 2);
          expect(half.low).toBeLessThanOrEqual(share.low);
          // Two halves of one lining catch what the whole does: what the first lets go the second meets.
          expect(1 - (1 - half.low) ** 2).toBeCloseTo(share.low, 9);
        }
      }),
      runs,
    );
  });
  test('gold that fits the trap: the finer, the less is caught', () => {
    fc.assert(
      fc.property(aBox, (box) => {
        const fine = solveBox(box, gold).caught.filter((c) => c.size_m <= LININGS[box.lining].trap_m / 4);
        fine.forEach((c, i) => {
          if (i > 0) expect(c.share.low).toBeGreaterThanOrEqual((fine[i - 1]?.share.low ?? 0) - 1e-12);
        });
      }),
      runs,
    );
  });
  test('a piece larger than the trap rolls on', () => {
    const rate = (size_m: number): number => {
      const [big] = goldSizes(10, 0.3, [size_m]);
      if (!big) throw new Error('no size');
      const flow = flowAtDepth({ width_m: 0.25, manningN: 0.02, slope: 0.05 }, 0.02);
      return catchRate_per_m(big, flow, LININGS.ribbed, {
        concentration: 0.01,
        feedShare: 1,
        kinematicViscosity_m2_s: water.kinematicViscosity_m2_s,
      }).high;
    };
    expect(rate(0.012)).toBeLessThan(rate(0.003));
  });
  test('overfeeding never helps', () => {
    fc.assert(
      fc.property(aBox, fc.double({ min: 1.1, max: 6, noNaN: true }), (box, times) => {
        const now = solveBox(box, gold);
        fc.pre(now.carried_m3_s > 0);
        const over = solveBox({ ...box, feed_m3_s: now.carried_m3_s * times }, gold);
        expect(over.feedShare).toBeCloseTo(times, 9);
        over.caught.forEach((c, i) =>
          expect(c.share.high).toBeLessThanOrEqual((now.caught[i]?.share.high ?? 0) + 1e-12),
        );
      }),
      runs,
    );
  });
});

describe('advice', () => {
  const watch = gold[1];
  if (!watch) throw new Error('no size to watch');
  test('a lift clears the stones, a lowering still does and holds more, a finer screen clears; nothing is left worse', () => {
    fc.assert(
      fc.property(aBox, (box) => {
        const now = solveBox(box, gold);
        const advice = adviseBox(box, gold, watch);
        expect(advice.after.clears).toBe(true);
        const holds = (a: typeof now): number => a.caught.find((c) => c.size_m === watch.size_m)?.share.low ?? NaN;
        switch (advice.kind) {
          case 'lift':
            expect([now.clears, advice.head_m > 0, advice.slope <= 0.125]).toEqual([false, true, true]);
            break;
          case 'lower':
            expect([now.clears, advice.head_m < 0, holds(advice.after) > holds(now)]).toEqual([true, true, true]);
            break;
          case 'screen':
            expect([now.clears, advice.stone_m < box.stone_m]).toEqual([false, true]);
            break;
          case 'good':
            expect(now.clears).toBe(true);
            break;
        }
      }),
      runs,
    );
  });
  test('advice taken is advice kept: asked again after the change, it leaves the box alone', () => {
    fc.assert(
      fc.property(aBox, (box) => {
        const advice = adviseBox(box, gold, watch);
        fc.pre(advice.kind === 'lift' || advice.kind === 'lower');
        if (advice.kind !== 'lift' && advice.kind !== 'lower') return;
        expect(adviseBox({ ...box, slope: advice.slope }, gold, watch).kind).toBe('good');
      }),
      runs,
    );
  });
});

test('the sizes drawn are the sizes solved', () => expect(gold.map((g) => g.size_m)).toEqual([...GOLD_SIZES_M]));
