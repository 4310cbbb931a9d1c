import type { Pan, PannedGround } from '@riffle/contract';
import type { WeightSchool } from '@riffle/core';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useCallback, useMemo } from 'react';
import { call } from '../api/client.ts';
import { CREW_ID } from '../api/opening.ts';
import { isListKept } from '../offline/deviceStore.ts';
import { hashOf, listKey } from '../offline/landing.ts';
import { useWaiting } from '../offline/outbox.ts';
import { isOurOwn, waitingOf, withWaiting } from '../offline/writes.ts';
import { usePreferences } from '../preferences/preferences.ts';
import { FIRST_PAGE } from './fetchLists.ts';
import { stateOf } from './listStates.ts';
import { listOf, type RecordList } from './useRecords.ts';

/** Let go so long after nothing shows it any more: the records are here by then. */
const HELD_MS = 5 * 60_000;

const areKept = (groundId: string): Promise<boolean> => isListKept(hashOf(listKey('samples', groundId)));

const ASKED_ONCE = {
  // A hundred thousand of them are not compared one by one with those before.
  structuralSharing: false,
  // What is logged from then on is laid over them; asked for again, it would be counted twice.
  staleTime: Infinity,
  gcTime: HELD_MS,
} as const;

/** How the pans are asked for in columns; null where this device keeps the records themselves. */
const columnsOf = (groundId: string) =>
  queryOptions({
    queryKey: ['pans', CREW_ID, groundId],
    queryFn: async () => {
      if (await areKept(groundId)) return null;
      // The first sight does without: what they come to is enough for it.
      return (await import('./fetchColumns.ts')).fetchColumns(groundId);
    },
    ...ASKED_ONCE,
  });

/** How one asks what they come to; null where this device keeps the records, and works it out of them. */
export const pannedOf = (groundId: string, school: WeightSchool) =>
  queryOptions({
    queryKey: ['panned', CREW_ID, groundId, school],
    queryFn: async () =>
      (await areKept(groundId))
        ? null
        : call<PannedGround>('GET', `/grounds/${groundId}/panned?school=${encodeURIComponent(school)}`),
    ...ASKED_ONCE,
  });

export interface PanList extends RecordList<Pan> {
  /** What they come to, where the server has worked it out and nothing has changed since: there need not be any here then. */
  readonly told: PannedGround | null;
  readonly askAgain: () => void;
}

/**
 * The samples of a ground as far as reading it goes. The records themselves where they are in hand or kept on this
 * device; otherwise what they come to; and once that no longer holds, in columns, which come at once however many they
 * are, until the records are carried along.
 */
export function usePans(groundId: string): PanList {
  const waiting = useWaiting();
  const { colorSchool } = usePreferences().preferences;
  const own = isOurOwn(waiting, groundId);
  const records = useQuery({ ...listOf('samples', groundId), enabled: false });
  const here = own || stateOf(records) === 'here';
  const asks = groundId !== '' && !here;
  const said = useQuery({ ...pannedOf(groundId, colorSchool), enabled: asks });
  const isChanged = useChangedSince(said.data?.asOf ?? null, groundId, records.data);
  const told = isChanged ? null : (said.data ?? null);
  const inVain = said.failureCount > 0 || (said.data === undefined && said.fetchStatus !== 'fetching');
  const columns = useQuery({ ...columnsOf(groundId), enabled: asks && (inVain || isChanged) });
  const ours = useMemo(
    () => withWaiting('samples', groundId, records.data ?? [], waiting),
    [groundId, records.data, waiting],
  );
  const seen = here ? null : columns.data;
  // The records themselves where they are kept here, where neither of the two can be had, and at once where they are few.
  const few = (seen?.pans.length ?? told?.panned.samples ?? Infinity) <= FIRST_PAGE;
  const byRecords = !here && (said.data === null || columns.data === null || columns.failureCount > 0 || few);
  const asked = useQuery({ ...listOf('samples', groundId), enabled: byRecords });
  const items = useMemo(() => (seen ? [...seen.pans, ...ours.filter((s) => !seen.holds(s))] : ours), [seen, ours]);
  const { refetch } = asked;
  const askAgain = useCallback(() => void refetch(), [refetch]);
  const arriving = [said, columns].some((q) => q.fetchStatus === 'fetching' && q.failureCount === 0);
  return { items, told, state: here || told || seen ? 'here' : arriving ? 'arriving' : stateOf(asked), askAgain };
}

/** Whether anything that the pans' sum rests on is later than it, on this device as far as that knows. */
function useChangedSince(
  asOf: string | null,
  groundId: string,
  samples: readonly { readonly updatedAt: string }[] | undefined,
): boolean {
  const waiting = useWaiting();
  const pits = useQuery({ ...listOf('pits', groundId), enabled: false }).data;
  const grounds = useQuery({ ...listOf('grounds', ''), enabled: false }).data;
  return useMemo(() => {
    if (asOf === null) return false;
    const ground = grounds?.find((g) => g.id === groundId);
    return (
      (['samples', 'pits'] as const).some((kind) => waitingOf(waiting, kind, groundId).length > 0) ||
      waitingOf(waiting, 'grounds', '').some((w) => w.record.id === groundId) ||
      [...(ground ? [ground] : []), ...(pits ?? []), ...(samples ?? [])].some((r) => r.updatedAt > asOf)
    );
  }, [asOf, groundId, samples, pits, grounds, waiting]);
}
