import { betaCdf } from '../maths/beta.ts';
import { gammaCdf, gammaQuantile } from '../maths/gamma.ts';
import { requirePositive } from '../outOfRange.ts';
import { countColors, COLOR_MG, type ColorWeights } from './colorWeights.ts';
import type { SampleMeasure } from './sampleGrade.ts';
import { scatterVariance } from './scatter.ts';

/** What is believed of a grade: a gamma density of that shape, and rate in L/mg. */
export interface GradeBelief {
  readonly shape: number;
  readonly rate_L_mg: number;
}

/** Colors that a ground is worth before anything is counted (Jeffreys). */
const PRIOR_COLORS = 0.5;

/**
 * The grade of a spot as a density, from its pans together: gamma-Poisson with half a color as the prior, colors of the ground's mean weight.
 * Counts of several classes act as y^2/v colors of weight v/y (y = sum w n, v = sum w^2 n), between-pan scatter as fewer colors yet.
 * Source: Gelman et al., Bayesian Data Analysis (gamma-Poisson); the effective count as in Fay & Feuer (1997).
 * @param meanColor_mg what one color weighs on this ground
 * @throws OutOfRange when a volume is not positive
 */
export function gradeBelief(
  pans: readonly SampleMeasure[],
  {
    meanColor_mg,
    weights_mg = COLOR_MG,
    scatter_cv = 0,
  }: { meanColor_mg: number; weights_mg?: ColorWeights; scatter_cv?: number },
): GradeBelief {
  requirePositive('meanColor_mg', meanColor_mg, 'mg');
  const volume_L = pans.reduce((sum, p) => sum + p.volumeBank_L, 0);
  requirePositive('volumeBank_L', volume_L, 'L');
  let y = PRIOR_COLORS * meanColor_mg;
  let v = PRIOR_COLORS * meanColor_mg ** 2;
  for (const p of pans) {
    if (p.gold_mg !== undefined && p.gold_mg > 0) {
      y += p.gold_mg;
      v += p.gold_mg ** 2 / Math.max(1, countColors(p.counts));
      continue;
    }
    for (const [name, w] of Object.entries(weights_mg) as [keyof ColorWeights, number][]) {
      y += w * p.counts[name];
      v += w * w * p.counts[name];
    }
  }
  v +=
    y ** 2 *
    scatterVariance(
      pans.map((p) => p.volumeBank_L),
      scatter_cv,
    );
  return { shape: y ** 2 / v, rate_L_mg: (volume_L * y) / v };
}

export const beliefMean_mg_L = (b: GradeBelief): number => b.shape / b.rate_L_mg;
/** Grade below which the ground lies with that chance. */
export const beliefQuantile_mg_L = (b: GradeBelief, chance: number): number =>
  gammaQuantile(chance, b.shape) / b.rate_L_mg;
/** Chance that the grade is above a mark. */
export const chanceAbove = (b: GradeBelief, grade_mg_L: number): number =>
  1 - gammaCdf(grade_mg_L * b.rate_L_mg, b.shape);

/**
 * Chance that A is richer than B: I_x(shape_B, shape_A) at x = rate_B / (rate_A + rate_B).
 * Source: the ratio of two gamma variables (Johnson, Kotz & Balakrishnan, Continuous Univariate Distributions 2).
 */
export const chanceRicher = (a: GradeBelief, b: GradeBelief): number =>
  betaCdf(b.rate_L_mg / (a.rate_L_mg + b.rate_L_mg), b.shape, a.shape);

/** Marks on the common scale of grades, evenly on its logarithm. */
const MARKS = 600;
/** Share of a belief left out at either end of the scale. */
const TAIL = 1e-5;

/**
 * Chance of each to be the richest of all: the integral of its density times the others' cumulative chances, by the middle of each of 600 steps of one
 * common scale of grades. They sum to 1. Work grows with the number of spots, not its square. Riffle's own; two spots agree with `chanceRicher`.
 */
