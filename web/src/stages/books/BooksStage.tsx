import { Suspense } from 'react';
import { Route, Routes } from 'react-router';
import { Home } from '../../shell/Home.tsx';
import { RoomsBar } from '../../shell/RoomsBar.tsx';
import { useGround } from '../../shell/useGround.ts';
import { Fetching } from '../../ui/Fetching.tsx';
import { BooksScreen } from './BooksScreen.tsx';
import { late } from '../../ui/late.ts';

const GoldScreen = late(async () => (await import('./gold/GoldScreen.tsx')).GoldScreen);

/** Rooms of this stage: what the ground gave, and what became of the gold. */
const ROOMS = [
  { path: '', name: 'Ground' },
  { path: 'gold', name: 'Gold' },
] as const;

export function BooksStage() {
  const { ground } = useGround();
  return (
    <>
      <RoomsBar stage="Books" base={`/g/${ground.id}/books`} rooms={ROOMS} />
      <Suspense fallback={<Fetching what="this page" />}>
        <Routes>
          <Route index element={<BooksScreen />} />
          <Route path="gold" element={<GoldScreen />} />
          <Route path="*" element={<Home />} />
        </Routes>
      </Suspense>
    </>
  );
}
