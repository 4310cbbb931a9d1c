import { paceAt, type HandPace } from '@riffle/core';
import type { StoredGround, StoredSpot } from '@riffle/contract';
import { useMemo } from 'react';
import { useRecords } from '../records/useRecords.ts';

/** The crew's pace by hand at a spot of this ground: by its own runs, and the way from there to the water. */
export function usePace({ id, kind, swell_percent }: StoredGround, spot: StoredSpot | undefined): HandPace {
  const runs = useRecords('runs', id).items;
  const offset_m = spot?.offset_m ?? 0;
  return useMemo(() => paceAt(kind, offset_m, runs, swell_percent), [kind, offset_m, runs, swell_percent]);
}
