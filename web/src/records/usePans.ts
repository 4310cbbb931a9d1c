import { asPans, type Pan, type Pans } from '@riffle/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { call } from '../api/client.ts';
import { CREW_ID } from '../api/opening.ts';
import { isListKept } from '../offline/deviceStore.ts';
import { hashOf, listKey } from '../offline/landing.ts';
import { useWaiting } from '../offline/outbox.ts';
import { withWaiting } from '../offline/writes.ts';
import { isOurOwn } from '../offline/writes.ts';
import { listOf, stateOf, type RecordList } from './useRecords.ts';

/** Let go so long after nothing shows it any more: the records are here by then. */
const HELD_MS = 5 * 60_000;

/** So many come in one answer. */
const FEW = 1000;

/** How the columns are asked for; null where this device keeps the records themselves. */
export const columnsOf = (groundId: string) =>
  queryOptions({
    queryKey: ['pans', CREW_ID, groundId],
    queryFn: async () => {
      if (await isListKept(hashOf(listKey('samples', groundId)))) return null;
      const columns = await call<Pans>('GET', `/grounds/${groundId}/pans`);
      return { asOf: columns.asOf, pans: asPans(columns) };
    },
    // A hundred thousand of them are not compared one by one with those before.
    structuralSharing: false,
    // What is logged from then on is laid over them; asked for again, it would be counted twice.
    staleTime: Infinity,
    gcTime: HELD_MS,
  });

export interface PanList extends RecordList<Pan> {
  readonly askAgain: () => void;
}

/**
 * The samples of a ground as far as reading it goes. The records themselves where they are in hand or kept on this
 * device; otherwise in columns, which come at once however many they are, until the records are carried along.
 */
export function usePans(groundId: string): PanList {
  const waiting = useWaiting();
  const own = isOurOwn(waiting, groundId);
  const records = useQuery({ ...listOf('samples', groundId), enabled: false });
  const here = own || stateOf(records) === 'here';
  const columns = useQuery({ ...columnsOf(groundId), enabled: groundId !== '' && !here });
  const ours = useMemo(
    () => withWaiting('samples', groundId, records.data ?? [], waiting),
    [groundId, records.data, waiting],
  );
  const seen = here ? null : columns.data;
  // The records themselves where they are kept here, where the columns cannot be had, and at once where they are few.
  const byRecords =
    !here && (columns.data === null || columns.failureCount > 0 || (seen?.pans.length ?? Infinity) <= FEW);
  const asked = useQuery({ ...listOf('samples', groundId), enabled: byRecords });
  const items = useMemo(
    () =>
      seen
        ? [
            ...seen.pans,
            ...ours.filter((s) => s.version === 1 && (s.updatedAt > seen.asOf || Date.parse(s.updatedAt) === 0)),
          ]
        : ours,
    [seen, ours],
  );
  const { refetch } = asked;
  const askAgain = useCallback(() => void refetch(), [refetch]);
  const arriving = columns.fetchStatus === 'fetching' && columns.failureCount === 0;
  return { items, state: here || seen ? 'here' : arriving ? 'arriving' : stateOf(asked), askAgain };
}
