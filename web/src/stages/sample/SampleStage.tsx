import { Route, Routes } from 'react-router';
import { useLatestSamples } from '../../records/useLatestSamples.ts';
import { evenWithout, needs, page, screen } from '../../shell/page.tsx';
import { Home } from '../../shell/Home.tsx';
import { RoomsBar } from '../../shell/RoomsBar.tsx';
import { useGround } from '../../shell/useGround.ts';

const Pan = page(async () => (await import('./pan/PanScreen.tsx')).PanScreen, 'sample');
const Bags = page(async () => (await import('./bags/BagsScreen.tsx')).BagsScreen, 'sample/bags');
const Tags = page(async () => (await import('./bags/TagsScreen.tsx')).TagsScreen, 'sample/tags');
const Pits = page(async () => (await import('./pits/PitsScreen.tsx')).PitsScreen, 'sample/pits');
const Screens = page(async () => (await import('./screens/ScreensScreen.tsx')).ScreensScreen, 'sample/screens');
const Meaning = page(async () => (await import('./meaning/MeaningScreen.tsx')).MeaningScreen, 'sample/meaning');
const InPlace = page(async () => (await import('./inPlace/InPlaceScreen.tsx')).InPlaceScreen, 'sample/in-place');
const Table = page(async () => (await import('./table/TableScreen.tsx')).TableScreen, 'sample/table');
const Hands = page(async () => (await import('./hands/HandsScreen.tsx')).HandsScreen, 'sample/hands');

/** Rooms of this stage, in the order of the work: lay out, dig, screen, pan, and what it says. */
const ROOMS = [
  { path: '', name: 'Pan' },
  { path: 'bags', name: 'Bags' },
  { path: 'pits', name: 'Pits' },
  { path: 'screens', name: 'Screens' },
  { path: 'meaning', name: 'What it says' },
  { path: 'in-place', name: 'In place' },
  { path: 'table', name: 'Table' },
  { path: 'hands', name: 'Hands' },
] as const;

/** Its samples are sent for while its code comes. */
function TableRoom() {
  useLatestSamples(useGround().ground.id);
  return screen(Table);
}

export function SampleStage() {
  const { ground } = useGround();
  return (
    <>
      <RoomsBar stage="Sample" base={`/g/${ground.id}/sample`} rooms={ROOMS} />
      <Routes>
        <Route index element={screen(Pan)} />
        <Route path="bags" element={needs(['lots', 'sample-plans', 'samples'], Bags)} />
        <Route path="tags" element={needs(['lots'], Tags)} />
        <Route path="pits" element={evenWithout(['pits', 'samples', 'runs'], Pits)} />
        <Route path="screens" element={evenWithout(['screenings', 'looks', 'samples'], Screens)} />
        <Route path="meaning" element={needs(['samples', 'sample-plans', 'seedings', 'pits', 'runs'], Meaning)} />
        <Route path="in-place" element={needs(['samples', 'pits', 'outlines'], InPlace)} />
        <Route path="table" element={<TableRoom />} />
        <Route path="hands" element={evenWithout(['containers', 'seedings', 'size-words'], Hands)} />
        <Route path="*" element={<Home />} />
      </Routes>
    </>
  );
}
