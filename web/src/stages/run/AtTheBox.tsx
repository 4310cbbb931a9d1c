import {
  BOX_EVENTS,
  TAIL_COLORS,
  WASHER_EVENTS,
  type StoredRig,
  type StoredRun,
  type StoredSetup,
} from '@riffle/contract';
import { cleanUpAfter_m3, CONTAINERS, drawnBoxes, USUAL_MIX, type Spread } from '@riffle/core';
import { formatDistanceToNowStrict } from 'date-fns';
import { memo, Suspense, useMemo, useState } from 'react';
import { Link } from '../../ui/Link.tsx';
import { fedSince_m3, leftUnrinsed, settingAsSet, weighedBlackSand } from '../../box/boxEvidence.ts';
import { useContainers } from '../../records/useContainers.ts';
import { useKeep } from '../../records/useKeep.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useShow } from '../../units/useShow.ts';
import { TextButton } from '../../ui/TextButton.tsx';
import { toast } from '../../ui/toast.ts';
import { useWidth } from '../../ui/useWidth.ts';
import type { BoxEvent } from '../../box/boxLog.ts';
import { AIR_STEP, BOX_LEVERS, stepOf, WASHER_LEVERS, type Lever } from './changedSetup.ts';
import { plural } from '../../ui/plural.ts';
import { useBeat } from './useBeat.ts';
import { useStint } from './useStint.ts';
import { late } from '../../ui/late.ts';

const LayerSheet = late(async () => (await import('./LayerSheet.tsx')).LayerSheet);
const LiningSheet = late(async () => (await import('./LiningSheet.tsx')).LiningSheet);
const ListenSheet = late(async () => (await import('../../listen/ListenSheet.tsx')).ListenSheet);

interface AtTheBoxProps {
  /** When each bucket of this run went in, ms since 1970. */
  readonly tipped_ms: readonly number[];
  /** Where the next bucket comes from. */
  readonly source: string;
  /** Takes another run in hand. */
  readonly hold: (runId: string) => void;
  readonly run: StoredRun;
  /** All of its ground. */
  readonly runs: readonly StoredRun[];
  readonly setup: StoredSetup;
  readonly rig: StoredRig;
  /** Fed in this run. */
  readonly volumeLoose_L: number;
  /** Milliseconds a bucket at which it is safely fed; null where that is not known. */
  readonly safe_ms: number | null;
}

/** What is done at the box while it runs, besides feeding: the tail panned, the beat kept, the mat watched. */
export const AtTheBox = memo(function AtTheBox(props: AtTheBoxProps) {
  return (
    // What is out of sight is not laid out and painted anew at each tap.
    <div className="mt-3 border-t-2 border-ink *:[contain-intrinsic-size:auto_7rem] *:[content-visibility:auto]">
      <TailPan {...props} />
      <Happened {...props} />
      <Changed {...props} />
      <Beat {...props} />
      {!props.rig.washer && <Listen {...props} />}
      <Mat {...props} />
    </div>
  );
});

interface TapButtonProps {
  readonly onTap: () => void;
  readonly disabled?: boolean;
  readonly children: string;
}

/** One of several things that may have happened at the box. */
function TapButton({ onTap, disabled = false, children }: TapButtonProps) {
  return (
    <button
      type="button"
      disabled={disabled}
      className="min-h-12 touch-manipulation border-2 border-ink text-[15px] leading-tight font-semibold active:bg-ink active:text-paper disabled:opacity-50"
      onClick={onTap}
    >
      {children}
    </button>
  );
}

const SAYS: Readonly<Record<(typeof TAIL_COLORS)[number], string>> = {
  '0': 'no color',
  '1-2': '1 or 2 colors',
  '3+': '3 colors or more',
};

/** After so many buckets the tail is to be panned again: what goes over the end shows nowhere else. Common practice, no source. */
const PAN_AGAIN = 10;

