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
      /** Chance that colors do stop here or a place off: a drop to a fifth at most. */
      readonly certainty: number;
      readonly perLitreBelow: number;
      readonly perLitreAbove: number;
      readonly lastPay: TracePoint;
      readonly firstBlank: TracePoint | null;
    }
  | {
      /** Fewer and fewer going up, but no place where they stop. */
      readonly kind: 'fade';
      readonly certainty: number;
      /** What is left at the uppermost place, as a share of the lowest. */
      readonly left: number;
    }
  | { readonly kind: 'none'; readonly reason: string };

/** Fewer samples than this cannot show where colors stop. */
const LEAST_POINTS = 4;
/** From this chance on a stop is called one, and a fading called that. */
const CALLED = 0.55;
/** What is called a stop leaves at most a fifth above it. */
const STOPS = [0.2, 0.12, 0.07, 0.03, 0.01, 0.003];
/** Lesser drops, and rises going up: they are what else a row of counts may be. */
const STEPS = [0.7, 0.5, 0.35, 0.27, 1.5, 2.5, 4, 8];
/** The same by degrees: what the uppermost place has, as a share of the lowest. */
const SLOPES = [0.5, 0.25, 0.12, 0.05, 0.015, 2, 4, 8, 20];
/** How likely each is before any pan. Stated assumption: whoever walks up a creek panning does so where a stop is half expected. */
const PRIOR = { even: 0.25, stop: 0.45, step: 0.1, slope: 0.2 };
/** How much places of one creek differ, as a share of their mean: two bars of one reach are never alike. Prior weights are stated assumptions. */
const SCATTERS = [
  { cv: 0.3, weight: 0.1 },
  { cv: 0.6, weight: 0.3 },
  { cv: 0.9, weight: 0.3 },
  { cv: 1.3, weight: 0.2 },
  { cv: 1.9, weight: 0.1 },
];
/** Rates looked at, in steps of the logarithm about that of all the places together. */
const STEP = 0.25;
/** What is this much less likely than the likeliest adds nothing. */
const NOTHING = -25;
const RATES = Array.from({ length: 53 }, (_, i) => -9 + STEP * i);

/**
 * Where colors stop up a creek: rich below, poor above.
 *
 * Kinds of creek are weighed against each other: even; a step somewhere; a slope all along; a stop, which leaves at most a fifth above it. Counts are
 * negative binomial about each, for places of one reach differ by more than the luck of the count; rate, drop, place and scatter are summed over grids. A
 * stop is called where it holds most of the belief, and its place is where most of that lies.
 * Source: marginal likelihoods (Gelman et al., Bayesian Data Analysis); a change point after Smith (1975), Biometrika 62, 407-416; the kinds are Riffle's own.
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
  const found = weighKinds(order);
  const [stop, fade] = [found.stop.reduce((a, b) => a + b, 0), found.fade];
  if (stop >= CALLED) {
    const at = found.stop.reduce((best, chance, i) => (chance > (found.stop[best] as number) ? i : best), 0);
    const near = (found.stop[at - 1] ?? 0) + (found.stop[at] as number) + (found.stop[at + 1] ?? 0);
    const lastPay = order.filter((p) => p.colors > 0).at(-1) as TracePoint;
    return {
      kind: 'break',
      below: order[at] as TracePoint,
      above: order[at + 1] as TracePoint,
      certainty: Math.min(near, 0.99),
      perLitreBelow: rateOf(order.slice(0, at + 1)),
      perLitreAbove: rateOf(order.slice(at + 1)),
      lastPay,
      firstBlank: order.find((p) => p.distance_m > lastPay.distance_m && p.colors === 0) ?? null,
    };
  }
  if (fade >= CALLED) return { kind: 'fade', certainty: fade, left: found.left };
  return {
    kind: 'none',
    reason:
      stop + fade >= CALLED
        ? 'Colors thin out going up, but whether they stop or fade these places do not tell: pan between the last with colors and the first without, and above.'
        : 'Colors do not stop anywhere yet: walk on up and pan there.',
  };
}

/** Colors per litre of some places, half a color more than none so that a blank reach is not said to hold nothing. */
const rateOf = (points: readonly TracePoint[]): number =>
  (points.reduce((sum, p) => sum + p.colors, 0) + 0.5) / points.reduce((sum, p) => sum + p.volumeBank_L, 0);

