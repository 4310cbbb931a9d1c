import { isPartOf, pageAt } from '@riffle/contract';
import { Suspense, useEffect, useState, type ComponentType } from 'react';
import type { Needed } from '../records/useListStates.ts';
import { Fetching } from '../ui/Fetching.tsx';
import { late } from '../ui/late.ts';
import { Broken } from './Broken.tsx';
import { Needs } from './Needs.tsx';

const pages: { readonly at: string; readonly soon: () => Promise<unknown> }[] = [];

/**
 * A screen that comes when it is asked for. `at` is its address within the ground, "sample/*" with all below it: a page
 * opened there has it sent for by its document (`pageFiles` in vite.config.ts reads `at` too).
 */
export function page(load: () => Promise<ComponentType>, at: string) {
  const Page = late(load);
  pages.push({ at, soon: Page.soon });
  return Page;
}

/**
 * Ends once the screens at a path are here, or cannot come: a page that is opened there is drawn whole, not first with the
 * word that they are on their way.
 */
export async function pagesHere(pathname: string): Promise<void> {
  const opened = pageAt(pathname);
  // A stage that has come names its rooms: the list grows meanwhile.
  for (const { at, soon } of pages) if (isPartOf(opened, at)) await soon();
}

type Page = ReturnType<typeof page>;

/** The screen as soon as it is here. `Suspense` alone would keep its word for 300 ms; it is for what did not come, and is sent for again. */
function Arriving({ of: Page }: { readonly of: Page }) {
  const [came, setCame] = useState<Page | null>(null);
  const isDrawn = Page.isHere() || came === Page;
  useEffect(() => {
    let current = true;
    if (!isDrawn) void Page.soon().then(() => current && setCame(() => Page));
    return () => {
      current = false;
    };
  }, [Page, isDrawn]);
  return isDrawn ? <Page /> : <Fetching what="this page" />;
}

/** One that breaks or does not come leaves what stands around it, the way to the others, in use. */
export const screen = (Page: Page) => (
  <Broken of={Page}>
    <Suspense fallback={<Fetching what="this page" />}>
      <Arriving of={Page} />
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