/** A pan of tailings in one tap; asked for when the last was long ago. */
function TailPan({ run, rig, tipped_ms }: AtTheBoxProps) {
  const { add, takeOut } = useKeep('box-tests');
  const tests = useRecords('box-tests', run.groundId).items;
  const pan_L = useContainers().pan ?? CONTAINERS.pan;
  const last = tests
    .filter((t) => t.setupId === run.setupId && t.tested.kind === 'tail pan' && t.testedAt >= run.startedAt)
    .sort((a, b) => b.testedAt.localeCompare(a.testedAt))[0];
  const since = last ? tipped_ms.filter((at_ms) => at_ms > Date.parse(last.testedAt)).length : tipped_ms.length;
  const tap = (colors: (typeof TAIL_COLORS)[number]): void => {
    add({
      groundId: run.groundId,
      setupId: run.setupId,
      testedAt: new Date().toISOString(),
      tested: { kind: 'tail pan', colors, volume_L: pan_L, volumeEntered: { text: '1', unit: 'pan' } },
      note: '',
    });
    toast(
      colors === '3+'
        ? `Tail pan: 3 colors or more. Gold goes over the end: less ${rig.washer ? 'air' : 'water'} or pitch, or feed slower.`
        : `Tail pan: ${SAYS[colors]}.`,
    );
  };
  return (
    <div className="border-b border-rule py-2">
      <p id="tail-pan" className="mb-1">
        <b>Tail pan</b>{' '}
        <span className="text-ink-2">
          {last && last.tested.kind === 'tail pan'
            ? `${SAYS[last.tested.colors]}, ${formatDistanceToNowStrict(new Date(last.testedAt))} ago`
            : 'none in this run: pan what comes over the end'}
        </span>
        {since >= PAN_AGAIN && <b className="block">{since} buckets since: pan the tail.</b>}
        {last && (
          <TextButton className="ml-3" onClick={() => takeOut(last, 'The tail pan is taken out.')}>
            take it out
          </TextButton>
        )}
      </p>
      <div role="group" aria-labelledby="tail-pan" className="grid grid-cols-3 border-2 border-ink">
        {TAIL_COLORS.map((colors) => (
          <button
            key={colors}
            type="button"
            aria-label={`Tail pan: ${SAYS[colors]}`}
            className="min-h-14 touch-manipulation text-[20px] font-bold not-first:border-l-2 not-first:border-ink active:bg-ink active:text-paper"
            onClick={() => tap(colors)}
          >
            {colors.replace('-', '–')}
          </button>
        ))}
      </div>
    </div>
  );
}

/** What to do when it happens. Common practice, no source. */
const DO: Readonly<Record<BoxEvent, string>> = {
  'big stone': 'Pick it out by hand: it scours gold out of the mat around it.',
  'dry feed': 'Wet it in the bucket and stir before you feed it: dry fines float off, and gold with them.',
  clay: 'Stop feeding. Break it in a tub of water until no lump is left: a ball of clay rolls through and takes gold along.',
  bubbles: 'Gold does not stick where bubbles sit: brush the cells with a drop of soap.',
  'damp feed': 'Stop feeding. Spread it thin in the sun: damp sand clumps, and gold rides off on it.',
  'lies still': 'Feed less at once; then a pulley up, or lift the head. Still: squeeze a handful, it may be damp.',
  'dust blows': 'A pulley down. Respirator on, stand with the wind at your back.',
  'cloth torn': 'Stop: air takes the hole, and the rest lies still. Patch it before the next bucket.',
};

/** What happens at a box now and then, in one tap each: it goes into the log, and says what to do. */
function Happened({ run, rig }: AtTheBoxProps) {
  const { add, takeOut } = useKeep('box-tests');
  const tests = useRecords('box-tests', run.groundId).items;
  const here = tests.filter(
    (t) => t.setupId === run.setupId && t.tested.kind === 'event' && t.testedAt >= run.startedAt,
  );
  const last = [...here].sort((a, b) => b.testedAt.localeCompare(a.testedAt))[0];
  const what = last?.tested.kind === 'event' ? last.tested.what : null;
  return (
    <div className="border-b border-rule py-2">
      <div role="group" aria-label="What happened at the box" className="grid grid-cols-4 gap-1">
        {(rig.washer ? WASHER_EVENTS : BOX_EVENTS).map((event) => (
          <TapButton
            key={event}
            onTap={() =>
              add({
                groundId: run.groundId,
                setupId: run.setupId,
                testedAt: new Date().toISOString(),
                tested: { kind: 'event', what: event },
                note: '',
              })
            }
          >
            {event}
          </TapButton>
        ))}
      </div>
      {what && last && (
        <p className="mt-1" role="status">
          <b>{DO[what]}</b>{' '}
          <TextButton onClick={() => takeOut(last, `Taken out: ${what}.`)}>it was not that</TextButton>
        </p>
      )}
    </div>
  );
}

