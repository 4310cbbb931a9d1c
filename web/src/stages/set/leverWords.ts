import type { Lever } from '@riffle/core';
import type { SetShow } from './setShow.ts';

/** A flat stone under an end is about so thick, m. Common practice, no source. */
const FLAT_STONE_M = 0.03;

/** A height in what lies about at a creek. */
function inHand(height_m: number): string {
  if (height_m < 0.012) return 'a pebble';
  if (height_m < 0.02) return 'a thin flat stone';
  const stones = Math.max(1, Math.round(height_m / FLAT_STONE_M));
  return stones === 1 ? 'one flat stone' : `${['two', 'three', 'four', 'five'][stones - 2] ?? stones} flat stones`;
}

/** What to do, as the beginning of a sentence. */
export function leverWords(lever: Lever, show: SetShow): string {
  switch (lever.kind) {
    case 'head':
      return `${lever.head_m > 0 ? 'Lift' : 'Lower'} the head ${show.head.smallLength(Math.abs(lever.head_m))}`;
    case 'water':
      return `${lever.water_m > 0 ? 'Let in' : 'Take off'} ${show.water.smallLength(Math.abs(lever.water_m))} of water`;
    case 'screen':
      return `Screen to ${show.stone.smallLength(lever.stone_m)}`;
    case 'slower':
      return 'Feed slower';
    case 'level':
      return 'Level it first';
  }
}

/** How it is done by hand. */
export function leverByHand(lever: Lever, show: SetShow, typedPitch: string): string {
  switch (lever.kind) {
    case 'head':
      return `${inHand(Math.abs(lever.head_m))} ${lever.head_m > 0 ? 'under the head' : 'out from under it'}, to ${typedPitch}`;
    case 'water':
      return lever.water_m > 0
        ? `stones at the mouth, or the box further into the run, until ${show.water.smallLength(lever.depth_m)} stand over the lining`
        : `a stone out of the way, until ${show.water.smallLength(lever.depth_m)} stand over the lining`;
    case 'screen':
      return 'look through what stays on it before it goes';
    case 'slower':
      return 'the next scoop when the last has cleared';
    case 'level':
      return 'a pebble under the low side, until the water is as deep on both';
  }
}
