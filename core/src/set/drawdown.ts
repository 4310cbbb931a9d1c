import { GRAVITY_M_S2 } from '../grains/constants.ts';
import { OutOfRange } from '../outOfRange.ts';
import { flowAtRate, type Channel } from './manning.ts';

/** Water depth at a distance down the box. */
export interface SurfacePoint {
  readonly x_m: number;
  readonly depth_m: number;
}

/** The depth so far down the channel (below 0: up it) from one where it is known: one step of fourth-order Runge-Kutta. */
export function stepDown(rise: (depth_m: number) => number, depth_m: number, by_m: number): number {
  const k1 = rise(depth_m);
  const k2 = rise(depth_m + (by_m * k1) / 2);
  const k3 = rise(depth_m + (by_m * k2) / 2);
  return depth_m + (by_m / 6) * (k1 + 2 * k2 + 2 * k3 + rise(depth_m + by_m * k3));
}

/** How fast the depth grows down the channel where the water is so deep: dy/dx = (S - Sf) / (1 - Fr^2). */
export function surfaceRise(
  { width_m: b, manningN: n, slope }: Channel,
  flow_m3_s: number,
): (depth_m: number) => number {
  return (y) => {
    const V = flow_m3_s / (b * y);
    const friction = (n * V) ** 2 / Math.cbrt((b * y) / (b + 2 * y)) ** 4;
    return (slope - friction) / (1 - V ** 2 / (GRAVITY_M_S2 * y));
  };
}

/**
 * The water surface along a steep box: dy/dx = (S - Sf) / (1 - Fr^2), Sf = n^2 V^2 / R^(4/3), from the depth at the mouth
 * toward normal depth: down to it from just under critical depth (S2, the usual mouth), or up to it from a thin fast sheet (S3).
 * Source: Chow (1959), ch. 9-10; fourth-order Runge-Kutta.
 * A box too flat for supercritical flow runs at its normal depth from end to end (backwater from the tail is not modelled).
 * @param start_m depth at the mouth of a steep box, below critical depth; left out, 98 % of critical depth
 * @throws OutOfRange for a start at or above critical depth on a steep slope
 */
export function drawdown(
  channel: Channel,
  flow_m3_s: number,
  length_m: number,
  steps = 60,
  start_m?: number,
): SurfacePoint[] {
  const normal = flowAtRate(channel, flow_m3_s);
  // So near critical that its normal depth lies above the usual mouth, the water runs at normal depth from there.
  const start = start_m ?? Math.max(0.98 * normal.criticalDepth_m, normal.depth_m);
  const steep = normal.depth_m < normal.criticalDepth_m;
  if (steep && start_m !== undefined && !(start > 0 && start < normal.criticalDepth_m))
    throw new OutOfRange('start_m', start, `above 0 and below the critical depth of ${normal.criticalDepth_m} m`);
  const thins = start > normal.depth_m;
  const rise = surfaceRise(channel, flow_m3_s);
  const points: SurfacePoint[] = [{ x_m: 0, depth_m: steep ? start : normal.depth_m }];
  // Near critical depth the slope of the surface is steep, so the first steps are the shortest: x grows with the cube of the step number.
  for (let i = 1; i <= steps; i++) {
    const from = points[i - 1] ?? { x_m: 0, depth_m: start };
    const x_m = length_m * (i / steps) ** 3;
    if (!steep) {
      points.push({ x_m, depth_m: normal.depth_m });
      continue;
    }
    const parts = 8;
    const h = (x_m - from.x_m) / parts;
    let y = from.depth_m;
    for (let k = 0; k < parts; k++) {
      y = stepDown(rise, y, h);
    }
    // The surface nears normal depth and never crosses it; rounding might.
    points.push({ x_m, depth_m: thins ? Math.max(y, normal.depth_m) : Math.min(y, normal.depth_m) });
  }
  return points;
}
