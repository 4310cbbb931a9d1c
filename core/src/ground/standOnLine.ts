import { MIDSTREAM_M, type Bank, type CentreLine } from './centreLine.ts';

/** A position as a receiver gives it, with the radius it claims. */
export interface PositionFix {
  readonly lon: number;
  readonly lat: number;
  /** Radius of the circle the receiver says it is in, m. */
  readonly accuracy_m: number;
}

/** Where a position stands against a ground: on it, beside it, or not told closely enough to say. */
export type Stand =
  | {
      readonly kind: 'here';
      readonly distance_m: number;
      readonly bank: Bank;
      readonly offset_m: number;
      readonly accuracy_m: number;
    }
  | { readonly kind: 'too wide'; readonly accuracy_m: number }
  | { readonly kind: 'elsewhere'; readonly away_m: number };

/** A circle wider than this names no place on a creek: signs and pans lie closer together. Common practice, no source. */
export const WIDEST_FIX_M = 30;
/** Farther from the line than this one is not on this ground: a bench above a creek still is. Common practice, no source. */
export const ON_GROUND_M = 500;

/**
 * The place of a position on a ground's line. A circle that reaches over the line cannot tell the bank: then it counts as in
 * the middle, and no place is made of a circle wider than `WIDEST_FIX_M`.
 */
export function standOnLine(line: CentreLine, { lon, lat, accuracy_m }: PositionFix): Stand {
  const at = line.locate([lon, lat]);
  if (at.offset_m - accuracy_m > ON_GROUND_M) return { kind: 'elsewhere', away_m: at.offset_m };
  if (!(accuracy_m <= WIDEST_FIX_M)) return { kind: 'too wide', accuracy_m };
  if (at.offset_m > ON_GROUND_M) return { kind: 'elsewhere', away_m: at.offset_m };
  const unsure = accuracy_m > at.offset_m + MIDSTREAM_M;
  return {
    kind: 'here',
    distance_m: at.distance_m,
    bank: unsure ? 'mid' : at.bank,
    offset_m: unsure ? 0 : at.offset_m,
    accuracy_m,
  };
}
