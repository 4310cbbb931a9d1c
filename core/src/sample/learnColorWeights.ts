import { OutOfRange } from '../outOfRange.ts';
import { solveInPlace } from '../maths/solve.ts';
import {
  addCounts,
  countedGold_mg,
  effectiveColors,
  FLATNESS_LOG_SD,
  usualWeights,
  WEIGHED_CLASSES,
  type ColorCounts,
  type ColorWeights,
  type WeighedClass,
  type WeightSchool,
} from './colorWeights.ts';

/** Gold weighed, and the colors it was counted as. */
export interface WeighedCount {
  readonly counts: ColorCounts;
  readonly gold_mg: number;
}

/** One class after learning: mean weight of a color with its 90 % band, and the weighed colors of that class it rests on. */
export interface LearnedWeight {
  readonly mg: number;
  readonly low_mg: number;
  readonly high_mg: number;
  /** What was held of it before anything was weighed. */
  readonly usual_mg: number;
  readonly weighedColors: number;
}

/** What a ground's colors weigh, and how unsure that is. */
export interface ColorKnowledge {
  readonly classes: Readonly<Record<WeighedClass, LearnedWeight>>;
  /** Covariance of the logarithms of the means, by rows in the order of `WEIGHED_CLASSES`: a ground's flakes are flat together. */
  readonly logCovariance: readonly number[];
}

/** A scale, losses in drying, gold too fine to be counted: a weighing is off by this share at least. Stated assumption. */
const WEIGHING_CV = 0.1;
/** Steps of the fit; it settles in a handful. */
const STEPS = 25;
const Z90 = 1.645;

/**
 * Mean color weights of a ground's own gold: a school's weights as the prior, moved by weighed counts.
 *
 * The logarithms of the three means are normal beforehand: what all share is how flat the ground's gold is (`FLATNESS_LOG_SD`), what each has of its
 * own is where in the class its sizes lie. A weighing is the sum of counts times means, log-normal about it with the luck of so many colors. The mode and
 * its curvature come by Gauss-Newton steps. Source: Gelman et al., Bayesian Data Analysis (normal approximation at the mode of a non-linear model).
 * A weighed sample with pieces over No. 10 is left out: one piece would outweigh all the rest. No mean passes the sphere that its sieve lets through.
 * @param counted all colors counted on the ground, weighed or not: they say where in a class its sizes lie
 * @throws OutOfRange when gold was weighed where nothing was counted
 */