/** A lever moved while it runs, in one tap: what follows is counted for the box as it stands from here on. */
function Changed({ run, setup, rig, source, hold }: AtTheBoxProps) {
  const show = useShow();
  const stint = useStint(run, setup, rig, hold);
  const rigs = useRecords('rigs').items;
  const [asks, setAsks] = useState<'lining' | 'layer' | null>(null);
  const { head_m, depth_m } = stepOf(stint.system, rig);
  const pulley = Math.round(100 * (AIR_STEP - 1));
  const water = setup.depth_m !== null ? show.smallLength(depth_m) : '10 %';
  const words: Readonly<Record<Lever, string>> = {
    'head up': `head +${show.smallLength(head_m)}`,
    'head down': `head −${show.smallLength(head_m)}`,
    'more water': `water +${water}`,
    'less water': `water −${water}`,
    'more air': `air +${pulley} %`,
    'less air': `air −${pulley} %`,
  };
  return (
    <div className="border-b border-rule py-2">
      <p id="box-changed" className="mb-1 flex items-baseline justify-between gap-3">
        <span>
          <b>Changed the {rig.washer ? 'washer' : 'box'}</b>{' '}
          <span className="text-ink-2">one thing at a time tells what it did</span>
        </span>
        <Link className="shrink-0 underline underline-offset-4" to={`/g/${run.groundId}/set?spot=${source}`}>
          otherwise
        </Link>
      </p>
      <div role="group" aria-labelledby="box-changed" className="grid grid-cols-2 gap-1 sm:grid-cols-4">
        {(rig.washer ? WASHER_LEVERS : BOX_LEVERS).map((lever) => (
          <TapButton
            key={lever}
            disabled={!stint.can(lever)}
            onTap={() => stint.move(lever, source, `${words[lever].charAt(0).toUpperCase()}${words[lever].slice(1)}`)}
          >
            {words[lever]}
          </TapButton>
        ))}
        {!rig.washer && <TapButton onTap={() => setAsks('lining')}>another lining</TapButton>}
        <TapButton onTap={() => setAsks('layer')}>another layer</TapButton>
      </div>
      <Suspense>
        {asks === 'lining' && (
          <LiningSheet
            rig={rig}
            onClose={() => setAsks(null)}
            onKeep={(linings) => stint.reline(rigs, linings, source)}
          />
        )}
        {asks === 'layer' && (
          <LayerSheet
            run={run}
            source={source}
            onClose={() => setAsks(null)}
            onKeep={(layer) => stint.feed(layer, source)}
          />
        )}
      </Suspense>
    </div>
  );
}

/** The beat of the scoop: a click and a buzz for each. */
function Beat({ run, setup, safe_ms }: AtTheBoxProps) {
  const [on, setOn] = useState(false);
  const scoop_ms = safe_ms === null ? null : (safe_ms * setup.scoop_L) / run.bucket_L;
  useBeat(scoop_ms, on);
  if (scoop_ms === null) return null;
  const seconds = scoop_ms < 10_000 ? (scoop_ms / 1000).toFixed(1) : String(Math.round(scoop_ms / 1000));
  return (
    <button
      type="button"
      aria-pressed={on}
      className={`flex min-h-14 w-full items-center justify-between border-b border-rule px-1 text-left ${on ? 'bg-ink px-3 text-paper' : ''}`}
      onClick={() => setOn(!on)}
    >
      <span>
        <b>Beat</b> a scoop every {seconds} s
      </span>
      <span className="font-bold">{on ? 'silence' : 'start'}</span>
    </button>
  );
}

