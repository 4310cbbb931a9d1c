import { Route, Routes } from 'react-router';
import { Home } from '../../shell/Home.tsx';
import { evenWithout, page } from '../../shell/page.tsx';
import { RunScreen } from './RunScreen.tsx';

const Crew = page(async () => (await import('./crew/CrewScreen.tsx')).CrewScreen);

/** Run: the buckets, and the room of who waits for whom. */
export const RunStage = () => (
  <Routes>
    <Route index element={<RunScreen />} />
    <Route path="crew" element={evenWithout(['work-rounds', 'runs'], Crew)} />
    <Route path="*" element={<Home />} />
  </Routes>
);
