import type { StoredScreening } from '@riffle/contract';
import { medianThrough_mm, sizeCurve } from '@riffle/core';

/** Half of what passes a screen is finer than this, m, by the latest screening of this spot, else of this ground; null where none reaches so far. */
export function feedMedian_m(
  screenings: readonly StoredScreening[],
  spotId: string | null,
  stone_m: number,
): number | null {
  const latest = (of: readonly StoredScreening[]): StoredScreening[] =>
    [...of].sort((a, b) => b.screenedAt.localeCompare(a.screenedAt));
  for (const s of [...latest(screenings.filter((k) => k.spotId === spotId)), ...latest(screenings)]) {
    // Moisture is the same share of all of them.
    const { points } = sizeCurve(s.screens, s.through);
    const median_mm = medianThrough_mm(points, stone_m * 1000);
    if (median_mm !== null) return median_mm / 1000;
  }
  return null;
}
