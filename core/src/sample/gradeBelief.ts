import { compoundGammaCdf, compoundGammaQuantile } from '../maths/compoundGamma.ts';
import { requirePositive } from '../outOfRange.ts';
import type { Range } from '../grains/flake.ts';
import type { Evidence } from './sampleGrade.ts';

/** What is believed of a grade: a gamma density of that shape, and rate in L/mg. */
export interface GradeBelief {
  readonly shape: number;
  readonly rate_L_mg: number;
  /**
   * Deviation of the logarithm of what all pans of a ground share (what a color weighs, how much ground swells): it widens every band and chance to pay,
   * but not which of two spots is richer, for both move together. None when not given.
   */
  readonly commonLogSd?: number | undefined;
}

/** Colors that a place is worth before anything is counted (Jeffreys). */
const PRIOR_COLORS = 0.5;

/**
 * The grade of a level as a density, from its own pans alone: gamma-Poisson with half a color as the prior.
 * Counts of several classes act as y^2/v colors of weight v/y (y = sum w n, v = sum w^2 n), between-pan scatter as fewer colors yet.
 * Source: Gelman et al., Bayesian Data Analysis (gamma-Poisson); the effective count as in Fay & Feuer (1997).
 * @param meanColor_mg what one color weighs on this ground
 * @param scatterVariance what pans of one place differ by, as a share of the square of the grade, for these pans together
 * @throws OutOfRange when a volume is not positive
 */
export function gradeBelief(
  { volumeBank_L, gold }: Pick<Evidence, 'volumeBank_L' | 'gold'>,
  {
    meanColor_mg,
    scatterVariance = 0,
    commonLogSd = 0,
  }: { meanColor_mg: number; scatterVariance?: number; commonLogSd?: number },
): GradeBelief {
  requirePositive('meanColor_mg', meanColor_mg, 'mg');
  requirePositive('volumeBank_L', volumeBank_L, 'L');
  const y = PRIOR_COLORS * meanColor_mg + (gold?.gold_mg ?? 0);
  const v = PRIOR_COLORS * meanColor_mg ** 2 + (gold?.variance_mg2 ?? 0) + y ** 2 * scatterVariance;
  return { shape: y ** 2 / v, rate_L_mg: (volumeBank_L * y) / v, commonLogSd };
}

/** A gamma density of that mean and variance. */
export const beliefOfMoments = (mean_mg_L: number, variance: number, commonLogSd: number): GradeBelief => ({
  shape: mean_mg_L ** 2 / variance,
  rate_L_mg: mean_mg_L / variance,
  commonLogSd,
});

export const beliefMean_mg_L = (b: GradeBelief): number => b.shape / b.rate_L_mg;
/** Grade below which the ground lies with that chance. */
export const beliefQuantile_mg_L = (b: GradeBelief, chance: number): number =>
  compoundGammaQuantile(chance, b.shape, b.commonLogSd ?? 0) / b.rate_L_mg;
/** The band that holds the grade with that chance. */
export const beliefBand_mg_L = (b: GradeBelief, confidence = 0.9): Range => ({
  low: beliefQuantile_mg_L(b, (1 - confidence) / 2),
  high: beliefQuantile_mg_L(b, (1 + confidence) / 2),
});
/**
 * Grade that the ground has at least with three chances in four, what all spots share left out: what proven places are put in order by. One good pan
 * promises as much as four, and is less likely to keep it. Source: Wilson & Hilferty (1931), whose cube is within 2 % of a gamma's quartile from shape 0.5 up.
 */
export function likelyAtLeast_mg_L({ shape, rate_L_mg }: GradeBelief): number {
  const root = 1 - 1 / (9 * shape) - 0.6745 / (3 * Math.sqrt(shape));
  return (shape * Math.max(0, root) ** 3) / rate_L_mg;
}
/** Chance that the grade is above a mark. */
export const chanceAbove = (b: GradeBelief, grade_mg_L: number): number =>
  1 - compoundGammaCdf(grade_mg_L * b.rate_L_mg, b.shape, b.commonLogSd ?? 0);
