import { describe, expect, test } from '@jest/globals';
import { surfaceRise } from './drawdown.ts';
import { flowAtRate } from './manning.ts';
import { afterJump_m, surfaceAlong } from './surfaceAlong.ts';

const STEEP = { width_m: 0.254, manningN: 0.03, slope: 0.0625 };
const FLAT = { ...STEEP, slope: 0.004 };
const [Q, L] = [0.004, 1.2];
const q = Q / STEEP.width_m;
const critical_m = flowAtRate(STEEP, Q).criticalDepth_m;

describe('a jump', () => {
  // Chow (1959), ch. 3: momentum q^2/(g y) + y^2/2 is the same on both sides.
  test('keeps the momentum, and none is needed at critical depth', () => {
    for (const y1 of [0.3, 0.6, 0.9].map((part) => part * critical_m)) {
      const y2 = afterJump_m(y1, q);
      const momentum = (y: number): number => q ** 2 / (9.80665 * y) + y ** 2 / 2;
      expect(momentum(y2) / momentum(y1)).toBeCloseTo(1, 9);
    }
    expect(afterJump_m(critical_m, q) / critical_m).toBeCloseTo(1, 6);
  });
  // Worked by hand: Fr1 = 2 gives y2/y1 = (sqrt(33) - 1)/2 = 2.37228.
  test('at twice the critical speed leaves it 2.37 times as deep', () =>
    expect(afterJump_m(0.01, 2 * Math.sqrt(9.80665 * 0.01 ** 3)) / 0.01).toBeCloseTo(2.37228, 4));
});

describe('the water along a box', () => {
  test('falls free at the tail and shoots all along', () => {
    const { runs, jump_m, lift_m, points } = surfaceAlong(STEEP, Q, L);
    expect([runs, jump_m, lift_m]).toEqual(['shooting', null, 0]);
    expect(points.at(-1)?.depth_m).toBeCloseTo(flowAtRate(STEEP, Q).depth_m, 3);
  });
  test('a pool over the tail drowns it from a jump on; the deeper the pool the further up, till all is drowned', () => {
    const jumps = [0.06, 0.075, 0.09].map((tail) => surfaceAlong(STEEP, Q, L, tail));
    for (const { runs, jump_m, points } of jumps) {
      expect(runs).toBe('drowned');
      const at = points.findIndex((p) => p.x_m === jump_m);
      // Both depths at the jump are those that momentum asks for.
      expect((points[at + 1]?.depth_m ?? 0) / afterJump_m(points[at]?.depth_m ?? 1, q)).toBeCloseTo(1, 1);
    }
    const at = jumps.map((j) => j.jump_m ?? NaN);
    expect([...at].sort((a, b) => b - a)).toEqual(at);
    expect(surfaceAlong(STEEP, Q, L, 0.2)).toMatchObject({ runs: 'drowned', jump_m: 0 });
  });
  test('lifted by what it says the tail shoots free again', () => {
    const { lift_m } = surfaceAlong(STEEP, Q, L, 0.07);
    expect(lift_m).toBeGreaterThan(0.01);
    expect(surfaceAlong(STEEP, Q, L, 0.07 - lift_m - 1e-6).runs).toBe('shooting');
    expect(surfaceAlong(STEEP, Q, L, 0.07 - lift_m + 1e-3).runs).toBe('drowned');
  });
  test('too flat, it is slow: drawn down to the brink, or backed up by a pool; by the direct step method, another way round', () => {
    const free = surfaceAlong(FLAT, Q, L);
    expect([free.runs, free.vCloses_m]).toEqual(['slow', null]);
    const depths = free.points.map((p) => p.depth_m);
    expect(depths.at(-1)).toBeCloseTo(1.005 * critical_m, 6);
    expect(depths[0]).toBeLessThan(flowAtRate(FLAT, Q).depth_m);
    const backed = surfaceAlong(FLAT, Q, L, 0.08);
    // Chow (1959), art. 10-4: length between two depths is the integral of dx/dy (Simpson's rule).
    const [from, to] = [backed.points[0]?.depth_m ?? 0, 0.08];
    const rise = surfaceRise(FLAT, Q);
    const parts = 200;
    let length = 0;
    for (let i = 0; i <= parts; i++)
      length +=
        ((i === 0 || i === parts ? 1 : i % 2 ? 4 : 2) / rise(from + ((to - from) * i) / parts)) *
        ((to - from) / parts / 3);
    expect(length).toBeCloseTo(L, 6);
  });
  test('the V closes sooner in water just faster than critical than in a thin fast sheet', () => {
    const at = (slope: number): number => surfaceAlong({ ...STEEP, slope }, Q, 3).vCloses_m ?? NaN;
    expect(at(0.04)).toBeLessThan(at(0.08));
  });
});
