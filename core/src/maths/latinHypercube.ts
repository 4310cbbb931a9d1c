import { normalQuantile } from './normal.ts';
import { seededRandom } from './random.ts';

/** 0 to n - 1 in any order (Fisher & Yates). */
function shuffled(n: number, random: () => number): number[] {
  const order = Array.from({ length: n }, (_, i) => i);
  for (let i = n - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1));
    [order[i], order[k]] = [order[k] as number, order[i] as number];
  }
  return order;
}

/** What is believed of each parameter: its value at a share of its belief, 0 to 1. */
export type Beliefs<P> = { readonly [K in keyof P]: (share: number) => number };

/** A normal belief as its mean and deviation; a log-normal one as its median and the deviation of its logarithm. */
export const normal = (mean: number, sd: number) => (share: number) => mean + sd * normalQuantile(share);
export const logNormal = (median: number, logSd: number) => (share: number) =>
  median * Math.exp(logSd * normalQuantile(share));
/** Nine in ten of a normal lie within so many deviations. */
export const Z90 = 1.6449;

/** The middle of all that is believed. */
export const middleOf = <P>(beliefs: Beliefs<P>): P => at(beliefs, () => 0.5);

/**
 * Draws that take the middle of each of so many equal shares of every parameter's belief once (McKay, Beckman & Conover
 * 1979, Technometrics 21, 239-245). Seeded: the same for everything that is compared.
 */
export function latinHypercube<P>(beliefs: Beliefs<P>, draws: number, seed: number): P[] {
  const random = seededRandom(seed);
  const orders = new Map(Object.keys(beliefs).map((name) => [name, shuffled(draws, random)]));
  return Array.from({ length: draws }, (_, d) => at(beliefs, (name) => ((orders.get(name)?.[d] ?? 0) + 0.5) / draws));
}

const at = <P>(beliefs: Beliefs<P>, shareOf: (name: string) => number): P =>
  Object.fromEntries(
    (Object.keys(beliefs) as (keyof P & string)[]).map((name) => [name, beliefs[name](shareOf(name))]),
  ) as P;
