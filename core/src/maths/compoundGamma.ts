import { requirePositive, requireWithin } from '../outOfRange.ts';
import { gammaCdf, gammaQuantile, lnGamma } from './gamma.ts';
import { NORMAL_NODES } from './gaussHermite.ts';

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

/** The x below which that product lies with the given chance, 0 < chance < 1, to a relative width of 1e-7. */
export function compoundGammaQuantile(chance: number, shape: number, logSd: number): number {
  requirePositive('shape', shape);
  requireWithin('chance', chance, 0, 1 - 1e-9);
  if (logSd === 0 || chance === 0) return gammaQuantile(chance, shape);
  // On a logarithmic scale the curve is close to straight: false position, the end that stays halved (Dowell & Jarratt 1971).
  const ln = lnGamma(shape);
  const f = (u: number): number => compoundGammaCdf(Math.exp(u), shape, logSd, ln) - chance;
  let low = Math.log(shape) - 0.5;
  let high = low + 1;
  let [atLow, atHigh] = [f(low), f(high)];
  for (let step = 1; atLow > 0; step *= 2) {
    [high, atHigh] = [low, atLow];
    low -= step;
    atLow = f(low);
    if (low < -600) return 0;
  }
  for (let step = 1; atHigh < 0; step *= 2) {
    [low, atLow] = [high, atHigh];
    high += step;
    atHigh = f(high);
  }
  let kept = 0;
  for (let i = 0; i < 80 && high - low > 1e-7; i++) {
    const u = atHigh === atLow ? (low + high) / 2 : high - (atHigh * (high - low)) / (atHigh - atLow);
    const at = f(u);
    if (Math.abs(at) < 1e-10) return Math.exp(u);
    if (at < 0) {
      [low, atLow] = [u, at];
      if (kept === 1) atHigh /= 2;
      kept = 1;
    } else {
      [high, atHigh] = [u, at];
      if (kept === -1) atLow /= 2;
      kept = -1;
    }
  }
  return Math.exp((low + high) / 2);
}
