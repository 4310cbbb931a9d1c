import { gammaQuantile } from '../maths/gamma.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { addCounts, COLOR_MG, countColors, type ColorCounts, type ColorWeights } from './colorWeights.ts';
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

/**
 * Grade of a sample with its band, from color counts and mean class weights.
 *
 * Each class count is Poisson. For the weighted sum y = sum(w n), variance v = sum(w^2 n), the limits are those of
 * Fay & Feuer (1997), Statistics in Medicine 16, 791-801, which become Garwood's exact limits when all weights are equal:
 *   low  = v/(2y) chi2(a/2; 2y^2/v),   high = (v + m^2)/(2(y + m)) chi2(1 - a/2; 2(y + m)^2/(v + m^2)),
 * m the weight of one more color: the heaviest class of the sample, or the color the ground's gold mostly sits in (`goldColor_mg`) where that
 * is heavier. With the heaviest class of the whole ground bands held the truth in 97 of 100 simulated repeats where coarse gold is rare,
 * with the sample's own alone in 86; so in 93 to 95 (see the demo's coverage test).
 * The band is the luck of the count, weights taken as known; `scatterVariance` adds what pans of one spot differ by beyond that
 * (see `scatter.ts`): v grows by y^2 times it.
 *
 * Weighed gold replaces the table weights; its scatter is that of the number of colors counted.
 * A blank gives an upper limit: `blankColor_mg` times `blankLimit` per volume, one-sided.
 *
 * @param oneMoreColor_mg the color the ground's gold sits in, mg; the heaviest class when nothing is known
 * @param blankColor_mg weight one color would have had if seen: the mean color of the ground, or of the fine class
 * @throws OutOfRange when the volume is not positive or a count is negative
 */
export function sampleGrade(
  sample: SampleMeasure,
  {
    weights_mg = COLOR_MG,
    oneMoreColor_mg = Math.max(...Object.values(weights_mg)),
    blankColor_mg = COLOR_MG['20-40'],
    confidence = USUAL_CONFIDENCE,
    scatterVariance = 0,
  }: {
    weights_mg?: ColorWeights;
    oneMoreColor_mg?: number;
    blankColor_mg?: number;
    confidence?: number;
    scatterVariance?: number;
  } = {},
): SampleGrade {
  const { volumeBank_L: V, counts, gold_mg } = sample;
  requirePositive('volumeBank_L', V, 'L');
  for (const [name, n] of Object.entries(counts)) requireWithin(`counts ${name}`, n, 0, 100_000);
  const colors = countColors(counts);

  if (gold_mg !== undefined && gold_mg > 0) {
    const n = Math.max(colors, 1);
    const { low, high } = weightedBand(gold_mg, gold_mg ** 2 * (1 / n + scatterVariance), gold_mg / n, confidence);
    return {
      kind: 'band',
      grade_mg_L: gold_mg / V,
      low_mg_L: low / V,
      high_mg_L: high / V,
      colors,
      restsOn: 'weight',
      unweighedCoarse: 0,
    };
  }
  if (colors === 0)
    return {
      kind: 'blank',
      lessThan_mg_L: (blankColor_mg * blankLimit(0.95, scatterVariance)) / V,
      confidence: 0.95,
      blankColor_mg,
    };

  const seen = (Object.entries(weights_mg) as [keyof ColorWeights, number][]).filter(([name]) => counts[name] > 0);
  if (seen.length === 0) return { kind: 'coarse only', unweighedCoarse: counts['+10'] };
  const y = seen.reduce((sum, [name, w]) => sum + w * counts[name], 0);
  const v = seen.reduce((sum, [name, w]) => sum + w * w * counts[name], 0) + y ** 2 * scatterVariance;
  const { low, high } = weightedBand(y, v, Math.max(oneMoreColor_mg, ...seen.map(([, w]) => w)), confidence);
  return {
    kind: 'band',
    grade_mg_L: y / V,
    low_mg_L: low / V,
    high_mg_L: high / V,
    colors,
    restsOn: 'counts',
    unweighedCoarse: counts['+10'],
  };
}

function weightedBand(y: number, v: number, oneMore: number, confidence: number): { low: number; high: number } {
  const tail = (1 - confidence) / 2;
  const vHigh = v + oneMore ** 2;
  const yHigh = y + oneMore;
  return {
    low: (v / y) * gammaQuantile(tail, y ** 2 / v),
    high: (vHigh / yHigh) * gammaQuantile(1 - tail, yHigh ** 2 / vHigh),
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
  return (Object.entries(weights_mg) as [keyof ColorWeights, number][]).map(([name, mg]) => ({ n: counts[name], mg }));
}
