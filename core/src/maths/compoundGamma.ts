import { requirePositive, requireWithin } from '../outOfRange.ts';
import { gammaCdf, gammaLogDensity, gammaQuantile, lnGamma, logQuantile, nearGammaQuantile } from './gamma.ts';
import { NORMAL_NODES } from './gaussHermite.ts';
import { nearNormalQuantile } from './nearNormal.ts';

/**
 * Chance that a gamma variable (that shape, unit rate) times a log-normal one of mean 1 and deviation `logSd` of its logarithm is at most x:
 * a count with its luck, times what is not known of the weight of each. Gauss-Hermite over the second; exact for `logSd` 0.
 * @param logSd 0 to 2
 * @param lnGammaOfShape for who asks of one shape again and again
 */
export function compoundGammaCdf(x: number, shape: number, logSd: number, lnGammaOfShape = lnGamma(shape)): number {
  requireWithin('logSd', logSd, 0, 2);
  if (!(x > 0)) return 0;
  if (logSd === 0) return gammaCdf(x, shape);
  let sum = 0;
  for (const { z, weight } of NORMAL_NODES)
    sum += weight * gammaCdf(x / Math.exp(logSd * z - logSd ** 2 / 2), shape, lnGammaOfShape);
  return Math.min(1, sum);
}

/** The x below which that product lies with the given chance, 0 < chance < 1. */
export function compoundGammaQuantile(chance: number, shape: number, logSd: number): number {
  requirePositive('shape', shape);
  requireWithin('chance', chance, 0, 1 - 1e-9);
  if (logSd === 0 || chance === 0) return gammaQuantile(chance, shape);
  const ln = lnGamma(shape);
  const below = (u: number): number => compoundGammaCdf(Math.exp(u), shape, logSd, ln);
  const density = (u: number): number => {
    let sum = 0;
    for (const { z, weight } of NORMAL_NODES)
      sum += weight * gammaLogDensity(u - logSd * z + logSd ** 2 / 2, shape, ln);
    return sum;
  };
  // Near the gamma's own, as much farther from its middle as both spreads together are wider.
  const middle = nearGammaQuantile(0.5, shape, ln);
  const off = nearGammaQuantile(chance, shape, ln) - middle;
  const spread = Math.hypot(off, logSd * nearNormalQuantile(chance));
  return logQuantile(chance, below, density, middle - logSd ** 2 / 2 + Math.sign(off) * spread);
}
