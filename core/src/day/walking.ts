import { requirePositive, requireWithin } from '../outOfRange.ts';

/** Off a path one walks at this share of the speed on it (Tobler 1993). */
export const OFF_PATH = 0.6;
/** Slopes are taken over stretches of this length. */
const STRETCH_M = 20;

/**
 * Walking speed on a slope, m/s: W = 6 exp(-3.5 |S + 0.05|) km/h, S rise over horizontal distance, positive uphill.
 * Fastest, 6 km/h, a little downhill; 5 km/h on the flat.
 * Source: Tobler (1993), Three Presentations on Geographical Analysis and Modeling, NCGIA Technical Report 93-1.
 * @throws OutOfRange for a slope beyond 2 either way
 */
export function walkingSpeed_m_s(slope: number, offPath: boolean): number {
  requireWithin('slope', slope, -2, 2);
  return (6 / 3.6) * Math.exp(-3.5 * Math.abs(slope + 0.05)) * (offPath ? OFF_PATH : 1);
}

/** A line one walks along: its length and, where known, the height of its ground. */
export interface WalkedLine {
  readonly length_m: number;
  /** Height at a distance, m; null where no heights are known, and the line counts as flat. */
  readonly height_m: ((distance_m: number) => number) | null;
}

/**
 * Minutes from one distance along a line to another by Tobler's speed, stretch by stretch, off the path: a creek bed has none.
 * Upstream and downstream differ, as they do on foot. Slopes steeper than 1 in 1 are taken as that: a climb, not a walk.
 * @throws OutOfRange when the line has no length or a distance is not on it
 */
export function walkingMinutes(line: WalkedLine, from_m: number, to_m: number): number {
  requirePositive('length_m', line.length_m, 'm');
  requireWithin('from_m', from_m, 0, line.length_m, 'm');
  requireWithin('to_m', to_m, 0, line.length_m, 'm');
  const far = Math.abs(to_m - from_m);
  const steps = Math.max(1, Math.ceil(far / STRETCH_M));
  let seconds = 0;
  for (let i = 0; i < steps; i++) {
    const a = from_m + ((to_m - from_m) * i) / steps;
    const b = from_m + ((to_m - from_m) * (i + 1)) / steps;
    const rise = line.height_m ? line.height_m(b) - line.height_m(a) : 0;
    const slope = far === 0 ? 0 : Math.min(1, Math.max(-1, rise / Math.abs(b - a)));
    seconds += Math.abs(b - a) / walkingSpeed_m_s(slope, true);
  }
  return seconds / 60;
}
