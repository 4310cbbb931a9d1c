import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { KINDS, type Kind } from '../api/kinds.ts';
import { isListKept } from '../offline/deviceStore.ts';
import { hashOf } from '../offline/landing.ts';
import { listOf } from './useRecords.ts';

/** A ground is carried along once it has been open for so long: the first view and a quick tap come before it. */
const AFTER_MS = 3000;

/**
 * Fetches what the other screens of a ground read, one list after another, so that each of them stands where there is
 * no signal: its runs and clean-ups make the book, its set-ups and boxes a run. What this device has already stays.
 */
export function useCarriedAlong(groundId: string | undefined): void {
  const client = useQueryClient();
  useEffect(() => {
    if (groundId === undefined) return;
    let gone = false;
    const carry = async (): Promise<void> => {
      for (const kind of Object.keys(KINDS) as Kind[]) {
        if (gone || !navigator.onLine) return;
        const list = listOf(kind, KINDS[kind].ofCrew ? '' : groundId);
        if (client.getQueryState(list.queryKey)?.dataUpdatedAt || (await isListKept(hashOf(list.queryKey)))) continue;
        await client.prefetchQuery(list);
      }
    };
    const later = setTimeout(() => void carry(), AFTER_MS);
    return () => {
      gone = true;
      clearTimeout(later);
    };
  }, [client, groundId]);
}
