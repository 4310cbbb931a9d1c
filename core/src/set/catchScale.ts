import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';
import type { Range } from '../grains/flake.ts';

/** What was found of one size of gold, section by section from the head down. */
export interface CatchFound {
  /** Rate times length of each section, as the model has it at a scale of one. */
  readonly exponents: readonly number[];
  /** Grains in each section; of weighed gold its effective number. All 0: no clean-up by sections. */
  readonly counts: readonly number[];
  /** Grains fed on purpose, and of them those found again; 0 fed: none. */
  readonly tracersFed: number;
  readonly tracersHeld: number;
  /** Share of the tailings that was panned, and what was in it; 0: no tail pan. */
  readonly tailShare: number;
  readonly tailCount: number;
}

/** What is believed of the scale of the catch after that, and of what went over the end. */
export interface CatchScale {
  readonly meanLog: number;
  readonly sdLog: number;
  readonly scale: Range & { readonly middle: number };
  readonly lost: Range & { readonly mean: number };
}

/** Points over ten deviations of what is believed beforehand: finer moves the fourth figure only. */
const POINTS = 2001;
const REACH = 6;

/**
 * The scale of a box's catch by Bayes: its logarithm normal about 0 beforehand; grains of the sections multinomial by where each is caught, given that it was
 * caught; tracers binomial; a tail pan Poisson by the share of tailings panned. By quadrature on an even grid (check values 18l).
 * @param priorLogSd what a lining of its kind differs by before it is measured
 * @throws OutOfRange when the lists do not match, or a count is negative
 */
export function catchScale(found: CatchFound, priorLogSd = 0.5): CatchScale {
  const { exponents, counts, tracersFed, tracersHeld, tailShare, tailCount } = found;
  requirePositive('priorLogSd', priorLogSd);
  if (exponents.length === 0 || counts.length !== exponents.length)
    throw new OutOfRange('counts', counts.length, `one for each of ${exponents.length} sections`);
  counts.forEach((n) => requireWithin('counts', n, 0, Infinity));
  requireWithin('tracersHeld', tracersHeld, 0, tracersFed);
  requireWithin('tailShare', tailShare, 0, 1);
  const reach = exponents.map((_, i) => exponents.slice(0, i + 1).reduce((a, b) => a + b, 0));
  const whole = reach.at(-1) as number;
  const caught = counts.reduce((a, b) => a + b, 0);
  const logLikelihood = (scale: number): number => {
    const passes = Math.exp(-scale * whole);
    let log = 0;
    if (caught > 0) {
      counts.forEach((n, i) => {
        const share = Math.exp(-scale * (reach[i - 1] ?? 0)) - Math.exp(-scale * (reach[i] as number));
        if (n > 0) log += n * Math.log(share / (1 - passes));
      });
      if (tailShare > 0) {
        const mean = (tailShare * caught * passes) / (1 - passes);
        log += tailCount * Math.log(Math.max(1e-300, mean)) - mean;
      }
    }
    if (tracersFed > 0)
      log += tracersHeld * Math.log(1 - passes) + (tracersFed - tracersHeld) * Math.log(Math.max(1e-300, passes));
    return log;
  };
  const at = Array.from({ length: POINTS }, (_, i) => priorLogSd * REACH * ((2 * i) / (POINTS - 1) - 1));
  const logs = at.map((x) => -((x / priorLogSd) ** 2) / 2 + logLikelihood(Math.exp(x)));
  const top = Math.max(...logs);
  const raw = logs.map((l) => Math.exp(l - top));
  const all = raw.reduce((a, b) => a + b, 0);
  const weights = raw.map((w) => w / all);
  const mean = (of: (x: number) => number): number => at.reduce((sum, x, i) => sum + (weights[i] as number) * of(x), 0);
  const meanLog = mean((x) => x);
  const logAt = quantiles(at, weights);
  const lostAt = (x: number): number => Math.exp(-Math.exp(x) * whole);
  return {
    meanLog,
    sdLog: Math.sqrt(mean((x) => (x - meanLog) ** 2)),
    scale: { low: Math.exp(logAt(0.05)), middle: Math.exp(logAt(0.5)), high: Math.exp(logAt(0.95)) },
    // More scale, less lost: the ends change places.
    lost: { low: lostAt(logAt(0.95)), mean: mean(lostAt), high: lostAt(logAt(0.05)) },
  };
}

/** Where so much of the weight lies below, between the points by a straight line. */
function quantiles(at: readonly number[], weights: readonly number[]): (share: number) => number {
  return (share) => {
    let below = 0;
    for (let i = 0; i < at.length; i++) {
      const next = below + (weights[i] as number);
      if (next >= share) {
        const step = (at[1] as number) - (at[0] as number);
        return (at[i] as number) + step * ((share - below) / (weights[i] as number) - 0.5);
      }
      below = next;
    }
    return at.at(-1) as number;
  };
}
