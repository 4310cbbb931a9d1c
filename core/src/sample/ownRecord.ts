import { beliefBand_mg_L, beliefMean_mg_L } from './gradeBelief.ts';
import type { SpotPan } from './groundColors.ts';
import { groundColors } from './groundColors.ts';
import type { HolePit } from './hole.ts';
import { gradeSpots } from './spotGrades.ts';
import type { WeightSchool } from './colorWeights.ts';

/** A clean-up as far as a forecast goes: when its first run began, which spot all its gravel came from, what it held. */
export interface MeasuredRun {
  readonly cleanupId: string;
  readonly spotId: string;
  readonly startedAt: string;
  readonly volumeBank_L: number;
  readonly gold_mg: number;
}

/** What the pans before a run said of its gravel, and what the box then held. */
export interface OpenedForecast {
  readonly cleanupId: string;
  readonly spotId: string;
  readonly startedAt: string;
  readonly said_mg_L: number;
  readonly low_mg_L: number;
  readonly high_mg_L: number;
  readonly came_mg_L: number;
  readonly held: boolean;
  readonly pans: number;
}

/**
 * The crew's own record: for every clean-up whose gravel is from one spot, the band that the pans taken before its run gave that spot, as it would be said
 * today, against the gold the box held in each litre. Spots never panned before make no forecast. A box keeps less than the ground holds, so what came
 * tells of box and forecast together. Latest first.
 */
export function ownRecord(
  runs: readonly MeasuredRun[],
  samples: readonly (SpotPan & { readonly takenAt: string })[],
  swell_percent: number,
  pits: readonly HolePit[] = [],
  school?: WeightSchool,
): OpenedForecast[] {
  return runs
    .flatMap((run): OpenedForecast[] => {
      const before = samples.filter((s) => s.takenAt < run.startedAt);
      const { grades } = gradeSpots(before, swell_percent, groundColors(before, swell_percent, school), pits);
      const spot = grades.get(run.spotId);
      if (!spot || !(run.volumeBank_L > 0)) return [];
      const { low, high } = beliefBand_mg_L(spot.pooled);
      const came_mg_L = run.gold_mg / run.volumeBank_L;
      return [
        {
          cleanupId: run.cleanupId,
          spotId: run.spotId,
          startedAt: run.startedAt,
          said_mg_L: beliefMean_mg_L(spot.pooled),
          low_mg_L: low,
          high_mg_L: high,
          came_mg_L,
          held: low <= came_mg_L && came_mg_L <= high,
          pans: spot.samples,
        },
      ];
    })
    .sort((a, b) => b.startedAt.localeCompare(a.startedAt));
}
