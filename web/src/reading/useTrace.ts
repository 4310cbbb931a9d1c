import type { StoredGround, StoredSample, StoredSign, StoredSpot } from '@riffle/contract';
import { countColors, sternberg, traceColors, type RankingRules, type Trace, type TracePoint } from '@riffle/core';
import { useMemo } from 'react';
import { measureOf } from '../ribbon/spotGrades.ts';

/** A spot with its pans added up. */
export type TriedSpot = TracePoint;

/** Spots that were panned, all pans of each taken together. */
export function useTried(
  ground: StoredGround,
  spots: readonly StoredSpot[],
  samples: readonly StoredSample[],
): readonly TriedSpot[] {
  const { swell_percent } = ground;
  return useMemo(
    () =>
      spots.flatMap((spot) => {
        const mine = samples.filter((s) => s.spotId === spot.id);
        if (mine.length === 0) return [];
        return [
          {
            id: spot.id,
            distance_m: spot.distance_m,
            colors: mine.reduce((sum, s) => sum + countColors(s.counts), 0),
            volumeBank_L: mine.reduce((sum, s) => sum + measureOf(s, swell_percent).volumeBank_L, 0),
          },
        ];
      }),
    [spots, samples, swell_percent],
  );
}

/** Where colors stop, walking up. */
export const useTrace = (tried: readonly TriedSpot[]): Trace => useMemo(() => traceColors(tried), [tried]);

/** Stones with their sizes, downstream positive. */
export const floatStones = (
  signs: readonly StoredSign[],
): { downstream_m: number; size_mm: number; stained: boolean }[] =>
  signs.flatMap((s) =>
    (s.kind === 'float' || s.kind === 'stained float') && s.size_mm !== null
      ? [{ downstream_m: -s.distance_m, size_mm: s.size_mm, stained: s.kind === 'stained float' }]
      : [],
  );

/** Float grows upstream beyond doubt: three places or more, and the whole band of its rate on one side. */
export function floatGrows(signs: readonly StoredSign[]): boolean {
  const stones = floatStones(signs);
  return new Set(stones.map((s) => s.downstream_m)).size >= 3 && sternberg(stones).alphaBand.low > 0;
}

/** What the trail of colors and float has to say in the ranking. Nothing below a fair certainty. */
export function useTrail(trace: Trace, signs: readonly StoredSign[]): Pick<RankingRules, 'trail' | 'float'> {
  return useMemo(
    () => ({
      trail:
        trace.kind === 'break' && trace.certainty > 0.3
          ? { from_m: trace.below.distance_m, to_m: trace.above.distance_m, certainty: trace.certainty }
          : null,
      float: floatGrows(signs)
        ? {
            largest_m: -Math.min(
              ...floatStones(signs)
                .sort((a, b) => b.size_mm - a.size_mm)
                .slice(0, 1)
                .map((s) => s.downstream_m),
            ),
          }
        : null,
    }),
    [trace, signs],
  );
}
