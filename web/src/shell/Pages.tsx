import { Route, Routes } from 'react-router';
import { ReadScreen } from '../stages/read/ReadScreen.tsx';
import { Broken } from './Broken.tsx';
import { GroundGate } from './GroundGate.tsx';
import { Home } from './Home.tsx';
import { evenWithout, needs, page, screen } from './page.tsx';
import { Shell } from './Shell.tsx';

// Read is the first sight and comes with the start; every other screen comes when it is asked for.
const NewGround = page(async () => (await import('../ground/NewGroundScreen.tsx')).NewGroundScreen, 'grounds/new');
const BagGate = page(async () => (await import('../stages/sample/bags/BagGate.tsx')).BagGate, 'bag/*');
const Settings = page(async () => (await import('../settings/SettingsScreen.tsx')).SettingsScreen, 'settings');
const Day = page(async () => (await import('../day/DayScreen.tsx')).DayScreen, 'day');
const Walk = page(async () => (await import('../stages/read/walk/WalkScreen.tsx')).WalkScreen, 'walk');
const Sample = page(async () => (await import('../stages/sample/SampleStage.tsx')).SampleStage, 'sample/*');
const SetBox = page(async () => (await import('../stages/set/SetStage.tsx')).SetStage, 'set');
const Run = page(async () => (await import('../stages/run/RunStage.tsx')).RunStage, 'run/*');
const Clean = page(async () => (await import('../stages/clean/CleanStage.tsx')).CleanStage, 'clean/*');
const Sure = page(async () => (await import('../sure/SureScreen.tsx')).SureScreen, 'sure');
const Books = page(async () => (await import('../stages/books/BooksStage.tsx')).BooksStage, 'books/*');

/** What a day's order rests on: a river or a hole that came late would change it under the eye. */
const DAY = ['day-sheets', 'pans', 'pits', 'signs', 'gauge-readings', 'outlines', 'lots', 'permissions'] as const;

/** Which address shows which screen. Read, Sample, Run, Clean and Books are of use before all of theirs is here, and see to it themselves. */
export const Pages = () => (
  <Broken of={null}>
    <Routes>
      <Route element={<Shell />}>
        <Route index element={<Home />} />
        <Route path="grounds/new" element={screen(NewGround)} />
        <Route path="bag/:bagId" element={screen(BagGate)} />
        <Route path="settings" element={screen(Settings)} />
        <Route path="g/:groundId" element={<GroundGate />}>
          <Route path="day" element={evenWithout(DAY, Day)} />
          <Route path="read" element={<ReadScreen />} />
          <Route path="walk" element={evenWithout(['pans', 'signs', 'day-sheets', 'gauge-readings'], Walk)} />
          <Route path="sample/*" element={screen(Sample)} />
          <Route path="set" element={evenWithout(['rigs', 'setups'], SetBox)} />
          <Route path="run/*" element={screen(Run)} />
          <Route path="clean/*" element={screen(Clean)} />
          <Route path="books/*" element={screen(Books)} />
          <Route
            path="sure"
            element={needs(['samples', 'signs', 'pits', 'setups', 'runs', 'lifts', 'cleanups', 'forecasts'], Sure)}
          />
        </Route>
        <Route path="*" element={<Home />} />
      </Route>
    </Routes>
  </Broken>
);
