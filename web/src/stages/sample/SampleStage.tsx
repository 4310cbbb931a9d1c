import { Outlet } from 'react-router';
import { RoomsBar } from '../../shell/RoomsBar.tsx';
import { useGround } from '../../shell/useGround.ts';

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

export function SampleStage() {
  const inHand = useGround();
  return (
    <>
      <RoomsBar stage="Sample" base={`/g/${inHand.ground.id}/sample`} rooms={ROOMS} />
      <Outlet context={inHand} />
    </>
  );
}
