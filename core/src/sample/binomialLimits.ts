import type { Range } from '../grains/flake.ts';
import { betaQuantile } from '../maths/beta.ts';
import { requireWithin } from '../outOfRange.ts';
import { USUAL_CONFIDENCE } from './poissonLimits.ts';

/**
 * Exact two-sided limits on a share when `found` of `tried` came true.
 * Source: Clopper & Pearson (1934), Biometrika 26, 404-413, as beta quantiles.
 * @throws OutOfRange when nothing was tried, or more was found than tried
 */
export function binomialLimits(found: number, tried: number, confidence = USUAL_CONFIDENCE): Range {
  requireWithin('tried', tried, 1, 1e6);
  requireWithin('found', found, 0, tried);
  requireWithin('confidence', confidence, 0.5, 0.999);
  const tail = (1 - confidence) / 2;
  return {
    low: found === 0 ? 0 : betaQuantile(tail, found, tried - found + 1),
    high: found === tried ? 1 : betaQuantile(1 - tail, found + 1, tried - found),
  };
}
