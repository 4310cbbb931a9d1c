import type { StoredGround } from '@riffle/contract';
import { useMemo } from 'react';
import { useRecords } from '../records/useRecords.ts';
import { openLifts, type OpenLift } from './openLifts.ts';

/** What of a ground stands in tubs, not weighed yet. */
export function useOpenLifts({ id, swell_percent }: StoredGround): readonly OpenLift[] {
  const lifts = useRecords('lifts', id).items;
  const runs = useRecords('runs', id).items;
  const cleanups = useRecords('cleanups', id).items;
  const forecasts = useRecords('forecasts', id).items;
  return useMemo(
    () => openLifts({ lifts, runs, cleanups, forecasts }, swell_percent),
    [lifts, runs, cleanups, forecasts, swell_percent],
  );
}
