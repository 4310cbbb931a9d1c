import { useQueries } from '@tanstack/react-query';
import { useCallback } from 'react';
import { KINDS, type Kind } from '../api/kinds.ts';
import { useWaiting } from '../offline/outbox.ts';
import { isOurOwn, listOf, stateOf, type ListState } from './useRecords.ts';

/** Whether each of several lists of a ground is here, on its way or out of reach; and a way to ask again for those that are. */
export function useListStates(
  kinds: readonly Kind[],
  groundId: string,
): { readonly states: readonly ListState[]; readonly askAgain: () => void } {
  const scopes = kinds.map((kind) => (KINDS[kind].of === 'crew' ? '' : groundId));
  const lists = useQueries({ queries: kinds.map((kind, i) => listOf(kind, scopes[i] ?? '')) });
  const waiting = useWaiting();
  const askAgain = useCallback(() => {
    for (const list of lists) if (stateOf(list) === 'away') void list.refetch();
  }, [lists]);
  return {
    states: lists.map((list, i) => (isOurOwn(waiting, scopes[i] ?? '') ? 'here' : stateOf(list))),
    askAgain,
  };
}
