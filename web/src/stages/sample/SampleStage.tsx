import { NavLink, Outlet, useLocation } from 'react-router';
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

/** The stage's own line of rooms; the one in use is underscored in ink. What is picked comes along. */
export function SampleStage() {
  const inHand = useGround();
  const { search } = useLocation();
  const base = `/g/${inHand.ground.id}/sample`;
  return (
    <>
      <nav
        aria-label="Rooms of Sample"
        className="no-print -mx-4 mb-3 flex overflow-x-auto border-b border-rule px-4 sm:mx-0 sm:px-0"
      >
        {ROOMS.map((r) => (
          <NavLink
            key={r.path}
            end={r.path === ''}
            to={`${base}${r.path && `/${r.path}`}${search}`}
            className="-mb-px flex min-h-11 shrink-0 items-center border-b-4 border-transparent px-3 text-ink-2 first:pl-0 aria-[current=page]:border-ink aria-[current=page]:font-bold aria-[current=page]:text-ink"
          >
            {r.name}
          </NavLink>
        ))}
      </nav>
      <Outlet context={inHand} />
    </>
  );
}
