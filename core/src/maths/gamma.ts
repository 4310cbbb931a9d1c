import { requirePositive, requireWithin } from '../outOfRange.ts';
import { nearNormalQuantile } from './nearNormal.ts';

/** Lanczos coefficients for g = 7, n = 9 (P. Godfrey 2001, "A note on the computation of the convergent Lanczos complex gamma approximation"). */
const LANCZOS = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
] as const;

/** Natural logarithm of the gamma function for x > 0; relative error below 1e-13. Source: Lanczos (1964) series as above. */
export function lnGamma(x: number): number {
  requirePositive('x', x);
  const z = x - 1;
  let sum: number = LANCZOS[0];
  for (let i = 1; i < LANCZOS.length; i++) sum += (LANCZOS[i] ?? 0) / (z + i);
  const t = z + 7.5;
  return 0.5 * Math.log(2 * Math.PI) + (z + 0.5) * Math.log(t) - t + Math.log(sum);
}

/**
 * Regularised lower incomplete gamma function P(shape, x): the chance that a gamma variable
 * of that shape and unit rate is at most x. Series below shape + 1, continued fraction above.
 * Source: Abramowitz & Stegun (1964), 6.5.29 and 6.5.31.
 * @param lnGammaOfShape for who asks of one shape again and again
 */
export function gammaCdf(x: number, shape: number, lnGammaOfShape = lnGamma(shape)): number {
  requirePositive('shape', shape);
  if (!(x > 0)) return 0;
  const front = Math.exp(-x + shape * Math.log(x) - lnGammaOfShape);
  if (x < shape + 1) {
    let term = 1 / shape;
    let sum = term;
    for (let n = 1; n < 10_000 && term > sum * 1e-17; n++) {
      term *= x / (shape + n);
      sum += term;
    }
    return sum * front;
  }
  // Lentz's method on the continued fraction for the upper part.
  const tiny = 1e-300;
  let b = x + 1 - shape;
  let c = 1 / tiny;
  let d = 1 / b;
  let h = d;
  for (let i = 1; i < 10_000; i++) {
    const an = -i * (i - shape);
    b += 2;
    d = 1 / (an * d + b || tiny);
    c = b + an / c || tiny;
    const step = d * c;
    h *= step;
    if (Math.abs(step - 1) < 1e-16) break;
  }
  return 1 - front * h;
}

/** The x below which a gamma variable (that shape, unit rate) lies with the given chance, 0 <= chance < 1. */
export function gammaQuantile(chance: number, shape: number): number {
  requirePositive('shape', shape);
  requireWithin('chance', chance, 0, 1 - 1e-12);
  if (chance === 0) return 0;
  const ln = lnGamma(shape);
  const below = (u: number): number => gammaCdf(Math.exp(u), shape, ln);
  return logQuantile(chance, below, (u) => gammaLogDensity(u, shape, ln), nearGammaQuantile(chance, shape, ln));
}

/** Density of the logarithm of a gamma variable (that shape, unit rate). */
export const gammaLogDensity = (u: number, shape: number, lnGammaOfShape: number): number =>
  Math.exp(shape * u - Math.exp(u) - lnGammaOfShape);

/**
 * Near the logarithm of that quantile: the cube of a normal variable (Wilson & Hilferty 1931), or where that fails the first term of the series, which is
 * all of it there.
 */
export function nearGammaQuantile(chance: number, shape: number, lnGammaOfShape: number): number {
  const part = 1 / (9 * shape);
  const root = 1 - part + nearNormalQuantile(chance) * Math.sqrt(part);
  return root > 0.4 ? Math.log(shape) + 3 * Math.log(root) : (Math.log(chance * shape) + lnGammaOfShape) / shape;
}

/**
 * exp(u) at which `below` reaches a chance, by Newton's steps from near there; one that would leave what is known to hold it halves that instead.
 * @param below a chance that grows with u
 * @param density its slope
 */
export function logQuantile(
  chance: number,
  below: (u: number) => number,
  density: (u: number) => number,
  from: number,
): number {
  let [low, high] = [-Infinity, Infinity];
  let u = from;
  // So small that its chance is that of the start to rounding, and the number itself underflows.
  if (u < -600) return Math.exp(u);
  for (let i = 0; i < 200; i++) {
    const over = below(u) - chance;
    if (over === 0) break;
    if (over > 0) high = u;
    else low = u;
    const slope = density(u);
    const step = Math.max(-2, Math.min(2, slope > 0 ? over / slope : Math.sign(over) * 2));
    // The error left after a step is about its square.
    if (Math.abs(step) < 1e-8) return Math.exp(u - step);
    u = u - step > low && u - step < high ? u - step : (low + high) / 2;
  }
  return Math.exp(u);
}
