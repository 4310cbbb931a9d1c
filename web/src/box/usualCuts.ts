import { liningOf, type LinedSection } from '@riffle/core';

/** What tells whether the box holds lies above this: the first hand's width. */
const HEAD_M = 0.2;
const MIDDLE_M = 0.5;

/**
 * Where a box is cut to be weighed, from the head down, m: one of several linings where it was built of them; one of a single lining after the first
 * 200 mm, then at half a meter, then at its end. Common practice, no source.
 */
export function usualCuts_m(built: readonly Pick<LinedSection, 'lining' | 'own' | 'length_m'>[]): number[] {
  const ends = built.map((_, i) => built.slice(0, i + 1).reduce((sum, s) => sum + s.length_m, 0));
  if (new Set(built.map((s) => liningOf(s).name)).size > 1) return ends;
  const whole_m = ends.at(-1) ?? 1.2;
  return [HEAD_M, MIDDLE_M].filter((cut) => cut < whole_m - 0.02).concat(whole_m);
}
