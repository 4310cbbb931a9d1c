import { compoundGammaQuantile } from '../maths/compoundGamma.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import {
  addCounts,
  COLOR_CLASSES,
  COLOR_CV,
  COLOR_MG,
  countColors,
  WEIGHED_CLASSES,
  type ColorCounts,
  type ColorWeights,
} from './colorWeights.ts';
import { blankLimit, USUAL_CONFIDENCE } from './poissonLimits.ts';

/** One or several pans taken as one measurement. Volume in the bank, litres. */
export interface SampleMeasure {
  readonly volumeBank_L: number;
  readonly counts: ColorCounts;
  /** Weighed gold, when there is any: it then stands for all gold of the sample. */
  readonly gold_mg?: number | undefined;
}

/** Grade in mg/L of bank ground (the same number as g/m3). */
export type SampleGrade =
  | {
      readonly kind: 'band';
      readonly grade_mg_L: number;
      readonly low_mg_L: number;
      readonly high_mg_L: number;
      readonly colors: number;
      readonly restsOn: 'counts' | 'weight';
      readonly unweighedCoarse: number;
    }
  | {
      readonly kind: 'blank';
      readonly lessThan_mg_L: number;
      readonly confidence: number;
      readonly blankColor_mg: number;
    }
  | { readonly kind: 'coarse only'; readonly unweighedCoarse: number };

/** What a grade is worked out with; the usual weights and no doubt but the luck of the count when not given. */
export interface GradeOptions {
  readonly weights_mg?: ColorWeights;
  /** The color the ground's gold sits in, mg; the heaviest class when nothing is known. */
  readonly oneMoreColor_mg?: number;
  /** Weight one color would have had if seen: the mean color of the ground, or of the middle class. */
  readonly blankColor_mg?: number;
  readonly confidence?: number;
  /** What pans of one place differ by, as a share of the square of the grade (see `scatter.ts`). */
  readonly scatterVariance?: number;
  /** Deviation of the logarithm of what all the pans share: what a color weighs, how much ground swells. */
  readonly commonLogSd?: number;
}

/** Gold of a sample and its variance by the luck of the count, mg and mg^2, and the weight of one more color. */
export interface CountedGold {
  readonly gold_mg: number;
  readonly variance_mg2: number;
  readonly oneMore_mg: number;
}

/**
 * The gold of a sample as a count has it: sum w n, with variance sum w^2 n; or as it was weighed, then with the variance of as many colors as its counts
 * are worth (their weights differ within a class too). Where gold was weighed and nothing counted it is taken to sit in the ground's usual color.
 * A piece over No. 10 in a weighed sample weighs what the others leave of it, and more than the largest that passes. Null without gold to weigh.
 */
export function goldOf(
  { counts, gold_mg }: Pick<SampleMeasure, 'counts' | 'gold_mg'>,
  weights_mg: ColorWeights,
  oneMoreColor_mg: number,
): CountedGold | null {
  let y = 0;
  let v = 0;
  let heaviest = 0;
  const weighed = gold_mg !== undefined && gold_mg > 0;
  for (const name of WEIGHED_CLASSES) {
    const n = counts[name];
    const w = weights_mg[name];
    if (n > 0) heaviest = Math.max(heaviest, w);
    y += n * w;
    v += n * w * w * (weighed ? 1 + COLOR_CV[name] ** 2 : 1);
  }
  if (!weighed) return y > 0 ? { gold_mg: y, variance_mg2: v, oneMore_mg: Math.max(oneMoreColor_mg, heaviest) } : null;
  if (counts['+10'] > 0) {
    const coarse = Math.max(weights_mg['10-20'], (gold_mg - y) / counts['+10']);
    y += counts['+10'] * coarse;
    v += counts['+10'] * coarse ** 2;
  }
  const effective = y > 0 ? (y * y) / v : Math.max(1, gold_mg / oneMoreColor_mg);
  return { gold_mg, variance_mg2: gold_mg ** 2 / effective, oneMore_mg: gold_mg / effective };
}

/** What some pans say of one stretch of ground, before it is put into words. */
export interface Evidence {
  readonly volumeBank_L: number;
  readonly colors: number;
  /** Null where no color was seen, or only pieces over No. 10 that nobody weighed. */
  readonly gold: CountedGold | null;
  /** Is all of its gold weighed? */
  readonly allWeighed: boolean;
  readonly unweighedCoarse: number;
}

/** A pan with more colors of a class than this was not counted. Stated assumption. */
const MOST_COLORS = 100_000;

/** The pans of one level together: volumes, gold and the luck of the count add up, pan by pan as each was counted or weighed. */
export function evidenceOf(
  samples: readonly SampleMeasure[],
  weights_mg: ColorWeights,
  oneMoreColor_mg: number,
): Evidence {
  let [volumeBank_L, colors, unweighedCoarse, gold_mg, variance_mg2, oneMore_mg] = [0, 0, 0, 0, 0, 0];
  let allWeighed = true;
  for (const s of samples) {
    requirePositive('volumeBank_L', s.volumeBank_L, 'L');
    for (const name of COLOR_CLASSES) {
      const n = s.counts[name];
      if (!(n >= 0 && n <= MOST_COLORS)) requireWithin(`counts ${name}`, n, 0, MOST_COLORS);
    }
    const weighed = s.gold_mg !== undefined && s.gold_mg > 0;
    const mine = goldOf(s, weights_mg, oneMoreColor_mg);
    volumeBank_L += s.volumeBank_L;
    colors += countColors(s.counts);
    if (!weighed) unweighedCoarse += s.counts['+10'];
    if (mine === null) continue;
    if (!weighed) allWeighed = false;
    gold_mg += mine.gold_mg;
    variance_mg2 += mine.variance_mg2;
    oneMore_mg = Math.max(oneMore_mg, mine.oneMore_mg);
  }
  return {
    volumeBank_L,
    colors,
    gold: gold_mg > 0 ? { gold_mg, variance_mg2, oneMore_mg } : null,
    allWeighed,
    unweighedCoarse,
  };
}