export function chancesOfBest(beliefs: readonly GradeBelief[]): number[] {
  if (beliefs.length === 0) return [];
  const low = Math.log(Math.max(1e-12, Math.min(...beliefs.map((b) => beliefQuantile_mg_L(b, TAIL)))));
  const high = Math.log(Math.max(...beliefs.map((b) => beliefQuantile_mg_L(b, 1 - TAIL))));
  const marks = Array.from({ length: MARKS + 1 }, (_, k) => Math.exp(low + ((high - low) * k) / MARKS));
  const below = beliefs.map((b) => marks.map((grade) => gammaCdf(grade * b.rate_L_mg, b.shape)));
  const raw = new Float64Array(beliefs.length);
  for (let k = 0; k < MARKS; k++) {
    // A chance of nothing in the product would hide all others: it counts as very small.
    const logs = below.map((f) => Math.log(Math.max(1e-300, ((f[k] as number) + (f[k + 1] as number)) / 2)));
    const all = logs.reduce((a, b) => a + b, 0);
    below.forEach((f, i) => {
      raw[i] = (raw[i] as number) + ((f[k + 1] as number) - (f[k] as number)) * Math.exp(all - (logs[i] as number));
    });
  }
  const sum = raw.reduce((a, b) => a + b, 0);
  return [...raw].map((r) => r / sum);
}

/** More pans than this is another season. */
export const MOST_MORE_PANS = 500;

/** The belief after so much more ground that says the same as what was panned: the effective count grows with the volume. */
const after = (b: GradeBelief, volume_L: number, more_L: number): GradeBelief => ({
  shape: b.shape * (1 + more_L / volume_L),
  rate_L_mg: b.rate_L_mg * (1 + more_L / volume_L),
});

/** A belief and the ground it rests on so far. */
export interface Panned {
  readonly belief: GradeBelief;
  readonly volumeBank_L: number;
}

/**
 * Pans more at each of two spots until one is called the richer with that chance, if the pans to come say what those so far said.
 * 0: it can be called now. Null: not within `MOST_MORE_PANS`, they are too much alike. Riffle's own, by doubling and halving.
 * @throws OutOfRange for a pan of no volume
 */
export function pansToCall(a: Panned, b: Panned, pan_L: number, sure = 0.9): number | null {
  requirePositive('pan_L', pan_L, 'L');
  const called = (n: number): boolean => {
    const chance = chanceRicher(after(a.belief, a.volumeBank_L, n * pan_L), after(b.belief, b.volumeBank_L, n * pan_L));
    return Math.max(chance, 1 - chance) >= sure;
  };
  return leastCount(called);
}

/**
 * Pans more at a spot until half its band is at most a share (a third) of the grade itself, if they say what those so far said.
 * Null: not within `MOST_MORE_PANS`.
 */
export function pansUntilWithin(
  { belief, volumeBank_L }: Panned,
  pan_L: number,
  share = 1 / 3,
  confidence = 0.9,
): number | null {
  requirePositive('pan_L', pan_L, 'L');
  return leastCount((n) => {
    const band = bandAfter({ belief, volumeBank_L }, n * pan_L, confidence);
    return (band.high_mg_L - band.low_mg_L) / 2 <= share * beliefMean_mg_L(belief);
  });
}

/** The band as it would be after so much more ground that says the same. */
export function bandAfter(
  { belief, volumeBank_L }: Panned,
  more_L: number,
  confidence = 0.9,
): { low_mg_L: number; high_mg_L: number } {
  const then = after(belief, volumeBank_L, more_L);
  return {
    low_mg_L: beliefQuantile_mg_L(then, (1 - confidence) / 2),
    high_mg_L: beliefQuantile_mg_L(then, (1 + confidence) / 2),
  };
}

function leastCount(enough: (n: number) => boolean): number | null {
  if (enough(0)) return 0;
  let high = 1;
  while (!enough(high)) {
    if (high >= MOST_MORE_PANS) return null;
    high = Math.min(MOST_MORE_PANS, high * 2);
  }
  let low = high >> 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (enough(middle)) high = middle;
    else low = middle;
  }
  return high;
}
