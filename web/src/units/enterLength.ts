import { UNITS, type Entered } from '@riffle/core';

export type LengthUnit = keyof typeof UNITS.length;

/** A length as one would type it in a unit, to so many decimals: the start of a field. Empty for a length not known. */
export function enterLength(length_m: number | null | undefined, unit: LengthUnit, decimals = 1): Entered {
  if (length_m === null || length_m === undefined) return { text: '', unit };
  const scale = 10 ** decimals;
  return { text: String(Math.round((length_m / UNITS.length[unit]) * scale) / scale), unit };
}
