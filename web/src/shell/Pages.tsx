import { lazy, Suspense, type ComponentType } from 'react';
import { Route, Routes } from 'react-router';
import type { Needed } from '../records/useListStates.ts';
import { ReadScreen } from '../stages/read/ReadScreen.tsx';
import { Fetching } from '../ui/Fetching.tsx';
import { Broken } from './Broken.tsx';
import { GroundGate } from './GroundGate.tsx';
import { Home } from './Home.tsx';
import { Needs } from './Needs.tsx';
import { Shell } from './Shell.tsx';

// Read is the first sight and comes with the start; every other screen comes when it is asked for.
const page = (load: () => Promise<ComponentType>) => ({ load, Screen: lazy(async () => ({ default: await load() })) });
type Page = ReturnType<typeof page>;
const NewGround = page(async () => (await import('../ground/NewGroundScreen.tsx')).NewGroundScreen);
const BagGate = page(async () => (await import('../stages/sample/bags/BagGate.tsx')).BagGate);
const Settings = page(async () => (await import('../settings/SettingsScreen.tsx')).SettingsScreen);
const Day = page(async () => (await import('../day/DayScreen.tsx')).DayScreen);
const Walk = page(async () => (await import('../stages/read/walk/WalkScreen.tsx')).WalkScreen);
const Sample = page(async () => (await import('../stages/sample/SampleStage.tsx')).SampleStage);
const Pan = page(async () => (await import('../stages/sample/pan/PanScreen.tsx')).PanScreen);
const Bags = page(async () => (await import('../stages/sample/bags/BagsScreen.tsx')).BagsScreen);
const Tags = page(async () => (await import('../stages/sample/bags/TagsScreen.tsx')).TagsScreen);
const Pits = page(async () => (await import('../stages/sample/pits/PitsScreen.tsx')).PitsScreen);
const Screens = page(async () => (await import('../stages/sample/screens/ScreensScreen.tsx')).ScreensScreen);
const Meaning = page(async () => (await import('../stages/sample/meaning/MeaningScreen.tsx')).MeaningScreen);
const InPlace = page(async () => (await import('../stages/sample/inPlace/InPlaceScreen.tsx')).InPlaceScreen);
const Table = page(async () => (await import('../stages/sample/table/TableScreen.tsx')).TableScreen);
const Hands = page(async () => (await import('../stages/sample/hands/HandsScreen.tsx')).HandsScreen);
const SetBox = page(async () => (await import('../stages/set/SetScreen.tsx')).SetScreen);
const Run = page(async () => (await import('../stages/run/RunScreen.tsx')).RunScreen);
const Crew = page(async () => (await import('../stages/run/crew/CrewScreen.tsx')).CrewScreen);
const Clean = page(async () => (await import('../stages/clean/CleanScreen.tsx')).CleanScreen);
const Sure = page(async () => (await import('../sure/SureScreen.tsx')).SureScreen);
const Books = page(async () => (await import('../stages/books/BooksStage.tsx')).BooksStage);

const screen = ({ Screen }: Page) => (
  <Suspense fallback={<Fetching what="this page" />}>
    <Screen />
  </Suspense>
);
/** A screen that says nothing before the lists its words rest on are here; its code is sent for meanwhile. */
const needs = (kinds: readonly Needed[], of: Page) => (
  <Needs kinds={kinds} soon={of.load}>
    {screen(of)}
  </Needs>
);
/** One that work goes on in without them. */
const evenWithout = (kinds: readonly Needed[], of: Page) => (
  <Needs kinds={kinds} without="said" soon={of.load}>
    {screen(of)}
  </Needs>
);

/** Which address shows which screen. Read, Pan, Run and Books are of use before all of theirs is here, and see to it themselves. */
export const Pages = () => (
  <Broken address="">
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<Home />} />
        <Route path="grounds/new" element={screen(NewGround)} />
        <Route path="bag/:bagId" element={screen(BagGate)} />
        <Route path="settings" element={screen(Settings)} />
        <Route path="g/:groundId" element={<GroundGate />}>
          <Route path="day" element={evenWithout(['day-sheets', 'pans', 'signs', 'lots', 'permissions'], Day)} />
          <Route path="read" element={<ReadScreen />} />
          <Route path="walk" element={evenWithout(['pans', 'signs', 'day-sheets', 'gauge-readings'], Walk)} />
          <Route path="sample" element={screen(Sample)}>
            <Route index element={screen(Pan)} />
            <Route path="bags" element={needs(['lots', 'sample-plans', 'samples'], Bags)} />
            <Route path="tags" element={needs(['lots'], Tags)} />
            <Route path="pits" element={evenWithout(['pits', 'samples', 'runs'], Pits)} />
            <Route path="screens" element={evenWithout(['screenings', 'looks', 'samples'], Screens)} />
            <Route path="meaning" element={needs(['samples', 'sample-plans', 'seedings', 'pits', 'runs'], Meaning)} />
            <Route path="in-place" element={needs(['samples', 'pits', 'outlines'], InPlace)} />
            <Route path="table" element={needs(['samples', 'pits'], Table)} />
            <Route path="hands" element={evenWithout(['containers', 'seedings', 'size-words'], Hands)} />
          </Route>
          <Route path="set" element={evenWithout(['rigs', 'setups'], SetBox)} />
          <Route path="run" element={screen(Run)} />
          <Route path="run/crew" element={evenWithout(['work-rounds', 'runs'], Crew)} />
          <Route path="clean" element={needs(['runs', 'lifts', 'cleanups', 'setups', 'rigs', 'samples'], Clean)} />
          <Route path="books/*" element={screen(Books)} />
          <Route path="sure" element={needs(['samples', 'signs', 'pits', 'runs', 'lifts', 'cleanups'], Sure)} />
        </Route>
        <Route path="*" element={<Home />} />
      </Route>
    </Routes>
  </Broken>
);
