import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { NavLink } from '../ui/Link.tsx';

interface RoomsBarProps {
  readonly stage: string;
  /** Address of the stage; each room's path is put after it, the first room's is empty. */
  readonly base: string;
  readonly rooms: readonly { readonly path: string; readonly name: string }[];
}

/** A stage's own line of rooms; the one in use is underscored in ink. What is picked comes along. */
export function RoomsBar({ stage, base, rooms }: RoomsBarProps) {
  const { search, pathname } = useLocation();
  const bar = useRef<HTMLElement>(null);
  // On a phone there are more than fit: the one in use is always among those in sight.
  useEffect(() => {
    const open = bar.current?.querySelector<HTMLElement>('[aria-current=page]');
    if (bar.current && open)
      bar.current.scrollLeft = open.offsetLeft - (bar.current.clientWidth - open.offsetWidth) / 2;
  }, [pathname]);
  return (
    <nav
      ref={bar}
      aria-label={`Rooms of ${stage}`}
      className="no-print relative -mx-4 mb-3 flex [scrollbar-width:none] overflow-x-auto border-b border-rule px-4 max-sm:[mask-image:linear-gradient(to_right,transparent,black_1rem,black_calc(100%-2rem),transparent)] sm:mx-0 sm:px-0"
    >
      {rooms.map((r) => (
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
  );
}
