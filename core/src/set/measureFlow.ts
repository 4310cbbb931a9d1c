import { GRAVITY_M_S2 } from '../grains/constants.ts';
import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';

/** Mean over surface speed: 0.85 in a usual creek, 0.65-0.75 where it is very shallow and rough (Rantz et al. 1982, USGS WSP 2175). */
export const USUAL_SURFACE_FACTOR = 0.85;

/**
 * Flow by float: Q = k (L / t) w d. Source: Rantz et al. (1982), USGS Water-Supply Paper 2175.
 * @throws OutOfRange when a length or time is not positive, or k outside 0.5-1
 */
export function flowByFloat_m3_s(
  run_m: number,
  time_s: number,
  width_m: number,
  depth_m: number,
  surfaceFactor = USUAL_SURFACE_FACTOR,
): number {
  requirePositive('run_m', run_m, 'm');
  requirePositive('time_s', time_s, 's');
  requirePositive('width_m', width_m, 'm');
  requirePositive('depth_m', depth_m, 'm');
  requireWithin('surfaceFactor', surfaceFactor, 0.5, 1);
  return surfaceFactor * (run_m / time_s) * width_m * depth_m;
}

/** Flow by filling a bucket: its volume over the mean of the fill times (not the mean of the rates). Definition. */
export function flowByBucket_m3_s(volume_L: number, times_s: readonly number[]): number {
  requirePositive('volume_L', volume_L, 'L');
  if (times_s.length === 0) throw new OutOfRange('times_s', 'empty', 'at least one time');
  for (const t of times_s) requirePositive('times_s', t, 's');
  return (volume_L / 1000) * (times_s.length / times_s.reduce((a, b) => a + b, 0));
}

/** Discharge coefficient of a sharp right-angled notch, fully contracted (Shen 1981, USGS Water-Supply Paper 1616-B: 0.578). */
const NOTCH_COEFFICIENT = 0.578;
/** Added to the head for the pull of the surface (Shen 1981), m. */
const NOTCH_HEAD_M = 0.0008;

/**
 * Flow over a right-angled notch cut into a board that dams the water up: Q = 8/15 C sqrt(2 g) (h + 0.8 mm)^2.5, h the height of the still water a few hand
 * widths above the board over the point of the notch. Source: Shen (1981) after Kindsvater; ISO 1438.
 * @throws OutOfRange for a head outside 30-600 mm, for which it is stated
 */
export function flowByNotch_m3_s(head_m: number): number {
  requireWithin('head_m', head_m, 0.03, 0.6, 'm');
  return (8 / 15) * NOTCH_COEFFICIENT * Math.sqrt(2 * GRAVITY_M_S2) * (head_m + NOTCH_HEAD_M) ** 2.5;
}
