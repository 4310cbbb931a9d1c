import { lazy, Suspense, type ComponentType } from 'react';
import type { Needed } from '../records/useListStates.ts';
import { Fetching } from '../ui/Fetching.tsx';
import { Needs } from './Needs.tsx';

/** A screen that comes when it is asked for. */
export const page = (load: () => Promise<ComponentType>) => ({
  load,
  Screen: lazy(async () => ({ default: await load() })),
});
type Page = ReturnType<typeof page>;

export const screen = ({ Screen }: Page) => (
  <Suspense fallback={<Fetching what="this page" />}>
    <Screen />
  </Suspense>
);
/** A screen that says nothing before the lists its words rest on are here; its code is sent for meanwhile. */
export const needs = (kinds: readonly Needed[], of: Page) => (
  <Needs kinds={kinds} soon={of.load}>
    {screen(of)}
  </Needs>
);
/** One that work goes on in without them. */
export const evenWithout = (kinds: readonly Needed[], of: Page) => (
  <Needs kinds={kinds} without="said" soon={of.load}>
    {screen(of)}
  </Needs>
);
