import { UNITS } from '../measures/units.ts';

/** Size classes a color is counted in, coarse first; limits are US sieves (ASTM E11). */
export const COLOR_CLASSES = ['+10', '10-20', '20-40', '-40'] as const;
export type ColorClass = (typeof COLOR_CLASSES)[number];

/** Colors counted, by class. */
export type ColorCounts = Readonly<Record<ColorClass, number>>;

export const NO_COLORS: ColorCounts = { '+10': 0, '10-20': 0, '20-40': 0, '-40': 0 };

/**
 * Mean weight of one color, mg, from colors per troy ounce: 2 200, 12 000 and 40 000.
 * Source: Wells (1969), Placer Examination, BLM Technical Bulletin 4 - one source, from memory, not confirmed;
 * chunky grains (flat gold weighs a quarter as much). A crew's own weighed counts replace them.
 * A piece over No. 10 has no table weight: it must be weighed.
 */
export const COLOR_MG: Readonly<Record<Exclude<ColorClass, '+10'>, number>> = {
  '10-20': UNITS.mass.ozt / 2200,
  '20-40': UNITS.mass.ozt / 12_000,
  '-40': UNITS.mass.ozt / 40_000,
};
export type ColorWeights = typeof COLOR_MG;

/** All colors counted. */
export const countColors = (counts: ColorCounts): number => COLOR_CLASSES.reduce((sum, c) => sum + counts[c], 0);

/** Colors of several pans together, by class. */
export function addCounts(pans: Iterable<ColorCounts>): ColorCounts {
  const sum = { ...NO_COLORS } as Record<ColorClass, number>;
  for (const counts of pans) for (const c of COLOR_CLASSES) sum[c] += counts[c];
  return sum;
}
