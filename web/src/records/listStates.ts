import {
  notifyManager,
  QueryObserver,
  type QueryClient,
  type QueryKey,
  type QueryObserverOptions,
  type QueryObserverResult,
} from '@tanstack/react-query';
import { NEVER_READ } from '../offline/landing.ts';

/** Whether a list is here, on its way, or out of reach: asked for in vain, and not kept on this device. */
export type ListState = 'here' | 'arriving' | 'away';

export function stateOf(
  query: Pick<QueryObserverResult, 'data' | 'dataUpdatedAt' | 'isPending' | 'fetchStatus' | 'failureCount'>,
): ListState {
  if (query.data !== undefined && query.dataUpdatedAt > NEVER_READ) return 'here';
  return query.fetchStatus === 'fetching' && query.failureCount === 0 ? 'arriving' : 'away';
}

/** Lists being read, and how far each has come. */
export interface ListsRead {
  /** A word for each, with commas between them. */
  readonly states: () => string;
  readonly subscribe: (changed: () => void) => () => void;
  readonly askAgain: () => void;
}

/** Reads these lists, for whoever draws their states alone: anew when one changes, not with every record. */
export function readLists<T, K extends QueryKey>(
  client: QueryClient,
  asked: readonly QueryObserverOptions<T, Error, T, T, K>[],
): ListsRead {
  const lists = asked.map((how) => {
    const options = client.defaultQueryOptions(how);
    // What is about to be fetched is on its way, not out of reach.
    const asShown = { ...options, _optimisticResults: 'optimistic' as const };
    return { list: new QueryObserver(client, options), asShown };
  });
  const read = (): ListState[] => lists.map(({ list, asShown }) => stateOf(list.getOptimisticResult(asShown)));
  // Each moves in the turn in which all who draw that list are told, and by its own word: sooner, or looked up when
  // another moves, a run that has just come would be "here" and not on the screen yet, and a new one would be offered.
  let now = read();
  return {
    states: () => now.join(),
    subscribe: (changed) => {
      const ends = lists.map(({ list }, nth) =>
        list.subscribe(
          notifyManager.batchCalls((result) => {
            now = now.map((state, i) => (i === nth ? stateOf(result) : state));
            changed();
          }),
        ),
      );
      now = read();
      return () => ends.forEach((end) => end());
    },
    askAgain: () => {
      for (const { list } of lists) if (stateOf(list.getCurrentResult()) === 'away') void list.refetch();
    },
  };
}
