import type { LoggedEvent, StoredRun } from '@riffle/contract';
import { useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useEffect, useMemo } from 'react';
import { call, Refused } from '../api/client.ts';
import { eventsWithWaiting } from '../offline/eventsWithWaiting.ts';
import { eventsKey, laterOfEach, listKey } from '../offline/landing.ts';
import { useWaiting } from '../offline/outbox.ts';
import { waitingOf } from '../offline/writes.ts';
import { fetchAll } from './fetchLists.ts';
import { stateOf, type ListState } from './listStates.ts';
import { askAgain } from './useRecords.ts';

export interface RunEvents {
  /** The run's taps as far as this device has them, those still to be sent among them. */
  readonly events: readonly LoggedEvent[];
  readonly state: ListState;
}

/** A run's taps; only those of this device while the run itself still waits to be sent. `isOpen`: those of other phones are looked for each second. */
export function useRunEvents({ id: runId, groundId }: Pick<StoredRun, 'id' | 'groundId'>, isOpen = false): RunEvents {
  const query = useQuery({
    queryKey: eventsKey(runId),
    queryFn: () =>
      fetchAll<LoggedEvent>(`/runs/${runId}/events`).catch((error: unknown) => {
        if (error instanceof Refused && error.problem.status === 404) return [];
        throw error;
      }),
    refetchInterval: askAgain,
  });
  useOtherPhones(runId, isOpen);
  const waiting = useWaiting();
  // Thousands of taps may wait, and runs are few.
  const isWaiting = waitingOf(waiting, 'runs', groundId).some((w) => w.record.id === runId);
  const state = isWaiting ? 'here' : stateOf(query);
  return useMemo(
    () => ({
      events: eventsWithWaiting(runId, query.data ?? [], waiting),
      state,
    }),
    [runId, query.data, waiting, state],
  );
}

const LOOK_EVERY_MS = { taps: 1000, runs: 5000 } as const;

/** Whether others tapped in this run: asked each second, by what all taps come to; only what is new is fetched. */
function useOtherPhones(runId: string, isOpen: boolean): void {
  const client = useQueryClient();
  useEffect(() => {
    if (!isOpen) return undefined;
    return lookAgain(LOOK_EVERY_MS.taps, async () => {
      const run = await call<StoredRun>('GET', `/runs/${runId}`);
      const known = client.getQueryData<LoggedEvent[]>(eventsKey(runId));
      if (!known || run.tally.taps <= known.length) return;
      await takeFollowing(client, runId, known);
      // Told late, or by a phone whose clock is behind: it lies before some that are here.
      const now = client.getQueryData<LoggedEvent[]>(eventsKey(runId)) ?? [];
      if (run.tally.taps > now.length) await client.invalidateQueries({ queryKey: eventsKey(runId) });
    });
  }, [client, runId, isOpen]);
}

/** Fetches the taps that follow the last one known; mostly they are all that is new, of thousands. */
async function takeFollowing(client: QueryClient, runId: string, known: readonly LoggedEvent[]): Promise<void> {
  const last = known.reduce<string | null>((latest, { id }) => (latest === null || id > latest ? id : latest), null);
  const following = await fetchAll<LoggedEvent>(`/runs/${runId}/events`, undefined, last);
  client.setQueryData<readonly LoggedEvent[]>(
    eventsKey(runId),
    (now) => now && (laterOfEach(now, following) as readonly LoggedEvent[]),
  );
}

/** Runs that others begin, stop or go on with come up by themselves. */
export function useRunsOfOthers(groundId: string): void {
  const client = useQueryClient();
  useEffect(() => {
    const queryKey = listKey('runs', groundId);
    return lookAgain(LOOK_EVERY_MS.runs, async () => {
      const age_ms = Date.now() - (client.getQueryState(queryKey)?.dataUpdatedAt ?? 0);
      // Read a moment ago, as where the page has just been opened. A clock that was put back gives an age below 0.
      if (age_ms >= 0 && age_ms < LOOK_EVERY_MS.runs / 2) return;
      // What is on its way already is waited for, not asked for twice.
      await client.invalidateQueries({ queryKey }, { cancelRefetch: false });
    });
  }, [client, groundId]);
}

/** Does it again and again while the page is in sight and the device is not known to be without signal, one at a time. Answers the way to end it. */
function lookAgain(every_ms: number, look: () => Promise<void>): () => void {
  let isLooking = false;
  const turn = (): void => {
    if (isLooking || document.visibilityState !== 'visible' || !navigator.onLine) return;
    isLooking = true;
    // Out of reach: asked again at the next turn.
    void look()
      .catch(() => undefined)
      .finally(() => (isLooking = false));
  };
  turn();
  const timer = setInterval(turn, every_ms);
  return () => clearInterval(timer);
}
