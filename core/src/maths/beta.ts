import { requirePositive, requireWithin } from '../outOfRange.ts';
import { bisect } from './bisect.ts';
import { lnGamma } from './gamma.ts';

/**
 * Regularised incomplete beta function I_x(a, b): the chance that a beta variable is at most x. Continued fraction by Lentz's method.
 * Source: Abramowitz & Stegun (1964), 26.5.8 with the symmetry 26.5.2.
 * @throws OutOfRange unless a and b are positive and x lies in 0 to 1
 */
export function betaCdf(x: number, a: number, b: number): number {
  requirePositive('a', a);
  requirePositive('b', b);
  requireWithin('x', x, 0, 1);
  if (x === 0 || x === 1) return x;
  // The fraction converges fast below the mean; above it the other tail is taken.
  if (x > (a + 1) / (a + b + 2)) return 1 - betaCdf(1 - x, b, a);
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log1p(-x)) / a;
  const tiny = 1e-300;
  let c = 1;
  let d = 1 / (1 - ((a + b) * x) / (a + 1) || tiny);
  let h = d;
  for (let m = 1; m < 10_000; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / (1 + even * d || tiny);
    c = 1 + even / c || tiny;
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / (1 + odd * d || tiny);
    c = 1 + odd / c || tiny;
    const step = d * c;
    h *= step;
    if (Math.abs(step - 1) < 1e-15) break;
  }
  return front * h;
}

/** The x below which a beta variable lies with the given chance. */
export function betaQuantile(chance: number, a: number, b: number): number {
  requireWithin('chance', chance, 0, 1);
  return bisect((x) => betaCdf(x, a, b) - chance, 0, 1);
}
