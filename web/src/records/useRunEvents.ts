import type { LoggedEvent } from '@riffle/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Refused } from '../api/client.ts';
import { eventsKey } from '../offline/landing.ts';
import { useWaiting } from '../offline/outbox.ts';
import { eventsWithWaiting } from '../offline/writes.ts';
import { askAgain, fetchAll, stateOf, type ListState } from './useRecords.ts';

export interface RunEvents {
  /** The run's taps as far as this device has them, those still to be sent among them. */
  readonly events: readonly LoggedEvent[];
  /** Those still to be sent: what the run's tally does not hold yet. */
  readonly onTheirWay: readonly LoggedEvent[];
  readonly state: ListState;
}

/** A run's taps; only those of this device while the run itself still waits to be sent. */
export function useRunEvents(runId: string): RunEvents {
  const query = useQuery({
    queryKey: eventsKey(runId),
    queryFn: () =>
      fetchAll<LoggedEvent>(`/runs/${runId}/events`).catch((error: unknown) => {
        if (error instanceof Refused && error.problem.status === 404) return [];
        throw error;
      }),
    refetchInterval: askAgain,
  });
  const waiting = useWaiting();
  const isWaiting = waiting.some((w) => w.what === 'record' && w.kind === 'runs' && w.record.id === runId);
  const state = isWaiting ? 'here' : stateOf(query);
  return useMemo(
    () => ({
      events: eventsWithWaiting(runId, query.data ?? [], waiting),
      onTheirWay: eventsWithWaiting(runId, [], waiting),
      state,
    }),
    [runId, query.data, waiting, state],
  );
}
