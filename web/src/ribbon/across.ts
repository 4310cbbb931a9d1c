import type { StoredSign } from '@riffle/contract';
import type { Bank } from '@riffle/core';
import type { CreekShape, Reach } from './creekShape.ts';

/** Where things stand across the band at a distance, px. */
export interface BandLevels {
  readonly bankTop: number;
  readonly waterTop: number;
  readonly waterBottom: number;
  readonly bankBottom: number;
}

/** Where the line lies across broad ground, px. */
export const lineY = ({ left_m, right_m }: Reach, top: number, height: number): number =>
  top + (height * left_m) / (left_m + right_m);

/**
 * Levels across a straightened creek: the water swings to the outside of each bend, so the bend stays readable.
 * On a beach the lower half is the sea, its edge at the line.
 */
export function bandLevels(shape: CreekShape, top: number, height: number, distance_m: number): BandLevels {
  const b = shape.bend(distance_m);
  if (shape.reach) {
    const line = lineY(shape.reach, top, height);
    return { bankTop: top, waterTop: line, waterBottom: line, bankBottom: top + height };
  }
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

/** Across the band: in the water, on the gravel of its bank, or beyond it; on broad ground to scale. */
export function placeAcross(
  shape: CreekShape,
  top: number,
  height: number,
  { distance_m, bank, offset_m }: { distance_m: number; bank: Bank; offset_m: number },
): number {
  const { reach } = shape;
  if (reach) {
    const out_m = bank === 'mid' ? 0 : bank === 'left' ? -offset_m : offset_m;
    const y = lineY(reach, top, height) + (out_m * height) / (reach.left_m + reach.right_m);
    return Math.min(top + height - 4, Math.max(top + 4, y));
  }
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
): number {
  if (shape.reach) return placeAcross(shape, top, height, sign);
  const at = bandLevels(shape, top, height, sign.distance_m);
  if (isFloat(sign)) return top + height + 7;
  if (sign.bank === 'mid') return (at.waterTop + at.waterBottom) / 2;
  return sign.bank === 'left'
    ? at.bankTop + (at.waterTop - at.bankTop) * 0.82
    : at.bankBottom - (at.bankBottom - at.waterBottom) * 0.82;
}
