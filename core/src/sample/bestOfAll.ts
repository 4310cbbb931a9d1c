import { gammaCdf, gammaQuantile, lnGamma } from '../maths/gamma.ts';
import type { GradeBelief } from './gradeBelief.ts';

/** Marks on the common scale of grades, evenly on its logarithm. */
const MARKS = 240;
/** Share of a belief left out at either end of the scale. */
const TAIL = 1e-5;

/** As good as one: what is left of a belief above it is lost in rounding. */
const SURELY = 1 - 1e-14;

/** The highest of the grades below which each lies with that chance: whether it is one's own is told by a look at what was the highest before. */
const highestQuantile = (beliefs: readonly GradeBelief[], chance: number): number =>
  beliefs.reduce(
    (highest, { shape, rate_L_mg }) =>
      gammaCdf(highest * rate_L_mg, shape) < chance ? gammaQuantile(chance, shape) / rate_L_mg : highest,
    0,
  );

/**
 * Chance of each to be the richest of all: the integral of its density times the others' cumulative chances, by the middle of each of 240 steps of one
 * common scale of grades, which begins where the richest of all can hardly lie below. They sum to 1. Work grows with the number of spots, not its square. Riffle's own; two spots agree with `chanceRicher`.
 */
export function chancesOfBest(beliefs: readonly GradeBelief[]): number[] {
  if (beliefs.length === 0) return [];
  const low = Math.log(Math.max(1e-12, highestQuantile(beliefs, TAIL)));
  const high = Math.log(highestQuantile(beliefs, 1 - TAIL));
  const marks = Array.from({ length: MARKS + 1 }, (_, k) => Math.exp(low + ((high - low) * k) / MARKS));
  const below = beliefs.map((b) => {
    const ln = lnGamma(b.shape);
    const f = new Float64Array(marks.length).fill(1);
    // From where it can hardly lie above, it does not: most of the marks, for most.
    for (let k = 0; k < marks.length && (k === 0 || (f[k - 1] as number) < SURELY); k++)
      f[k] = gammaCdf((marks[k] as number) * b.rate_L_mg, b.shape, ln);
    return f;
  });
  const [raw, logs] = [new Float64Array(beliefs.length), new Float64Array(beliefs.length)];
  for (let k = 0; k < MARKS; k++) {
    // A chance of nothing in the product would hide all others: it counts as very small.
    let all = 0;
    for (let i = 0; i < below.length; i++) {
      const f = below[i] as Float64Array;
      const middle = ((f[k] as number) + (f[k + 1] as number)) / 2;
      // Most, for most of the marks.
      const log = middle === 1 ? 0 : Math.log(Math.max(1e-300, middle));
      logs[i] = log;
      all += log;
    }
    for (let i = 0; i < below.length; i++) {
      const f = below[i] as Float64Array;
      const here = (f[k + 1] as number) - (f[k] as number);
      if (here > 0) raw[i] = (raw[i] as number) + here * Math.exp(all - (logs[i] as number));
    }
  }
  const sum = raw.reduce((a, b) => a + b, 0);
  return [...raw].map((r) => r / sum);
}
