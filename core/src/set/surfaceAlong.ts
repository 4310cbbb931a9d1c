import { GRAVITY_M_S2 } from '../grains/constants.ts';
import { requirePositive } from '../outOfRange.ts';
import { drawdown, stepDown, surfaceRise, type SurfacePoint } from './drawdown.ts';
import { flowAtRate, type Channel } from './manning.ts';

/** The water from the mouth of a box to its tail. */
export interface WaterSurface {
  readonly points: readonly SurfacePoint[];
  /**
   * `shooting`: thin and fast from end to end; `drowned`: from `jump_m` on it stands deep and slow under the water at the tail (0: all of it);
   * `slow`: too flat to shoot at all.
   */
  readonly runs: 'shooting' | 'drowned' | 'slow';
  /** Where it jumps, from the head; null where it does not. */
  readonly jump_m: number | null;
  /** So much higher the tail must stand for the water to shoot out of the box; 0 where it does. */
  readonly lift_m: number;
  /** Where the V closes that the corners of the mouth throw across the box; null where the water is too slow for one, or it closes past the tail. */
  readonly vCloses_m: number | null;
}

const STEPS = 240;

/** Depth after a jump from so deep: y2 = y1/2 (sqrt(1 + 8 Fr1^2) - 1) on a nearly flat floor. Source: Belanger 1838; Chow (1959), eq. 3-21. */
export function afterJump_m(depth_m: number, flowPerWidth_m2_s: number): number {
  requirePositive('depth_m', depth_m, 'm');
  const froude2 = flowPerWidth_m2_s ** 2 / (GRAVITY_M_S2 * depth_m ** 3);
  return (depth_m / 2) * (Math.sqrt(1 + 8 * froude2) - 1);
}

/**
 * The surface along a box with water standing so deep over its tail (0: it falls free). On a steep floor the water shoots from just under critical depth
 * (`drawdown`); where the pool at the tail is deeper than a jump there would leave it, deep water backs up the box (S1) to where both fit, and it jumps.
 * On a flat one it is slow from the tail up (M1, M2). Rectangular, one roughness; the jump is drawn without length.
 * The V: a ripple across shooting water lies at an angle of which the sine is 1/Fr, so those of both corners meet at half the width times sqrt(Fr^2 - 1)
 * (Ippen 1951, Trans. ASCE 116; Froude number of each place, worked along).
 * Source: Chow (1959), Open-Channel Hydraulics, ch. 9-10, 15; fourth-order Runge-Kutta.
 * @param tail_m depth of still water over the floor of the tail
 */
export function surfaceAlong(channel: Channel, flow_m3_s: number, length_m: number, tail_m = 0): WaterSurface {
  requirePositive('length_m', length_m, 'm');
  const normal = flowAtRate(channel, flow_m3_s);
  const q = flow_m3_s / channel.width_m;
  const critical_m = normal.criticalDepth_m;
  if (normal.depth_m >= critical_m) {
    const points = fromTail(channel, flow_m3_s, length_m, Math.max(1.005 * critical_m, tail_m)).reverse();
    return { points, runs: 'slow', jump_m: null, lift_m: Math.max(0, tail_m - normal.depth_m), vCloses_m: null };
  }
  const shooting = drawdown(channel, flow_m3_s, length_m);
  const thinAt = (x_m: number): number => depthAt(shooting, x_m);
  const vCloses_m = vOf(shooting, channel.width_m, q);
  const most_m = afterJump_m(thinAt(length_m), q);
  if (tail_m <= most_m) return { points: shooting, runs: 'shooting', jump_m: null, lift_m: 0, vCloses_m };
  const backed = fromTail(channel, flow_m3_s, length_m, tail_m, (x_m, y) => y <= afterJump_m(thinAt(x_m), q));
  const head = backed.at(-1) as SurfacePoint;
  const jump_m = head.x_m > 0 ? head.x_m : 0;
  const before = shooting.filter((p) => p.x_m < jump_m);
  return {
    points: [...before, ...(jump_m > 0 ? [{ x_m: jump_m, depth_m: thinAt(jump_m) }] : []), ...backed.reverse()],
    runs: 'drowned',
    jump_m,
    lift_m: tail_m - most_m,
    vCloses_m: vCloses_m !== null && vCloses_m < jump_m ? vCloses_m : null,
  };
}

/** The surface from a depth at the tail upstream, tail first, until it reaches the head or `until` holds. */
function fromTail(
  channel: Channel,
  flow_m3_s: number,
  length_m: number,
  tail_m: number,
  until: (x_m: number, depth_m: number) => boolean = () => false,
): SurfacePoint[] {
  const rise = surfaceRise(channel, flow_m3_s);
  const points: SurfacePoint[] = [{ x_m: length_m, depth_m: tail_m }];
  let y = tail_m;
  for (let i = 1; i <= STEPS; i++) {
    // Near critical depth the surface is steep: the steps begin short at the tail.
    const from = length_m * (1 - ((i - 1) / STEPS) ** 2);
    const x_m = i === STEPS ? 0 : length_m * (1 - (i / STEPS) ** 2);
    y = stepDown(rise, y, x_m - from);
    points.push({ x_m, depth_m: y });
    if (until(x_m, y)) break;
  }
  return points;
}

function depthAt(points: readonly SurfacePoint[], x_m: number): number {
  const i = points.findIndex((p) => p.x_m >= x_m);
  const [a, b] = [points[Math.max(0, i - 1)], points[i < 0 ? points.length - 1 : i]] as [SurfacePoint, SurfacePoint];
  return b.x_m === a.x_m ? b.depth_m : a.depth_m + ((b.depth_m - a.depth_m) * (x_m - a.x_m)) / (b.x_m - a.x_m);
}

/** Where ripples from both corners of the mouth meet in the middle. */
function vOf(points: readonly SurfacePoint[], width_m: number, q: number): number | null {
  let across_m = 0;
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1], points[i]] as [SurfacePoint, SurfacePoint];
    const y = (a.depth_m + b.depth_m) / 2;
    const froude2 = q ** 2 / (GRAVITY_M_S2 * y ** 3);
    if (froude2 <= 1) continue;
    // tan of the angle whose sine is 1/Fr.
    const step = (b.x_m - a.x_m) / Math.sqrt(froude2 - 1);
    if (across_m + step >= width_m / 2) return a.x_m + ((width_m / 2 - across_m) / step) * (b.x_m - a.x_m);
    across_m += step;
  }
  return null;
}
