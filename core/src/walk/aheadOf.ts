import type { Bank } from '../ground/centreLine.ts';

/** Which way one walks along the line. */
export type WalkWay = 'up' | 'down';

/** A place worth stopping at, as one walks. */
export interface WalkPlace {
  readonly id: string;
  readonly distance_m: number;
  readonly bank: Bank;
}

/** A place with how far it is, in the way one walks; behind is negative. */
export type Ahead<P extends WalkPlace> = P & { readonly ahead_m: number };

/** One has turned when one went back farther than this, beside what the receiver wanders. Common practice, no source. */
const TURNED_M = 12;
/** A place stays the next one until it lies so far behind. Common practice, no source. */
export const BEHIND_M = 12;

/** Metres still to go to a distance along the line; negative once it lies behind. */
export const aheadBy = (way: WalkWay, here_m: number, there_m: number): number =>
  way === 'up' ? there_m - here_m : here_m - there_m;

/**
 * The way one walks, kept until one has clearly turned: `turn_m` is the farthest point reached in it. A receiver that wanders
 * by its own accuracy turns nobody round.
 */
export function walkingWay(
  before: { readonly way: WalkWay; readonly turn_m: number },
  here_m: number,
  accuracy_m: number,
): { readonly way: WalkWay; readonly turn_m: number } {
  const gone = aheadBy(before.way, before.turn_m, here_m);
  if (gone >= 0) return { way: before.way, turn_m: here_m };
  return gone < -(TURNED_M + accuracy_m) ? { way: before.way === 'up' ? 'down' : 'up', turn_m: here_m } : before;
}

/** Places by how far they are ahead, nearest first; those a little behind are still in reach. */
export const aheadOf = <P extends WalkPlace>(places: readonly P[], way: WalkWay, here_m: number): Ahead<P>[] =>
  places
    .map((p) => ({ ...p, ahead_m: aheadBy(way, here_m, p.distance_m) }))
    .filter((p) => p.ahead_m >= -BEHIND_M)
    .sort((a, b) => a.ahead_m - b.ahead_m);

/** The hand a bank is on: walking up a creek its right bank is on one's left. Null in the middle. */
export const handOf = (bank: Bank, way: WalkWay): 'left' | 'right' | null =>
  bank === 'mid' ? null : (bank === 'right') === (way === 'up') ? 'left' : 'right';
