import type { StoredSign } from '@riffle/contract';
import type { Bank } from '@riffle/core';
import type { CreekShape } from './creekShape.ts';

/** Where things stand across the band at a distance, px. */
export interface BandLevels {
  readonly bankTop: number;
  readonly waterTop: number;
  readonly waterBottom: number;
  readonly bankBottom: number;
}

/**
 * Levels across a straightened creek: the water swings to the outside of each bend, so the bend stays readable.
 * On a beach the lower half is the sea, its edge at the line.
 */
export function bandLevels(shape: CreekShape, top: number, height: number, distance_m: number): BandLevels {
  const b = shape.bend(distance_m);
  if (shape.kind === 'hillside')
    return { bankTop: top, waterTop: top + height / 2, waterBottom: top + height / 2, bankBottom: top + height };
  const wobble = (k: number): number => 1.6 * Math.sin(distance_m / 13 + k) + 1.1 * Math.sin(distance_m / 5.7 + 2 * k);
  if (shape.kind === 'beach') {
    const edge = top + height * 0.56 + 3 * Math.sin(distance_m / 31) + 1.4 * wobble(0.8);
    return { bankTop: top + wobble(0), waterTop: edge, waterBottom: top + height, bankBottom: top + height };
  }
  const middle = top + height / 2 + b * height * 0.2;
  const half = height * (0.17 - 0.03 * Math.abs(b));
  return {
    bankTop: top + wobble(0),
    waterTop: middle - half,
    waterBottom: middle + half,
    bankBottom: top + height + wobble(1.7),
  };
}

/** Across the band: in the water, on the gravel of its bank, or, for a bench, above the bank. */
export function placeAcross(
  shape: CreekShape,
  top: number,
  height: number,
  { distance_m, bank, offset_m }: { distance_m: number; bank: Bank; offset_m: number },
  reach_m = Infinity,
): number {
  if (shape.kind === 'hillside')
    return (
      top + (height / 2) * (1 + (bank === 'left' ? -1 : bank === 'right' ? 1 : 0) * Math.min(0.94, offset_m / reach_m))
    );
  const at = bandLevels(shape, top, height, distance_m);
  if (bank === 'mid') return (at.waterTop + at.waterBottom) / 2;
  const beyond = Math.min(10, Math.max(0, offset_m - 14));
  return bank === 'left' ? (at.bankTop + at.waterTop) / 2 - beyond : (at.bankBottom + at.waterBottom) / 2 + beyond;
}

/** Loose pieces that came from upstream, clean or stained. */
export const isFloat = (s: Pick<StoredSign, 'kind'>): boolean => s.kind === 'float' || s.kind === 'stained float';

/** Float lies along the lower edge of the banks, so that its growth upstream can be followed; other signs stand where they were seen, a little off the spots. */
export function signAcross(
  shape: CreekShape,
  top: number,
  height: number,
  sign: Pick<StoredSign, 'kind' | 'distance_m' | 'bank' | 'offset_m'>,
  reach_m: number,
): number {
  if (shape.kind === 'hillside') return placeAcross(shape, top, height, sign, reach_m);
  const at = bandLevels(shape, top, height, sign.distance_m);
  if (isFloat(sign)) return top + height + 7;
  if (sign.bank === 'mid') return (at.waterTop + at.waterBottom) / 2;
  return sign.bank === 'left'
    ? at.bankTop + (at.waterTop - at.bankTop) * 0.82
    : at.bankBottom - (at.bankBottom - at.waterBottom) * 0.82;
}
