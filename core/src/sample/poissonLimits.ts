import { bisect } from '../maths/bisect.ts';
import { gammaQuantile } from '../maths/gamma.ts';
import { NORMAL_NODES } from '../maths/gaussHermite.ts';
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

/** Chance that nothing is seen where so many colors are expected: patchy ground hides them better. Zero term of the negative binomial; of the Poisson where nothing scatters. */
export const chanceOfBlank = (colors: number, scatterVariance = 0): number =>
  scatterVariance === 0 ? Math.exp(-colors) : (1 + scatterVariance * colors) ** (-1 / scatterVariance);

/**
 * Count below which the mean lies with the given one-sided confidence when nothing was seen: -ln(1 - confidence). Where pans of one spot
 * scatter by a relative variance s, a blank says less: ((1 - confidence)^-s - 1) / s, from the zero term of the negative binomial. Where the weight of
 * a color is not known (log-normal of mean 1, `commonLogSd`), the limit is in colors of the mean weight and the zero term is averaged over that weight.
 */
export function blankLimit(confidence = 0.95, scatterVariance = 0, commonLogSd = 0): number {
  if (commonLogSd === 0)
    return scatterVariance === 0
      ? -Math.log(1 - confidence)
      : ((1 - confidence) ** -scatterVariance - 1) / scatterVariance;
  const average = (limit: number): number =>
    NORMAL_NODES.reduce(
      (sum, { z, weight }) =>
        sum + weight * chanceOfBlank(limit / Math.exp(commonLogSd * z - commonLogSd ** 2 / 2), scatterVariance),
      0,
    );
  let high = 4;
  while (average(high) > 1 - confidence) high *= 2;
  return bisect((limit) => 1 - confidence - average(limit), 0, high);
}