export function learnColorWeights(
  weighed: readonly WeighedCount[],
  school: WeightSchool = 'geometry',
  counted: ColorCounts = addCounts(weighed.map((w) => w.counts)),
): ColorKnowledge {
  const usual = usualWeights(school, counted);
  const k = WEIGHED_CLASSES.length;
  const cov = (i: number, j: number): number =>
    FLATNESS_LOG_SD ** 2 + (i === j ? usual[WEIGHED_CLASSES[i] as WeighedClass].logSd ** 2 : 0);
  const priorPrecision = inverse(
    Float64Array.from({ length: k * k }, (_, at) => cov(Math.floor(at / k), at % k)),
    k,
  );
  // The usual weights are means; the mode of the logarithm lies half its variance lower.
  const prior = WEIGHED_CLASSES.map((name, i) => Math.log(usual[name].mg) - cov(i, i) / 2);
  const usable = weighed.filter((w) => w.counts['+10'] === 0);
  const theta = Float64Array.from(prior);
  let covariance = inverse(priorPrecision, k);
  for (let step = 0; usable.length > 0 && step < STEPS; step++) {
    const now = weightsAt(theta);
    const precision = priorPrecision.slice();
    const right = new Float64Array(k);
    for (let i = 0; i < k; i++)
      for (let j = 0; j < k; j++)
        right[i] =
          (right[i] as number) + (priorPrecision[i * k + j] as number) * ((prior[j] as number) - (theta[j] as number));
    for (const { counts, gold_mg } of usable) {
      const expected = countedGold_mg(counts, now);
      if (!(expected > 0)) throw new OutOfRange('counts', 'no color', 'a count beside the weight');
      const variance = Math.log1p(1 / effectiveColorsOfWeighing(counts, now) + WEIGHING_CV ** 2);
      // The luck of the weighing makes its logarithm lie half its variance below that of the mean.
      const residual = Math.log(gold_mg / expected) + variance / 2;
      const slope = WEIGHED_CLASSES.map((c) => (counts[c] * now[c]) / expected);
      for (let i = 0; i < k; i++) {
        right[i] = (right[i] as number) + ((slope[i] as number) * residual) / variance;
        for (let j = 0; j < k; j++)
          precision[i * k + j] =
            (precision[i * k + j] as number) + ((slope[i] as number) * (slope[j] as number)) / variance;
      }
    }
    covariance = inverse(precision, k);
    let moved = 0;
    for (let i = 0; i < k; i++) {
      let change = 0;
      for (let j = 0; j < k; j++) change += (covariance[i * k + j] as number) * (right[j] as number);
      // A step of more than a factor of e is taken in two.
      const held = Math.max(-1, Math.min(1, change));
      theta[i] = (theta[i] as number) + held;
      moved = Math.max(moved, Math.abs(held));
    }
    if (moved < 1e-7) break;
  }
  const classes = WEIGHED_CLASSES.map((name, i): [WeighedClass, LearnedWeight] => {
    const variance = covariance[i * k + i] as number;
    const mode = theta[i] as number;
    const held = (log: number): number => Math.min(usual[name].most_mg, Math.exp(log));
    return [
      name,
      {
        mg: held(mode + variance / 2),
        low_mg: held(mode - Z90 * Math.sqrt(variance)),
        high_mg: held(mode + Z90 * Math.sqrt(variance)),
        usual_mg: usual[name].mg,
        weighedColors: usable.reduce((sum, w) => sum + w.counts[name], 0),
      },
    ];
  });
  return {
    classes: Object.fromEntries(classes) as Record<WeighedClass, LearnedWeight>,
    logCovariance: [...covariance],
  };
}

const weightsAt = (theta: ArrayLike<number>): ColorWeights => ({
  '10-20': Math.exp(theta[0] as number),
  '20-40': Math.exp(theta[1] as number),
  '-40': Math.exp(theta[2] as number),
});

/** The counts of a weighing are known, so only the weights of single colors scatter: sum n w^2 cv^2 over the square of the sum, turned over. */
function effectiveColorsOfWeighing(counts: ColorCounts, weights_mg: ColorWeights): number {
  const withSpread = 1 / effectiveColors(counts, weights_mg);
  const counted = 1 / effectiveColors(counts, weights_mg, { spread: false });
  return 1 / (withSpread - counted);
}

function inverse(matrix: Float64Array, k: number): Float64Array {
  const out = new Float64Array(k * k);
  for (let c = 0; c < k; c++) {
    const unit = new Float64Array(k);
    unit[c] = 1;
    solveInPlace(matrix.slice(), unit, k);
    for (let r = 0; r < k; r++) out[r * k + c] = unit[r] as number;
  }
  return out;
}

/** The learned means alone, as the grade takes them. */
export const meansOf = ({ classes }: ColorKnowledge): ColorWeights => ({
  '10-20': classes['10-20'].mg,
  '20-40': classes['20-40'].mg,
  '-40': classes['-40'].mg,
});

/**
 * Variance of the logarithm of counted gold that comes from not knowing what a color weighs: shares of the gold by class against the covariance.
 * 0 where nothing was counted.
 */
export function weightLogVariance(
  counts: ColorCounts,
  weights_mg: ColorWeights,
  logCovariance: readonly number[],
): number {
  const gold = WEIGHED_CLASSES.map((c) => counts[c] * weights_mg[c]);
  const all = gold.reduce((a, b) => a + b, 0);
  if (!(all > 0)) return 0;
  const k = gold.length;
  return gold.reduce(
    (sum, a, i) => sum + gold.reduce((row, b, j) => row + ((a * b) / all ** 2) * (logCovariance[i * k + j] ?? 0), 0),
    0,
  );
}
