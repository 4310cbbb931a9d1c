import { isPartOf, pageAt } from '@riffle/contract';
import { Suspense, type ComponentType } from 'react';
import type { Needed } from '../records/useListStates.ts';
import { Fetching } from '../ui/Fetching.tsx';
import { late } from '../ui/late.ts';
import { Broken } from './Broken.tsx';
import { Needs } from './Needs.tsx';

const openedAt = typeof location === 'undefined' ? '' : pageAt(location.pathname);
const opening: Promise<unknown>[] = [];

/**
 * A screen that comes when it is asked for. `at` is its address within the ground, "sample/*" with all below it: a page
 * opened there has it sent for by its document (`pageFiles` in vite.config.ts reads `at` too) and waits for it.
 */
export function page(load: () => Promise<ComponentType>, at: string) {
  const Page = late(load);
  if (isPartOf(openedAt, at)) opening.push(Page.soon());
  return Page;
}
type Page = ReturnType<typeof page>;

/** Ends once the screens this page was opened at are here: drawn earlier, it would say that they are on their way, and React leaves such a word for 300 ms at least. */
export async function openedPagesHere(): Promise<void> {
  // A stage that has come names its rooms.
  for (const one of opening) await one;
}

/** One that breaks or does not come leaves what stands around it, the way to the others, in use. */
export const screen = (Screen: Page) => (
  <Broken of={Screen}>
    <Suspense fallback={<Fetching what="this page" />}>
      <Screen />
    </Suspense>
  </Broken>
);
/** A screen that says nothing before the lists its words rest on are here; its code is sent for meanwhile. */
export const needs = (kinds: readonly Needed[], of: Page) => (
  <Needs kinds={kinds} soon={of.soon}>
    {screen(of)}
  </Needs>
);
/** One that work goes on in without them. */
export const evenWithout = (kinds: readonly Needed[], of: Page) => (
  <Needs kinds={kinds} without="said" soon={of.soon}>
    {screen(of)}
  </Needs>
);
