import { gammaCdf, gammaQuantile, lnGamma } from '../maths/gamma.ts';
import { alike } from './alike.ts';
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

const middleOf = (f: Float64Array, k: number): number => ((f[k] as number) + (f[k + 1] as number)) / 2;

/**
 * Chance of each to be the richest of all: the integral of its density times the others' cumulative chances, by the middle of each of 240 steps of one
 * common scale of grades, which begins where the richest of all can hardly lie below. They sum to 1. Work grows with the number of spots, not its square. Riffle's own; two spots agree with `chanceRicher`.
 */
export function chancesOfBest(beliefs: readonly GradeBelief[]): number[] {
  if (beliefs.length === 0) return [];
  const { kinds, kindOf } = alike(beliefs, ({ shape, rate_L_mg }) => `${shape}:${rate_L_mg}`);
  const howMany = new Float64Array(kinds.length);
  for (const kind of kindOf) howMany[kind] = (howMany[kind] as number) + 1;
  const low = Math.log(Math.max(1e-12, highestQuantile(kinds, TAIL)));
  const high = Math.log(highestQuantile(kinds, 1 - TAIL));
  const marks = Array.from({ length: MARKS + 1 }, (_, k) => Math.exp(low + ((high - low) * k) / MARKS));
  const below = kinds.map((b) => {
    const ln = lnGamma(b.shape);
    const f = new Float64Array(marks.length).fill(1);
    // From where it can hardly lie above, it does not: most of the marks, for most.
    for (let k = 0; k < marks.length && (k === 0 || (f[k - 1] as number) < SURELY); k++)
      f[k] = gammaCdf((marks[k] as number) * b.rate_L_mg, b.shape, ln);
    return f;
  });
  const raw = new Float64Array(kinds.length);
  for (let k = 0; k < MARKS; k++) {
    // Too small for a number, it is too small to count: what one gains here is less than twice its own part of it.
    let all = 1;
    for (let i = 0; i < below.length; i++) {
      const middle = middleOf(below[i] as Float64Array, k);
      // Most, for most of the marks.
      if (middle < 1) all *= middle ** (howMany[i] as number);
    }
    if (all === 0) continue;
    for (let i = 0; i < below.length; i++) {
      const f = below[i] as Float64Array;
      const here = (f[k + 1] as number) - (f[k] as number);
      if (here > 0) raw[i] = (raw[i] as number) + (here * all) / middleOf(f, k);
    }
  }
  const sum = raw.reduce((all, r, i) => all + (howMany[i] as number) * r, 0);
  return kindOf.map((kind) => (raw[kind] as number) / sum);
}
