import { lazy, type ReactNode } from 'react';
import { Route, Routes } from 'react-router';
import type { Needed } from '../records/useListStates.ts';
import { ReadScreen } from '../stages/read/ReadScreen.tsx';
import { Broken } from './Broken.tsx';
import { GroundGate } from './GroundGate.tsx';
import { Home } from './Home.tsx';
import { Needs } from './Needs.tsx';
import { Shell } from './Shell.tsx';

// Read is the first sight and comes with the start; every other screen comes when it is asked for.
const NewGround = lazy(async () => ({ default: (await import('../ground/NewGroundScreen.tsx')).NewGroundScreen }));
const BagGate = lazy(async () => ({ default: (await import('../stages/sample/bags/BagGate.tsx')).BagGate }));
const Settings = lazy(async () => ({ default: (await import('../settings/SettingsScreen.tsx')).SettingsScreen }));
const Day = lazy(async () => ({ default: (await import('../day/DayScreen.tsx')).DayScreen }));
const Sample = lazy(async () => ({ default: (await import('../stages/sample/SampleStage.tsx')).SampleStage }));
const Pan = lazy(async () => ({ default: (await import('../stages/sample/pan/PanScreen.tsx')).PanScreen }));
const Bags = lazy(async () => ({ default: (await import('../stages/sample/bags/BagsScreen.tsx')).BagsScreen }));
const Tags = lazy(async () => ({ default: (await import('../stages/sample/bags/TagsScreen.tsx')).TagsScreen }));
const Pits = lazy(async () => ({ default: (await import('../stages/sample/pits/PitsScreen.tsx')).PitsScreen }));
const Screens = lazy(async () => ({
  default: (await import('../stages/sample/screens/ScreensScreen.tsx')).ScreensScreen,
}));
const Meaning = lazy(async () => ({
  default: (await import('../stages/sample/meaning/MeaningScreen.tsx')).MeaningScreen,
}));
const InPlace = lazy(async () => ({
  default: (await import('../stages/sample/inPlace/InPlaceScreen.tsx')).InPlaceScreen,
}));
const Table = lazy(async () => ({ default: (await import('../stages/sample/table/TableScreen.tsx')).TableScreen }));
const Hands = lazy(async () => ({ default: (await import('../stages/sample/hands/HandsScreen.tsx')).HandsScreen }));
const SetBox = lazy(async () => ({ default: (await import('../stages/set/SetScreen.tsx')).SetScreen }));
const Run = lazy(async () => ({ default: (await import('../stages/run/RunScreen.tsx')).RunScreen }));
const Clean = lazy(async () => ({ default: (await import('../stages/clean/CleanScreen.tsx')).CleanScreen }));
const Books = lazy(async () => ({ default: (await import('../stages/books/BooksScreen.tsx')).BooksScreen }));

/** A screen that says nothing before the lists its words rest on are here. */
const needs = (kinds: readonly Needed[], screen: ReactNode) => <Needs kinds={kinds}>{screen}</Needs>;
/** One that work goes on in without them. */
const evenWithout = (kinds: readonly Needed[], screen: ReactNode) => (
  <Needs kinds={kinds} without="said">
    {screen}
  </Needs>
);

/** Which address shows which screen. Read, Pan, Run and Books are of use before all of theirs is here, and see to it themselves. */
export const Pages = () => (
  <Broken address="">
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<Home />} />
        <Route path="grounds/new" element={<NewGround />} />
        <Route path="bag/:bagId" element={<BagGate />} />
        <Route path="settings" element={<Settings />} />
        <Route path="g/:groundId" element={<GroundGate />}>
          <Route path="day" element={evenWithout(['day-sheets', 'pans', 'signs', 'lots', 'permissions'], <Day />)} />
          <Route path="read" element={<ReadScreen />} />
          <Route path="sample" element={<Sample />}>
            <Route index element={<Pan />} />
            <Route path="bags" element={needs(['lots', 'sample-plans', 'samples'], <Bags />)} />
            <Route path="tags" element={needs(['lots'], <Tags />)} />
            <Route path="pits" element={evenWithout(['pits', 'samples'], <Pits />)} />
            <Route path="screens" element={evenWithout(['screenings', 'samples'], <Screens />)} />
            <Route path="meaning" element={needs(['samples', 'sample-plans', 'seedings'], <Meaning />)} />
            <Route path="in-place" element={needs(['samples', 'pits', 'outlines'], <InPlace />)} />
            <Route path="table" element={needs(['samples', 'pits'], <Table />)} />
            <Route path="hands" element={evenWithout(['containers', 'seedings', 'size-words'], <Hands />)} />
          </Route>
          <Route path="set" element={evenWithout(['rigs', 'setups'], <SetBox />)} />
          <Route path="run" element={<Run />} />
          <Route path="clean" element={needs(['runs', 'cleanups', 'setups', 'rigs', 'samples'], <Clean />)} />
          <Route path="books" element={<Books />} />
        </Route>
        <Route path="*" element={<Home />} />
      </Route>
    </Routes>
  </Broken>
);
