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
 * Puts in hand what the document brought. Ends once the lists of the page itself are held against what this device keeps:
 * what landed after the document was made, a bucket say, is in their first drawing. The first lists are drawn meanwhile.
 */
export async function takeBroughtLists(client: QueryClient): Promise<void> {
  if (broughtPanned) {
    const { groundId, school, told } = broughtPanned;
    client.setQueryData(pannedOf(groundId, school).queryKey, told);
  }
  const first = new Set<string>(['grounds', ...FIRST_LISTS]);
  const taken = broughtLists.map(({ kind, groundId, items }) => {
    const held = takeBrought(listKey(kind, groundId), items);
    return first.has(kind) ? Promise.resolve() : held;
  });
  await Promise.all(taken);
}

/**
 * Asks for what the page begins with and the document did not bring, before anything is drawn. `groundId` is the ground
 * that will open; null: the first of the book. `page` is where in it: "sample/bags".
 */
export async function openAhead(client: QueryClient, groundId: string | null, page: string): Promise<void> {
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
