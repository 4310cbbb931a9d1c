import { Route, Routes } from 'react-router';
import { Home } from '../../shell/Home.tsx';
import { page, screen } from '../../shell/page.tsx';
import { RoomsBar } from '../../shell/RoomsBar.tsx';
import { useGround } from '../../shell/useGround.ts';
import { BooksScreen } from './BooksScreen.tsx';

const Gold = page(async () => (await import('./gold/GoldScreen.tsx')).GoldScreen, 'books/gold');

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
      <Routes>
        <Route index element={<BooksScreen />} />
        <Route path="gold" element={screen(Gold)} />
        <Route path="*" element={<Home />} />
      </Routes>
    </>
  );
}
