import type { StoredGround, StoredSample, StoredSpot } from '@riffle/contract';
import { countColors, traceColors, type Trace } from '@riffle/core';
import { useMemo } from 'react';
import { measureOf } from '../../ribbon/spotGrades.ts';

/** Where colors stop, walking up: all pans of a spot taken together. */
export function useTrace(ground: StoredGround, spots: readonly StoredSpot[], samples: readonly StoredSample[]): Trace {
  const { swell_percent } = ground;
  return useMemo(() => traceColors(spots.flatMap((spot) => {
    const mine = samples.filter((s) => s.spotId === spot.id);
    if (mine.length === 0) return [];
    return [{ id: spot.id, distance_m: spot.distance_m, colors: mine.reduce((sum, s) => sum + countColors(s.counts), 0), volumeBank_L: mine.reduce((sum, s) => sum + measureOf(s, swell_percent).volumeBank_L, 0) }];
  })), [spots, samples, swell_percent]);
}
