import type { StoredSpot } from '@riffle/contract';
import type { PlaceRanking } from '@riffle/core';
import { useEffect, useMemo, useState } from 'react';
import { usePreferences } from '../preferences/preferences.ts';
import { useSeen } from '../ui/useSeen.ts';
import type { rankReading } from './rankReading.ts';
import type { Reading } from './useReading.ts';

/** The ranking of a ground, a moment after its first sight; null until then. */
export function useLateRanking(reading: Reading, spots: readonly StoredSpot[]): PlaceRanking | null {
  const { pays_mg_L, reach_m, priors } = usePreferences().preferences;
  const [rank, setRank] = useState<typeof rankReading | null>(null);
  const seen = useSeen();
  useEffect(() => {
    if (seen) void import('./rankReading.ts').then((m) => setRank(() => m.rankReading));
  }, [seen]);
  return useMemo(
    () => rank && rank(reading, spots, { pays_mg_L, reach_m, priors }),
    [rank, reading, spots, pays_mg_L, reach_m, priors],
  );
}
