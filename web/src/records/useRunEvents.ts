import type { LoggedEvent, RunWithEvents } from '@riffle/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { call, Refused } from '../api/client.ts';
import { eventsKey, eventsWithWaiting, useWaiting } from '../offline/writes.ts';

/** A run's taps; none while the run itself still waits to be sent. */
export function useRunEvents(runId: string | null): LoggedEvent[] {
  const { data } = useQuery({
    queryKey: eventsKey(runId ?? ''),
    enabled: runId !== null,
    queryFn: () =>
      call<RunWithEvents>('GET', `/runs/${runId ?? ''}`).then(
        (run) => run.events,
        (error: unknown) => {
          if (error instanceof Refused && error.problem.status === 404) return [];
          throw error;
        },
      ),
  });
  const waiting = useWaiting();
  return useMemo(() => eventsWithWaiting(runId ?? '', data ?? [], waiting), [runId, data, waiting]);
}
