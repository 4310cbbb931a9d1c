import { FIRST_LISTS, listsOfPage, type StoredGround } from '@riffle/contract';
import type { QueryClient } from '@tanstack/react-query';
import { KINDS } from '../api/kinds.ts';
import { broughtLists, broughtPanned } from '../api/opening.ts';
import { listKey } from '../offline/landing.ts';
import { queryClient, takeBrought, takeKeptLists } from '../offline/queryClient.ts';
import { withWaiting } from '../offline/writes.ts';
import { loadPreferences } from '../preferences/preferences.ts';
import { pannedOf } from './usePans.ts';
import { listOf } from './useRecords.ts';

/** The grounds known before anything is drawn, in the order of the book: brought by the document or kept on this device. */
export const knownGrounds = (client: QueryClient): readonly StoredGround[] =>
  withWaiting('grounds', '', client.getQueryData<StoredGround[]>(listKey('grounds', '')) ?? [], []);

/** Puts in hand what this device keeps of the first view. `groundId` as below. */
export async function takeKeptAhead(groundId: string | null): Promise<void> {
  await takeKeptLists([listKey('grounds', '')]);
  const opens = groundId ?? knownGrounds(queryClient)[0]?.id;
  if (opens) await takeKeptLists(FIRST_LISTS.map((kind) => listKey(kind, opens)));
}

/**
 * Has what the page begins with at hand before anything is drawn: from the document where it brought it, asked for
 * otherwise. `groundId` is the ground that will open; null: the first of the book. `page` is where in it: "sample/bags".
 */
export async function openAhead(client: QueryClient, groundId: string | null, page: string): Promise<void> {
  for (const { kind, groundId: of, items } of broughtLists) void takeBrought(listKey(kind, of), items);
  if (broughtPanned) {
    const { groundId: of, school, told } = broughtPanned;
    client.setQueryData(pannedOf(of, school).queryKey, told);
  }
  const grounds = client.fetchQuery(listOf('grounds', '')).catch(() => []);
  const opens = groundId ?? (await grounds)[0]?.id;
  if (!opens) return;
  // Samples that the document did not bring are many: their records come later, what they come to first.
  const samples = listOf('samples', opens);
  const inHand = client.getQueryData(samples.queryKey) !== undefined;
  // What the pans come to is no part of what these say first.
  const ofTheBox = /^(set|run|clean|books)\b/.test(page);
  await Promise.all([
    ...listsOfPage(page).map((kind) => client.prefetchQuery(listOf(kind, KINDS[kind].ofCrew ? '' : opens))),
    client.prefetchQuery(listOf('spots', opens)),
    client.prefetchQuery(listOf('signs', opens)),
    inHand && client.prefetchQuery(samples),
    !inHand && !ofTheBox && client.prefetchQuery(pannedOf(opens, loadPreferences().colorSchool)),
  ]);
}
