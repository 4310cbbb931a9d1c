/**
 * Loose volume, in litres, of the containers people count in, at level fill.
 * Common practice, no source: a 14 in pan holds about 4.75 L at the fill people pan, four double
 * handfuls make a test pan, a "five-gallon" bucket of gravel is filled to the five US gallons.
 * A crew measures its own; these only stand in until then.
 */
export const CONTAINERS = {
  pan: 4.75,
  handful: 0.6,
  'double handful': 1.2,
  scoop: 0.28,
  bucket: 18.927,
  wheelbarrow: 85,
  bag: 12,
} as const;
export type Container = keyof typeof CONTAINERS;

/** Loose volume of gravel over its volume in the bank, less one, in percent. Gravel swells 10-25 % (Wells 1969, from memory); the middle is the default. */
export const DEFAULT_SWELL_PERCENT = 18;

/** Volume in the bank of a loose volume. Definition: loose = bank x (1 + swell/100). */
export function bankVolume_L(loose_L: number, swell_percent: number): number {
  return loose_L / (1 + swell_percent / 100);
}
