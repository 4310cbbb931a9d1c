import type { Book, LoggedEvent, RunWithEvents } from '@riffle/contract';
import { queryOptions, useQueries, useQuery, type QueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';
import {
  bookKey,
  eventsKey,
  eventsWithWaiting,
  listKey,
  useWaiting,
  withWaiting,
  type Kind,
  type Records,
} from '../offline/writes.ts';
import { call, Refused } from './client.ts';

interface PageOf<T> {
  items: T[];
  next: string | null;
}

/** Every page of a list. */
async function fetchAll<T>(path: string): Promise<T[]> {
  const all: T[] = [];
  for (let after: string | null = null; ;) {
    const { items, next }: PageOf<T> = await call<PageOf<T>>(
      'GET',
      `${path}?limit=1000${after ? `&after=${after}` : ''}`,
    );
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

/** Kinds that belong to the crew and to no one ground. */
const CREW_WIDE: ReadonlySet<Kind> = new Set(['grounds', 'rigs', 'containers', 'seedings', 'size-words']);

/** How the list of a kind is asked for; `groundId` is empty for what belongs to the crew. */
const listOf = <K extends Kind>(kind: K, groundId: string) =>
  queryOptions({
    queryKey: listKey(kind, groundId),
    queryFn: () => fetchAll<Records[K]['kept']>(groundId === '' ? `/${kind}` : `/grounds/${groundId}/${kind}`),
  });

/** Asks for what the first view needs before anything is drawn: the grounds, and the spots, samples and signs of the one that will open. */
export async function fetchAhead(client: QueryClient, groundId: string | null): Promise<void> {
  const grounds = client.fetchQuery(listOf('grounds', '')).catch(() => []);
  const opens = groundId ?? (await grounds)[0]?.id;
  if (opens)
    await Promise.all([
      client.prefetchQuery(listOf('spots', opens)),
      client.prefetchQuery(listOf('samples', opens)),
      client.prefetchQuery(listOf('signs', opens)),
    ]);
}

/** All records of a kind on a ground (or of the crew, with an empty ground), with what waits to be sent laid over. Deleted ones are left out. */
export function useRecords<K extends Kind>(kind: K, groundId = ''): RecordList<Records[K]['kept']> {
  const crewWide = CREW_WIDE.has(kind);
  const scope = crewWide ? '' : groundId;
  const query = useQuery({ ...listOf(kind, scope), enabled: crewWide || groundId !== '' });
  const waiting = useWaiting();
  const items = useMemo(() => withWaiting(kind, scope, query.data ?? [], waiting), [kind, scope, query.data, waiting]);
  return {
    items,
    loading: query.isPending && query.fetchStatus !== 'paused' && items.length === 0,
    failed: query.isError,
  };
}

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

const bookOf = (groundId: string) =>
  queryOptions({
    queryKey: bookKey(groundId),
    queryFn: () => call<Book>('GET', `/grounds/${groundId}/book`),
    staleTime: 0,
  });

export function useBook(groundId: string): { book: Book | undefined; failed: boolean } {
  const { data, isError } = useQuery(bookOf(groundId));
  return { book: data, failed: isError };
}

/** The books of several grounds, in their order; undefined where one is not added up yet. */
export const useBooks = (groundIds: readonly string[]): (Book | undefined)[] =>
  useQueries({ queries: groundIds.map(bookOf), combine: (all) => all.map((q) => q.data) });

/** All records of a kind on every ground: a tag in the hand may be of any of them. */
export function useRecordsOfAll<K extends Kind>(kind: K): readonly Records[K]['kept'][] {
  const grounds = useRecords('grounds').items;
  const waiting = useWaiting();
  const lists = useQueries({
    queries: grounds.map((g) => listOf(kind, g.id)),
    combine: (all) => all.map((q) => q.data ?? []),
  });
  return useMemo(
    () => grounds.flatMap((g, i) => withWaiting(kind, g.id, lists[i] ?? [], waiting)),
    [kind, grounds, lists, waiting],
  );
}
