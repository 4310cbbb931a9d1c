import type { StoredGround } from '@riffle/contract';
import type { Bank } from '@riffle/core';
import { lineY } from './across.ts';
import type { Reach } from './creekShape.ts';
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

/** The place under a point of the drawing; on broad ground to scale, within `reach`. */
export function placeAt(
  px: number,
  py: number,
  frame: RibbonFrame,
  scale: RibbonScale,
  { length_m }: Pick<StoredGround, 'length_m'>,
  reach: Reach | null,
): RibbonPlace {
  const distance_m = Math.round(Math.min(length_m, Math.max(0, scale.distanceAt(px))));
  if (reach) {
    const out_m = Math.round(
      ((py - lineY(reach, frame.bandTop, frame.bandHeight)) * (reach.left_m + reach.right_m)) / frame.bandHeight,
    );
    const most_m = out_m < 0 ? reach.left_m : reach.right_m;
    return {
      distance_m,
      bank: out_m === 0 ? 'mid' : out_m < 0 ? 'left' : 'right',
      offset_m: Math.min(Math.abs(out_m), Math.round(most_m)),
    };
  }
  const half = frame.bandHeight / 2;
  const across = (py - frame.bandTop - half) / half;
  const inWater = Math.abs(across) < WATER;
  return {
    distance_m,
    bank: inWater ? 'mid' : across < 0 ? 'left' : 'right',
    offset_m: inWater ? 0 : Math.round(Math.min(2, Math.abs(across)) * HALF_CREEK_M),
  };
}
