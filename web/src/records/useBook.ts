import type { StoredRun } from '@riffle/contract';
import { keepBook, keepTally, weighedCleanups, type GroundBook, type WeighedCleanup } from '@riffle/core';
import type { LoggedEvent } from '@riffle/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import { eventsWithWaiting } from '../offline/eventsWithWaiting.ts';
import { eventsKey } from '../offline/landing.ts';
import { useWaiting } from '../offline/outbox.ts';
import { tapsByRun } from '../offline/waitingTaps.ts';
import { deviceZone } from '../when/localTime.ts';
import { useRecords } from './useRecords.ts';
import { useRecordsOfAll } from './useRecordsOfAll.ts';

/**
 * The books of several grounds, in their order, added up on this device: what was logged counts with or without a signal.
 * Undefined where a ground's clean-ups or runs have not been read yet.
 */
export function useBooks(groundIds: readonly string[]): (OpenBook | undefined)[] {
  const grounds = useRecords('grounds').items;
  const cleanups = useRecordsOfAll('cleanups');
  const lifts = useRecordsOfAll('lifts');
  const setups = useRecordsOfAll('setups');
  const runs = useRecordsOfAll('runs');
  const tallied = useTallied(runs.items);
  return useMemo(() => {
    const lists = [cleanups, setups, runs];
    return groundIds.map((id) => {
      const ground = grounds.find((g) => g.id === id);
      // Other grounds only tell whether a box came clean: that mark comes with them, and no figure waits for a hundred lists.
      if (!ground || lists.some((l) => !l.known.has(id))) return undefined;
      const weighed = weighedCleanups(
        id,
        cleanups.items,
        lifts.items,
        tallied,
        setups.items,
        ground.timeZone ?? deviceZone(),
      );
      const book = keepBook(id, ground.swell_percent, weighed.cleanups, weighed.unweighed);
      return { ...book, weighed: weighed.cleanups };
    });
  }, [groundIds, grounds, cleanups, lifts, setups, runs, tallied]);
}

/** A ground's book, and the clean-ups it is made of. */
export interface OpenBook extends GroundBook {
  readonly weighed: readonly WeighedCleanup[];
}

export function useBook(groundId: string): OpenBook | undefined {
  // Its own lists are asked for before those of every other ground.
  useRecords('cleanups', groundId);
  useRecords('lifts', groundId);
  useRecords('setups', groundId);
  useRecords('runs', groundId);
  return useBooks(useMemo(() => [groundId], [groundId]))[0];
}

/** Runs with taps on their way counted anew from all taps, where this device has them: to the litre also where one was taken back. */
function useTallied(runs: readonly StoredRun[]): readonly StoredRun[] {
  const client = useQueryClient();
  const waiting = useWaiting();
  return useMemo(() => {
    const tapped = tapsByRun(waiting);
    if (tapped.size === 0) return runs;
    return runs.map((run) => {
      if (!tapped.has(run.id)) return run;
      const known = client.getQueryData<LoggedEvent[]>(eventsKey(run.id));
      if (!known) return run;
      return { ...run, tally: keepTally(run.startedAt, eventsWithWaiting(run.id, known, waiting)) };
    });
  }, [client, waiting, runs]);
}
