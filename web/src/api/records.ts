import type { Book, LoggedEvent, RunWithEvents } from '@riffle/contract';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { bookKey, eventsKey, eventsWithWaiting, listKey, useWaiting, withWaiting, type Kind, type Records } from '../offline/writes.ts';
import { call, Refused } from './client.ts';

interface PageOf<T> {
  items: T[];
  next: string | null;
}

/** Every page of a list. */
async function fetchAll<T>(path: string): Promise<T[]> {
  const all: T[] = [];
  for (let after: string | null = null; ; ) {
    const { items, next }: PageOf<T> = await call<PageOf<T>>('GET', `${path}?limit=1000${after ? `&after=${after}` : ''}`);
    all.push(...items);
    if (!next) return all;
    after = next;
  }
}

export interface RecordList<T> {
  readonly items: readonly T[];
  /** Nothing is known yet: neither the server nor this device has answered. */
  readonly loading: boolean;
  readonly failed: boolean;
}

/** All records of a kind on a ground (or of the crew, with an empty ground), with what waits to be sent laid over. Deleted ones are left out. */
export function useRecords<K extends Kind>(kind: K, groundId = ''): RecordList<Records[K]['kept']> {
  const crewWide = kind === 'grounds' || kind === 'rigs';
  const scope = crewWide ? '' : groundId;
  const query = useQuery({
    queryKey: listKey(kind, scope),
    queryFn: () => fetchAll<Records[K]['kept']>(crewWide ? `/${kind}` : `/grounds/${groundId}/${kind}`),
    enabled: crewWide || groundId !== '',
  });
  const waiting = useWaiting();
  const items = useMemo(() => withWaiting(kind, scope, query.data ?? [], waiting), [kind, scope, query.data, waiting]);
  return { items, loading: query.isPending && query.fetchStatus !== 'paused' && items.length === 0, failed: query.isError };
}

/** A run's taps; none while the run itself still waits to be sent. */
export function useRunEvents(runId: string | null): LoggedEvent[] {
  const { data } = useQuery({
    queryKey: eventsKey(runId ?? ''),
    enabled: runId !== null,
    queryFn: () => call<RunWithEvents>('GET', `/runs/${runId ?? ''}`).then((run) => run.events, (error: unknown) => {
      if (error instanceof Refused && error.problem.status === 404) return [];
      throw error;
    }),
  });
  const waiting = useWaiting();
  return useMemo(() => eventsWithWaiting(runId ?? '', data ?? [], waiting), [runId, data, waiting]);
}

export function useBook(groundId: string): { book: Book | undefined; failed: boolean } {
  const { data, isError } = useQuery({ queryKey: bookKey(groundId), queryFn: () => call<Book>('GET', `/grounds/${groundId}/book`), staleTime: 0 });
  return { book: data, failed: isError };
}
