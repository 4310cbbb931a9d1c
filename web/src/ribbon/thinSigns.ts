import type { StoredSign } from '@riffle/contract';

/** Signs nearer than this on the drawing lie on each other, px. */
const CELL_PX = 16;
/** So many are drawn at one place; the list has them all. */
const MOST_AT_ONE_PLACE = 2;
/** More than this in sight and each is a dot, all of them one path: a drawing of its own for each would make the ribbon stutter. */
export const MANY_SIGNS = 90;

/**
 * Signs that can be told apart at this scale: at most two kinds in each stretch of a bank a mark wide, the first of a kind standing for the rest.
 * What is thinned away from afar comes back on going nearer.
 */
export function thinSigns(signs: readonly StoredSign[], from_m: number, to_m: number, pxPerM: number): StoredSign[] {
  const cells = new Map<string, Set<string>>();
  return signs.filter((s) => {
    if (s.distance_m < from_m - 1 || s.distance_m > to_m + 1) return false;
    const key = `${s.bank} ${Math.floor((s.distance_m * pxPerM) / CELL_PX)}`;
    const kinds = cells.get(key) ?? new Set<string>();
    if (kinds.has(s.kind) || kinds.size >= MOST_AT_ONE_PLACE) return false;
    kinds.add(s.kind);
    cells.set(key, kinds);
    return true;
  });
}
