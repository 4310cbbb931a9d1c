import type { StoredRun } from '@riffle/contract';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { KINDS, type Kind, type Records } from '../api/kinds.ts';
import { hashOf, listKey, withTalliesInHand } from '../offline/landing.ts';
import { readAsWhole } from '../offline/listPieces.ts';
import { useWaitingFor, waitingNow } from '../offline/outbox.ts';
import { tapsByRun } from '../offline/waitingTaps.ts';
import { isOurOwn, withWaiting } from '../offline/writes.ts';
import { tellArrived } from './arrived.ts';
import { fetchChanges, noteRead } from './fetchChanges.ts';
import { fetchAll, fetchOfGround } from './fetchLists.ts';
import { stateOf, type ListState } from './listStates.ts';

export interface RecordList<T> {
  readonly items: readonly T[];
  readonly state: ListState;
}

const AGAIN_AFTER_MS = 10_000;
/** What could not be had is asked for again by itself, for as long as someone waits for it. */
export const askAgain = ({ state }: { readonly state: { readonly status: string } }): number | false =>
  state.status === 'error' ? AGAIN_AFTER_MS : false;

/** How the list of a kind is asked for; `groundId` is empty for what belongs to the crew. */
export const listOf = <K extends Kind>(kind: K, groundId: string) =>
  queryOptions({
    queryKey: listKey(kind, groundId),
    queryFn: async ({ queryKey, client }): Promise<readonly Records[K]['kept'][]> => {
      const before = tapsByRun(waitingNow());
      const hash = hashOf(queryKey);
      const tell = (count: number | null): void => tellArrived(hash, count);
      const known = client.getQueryData<Records[K]['kept'][]>(queryKey) ?? [];
      const changed = groundId === '' ? null : await fetchChanges(kind, groundId, hash, known);
      const read: readonly Records[K]['kept'][] =
        changed ?? (await (groundId === '' ? fetchAll(`/${kind}`, tell) : fetchOfGround(kind, groundId, tell)));
      if (!changed) {
        readAsWhole(hash);
        noteRead(hash, read);
      }
      if (kind !== 'runs') return read;
      const inHand = client.getQueryData<StoredRun[]>(queryKey) ?? [];
      const tapped = new Set([...before.keys(), ...tapsByRun(waitingNow()).keys()]);
      return withTalliesInHand(read as readonly StoredRun[], inHand, tapped);
    },
    refetchInterval: askAgain,
  });

const NOTHING: readonly never[] = [];
/** All records of a kind on a ground (or of the crew, with an empty ground), with what waits to be sent laid over. Deleted ones are left out. */
export function useRecords<K extends Kind>(kind: K, groundId = ''): RecordList<Records[K]['kept']> {
  const ofCrew = KINDS[kind].ofCrew;
  const scope = ofCrew ? '' : groundId;
  const query = useQuery({ ...listOf(kind, scope), enabled: scope !== '' || ofCrew === true });
  const waiting = useWaitingFor(kind, scope);
  const items = useMemo(
    () => withWaiting(kind, scope, query.data ?? NOTHING, waiting),
    [kind, scope, query.data, waiting],
  );
  const begun = useWaitingFor('grounds', '');
  return { items, state: isOurOwn(begun, scope) ? 'here' : stateOf(query) };
}
