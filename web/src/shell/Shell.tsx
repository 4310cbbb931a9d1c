import { Suspense, useMemo, useState } from 'react';
import { Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { NavLink } from '../ui/Link.tsx';
import { useCarriedAlong } from '../records/useCarriedAlong.ts';
import { useRecords } from '../records/useRecords.ts';
import { LIGHTS, usePreferences } from '../preferences/preferences.ts';
import { DayIcon, SettingsIcon } from '../ui/icons.tsx';
import { Broken } from './Broken.tsx';
import { GroundPicker } from './GroundPicker.tsx';
import { STAGES } from './stages.ts';
import { SyncState } from './SyncState.tsx';
import { lastGround } from './useGround.ts';
import { useKeys } from './useKeys.ts';
import { late } from '../ui/late.ts';

const KeysSheet = late(async () => (await import('./KeysSheet.tsx')).KeysSheet);

/** A word on the rail: it runs into the page while it is the one that is open. */
const ON_RAIL =
  'relative flex items-center gap-2 border-t border-b border-l-[5px] border-transparent px-2.5 aria-[current=page]:z-10 aria-[current=page]:border-ink aria-[current=page]:bg-paper aria-[current=page]:font-bold';

/** The frame of every screen: stages in the order of the work, ground above them, the page beside. */
export function Shell() {
  const { groundId: inAddress } = useParams();
  const { items: grounds, state: book } = useRecords('grounds');
  const { pathname, search } = useLocation();
  const navigate = useNavigate();
  const { preferences, change } = usePreferences();
  // The picker stands in the rail and in the phone's top bar; only the one in sight may open, since an open menu hides all else.
  const [pickerOpen, setPickerOpen] = useState<'rail' | 'top' | null>(null);
  const [keysOpen, setKeysOpen] = useState(false);
  const sought = inAddress ?? lastGround() ?? grounds[0]?.id;
  const ground = grounds.find((g) => g.id === sought);
  useCarriedAlong(ground?.id);
  const stagePath = /^\/g\/[^/]+\/([^/]+)/.exec(pathname)?.[1];
  const stage = STAGES.find((s) => s.path === stagePath)?.path ?? (pathname.endsWith('/day') ? 'day' : 'read');
  const spot = new URLSearchParams(search).get('spot');
  // While the book is on its way, its ground is gone to all the same: a tap must not land elsewhere for having come early.
  const groundId = ground?.id ?? (book === 'here' ? undefined : sought);
  const base = groundId ? `/g/${groundId}/` : null;
  const noGround = book === 'arriving' ? '/' : '/grounds/new';
  const to = (path: string): string => (base ? `${base}${path}${inAddress && spot ? `?spot=${spot}` : ''}` : noGround);

  useKeys(
    useMemo(
      () => ({
        // The address is read when the key falls: a spot picked a moment ago comes along.
        ...Object.fromEntries(
          STAGES.map((s) => [
            s.key,
            () => {
              const picked = new URLSearchParams(window.location.search).get('spot');
              if (base) void navigate(`${base}${s.path}${picked ? `?spot=${picked}` : ''}`);
            },
          ]),
        ),
        d: () => void (base && navigate(`${base}day`)),
        g: () => setPickerOpen(matchMedia('(min-width: 640px)').matches ? 'rail' : 'top'),
        '?': () => setKeysOpen(true),
      }),
      [base, navigate],
    ),
  );

  const nextLight = LIGHTS[(LIGHTS.indexOf(preferences.light) + 1) % LIGHTS.length] ?? 'shade';
  const picker = (where: 'rail' | 'top') => (
    <GroundPicker
      grounds={grounds}
      current={ground}
      stage={stage}
      open={pickerOpen === where}
      onOpenChange={(open) => setPickerOpen(open ? where : null)}
    />
  );
  const stageName = pathname.endsWith('/day') ? 'Day sheet' : STAGES.find((s) => s.path === stagePath)?.name;
  return (
    <div className="min-h-dvh sm:grid sm:grid-cols-[146px_minmax(0,1fr)] print:block!">
      <title>{stageName && ground ? `${stageName}, ${ground.name} - Riffle` : 'Riffle'}</title>
      <a href="#page" className="absolute -top-20 left-2 z-40 bg-ink px-4 py-2 text-paper focus:top-2">
        Skip to the page
      </a>
      <nav aria-label="Stages" className="sticky top-0 hidden h-dvh flex-col bg-spine sm:flex">
        {/* The binding: a double rule, broken where the open stage runs into the page. */}
        <div aria-hidden="true" className="absolute inset-y-0 right-0 w-[5px] border-x-[1.6px] border-ink" />
        <div className="pt-3 pr-5 pb-5 pl-4">
          <NavLink to={to('read')} className="mb-2 block font-serif text-[20px] font-bold">
            Riffle
          </NavLink>
          {picker('rail')}
        </div>
        <ul>
          {STAGES.map(({ path, name, key, Icon }) => (
            <li key={path}>
              <NavLink to={to(path)} className={`min-h-[52px] ${ON_RAIL}`}>
                <Icon />
                <span className="grow">{name}</span>
                <Key>{key}</Key>
              </NavLink>
            </li>
          ))}
        </ul>
        <NavLink to={to('day')} className={`mt-5 min-h-11 ${ON_RAIL}`}>
          <DayIcon />
          <span className="grow whitespace-nowrap">Day sheet</span>
          <Key>d</Key>
        </NavLink>
        <NavLink
          to="/settings"
          className="relative flex min-h-11 items-center gap-2 px-3.5 aria-[current=page]:font-bold"
        >
          <SettingsIcon />
          Settings
        </NavLink>
        <div className="mt-auto flex flex-col px-4 pb-4">
          <button
            type="button"
            className="min-h-11 text-left text-[13px] text-ink-2"
            onClick={() => change({ light: nextLight })}
            title={`Change to ${nextLight}`}
          >
            Light: {preferences.light}
          </button>
          <SyncState />
        </div>
      </nav>

      <header
        className="flex items-center justify-between gap-3 border-b-2 border-ink bg-spine px-4 py-1 sm:hidden tight:flex-wrap tight:gap-x-1"
        data-top-bar=""
      >
        <div className="min-w-0 grow tight:basis-full">{picker('top')}</div>
        <SyncState />
        <NavLink to={to('day')} aria-label="Day sheet" className="grid min-h-11 min-w-11 place-items-center">
          <DayIcon />
        </NavLink>
        <NavLink to="/settings" aria-label="Settings" className="grid min-h-11 min-w-11 place-items-center">
          <SettingsIcon />
        </NavLink>
      </header>
      {/* Its foot can be scrolled clear of the bar and of a few words above it. */}
      <main id="page" className="min-w-0 px-4 pt-3 pb-40 sm:px-6 sm:pb-6">
        <Broken of={pathname}>
          <Suspense>
            <Outlet />
          </Suspense>
        </Broken>
      </main>
      <nav
        aria-label="Stages"
        className="fixed inset-x-0 bottom-0 z-10 grid auto-cols-fr grid-flow-col border-t-2 border-ink bg-spine pb-[env(safe-area-inset-bottom)] sm:hidden"
        data-stage-bar=""
      >
        {STAGES.map(({ path, name, Icon }) => (
          <NavLink
            key={path}
            to={to(path)}
            className="flex min-h-14 flex-col items-center justify-center text-[12.5px] aria-[current=page]:bg-ink aria-[current=page]:font-bold aria-[current=page]:text-paper tight:text-[9px]"
          >
            <Icon />
            {name}
          </NavLink>
        ))}
      </nav>
      {keysOpen && (
        <Suspense>
          <KeysSheet onClose={() => setKeysOpen(false)} />
        </Suspense>
      )}
    </div>
  );
}

const Key = ({ children }: { children: string }) => (
  <kbd className="w-4 pr-2.5 text-right font-sans text-[13px] text-ink-2" aria-hidden="true">
    {children}
  </kbd>
);
