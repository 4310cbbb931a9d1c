import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';

/**
 * Float grows toward its source: D = D0 exp(-alpha x), x downstream, fitted by least squares of ln D on x.
 * Source: Sternberg (1875), Zeitschrift fuer Bauwesen 25.
 * @param points at least three, of different distance
 * @returns alpha per metre of the distances given; `alphaBand` is its 90 % band (Student's t)
 */
export function sternberg(points: readonly { readonly downstream_m: number; readonly size_mm: number }[]): {
  size0_mm: number;
  alpha_per_m: number;
  r2: number;
  alphaBand: { low: number; high: number };
} {
  if (points.length < 3) throw new OutOfRange('points', `${points.length} of them`, 'at least three');
  for (const p of points) requirePositive('size_mm', p.size_mm, 'mm');
  const n = points.length;
  const mx = points.reduce((s, p) => s + p.downstream_m, 0) / n;
  const my = points.reduce((s, p) => s + Math.log(p.size_mm), 0) / n;
  const sxx = points.reduce((s, p) => s + (p.downstream_m - mx) ** 2, 0);
  if (!(sxx > 0)) throw new OutOfRange('downstream_m', 'all alike', 'at different distances');
  const sxy = points.reduce((s, p) => s + (p.downstream_m - mx) * (Math.log(p.size_mm) - my), 0);
  const syy = points.reduce((s, p) => s + (Math.log(p.size_mm) - my) ** 2, 0);
  const slope = sxy / sxx;
  const residual = Math.max(0, syy - slope * sxy);
  const half = studentT90(n - 2) * Math.sqrt(residual / (n - 2) / sxx);
  return {
    size0_mm: Math.exp(my - slope * mx),
    alpha_per_m: -slope,
    r2: syy === 0 ? 1 : 1 - residual / syy,
    alphaBand: { low: -slope - half, high: -slope + half },
  };
}

/**
 * How far above a stone the place lies where such stones leave the vein, by the fitted decay: x = ln(D_source / D) / alpha.
 * The band carries that of alpha only; a hill or a second vein is not in it.
 * Source: Sternberg (1875), as above, solved for x.
 * @param leaves_mm size in which pieces leave the vein, larger than `size_mm`
 * @returns null when the fit does not say that stones grow upstream; `high_m` is infinite where its band reaches down to no growth
 * @throws OutOfRange when a size is not positive or the stone is larger than what leaves the vein
 */
export function sourceAbove(
  fit: { readonly alpha_per_m: number; readonly alphaBand: { readonly low: number; readonly high: number } },
  size_mm: number,
  leaves_mm: number,
): { distance_m: number; low_m: number; high_m: number } | null {
  requirePositive('size_mm', size_mm, 'mm');
  requireWithin('leaves_mm', leaves_mm, size_mm, 1e5, 'mm');
  if (!(fit.alpha_per_m > 0)) return null;
  const grown = Math.log(leaves_mm / size_mm);
  return {
    distance_m: grown / fit.alpha_per_m,
    low_m: grown / fit.alphaBand.high,
    high_m: fit.alphaBand.low > 0 ? grown / fit.alphaBand.low : Infinity,
  };
}

/** Two-sided 90 % quantile of Student's t: table (Abramowitz & Stegun 1964, 26.10) to 10 degrees, then Cornish-Fisher about 1.645. */
function studentT90(degrees: number): number {
  const table = [6.314, 2.92, 2.353, 2.132, 2.015, 1.943, 1.895, 1.86, 1.833, 1.812];
  const z = 1.644854;
  return table[degrees - 1] ?? z + (z ** 3 + z) / (4 * degrees);
}
