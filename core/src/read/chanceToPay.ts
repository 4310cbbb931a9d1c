import { NORMAL_NODES } from '../maths/gaussHermite.ts';
import { normalCdf, normalQuantile } from '../maths/normal.ts';

/** Pans taken at a place, as one measurement. */
export interface Panned {
  readonly volumeBank_L: number;
  readonly colors: number;
  /** The color whose luck its count has, mg (`GroundColors.luckColor_mg`; what one would weigh, for a blank). */
  readonly color_mg: number;
  /** Milligrams of gold those pans held by count or weight. */
  readonly gold_mg: number;
  /** Chance that a flood or a storm laid the place anew since the last of them. */
  readonly laidAnew: number;
  /** What pans of one place differ by for these together, and how unsure the weight of a color is (see `spotGrades`). */
  readonly scatterVariance: number;
  readonly commonLogSd: number;
}

/** Steps of the logarithm of grade, and how many deviations either side of the belief beforehand. */
const STEP = 0.2;
const WIDE = 4.5;

/** A grade that a place may have, and how likely that is. */
export interface LikelyGrade {
  readonly grade_mg_L: number;
  readonly weight: number;
}

/**
 * What is believed of the grade of a place: log-normal with the chance to pay that is given, spread as spots of this ground are, then its own pans,
 * negative binomial. Weights sum to 1. What all pans share (the weight of a color) is left out.
 * Source: Bayes' rule on a grid; Riffle's own use.
 * @param before chance that such a place pays, without its own pans
 * @param spotCv how much spots of the ground differ, as a share of their mean
 */
export function likelyGrades(
  before: number,
  p: Omit<Panned, 'colors' | 'laidAnew' | 'commonLogSd'> | null,
  pays_mg_L: number,
  spotCv: number,
): LikelyGrade[] {
  const sd = Math.sqrt(Math.log1p(spotCv ** 2));
  const middle = Math.log(pays_mg_L) + sd * normalQuantile(Math.min(0.999, Math.max(0.001, before)));
  const k = p ? 1 / Math.max(1e-6, p.scatterVariance) : 1;
  const grades: { u: number; log: number }[] = [];
  for (let z = -WIDE; z <= WIDE + 1e-9; z += STEP / Math.max(1, sd)) {
    const u = middle + z * sd;
    const count = p ? p.gold_mg / p.color_mg : 0;
    const expected = p ? (Math.exp(u) * p.volumeBank_L) / p.color_mg : 0;
    grades.push({ u, log: -(z ** 2) / 2 + (p ? count * u - (count + k) * Math.log1p(expected / k) : 0) });
  }
  const top = Math.max(...grades.map((g) => g.log));
  const all = grades.reduce((sum, g) => sum + Math.exp(g.log - top), 0);
  return grades.map(({ u, log }) => ({ grade_mg_L: Math.exp(u), weight: Math.exp(log - top) / all }));
}

/**
 * Chance that a place pays once its own pans are known. They can say no more than they hold: the more patchy the ground and the less is known of what a
 * color weighs, the less. Parameters as `likelyGrades`.
 */
export function chanceToPay(before: number, p: Panned, pays_mg_L: number, spotCv: number): number {
  const mark = Math.log(pays_mg_L);
  // What all pans share blurs the mark; half a step blurs the grid.
  const paying = likelyGrades(before, p, pays_mg_L, spotCv).reduce(
    (sum, g) => sum + g.weight * above(Math.log(g.grade_mg_L), mark, p.commonLogSd),
    0,
  );
  return Math.min(0.999, Math.max(0.001, paying));
}

/** Share of a grade known up to a log-normal factor of mean 1 that lies above a mark. */
const above = (u: number, mark: number, logSd: number): number =>
  logSd < 1e-6
    ? normalCdf((u - mark) / (STEP / 2))
    : NORMAL_NODES.reduce(
        (sum, { z, weight }) => sum + weight * normalCdf((u + logSd * z - logSd ** 2 / 2 - mark) / (STEP / 2)),
        0,
      );