/**
 * Grade of a sample with its band, from color counts and mean class weights.
 *
 * Each class count is Poisson. For the weighted sum y = sum(w n), variance v = sum(w^2 n), the limits are those of
 * Fay & Feuer (1997), Statistics in Medicine 16, 791-801, which become Garwood's exact limits when all weights are equal:
 *   low  = v/(2y) chi2(a/2; 2y^2/v),   high = (v + m^2)/(2(y + m)) chi2(1 - a/2; 2(y + m)^2/(v + m^2)),
 * m the weight of one more color: the heaviest class of the sample, or the color the ground's gold mostly sits in (`oneMoreColor_mg`) where that
 * is heavier. What pans of one place differ by beyond the count makes v grow by y^2 times `scatterVariance`; what a color weighs is not known
 * for sure either, which multiplies both by a log-normal of mean 1 (`commonLogSd`).
 *
 * Weighed gold replaces the usual weights; its scatter is that of the colors it was counted as (`goldOf`).
 * A blank gives an upper limit: `blankColor_mg` times `blankLimit` per volume (one-sided).
 *
 * @throws OutOfRange when the volume is not positive or a count is negative
 */
export function sampleGrade(sample: SampleMeasure, options: GradeOptions = {}): SampleGrade {
  const { weights_mg = COLOR_MG, oneMoreColor_mg = Math.max(...Object.values(weights_mg)) } = options;
  return gradeFrom(evidenceOf([sample], weights_mg, oneMoreColor_mg), options);
}

/** Grade that some evidence comes to, as `sampleGrade` says. */
export function gradeFrom(
  { volumeBank_L: V, colors, gold, allWeighed, unweighedCoarse }: Evidence,
  {
    weights_mg = COLOR_MG,
    blankColor_mg = weights_mg['20-40'],
    confidence = USUAL_CONFIDENCE,
    scatterVariance = 0,
    commonLogSd = 0,
  }: GradeOptions,
): SampleGrade {
  if (gold === null)
    return colors === 0
      ? {
          kind: 'blank',
          lessThan_mg_L: (blankColor_mg * blankLimit(0.95, scatterVariance, commonLogSd)) / V,
          confidence: 0.95,
          blankColor_mg,
        }
      : { kind: 'coarse only', unweighedCoarse };
  const { low, high } = weightedBand(
    gold.gold_mg,
    gold.variance_mg2 + gold.gold_mg ** 2 * scatterVariance,
    gold.oneMore_mg,
    confidence,
    commonLogSd,
  );
  return {
    kind: 'band',
    grade_mg_L: gold.gold_mg / V,
    low_mg_L: low / V,
    high_mg_L: high / V,
    colors,
    restsOn: allWeighed ? 'weight' : 'counts',
    unweighedCoarse,
  };
}

/** Fay and Feuer's limits on a weighted sum, each times the log-normal of what all its parts share. */
export function weightedBand(
  y: number,
  v: number,
  oneMore: number,
  confidence: number,
  commonLogSd: number,
): { low: number; high: number } {
  const tail = (1 - confidence) / 2;
  const vHigh = v + oneMore ** 2;
  const yHigh = y + oneMore;
  return {
    low: (v / y) * compoundGammaQuantile(tail, y ** 2 / v, commonLogSd),
    high: (vHigh / yHigh) * compoundGammaQuantile(1 - tail, yHigh ** 2 / vHigh, commonLogSd),
  };
}

/** Mean weight of the colors counted on a ground, mg: what one color would weigh where a blank was panned. Null when none was counted. */
export function meanColor_mg(samples: readonly ColorCounts[], weights_mg: ColorWeights = COLOR_MG): number | null {
  const counted = weighedClasses(samples, weights_mg);
  const colors = counted.reduce((sum, { n }) => sum + n, 0);
  return colors === 0 ? null : counted.reduce((sum, { n, mg }) => sum + n * mg, 0) / colors;
}

/**
 * Weight of the color a ground's gold sits in, mg: the mean over its weight, sum(w^2 n) / sum(w n). What one more color could have weighed.
 * Null when none was counted.
 */
export function goldColor_mg(samples: readonly ColorCounts[], weights_mg: ColorWeights = COLOR_MG): number | null {
  const counted = weighedClasses(samples, weights_mg);
  const gold_mg = counted.reduce((sum, { n, mg }) => sum + n * mg, 0);
  return gold_mg === 0 ? null : counted.reduce((sum, { n, mg }) => sum + n * mg * mg, 0) / gold_mg;
}

/** Colors of each class that has a weight, all samples together. */
function weighedClasses(samples: readonly ColorCounts[], weights_mg: ColorWeights): { n: number; mg: number }[] {
  const counts = addCounts(samples);
  return WEIGHED_CLASSES.map((name) => ({ n: counts[name], mg: weights_mg[name] }));
}
