import { QueryObserver, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { KINDS, type Kind } from '../api/kinds.ts';
import { hashOf, listKey } from '../offline/landing.ts';
import { useWaiting } from '../offline/outbox.ts';
import { useArrived } from './arrived.ts';
import { usePans } from './usePans.ts';
import { isOurOwn } from '../offline/writes.ts';
import { listOf, stateOf, type ListState } from './useRecords.ts';

/** What a screen's words may rest on: the list of a kind, or the samples as far as reading the ground goes. */
export type Needed = Kind | 'pans';

/** Whether each of several lists of a ground is here, on its way or out of reach; and a way to ask again for those that are. */
export function useListStates(
  needed: readonly Needed[],
  groundId: string,
): {
  readonly states: readonly ListState[];
  /** Records that have come so far of those on their way; 0 where none is long. */
  readonly arrived: number;
  readonly askAgain: () => void;
} {
  const pans = usePans(needed.includes('pans') ? groundId : '');
  const kinds = needed.filter((n) => n !== 'pans');
  const scopes = kinds.map((kind) => (KINDS[kind].ofCrew ? '' : groundId));
  const lists = useLists(kinds.join(), groundId);
  const read = useSyncExternalStore(lists.subscribe, lists.states).split(',') as ListState[];
  const waiting = useWaiting();
  const arrived = useArrived(kinds.map((kind, i) => hashOf(listKey(kind, scopes[i] ?? ''))));
  const askAgain = useCallback(() => {
    lists.askAgain();
    if (pans.state === 'away') pans.askAgain();
  }, [lists, pans]);
  const states = new Map<Needed, ListState>(
    kinds.map((kind, i) => [kind, isOurOwn(waiting, scopes[i] ?? '') ? 'here' : (read[i] ?? 'away')]),
  );
  return {
    states: needed.map((n) => (n === 'pans' ? pans.state : (states.get(n) ?? 'away'))),
    arrived,
    askAgain,
  };
}

/** @param kinds with commas between them: the same words are the same lists */
function useLists(kinds: string, groundId: string): ListsRead {
  const client = useQueryClient();
  return useMemo(
    () => readLists(client, kinds === '' ? [] : (kinds.split(',') as Kind[]), groundId),
    [client, kinds, groundId],
  );
}

/** Lists being read, and how far each has come. */
interface ListsRead {
  /** A word for each, with commas between them. */
  readonly states: () => string;
  readonly subscribe: (changed: () => void) => () => void;
  readonly askAgain: () => void;
}

/** Reads these lists, for whoever draws their states alone: anew when one changes, not with every record. */
function readLists(client: QueryClient, kinds: readonly Kind[], groundId: string): ListsRead {
  const lists = kinds.map((kind) => {
    const options = client.defaultQueryOptions(listOf(kind, KINDS[kind].ofCrew ? '' : groundId));
    // What is about to be fetched is on its way, not out of reach.
    const asShown = { ...options, _optimisticResults: 'optimistic' as const };
    return { list: new QueryObserver(client, options), asShown };
  });
  const read = (): string => lists.map(({ list, asShown }) => stateOf(list.getOptimisticResult(asShown))).join();
  // Moves only when all who read the lists are told: what stands around this has what it says is here.
  let now = read();
  return {
    states: () => now,
    subscribe: (changed) => {
      const ends = lists.map(({ list }) =>
        list.subscribe(() => {
          now = read();
          changed();
        }),
      );
      now = read();
      return () => ends.forEach((end) => end());
    },
    askAgain: () => {
      for (const { list } of lists) if (stateOf(list.getCurrentResult()) === 'away') void list.refetch();
    },
  };
}
