import type { StoredSpot } from '@riffle/contract';
import { useRecords } from '../records/useRecords.ts';
import { useLocalTime } from '../when/useLocalTime.ts';
import { useEffect, useMemo, useState } from 'react';
import { CONTAINERS } from '@riffle/core';
import { useListStates } from '../records/useListStates.ts';
import { useContainers } from '../records/useContainers.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { untilHere } from '../ui/late.ts';
import { useNow } from '../ui/useNow.ts';
import { useSeen } from '../ui/useSeen.ts';
import type * as ranker from './rankReading.ts';
import type { RankedReading } from './rankReading.ts';
import type { Reading } from './useReading.ts';

/** What a ranking rests on. */
const RESTS_ON = ['pans', 'signs', 'pits', 'outlines', 'permissions'] as const;

/** The ranking of a ground, a moment after its first sight; null until then, and while what it rests on is on its way: no word of it is then taken back. */
export function useLateRanking(reading: Reading, spots: readonly StoredSpot[]): RankedReading | null {
  const { pays_mg_L, reach_m, priors } = usePreferences().preferences;
  const pan_L = useContainers().pan ?? CONTAINERS.pan;
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const [rank, setRank] = useState<typeof ranker | null>(null);
  const seen = useSeen();
  useEffect(() => {
    if (seen) void untilHere(() => import('./rankReading.ts')).then((m) => setRank(m));
  }, [seen]);
  const outlines = useRecords('outlines', reading.ground.id).items;
  const notes = useRecords('permissions', reading.ground.id).items;
  const arriving = useListStates(RESTS_ON, reading.ground.id).states.includes('arriving');
  const today = rank && local.isoDay(now_ms);
  return useMemo(
    () =>
      rank && today !== null && !arriving
        ? rank.rankReading(
            reading,
            spots,
            { pays_mg_L, reach_m, priors, pan_L },
            rank.claimsOf(reading.ground, outlines, notes, today),
          )
        : null,
    [rank, arriving, reading, spots, pays_mg_L, reach_m, priors, pan_L, outlines, notes, today],
  );
}
