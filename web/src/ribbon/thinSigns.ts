import type { StoredSign } from '@riffle/contract';
import { isFloat } from './across.ts';
import type { RibbonScale } from './ribbonScale.ts';

/** Signs nearer than this on the drawing lie on each other, px. */
const CELL_PX = 16;
/** So many are drawn at one place; the list has them all. */
const MOST_AT_ONE_PLACE = 2;
/** More than this in sight and each is a dot, all of them one path: a drawing of its own for each would make the ribbon stutter. */
const MANY_SIGNS = 90;

interface ThinnedSigns {
  readonly signs: readonly StoredSign[];
  /** So many that each is a dot. */
  readonly asDots: boolean;
}

const ROW = { left: 0, mid: 1, right: 2 } as const;

/**
 * Signs that can be told apart at this scale: at most two kinds in each stretch of a bank a mark wide, the first of a kind standing for the rest.
 * Where even those are many they are dots, and look alike but for float: one of each look stands for its place.
 * What is thinned away from afar comes back on going nearer. Called at every step of a zoom, so it looks only at what is in sight.
 * @param signs by rising distance
 */
export function thinSigns(signs: readonly StoredSign[], { from_m, px_per_m, inSight }: RibbonScale): ThinnedSigns {
  let low = 0;
  for (let high = signs.length; low < high;) {
    const middle = (low + high) >> 1;
    const s = signs[middle] as StoredSign;
    if (s.distance_m < from_m && !inSight(s)) low = middle + 1;
    else high = middle;
  }
  const cells = new Map<number, string[]>();
  const shown: StoredSign[] = [];
  const dots = new Map<number, StoredSign>();
  for (let i = low; i < signs.length; i++) {
    const s = signs[i] as StoredSign;
    if (!inSight(s)) break;
    const key = 3 * Math.floor((s.distance_m * px_per_m) / CELL_PX) + ROW[s.bank];
    const kinds = cells.get(key);
    if (!kinds) cells.set(key, [s.kind]);
    else if (kinds.length >= MOST_AT_ONE_PLACE || kinds.includes(s.kind)) continue;
    else kinds.push(s.kind);
    shown.push(s);
    const dot = 2 * key + Number(isFloat(s));
    if (!dots.has(dot)) dots.set(dot, s);
  }
  const asDots = shown.length > MANY_SIGNS;
  return { signs: asDots ? [...dots.values()] : shown, asDots };
}