/** The phone hears whether stones still move. */
function Listen({ rig }: AtTheBoxProps) {
  const [on, setOn] = useState(false);
  return (
    <>
      <button
        type="button"
        className="flex min-h-14 w-full items-center justify-between border-b border-rule px-1 text-left"
        onClick={() => setOn(true)}
      >
        <span>
          <b>Listen</b> the phone against the box hears a scoop clear
        </span>
        <span className="font-bold">open</span>
      </button>
      {on && (
        <Suspense fallback={null}>
          <ListenSheet rigId={rig.id} onClose={() => setOn(false)} />
        </Suspense>
      )}
    </>
  );
}

/** How full of black sand the box is, and when to clean up. */
function Mat({ run, runs, setup, rig, volumeLoose_L }: AtTheBoxProps) {
  const show = useShow();
  const setups = useRecords('setups', run.groundId).items;
  const cleanups = useRecords('cleanups', run.groundId).items;
  const lifts = useRecords('lifts', run.groundId).items;
  const share = useMemo(() => weighedBlackSand({ runs, cleanups }), [runs, cleanups]);
  const after = useMemo((): Spread | null => {
    const setting = settingAsSet(setup, rig, USUAL_MIX);
    return setting && cleanUpAfter_m3(setting, drawnBoxes(USUAL_MIX, setup.temperature_C), share);
  }, [setup, rig, share]);
  if (!after) return null;
  // What lies in the box besides: earlier runs through it that were not cleaned up.
  const before_L = 1000 * fedSince_m3({ runs: runs.filter((r) => r.id !== run.id), setups, cleanups, lifts }, rig.id);
  const fed_L = before_L + volumeLoose_L;
  const [low, middle, high] = [after.low, after.middle, after.high].map((m3) =>
    Math.max(1, Math.round((m3 * 1000) / run.bucket_L)),
  ) as [number, number, number];
  const fed = fed_L / run.bucket_L;
  const toGo = (full: number): number => Math.max(0, Math.round(full - fed));
  const carried = leftUnrinsed({ runs, setups, cleanups, lifts }, rig.id);
  return (
    <div className="border-b border-rule py-2">
      <p className={fed >= middle ? 'font-bold' : ''}>
        <b>Mat</b>{' '}
        {fed >= high
          ? 'clean up: full of black sand by now; '
          : fed >= middle
            ? 'look at it: it may be full of black sand; '
            : `about ${plural(toGo(middle), 'bucket')} to go (${toGo(low)}–${toGo(high)}) until black sand fills it; `}
        {show.volume(fed_L)} are in.
      </p>
      <MatBar low={low} middle={middle} high={high} fed={fed} />
      {carried && (
        <p className="text-[13px] text-ink-2">It was not rinsed clean the last time: it fills sooner than that.</p>
      )}
      {share === null && (
        <p className="text-[13px] text-ink-2">Weigh the black sand of a clean-up, and it is known better.</p>
      )}
    </div>
  );
}

/** Buckets fed against those after which it may be full: hatched where nine in ten lie. */
function MatBar({ low, middle, high, fed }: Record<'low' | 'middle' | 'high' | 'fed', number>) {
  const [attach, width] = useWidth(358);
  const x = (buckets: number): number => 2 + (width - 4) * Math.min(1, buckets / (1.15 * Math.max(high, fed)));
  return (
    <div ref={attach} className="mt-1">
      <svg width={width} height="22" className="block" aria-hidden="true">
        <rect x="2" y="4" width={Math.max(0, width - 4)} height="14" fill="none" stroke="var(--ink)" strokeWidth="2" />
        <rect x={x(low)} y="4" width={Math.max(0, x(high) - x(low))} height="14" fill="url(#against)" />
        <rect x="2" y="4" width={Math.max(0, x(fed) - 2)} height="14" fill="var(--ink)" />
        <path d={`M${x(middle)} 0v22`} stroke="var(--ink)" strokeWidth="3" />
      </svg>
    </div>
  );
}
