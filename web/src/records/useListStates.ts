import { useQueries } from '@tanstack/react-query';
import { useCallback } from 'react';
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
  const lists = useQueries({ queries: kinds.map((kind, i) => listOf(kind, scopes[i] ?? '')) });
  const waiting = useWaiting();
  const arrived = useArrived(kinds.map((kind, i) => hashOf(listKey(kind, scopes[i] ?? ''))));
  const askAgain = useCallback(() => {
    for (const list of lists) if (stateOf(list) === 'away') void list.refetch();
    if (pans.state === 'away') pans.askAgain();
  }, [lists, pans]);
  const states = new Map<Needed, ListState>(
    kinds.map((kind, i) => [
      kind,
      isOurOwn(waiting, scopes[i] ?? '') ? 'here' : stateOf(lists[i] as (typeof lists)[0]),
    ]),
  );
  return {
    states: needed.map((n) => (n === 'pans' ? pans.state : (states.get(n) ?? 'away'))),
    arrived,
    askAgain,
  };
}
