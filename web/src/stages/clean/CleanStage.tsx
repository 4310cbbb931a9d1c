import { Route, Routes } from 'react-router';
import { Home } from '../../shell/Home.tsx';
import { evenWithout, needs, page } from '../../shell/page.tsx';

const Clean = page(async () => (await import('./CleanScreen.tsx')).CleanScreen, 'clean');
const Finish = page(async () => (await import('./finish/FinishScreen.tsx')).FinishScreen, 'clean/finish');

/** Clean: from the box to the scale, and the room of the last tablespoon. */
export const CleanStage = () => (
  <Routes>
    <Route index element={needs(['runs', 'lifts', 'cleanups', 'setups', 'rigs', 'pans'], Clean)} />
    <Route path="finish" element={evenWithout(['jars'], Finish)} />
    <Route path="*" element={<Home />} />
  </Routes>
);
