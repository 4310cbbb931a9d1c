import type { StoredSpot } from '@riffle/contract';
import type { PlaceRanking } from '@riffle/core';
import { useEffect, useMemo, useState } from 'react';
import { usePreferences } from '../preferences/preferences.ts';
import type { rankReading } from './rankReading.ts';
import type { Reading } from './useReading.ts';

// Asked for with the start, so that it is there when the first sight has been drawn; it does not hold that up.
const ranker = import('./rankReading.ts');

/** The ranking of a ground, a moment after its first sight; null until then. */
export function useLateRanking(reading: Reading, spots: readonly StoredSpot[]): PlaceRanking | null {
  const { pays_mg_L, reach_m, priors } = usePreferences().preferences;
  const [rank, setRank] = useState<typeof rankReading | null>(null);
  useEffect(() => {
    void ranker.then((m) => setRank(() => m.rankReading));
  }, []);
  return useMemo(
    () => rank && rank(reading, spots, { pays_mg_L, reach_m, priors }),
    [rank, reading, spots, pays_mg_L, reach_m, priors],
  );
}
