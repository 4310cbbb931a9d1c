import { OutOfRange } from '../outOfRange.ts';
import { solveInPlace } from '../maths/solve.ts';
import { COLOR_MG, type ColorClass, type ColorCounts, type ColorWeights } from './colorWeights.ts';

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
  readonly table_mg: number;
  readonly weighedColors: number;
}
export type WeighedClass = Exclude<ColorClass, '+10'>;
const CLASSES = ['10-20', '20-40', '-40'] as const satisfies readonly WeighedClass[];

/** How far the table may be off for a ground, as a share of it (one standard deviation): flat gold weighs a quarter of chunky gold. A stated assumption. */
export const TABLE_SD = 0.5;
/** Spread of single colors about the mean of their class, as a share of it. A class spans a factor of two in size, eight in weight. A stated assumption. */
export const COLOR_SD = 0.8;

/**
 * Mean color weights of a ground's own gold: the table (Wells 1969) as the prior, moved by weighed counts.
 *
 * Linear model M = sum(n_c w_c x_c) + noise, x_c the ratio of class c to its table weight w_c; prior x_c ~ N(1, TABLE_SD^2), noise variance
 * sum(n_c w_c^2) COLOR_SD^2. The posterior mean solves (P + X'X / s^2) x = P 1 + X'M / s^2.
 * Source: Gelman et al., Bayesian Data Analysis (linear model with known variance, conjugate prior). One class alone gives the familiar
 * weighted mean of the table and the scale. A weighed sample with pieces over No. 10 is left out: one piece would outweigh all the rest.
 * A ratio is held to a twentieth of the table at least.
 * @throws OutOfRange when gold was weighed where nothing was counted
 */
export function learnColorWeights(weighed: readonly WeighedCount[]): Readonly<Record<WeighedClass, LearnedWeight>> {
  const usable = weighed.filter((w) => w.counts['+10'] === 0);
  const k = CLASSES.length;
  const precision = new Float64Array(k * k);
  const right = new Float64Array(k);
  for (let c = 0; c < k; c++) {
    precision[c * k + c] = 1 / TABLE_SD ** 2;
    right[c] = 1 / TABLE_SD ** 2;
  }
  for (const { counts, gold_mg } of usable) {
    const row = CLASSES.map((c) => counts[c] * COLOR_MG[c]);
    const variance = COLOR_SD ** 2 * CLASSES.reduce((sum, c) => sum + counts[c] * COLOR_MG[c] ** 2, 0);
    if (!(variance > 0)) throw new OutOfRange('counts', 'no color', 'a count beside the weight');
    for (let i = 0; i < k; i++) {
      right[i] = (right[i] as number) + ((row[i] as number) * gold_mg) / variance;
      for (let j = 0; j < k; j++)
        precision[i * k + j] = (precision[i * k + j] as number) + ((row[i] as number) * (row[j] as number)) / variance;
    }
  }
  const mean = right.slice();
  solveInPlace(precision.slice(), mean, k);
  const learned = CLASSES.map((name, c): [WeighedClass, LearnedWeight] => {
    const unit = new Float64Array(k);
    unit[c] = 1;
    solveInPlace(precision.slice(), unit, k);
    const half = 1.645 * Math.sqrt(unit[c]);
    const held = (x: number): number => COLOR_MG[name] * Math.max(0.05, x);
    const x = mean[c] as number;
    return [
      name,
      {
        mg: held(x),
        low_mg: held(x - half),
        high_mg: held(x + half),
        table_mg: COLOR_MG[name],
        weighedColors: usable.reduce((sum, w) => sum + w.counts[name], 0),
      },
    ];
  });
  return Object.fromEntries(learned) as Record<WeighedClass, LearnedWeight>;
}

/** The learned means alone, as the grade takes them. */
export const meansOf = (learned: Readonly<Record<WeighedClass, LearnedWeight>>): ColorWeights => ({
  '10-20': learned['10-20'].mg,
  '20-40': learned['20-40'].mg,
  '-40': learned['-40'].mg,
});
