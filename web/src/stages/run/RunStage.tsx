import { Route, Routes } from 'react-router';
import { Home } from '../../shell/Home.tsx';
import { evenWithout, page } from '../../shell/page.tsx';
import { RunScreen } from './RunScreen.tsx';

const Crew = page(async () => (await import('./crew/CrewScreen.tsx')).CrewScreen, 'run/crew');

const Haul = page(async () => (await import('./haul/HaulScreen.tsx')).HaulScreen, 'run/haul');

/** Run: the buckets, the room of who waits for whom, and whether to haul gravel or wash it dry. */
export const RunStage = () => (
  <Routes>
    <Route index element={<RunScreen />} />
    <Route path="crew" element={evenWithout(['work-rounds', 'runs', 'setups', 'cleanups'], Crew)} />
    <Route path="haul" element={evenWithout(['runs', 'setups', 'samples', 'rigs', 'cleanups'], Haul)} />
    <Route path="*" element={<Home />} />
  </Routes>
);
