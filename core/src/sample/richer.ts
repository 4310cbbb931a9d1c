import { betaCdf } from '../maths/beta.ts';
import type { GradeBelief } from './gradeBelief.ts';

/**
 * Chance that A is richer than B: I_x(shape_B, shape_A) at x = rate_B / (rate_A + rate_B). What both share does not count.
 * Source: the ratio of two gamma variables (Johnson, Kotz & Balakrishnan, Continuous Univariate Distributions 2).
 */
export const chanceRicher = (a: GradeBelief, b: GradeBelief): number =>
  betaCdf(b.rate_L_mg / (a.rate_L_mg + b.rate_L_mg), b.shape, a.shape);
