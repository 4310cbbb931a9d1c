import type { StoredGround } from '@riffle/contract';
import type { QueryClient } from '@tanstack/react-query';
import { broughtLists } from '../api/opening.ts';
import { listKey } from '../offline/landing.ts';
import { queryClient, takeBrought, takeKeptLists } from '../offline/queryClient.ts';
import { withWaiting } from '../offline/writes.ts';
import { loadPreferences } from '../preferences/preferences.ts';
import { pannedOf } from './usePans.ts';
import { listOf } from './useRecords.ts';

/** What the first view needs beside the grounds: as the document brings it. */
const FIRST_KINDS = ['spots', 'samples', 'pits', 'signs', 'gauge-readings', 'swell-readings', 'permissions'] as const;

/** The grounds known before anything is drawn, in the order of the book: brought by the document or kept on this device. */
export const knownGrounds = (client: QueryClient): readonly StoredGround[] =>
  withWaiting('grounds', '', client.getQueryData<StoredGround[]>(listKey('grounds', '')) ?? [], []);

/** Puts in hand what this device keeps of the first view. `groundId` as below. */
export async function takeKeptAhead(groundId: string | null): Promise<void> {
  await takeKeptLists([listKey('grounds', '')]);
  const opens = groundId ?? knownGrounds(queryClient)[0]?.id;
  if (opens) await takeKeptLists(FIRST_KINDS.map((kind) => listKey(kind, opens)));
}

/**
 * Has what the first view needs at hand before anything is drawn: from the document where it brought it, asked for
 * otherwise. `groundId` is the ground that will open; null: the first of the book. `withPans`: its samples are read first.
 */
export async function openAhead(client: QueryClient, groundId: string | null, withPans: boolean): Promise<void> {
  for (const { kind, groundId: of, items } of broughtLists) void takeBrought(listKey(kind, of), items);
  const grounds = client.fetchQuery(listOf('grounds', '')).catch(() => []);
  const opens = groundId ?? (await grounds)[0]?.id;
  if (!opens) return;
  // Samples that the document did not bring are many: their records come later, what they come to first.
  const samples = listOf('samples', opens);
  const inHand = client.getQueryData(samples.queryKey) !== undefined;
  await Promise.all([
    client.prefetchQuery(listOf('spots', opens)),
    client.prefetchQuery(listOf('signs', opens)),
    inHand && client.prefetchQuery(samples),
    !inHand && withPans && client.prefetchQuery(pannedOf(opens, loadPreferences().colorSchool)),
  ]);
}
