import { Suspense } from 'react';
import type { Needed } from '../records/useListStates.ts';
import { Fetching } from '../ui/Fetching.tsx';
import { late } from '../ui/late.ts';
import { Broken } from './Broken.tsx';
import { Needs } from './Needs.tsx';

/** A screen that comes when it is asked for. */
export const page = late<object>;
type Page = ReturnType<typeof page>;

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
