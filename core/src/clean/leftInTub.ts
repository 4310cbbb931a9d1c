import type { Range } from '../grains/flake.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { poissonLimits } from '../sample/poissonLimits.ts';

/**
 * Gold still in what is left of a tub's concentrate, by a pan of it: nine times in ten between its ends. What is left after finishing holds the finest of the
 * ground, so a color of it weighs between the finest and the usual of that ground; the count has its luck (Garwood 1936).
 * @param colors seen in the part that was panned
 * @param panned_L of what is left, stirred before it was taken
 * @param left_L all that is left, the panned part not counted
 * @param finest_mg what a color of the finest class weighs on this ground
 * @param usual_mg what a color of this ground weighs
 * @throws OutOfRange when a volume or weight is not above 0, or colors are negative
 */
export function leftInTub(
  colors: number,
  panned_L: number,
  left_L: number,
  finest_mg: number,
  usual_mg: number,
): Range {
  requirePositive('panned_L', panned_L);
  requirePositive('left_L', left_L);
  requirePositive('finest_mg', finest_mg);
  requireWithin('usual_mg', usual_mg, finest_mg, 1e6);
  const { low, high } = poissonLimits(colors);
  const times = left_L / panned_L;
  return { low: low * times * finest_mg, high: high * times * usual_mg };
}