/** Belief in a stop between each two neighbors, in a fading, and what a fading leaves. They leave room for an even creek and for a rise. */
function weighKinds(order: readonly TracePoint[]): { stop: number[]; fade: number; left: number } {
  const n = order.length;
  const about = Math.log(rateOf(order));
  const [bottom, top] = [(order[0] as TracePoint).distance_m, (order[n - 1] as TracePoint).distance_m];
  const upward = order.map((p) => (top > bottom ? (p.distance_m - bottom) / (top - bottom) : 0));
  const [even, slopes, stops, steps]: [number[], number[][], number[][], number[]] = [
    [],
    SLOPES.map(() => []),
    order.slice(1).map(() => []),
    [],
  ];
  for (const { cv, weight } of SCATTERS) {
    const prior = Math.log(weight);
    const of = order.map((p) => logOf(p, about, cv));
    const at = (i: number, u: number): number => (of[i] as (u: number) => number)(u);
    const table = order.map((_, i) => RATES.map((u) => at(i, u)));
    // Sums from the lowest place up, so that a break anywhere costs one subtraction.
    const upTo = RATES.map((_, k) => {
      let sum = 0;
      return table.map((row) => (sum += row[k] as number));
    });
    even.push(prior + logSum(upTo.map((sums) => sums[n - 1] as number)));
    SLOPES.forEach((share, s) => {
      const logs = RATES.map((u) =>
        order.reduce((sum, _, i) => sum + at(i, u + Math.log(share) * (upward[i] as number)), 0),
      );
      slopes[s]?.push(prior + logSum(logs));
    });
    // Twice over the rates, for the greatest and for the sum: this is most of the work, so nothing is made on the way.
    const broken = (share: number, below: number): number => {
      const shift = Math.round(Math.log(share) / STEP);
      const [from, to] = [Math.max(0, -shift), Math.min(RATES.length, RATES.length - shift)];
      const at = (k: number): number => {
        const [here, other] = [upTo[k] as number[], upTo[k + shift] as number[]];
        return (here[below] as number) + (other[n - 1] as number) - (other[below] as number);
      };
      let top = -Infinity;
      for (let k = from; k < to; k++) top = Math.max(top, at(k));
      let sum = 0;
      for (let k = from; k < to; k++) {
        const log = at(k) - top;
        if (log > NOTHING) sum += Math.exp(log);
      }
      return top + Math.log(sum);
    };
    for (let below = 0; below < n - 1; below++) {
      for (const share of STOPS) stops[below]?.push(prior + broken(share, below));
      for (const share of STEPS) steps.push(prior + broken(share, below));
    }
  }
  const places = Math.log(n - 1);
  const logs = {
    even: Math.log(PRIOR.even) + logSum(even),
    slopes: slopes.map((s) => Math.log(PRIOR.slope / SLOPES.length) + logSum(s)),
    stops: stops.map((s) => Math.log(PRIOR.stop / STOPS.length) - places + logSum(s)),
    steps: Math.log(PRIOR.step / STEPS.length) - places + logSum(steps),
  };
  const all = logSum([logs.even, ...logs.slopes, ...logs.stops, logs.steps]);
  const fading = SLOPES.map((share, i) => ({ share, chance: Math.exp((logs.slopes[i] as number) - all) })).filter(
    (s) => s.share < 1,
  );
  const fade = fading.reduce((sum, s) => sum + s.chance, 0);
  return {
    stop: logs.stops.map((l) => Math.exp(l - all)),
    fade,
    left: Math.exp(fading.reduce((sum, s) => sum + s.chance * Math.log(s.share), 0) / Math.max(1e-12, fade)),
  };
}

/** Log likelihood of a count by the logarithm of the rate over `about`, places scattered by that cv; terms that are the same for every rate and scatter left out. */
function logOf({ colors, volumeBank_L }: TracePoint, about: number, cv: number): (logRate: number) => number {
  const k = 1 / cv ** 2;
  const scale = (Math.exp(about) * volumeBank_L) / k;
  const constant = lnGamma(colors + k) - lnGamma(k) - colors * Math.log(k) + colors * Math.log(scale * k);
  return (logRate) => constant + colors * logRate - (colors + k) * Math.log1p(scale * Math.exp(logRate));
}

function logSum(logs: readonly number[]): number {
  const top = Math.max(...logs);
  return top === -Infinity ? top : top + Math.log(logs.reduce((sum, l) => sum + Math.exp(l - top), 0));
}
