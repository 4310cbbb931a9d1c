import { gammaQuantile } from '../maths/gamma.ts';
import { requireWithin } from '../outOfRange.ts';
import type { Range } from '../grains/flake.ts';

/** The band Riffle shows unless a person chooses another. */
export const USUAL_CONFIDENCE = 0.9;

/**
 * Exact two-sided limits on the mean of a Poisson count.
 * Source: Garwood (1936), Biometrika 28, 437-442: chi-square quantiles, here as gamma quantiles.
 * @throws OutOfRange when the count is negative or the confidence not between 0.5 and 0.999
 */
export function poissonLimits(count: number, confidence = USUAL_CONFIDENCE): Range {
  requireWithin('count', count, 0, 1e6);
  requireWithin('confidence', confidence, 0.5, 0.999);
  const tail = (1 - confidence) / 2;
  return { low: count === 0 ? 0 : gammaQuantile(tail, count), high: gammaQuantile(1 - tail, count + 1) };
}

/**
 * Count below which the mean lies with the given one-sided confidence when nothing was seen: -ln(1 - confidence). Where pans of one spot
 * scatter by a relative variance s, a blank says less: ((1 - confidence)^-s - 1) / s, from the zero term of the negative binomial.
 */
export const blankLimit = (confidence = 0.95, scatterVariance = 0): number =>
  scatterVariance === 0 ? -Math.log(1 - confidence) : ((1 - confidence) ** -scatterVariance - 1) / scatterVariance;
