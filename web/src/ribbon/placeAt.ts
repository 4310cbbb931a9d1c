import type { StoredGround } from '@riffle/contract';
import type { Bank } from '@riffle/core';
import type { RibbonFrame } from './ribbonFrame.ts';
import type { RibbonScale } from './ribbonScale.ts';

/** A place pointed at on the ribbon. */
export interface RibbonPlace {
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
}

/** Half the creek's usual width as drawn, to turn a tap on a bank into metres. Common practice, no source. */
const HALF_CREEK_M = 12;
/** So much of the band's half height is water, as drawn. */
const WATER = 0.18;

/** The place under a point of the drawing; on a hillside the band's edge lies `reach_m` out. */
export function placeAt(
  px: number,
  py: number,
  frame: RibbonFrame,
  scale: RibbonScale,
  { kind, length_m }: Pick<StoredGround, 'kind' | 'length_m'>,
  reach_m: number,
): RibbonPlace {
  const half = frame.bandHeight / 2;
  const across = (py - frame.bandTop - half) / half;
  const inWater = Math.abs(across) < WATER;
  return {
    distance_m: Math.round(Math.min(length_m, Math.max(0, scale.distanceAt(px)))),
    bank: inWater ? 'mid' : across < 0 ? 'left' : 'right',
    offset_m: inWater ? 0 : Math.round(Math.min(2, Math.abs(across)) * (kind === 'hillside' ? reach_m : HALF_CREEK_M)),
  };
}
