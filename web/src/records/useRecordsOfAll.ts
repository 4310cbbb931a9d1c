import { useQueries } from '@tanstack/react-query';
import { useMemo } from 'react';
import type { Kind, Records } from '../api/kinds.ts';
import { useWaiting } from '../offline/outbox.ts';
import { NEVER_READ } from '../offline/landing.ts';
import { withWaiting } from '../offline/writes.ts';
import { listOf, useRecords } from './useRecords.ts';

export interface RecordsOfAll<T> {
  readonly items: readonly T[];
  /** Grounds whose list this device has. */
  readonly known: ReadonlySet<string>;
}

/** All records of a kind on every ground: a tag in the hand may be of any of them. */
export function useRecordsOfAll<K extends Kind>(kind: K): RecordsOfAll<Records[K]['kept']> {
  const grounds = useRecords('grounds').items;
  const waiting = useWaiting();
  const { lists, read } = useQueries({
    queries: grounds.map((g) => listOf(kind, g.id)),
    combine: (all) => ({
      lists: all.map((q) => q.data),
      read: all.map((q) => q.data !== undefined && q.dataUpdatedAt > NEVER_READ),
    }),
  });
  return useMemo(
    () => ({
      items: grounds.flatMap((g, i) => withWaiting(kind, g.id, lists[i] ?? [], waiting)),
      known: new Set(grounds.flatMap((g, i) => (read[i] ? [g.id] : []))),
    }),
    [kind, grounds, lists, read, waiting],
  );
}
