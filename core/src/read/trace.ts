import { lnGamma } from '../maths/gamma.ts';
import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';

/** A sample up a creek: colors in a volume of bank ground, at a distance upstream. */
export interface TracePoint {
  readonly id: string;
  readonly distance_m: number;
  readonly colors: number;
  readonly volumeBank_L: number;
}

/** Where colors stop. Stretches are between two neighboring samples, `below` the lower one. */
export type Trace =
  | {
      readonly kind: 'break';
      readonly below: TracePoint;
      readonly above: TracePoint;
      readonly certainty: number;
      readonly perLitreBelow: number;
      readonly perLitreAbove: number;
      readonly lastPay: TracePoint;
      readonly firstBlank: TracePoint | null;
    }
  | { readonly kind: 'none'; readonly reason: string };

/** Fewer samples than this cannot show where colors stop. */
const LEAST_POINTS = 4;
/** Prior of colors per litre on either side of a break: gamma of shape 0.5 (Jeffreys), held proper by a tenth of a litre of no colors. */
const PRIOR = { shape: 0.5, rate_L: 0.1 };

/**
 * The best break in color counts up a creek: rich below, poor above.
 *
 * Each side of a break has one rate, gamma prior, Poisson counts; the break's weight is the product of both sides' marginal
 * likelihoods, so `certainty` is its share among all breaks and no break at all. Only breaks with the poorer side above are
 * looked for: colors that grow upstream are no end of the trace.
 * Source: gamma-Poisson marginal (Gelman et al., Bayesian Data Analysis); a change point after Smith (1975), Biometrika 62, 407-416.
 * Several samples at one place are to be added up before.
 * @throws OutOfRange when a volume is not positive or a count negative
 */
export function traceColors(points: readonly TracePoint[]): Trace {
  for (const p of points) {
    requirePositive('volumeBank_L', p.volumeBank_L, 'L');
    requireWithin('colors', p.colors, 0, 1e6);
  }
  const order = [...points].sort((a, b) => a.distance_m - b.distance_m);
  if (order.length < LEAST_POINTS)
    return {
      kind: 'none',
      reason: `Pan at ${LEAST_POINTS} places or more up the creek; so far there ${order.length === 1 ? 'is' : 'are'} ${order.length}.`,
    };
  if (order.every((p) => p.colors === 0))
    return { kind: 'none', reason: 'Every pan was blank, so there is no trail to follow.' };

  const whole = side(order);
  const breaks = order.slice(1).map((above, i) => {
    const [lower, upper] = [side(order.slice(0, i + 1)), side(order.slice(i + 1))];
    return {
      below: order[i] as TracePoint,
      above,
      lower,
      upper,
      ln: lower.perLitre > upper.perLitre ? lower.ln + upper.ln : -Infinity,
    };
  });
  const best = breaks.reduce((a, b) => (b.ln > a.ln ? b : a));
  const most = Math.max(best.ln, whole.ln);
  // Uniform over where the break is; no break at all is as likely beforehand as all breaks together.
  const total = Math.exp(whole.ln - most) * breaks.length + breaks.reduce((sum, b) => sum + Math.exp(b.ln - most), 0);
  const certainty = Math.exp(best.ln - most) / total;
  if (!(best.ln > -Infinity) || best.ln < whole.ln)
    return { kind: 'none', reason: 'Colors do not stop anywhere yet: walk on up and pan there.' };
  const lastPay = order.filter((p) => p.colors > 0).at(-1) as TracePoint;
  return {
    kind: 'break',
    below: best.below,
    above: best.above,
    certainty,
    perLitreBelow: best.lower.perLitre,
    perLitreAbove: best.upper.perLitre,
    lastPay,
    firstBlank: order.find((p) => p.distance_m > lastPay.distance_m && p.colors === 0) ?? null,
  };
}

/** Log marginal likelihood of counts that share one rate, and that rate's mean. */
function side(points: readonly TracePoint[]): { ln: number; perLitre: number } {
  const n = points.reduce((sum, p) => sum + p.colors, 0);
  const V = points.reduce((sum, p) => sum + p.volumeBank_L, 0);
  const { shape: a, rate_L: b } = PRIOR;
  const each = points.reduce((sum, p) => sum + p.colors * Math.log(p.volumeBank_L) - lnGamma(p.colors + 1), 0);
  return {
    ln: each + a * Math.log(b) - lnGamma(a) + lnGamma(a + n) - (a + n) * Math.log(b + V),
    perLitre: (a + n) / (b + V),
  };
}

/**
 * Split of a series into two segments of least total squared deviation from their means (Hinkley 1970, Biometrika 57, 1-17).
 * @returns the index of the first value of the second segment
 * @throws OutOfRange for fewer than two values
 */
export function changePoint(values: readonly number[]): {
  index: number;
  meanBefore: number;
  meanAfter: number;
  sse: number;
} {
  if (values.length < 2) throw new OutOfRange('values', `${values.length} of them`, 'at least two');
  const mean = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0) / v.length;
  const squares = (v: readonly number[]): number => {
    const m = mean(v);
    return v.reduce((s, x) => s + (x - m) ** 2, 0);
  };
  const splits = values.slice(1).map((_, i) => {
    const [before, after] = [values.slice(0, i + 1), values.slice(i + 1)];
    return { index: i + 1, meanBefore: mean(before), meanAfter: mean(after), sse: squares(before) + squares(after) };
  });
  return splits.reduce((a, b) => (b.sse < a.sse ? b : a));
}

/** What two streams carry together: C = (Q1 C1 + Q2 C2) / (Q1 + Q2). Conservation of mass; any one unit of flow and of concentration. */
export function mixBelow(
  main: { flow: number; concentration: number },
  side: { flow: number; concentration: number },
): { concentration: number; shareOfSide: number } {
  requirePositive('main.flow', main.flow);
  requirePositive('side.flow', side.flow);
  const carried = main.flow * main.concentration + side.flow * side.concentration;
  return {
    concentration: carried / (main.flow + side.flow),
    shareOfSide: carried === 0 ? 0 : (side.flow * side.concentration) / carried,
  };
}

/** What a side stream must carry for the main one to be what it is below: C2 = (C (Q1 + Q2) - Q1 C1) / Q2; below 0 when it cannot be the source. */
export function mustCarry(
  main: { flow: number; concentration: number },
  sideFlow: number,
  concentrationBelow: number,
): number {
  requirePositive('main.flow', main.flow);
  requirePositive('sideFlow', sideFlow);
  return (concentrationBelow * (main.flow + sideFlow) - main.flow * main.concentration) / sideFlow;
}

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
