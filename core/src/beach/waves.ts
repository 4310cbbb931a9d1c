import { requirePositive, requireWithin } from '../outOfRange.ts';

const GRAVITY_M_S2 = 9.81;

/** A swell as it comes in from deep water: its significant height, and the time from crest to crest. */
export interface Swell {
  readonly height_m: number;
  readonly period_s: number;
}

/** Length of a wave in deep water, m: g T^2 / 2 pi. Source: linear wave theory (Airy 1845). @throws OutOfRange for a period that is not positive */
export function deepWaterLength_m(period_s: number): number {
  requirePositive('period_s', period_s, 's');
  return (GRAVITY_M_S2 * period_s ** 2) / (2 * Math.PI);
}

/** Below this surf similarity a beach is dissipative: its slope no longer counts. */
const DISSIPATIVE = 0.3;

/**
 * How high above the still water one wave run-up in fifty reaches, m: setup and swash together.
 * Source: Stockdon, Holman, Howd & Sallenger (2006), Coastal Engineering 53, 573-588, equations 18 and 19; made from ten open sandy beaches with
 * slopes of 0.01-0.16, heights of 0.4-4 m and periods of 5-17 s (ranges from memory).
 * @param slope rise of the beach face over its run, 0.005-0.5
 * @throws OutOfRange for waves that are none, or a slope outside its range
 */
export function runup_m({ height_m, period_s }: Swell, slope: number): number {
  requirePositive('height_m', height_m, 'm');
  requireWithin('slope', slope, 0.005, 0.5);
  const length_m = deepWaterLength_m(period_s);
  const scale = Math.sqrt(height_m * length_m);
  if (slope / Math.sqrt(height_m / length_m) < DISSIPATIVE) return 0.043 * scale;
  return 1.1 * (0.35 * slope * scale + (scale * Math.sqrt(0.563 * slope ** 2 + 0.004)) / 2);
}
