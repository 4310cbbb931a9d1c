import type { StoredSpot } from '@riffle/contract';
import { underWater, type RankedPlace } from '@riffle/core';
import { useMemo } from 'react';
import { useNow } from '../ui/useNow.ts';
import type { RankedReading } from './rankReading.ts';
import { useLateRanking } from './useLateRanking.ts';
import type { Reading } from './useReading.ts';

/** The ranking without what the river covers or a claim shuts today: no place to send anyone. Null for a moment after the first sight. */
export function useOpenRanking(reading: Reading, spots: readonly StoredSpot[]): RankedReading | null {
  const all = useLateRanking(reading, spots);
  const { river } = reading;
  const now_ms = useNow(60_000);
  return useMemo(() => {
    if (!all) return null;
    const byId = new Map(spots.map((s) => [s.id, s]));
    const isOpen = (r: RankedPlace): boolean =>
      !underWater(byId.get(r.place.spotId ?? ''), river, now_ms) && !all.isShut(r.place);
    return {
      ...all,
      ranked: all.ranked.filter(isOpen),
      proven: all.proven.filter(isOpen),
      untried: all.untried.filter(isOpen),
    };
  }, [all, spots, river, now_ms]);
}
