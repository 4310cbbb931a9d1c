import { lnGamma } from '../maths/gamma.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';

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
