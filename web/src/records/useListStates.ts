import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { KINDS, type Kind } from '../api/kinds.ts';
import { hashOf, listKey } from '../offline/landing.ts';
import { useWaiting } from '../offline/outbox.ts';
import { useArrived } from './arrived.ts';
import { usePans } from './usePans.ts';
import { isOurOwn } from '../offline/writes.ts';
import { readLists, type ListsRead, type ListState } from './listStates.ts';
import { listOf } from './useRecords.ts';

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
  return useMemo(() => {
    const those = kinds === '' ? [] : (kinds.split(',') as Kind[]);
    return readLists(
      client,
      those.map((kind) => listOf(kind, KINDS[kind].ofCrew ? '' : groundId)),
    );
  }, [client, kinds, groundId]);
}
