import { requireWithin } from '../outOfRange.ts';

/** One size of what is fed: its share and how strongly one pass catches it. */
export interface CaughtShare {
  readonly share: number;
  /** Mean exponent of catch: a pass leaves e^-E of grains that are all alike. */
  readonly exponent: number;
}

/** What is left of one size after so many passes; grains of a size differ by `scatter`, the squared coefficient of variation of their exponents. */
export function leftOfSize(exponent: number, passes: number, scatter: number): number {
  requireWithin('exponent', exponent, 0, 1e9);
  requireWithin('scatter', scatter, 0, 100);
  // Grains as good as alike: the power of a number next to 1 is lost.
  return scatter < 1e-9 ? Math.exp(-passes * exponent) : Math.exp(-Math.log1p(passes * scatter * exponent) / scatter);
}

/** Passes of the first one's strength that so many come to. */
export const asPasses = (passes: number, later: number): number => (passes <= 1 ? passes : 1 + (passes - 1) * later);

/** After each pass: what is left of all that was fed, what this pass lost of what it met, and what it held of all. */
export interface Pass {
  readonly left: number;
  readonly lostOfWhatItMeets: number;
  readonly held: number;
}

/**
 * Passes over the same gravel: the first takes what is easy, so each later one loses more of what it meets, and losses
 * never square. Laplace transform of the gamma distribution over a mix of sizes; that a grain keeps its own exponent from
 * pass to pass is a stated assumption.
 * @param passes 1 to 20
 * @param later how strongly a later pass catches over the first: tailings are fed again by other hands, without the stones
 */
export function passesOver(mix: readonly CaughtShare[], passes: number, scatter: number, later = 1): Pass[] {
  requireWithin('passes', passes, 1, 20);
  requireWithin('later', later, 0, 10);
  const whole = mix.reduce((sum, m) => sum + m.share, 0);
  const leftAfter = (n: number): number =>
    mix.reduce((sum, m) => sum + m.share * leftOfSize(m.exponent, asPasses(n, later), scatter), 0) / whole;
  return Array.from({ length: passes }, (_, i) => {
    const [before, left] = [i === 0 ? 1 : leftAfter(i), leftAfter(i + 1)];
    return { left, lostOfWhatItMeets: left / before, held: before - left };
  });
}
