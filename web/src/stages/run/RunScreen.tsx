import { latestFirst } from '../../box/latestFirst.ts';
import { outOfTheBox } from '../../box/outOfTheBox.ts';
import type { StoredCleanup, StoredLift, StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { Suspense, useEffect, useMemo, useState } from 'react';
import { Link } from '../../ui/Link.tsx';
import { plural } from '../../ui/plural.ts';
import { trueNow } from '../../api/trueClock.ts';
import { Caution } from '../../ui/Caution.tsx';
import { heldRun, holdRun } from '../../box/heldRun.ts';
import { NotSealed, Sealed } from '../../box/SealedForecast.tsx';
import { useSealedForecast, weighingBegun } from '../../box/useSealedForecast.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useRunsOfOthers } from '../../records/useRunEvents.ts';
import { ClosedFirst } from '../../ground/ClosedToday.tsx';
import { useAlone } from '../../ui/useAlone.ts';
import { useKeep } from '../../records/useKeep.ts';
import { Needs } from '../../shell/Needs.tsx';
import { SyncState } from '../../shell/SyncState.tsx';
import { useGround, usePicked } from '../../shell/useGround.ts';
import { asTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { SpotSelect } from '../../ground/SpotSelect.tsx';
import { Judgement } from '../../ui/Judgement.tsx';
import { RunLive } from './RunLive.tsx';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { CrewLink, HaulLink } from './CrewLink.tsx';
import { SetupSelect } from './SetupSelect.tsx';
import { RunToldFields, toldOf, toldProblem, type RunTold } from './RunTold.tsx';
import { NotWeighed } from './NotWeighed.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { late } from '../../ui/late.ts';

const PaperSheet = late(async () => (await import('./PaperSheet.tsx')).PaperSheet);

const RunTableSheet = late(async () => (await import('./table/RunTableSheet.tsx')).RunTableSheet);

/** Runs gravel: a run under way, or the start of one. */
export function RunScreen() {
  const local = useLocalTime();
  const { ground, spots } = useGround();
  const runs = useRecords('runs', ground.id).items;
  const setups = useRecords('setups', ground.id).items;
  const rigs = useRecords('rigs').items;
  const cleanups = useRecords('cleanups', ground.id).items;
  const lifts = useRecords('lifts', ground.id).items;
  const { takeOut } = useKeep('runs');
  // The run in hand: the one taken last on this device, also once it is stopped, until its box is lifted or weighed; or one that is not stopped.
  const [held, hold] = useState(heldRun);
  const emptied = outOfTheBox(cleanups, lifts);
  const byStart = latestFirst(runs).filter((r) => !emptied.has(r.id));
  const running = byStart.filter((r) => !r.tally.stopped);
  const open = held === ANOTHER ? undefined : (byStart.find((r) => r.id === held) ?? running[0]);
  const openId = open?.id;
  // What is in hand stays in hand when it stops.
  if (openId !== undefined && openId !== held) hold(openId);
  useEffect(() => {
    if (openId !== undefined) holdRun(openId);
  }, [openId]);
  useRunsOfOthers(ground.id);
  const isRunning = open !== undefined && !open.tally.stopped;
  useAlone(isRunning);

  const setup = setups.find((s) => s.id === open?.setupId);
  const drop = (run: StoredRun): void =>
    takeOut(run, `The run of ${local.clock(run.startedAt)} is out of the book.`, { lasts_ms: 15_000 });
  return (
    <div className="flex flex-col gap-4">
      <header className="flex flex-wrap items-baseline justify-between gap-x-4 border-b border-rule pb-2">
        <span className="font-serif text-[18px] font-semibold">{ground.name}</span>
        {isRunning && (
          <span className="flex items-center gap-5 sm:hidden">
            <SyncState />
            <Link to={`/g/${ground.id}/read`} className="min-h-11 content-center underline underline-offset-4">
              Stages
            </Link>
          </span>
        )}
      </header>
      <OpenRuns running={running} inHand={open} setups={setups} rigs={rigs} onTake={hold} />
      {open ? (
        <>
          <RunLive
            key={open.id}
            run={open}
            runs={runs}
            setup={setup}
            rig={rigs.find((r) => r.id === setup?.rigId)}
            spots={spots}
            onDrop={() => drop(open)}
            hold={hold}
          />
          {open.tally.stopped && <SealedAtStop runs={runs} lifts={lifts} cleanups={cleanups} />}
          <Button look="quiet" className="self-start" onClick={() => hold(ANOTHER)}>
            {open.tally.stopped ? 'Another run' : 'Start another box beside it'}
          </Button>
        </>
      ) : (
        <Needs kinds={['runs', 'lifts', 'cleanups', 'setups', 'rigs']} without="said">
          <StartRun all={runs} waiting={byStart} onStarted={hold} />
        </Needs>
      )}
    </div>
  );
}

/** When a run stops what its box should hold is sealed, unless some of it was weighed already. */
function SealedAtStop({
  runs,
  lifts,
  cleanups,
}: {
  readonly runs: readonly StoredRun[];
  readonly lifts: readonly StoredLift[];
  readonly cleanups: readonly StoredCleanup[];
}) {
  const { ground } = useGround();
  const waiting = useMemo(() => {
    const emptied = outOfTheBox(cleanups, lifts);
    return runs.filter((r) => !emptied.has(r.id));
  }, [runs, lifts, cleanups]);
  const [isWeighed] = useState(() => weighingBegun(ground.id));
  const { forecast, why } = useSealedForecast(ground, waiting, !isWeighed);
  if (isWeighed) return null;
  return forecast ? <Sealed forecast={forecast} /> : why ? <NotSealed why={why} /> : null;
}

interface OpenRunsProps {
  readonly running: readonly StoredRun[];
  readonly inHand: StoredRun | undefined;
  readonly setups: readonly StoredSetup[];
  readonly rigs: readonly StoredRig[];
  readonly onTake: (runId: string) => void;
}

/** Runs that are not stopped, where there is one besides that in hand: each by its box, one tap away. */
function OpenRuns({ running, inHand, setups, rigs, onTake }: OpenRunsProps) {
  const local = useLocalTime();
  if (running.every((r) => r.id === inHand?.id)) return null;
  return (
    <div role="group" aria-label="Runs that are open" className="flex flex-wrap gap-2">
      {running.map((r) => {
        const setup = setups.find((s) => s.id === r.setupId);
        const isInHand = r.id === inHand?.id;
        return (
          <button
            key={r.id}
            type="button"
            aria-pressed={isInHand}
            className={`min-h-12 grow border-2 border-ink px-3 text-left ${isInHand ? 'bg-ink text-paper' : ''}`}
            onClick={() => onTake(r.id)}
          >
            <b>{rigs.find((b) => b.id === setup?.rigId)?.name ?? 'a box'}</b>, {plural(r.tally.buckets, 'bucket')} since{' '}
            {local.clock(r.startedAt)}
          </button>
        );
      })}
    </div>
  );
}

/** In hand instead of a run: another is to be started. */
const ANOTHER = 'another';

interface StartRunProps {
  readonly all: readonly StoredRun[];
  readonly waiting: readonly StoredRun[];
  readonly onStarted: (runId: string) => void;
}

/** As many and the same people as last time; the layer is told anew. */
const usualTold = (runs: readonly StoredRun[]): RunTold => ({
  ...toldOf(latestFirst(runs)[0] ?? {}),
  layer: '',
  fuel_L: null,
  fuelEntered: null,
});

function StartRun({ all, waiting, onStarted }: StartRunProps) {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const set = useRecords('setups', ground.id);
  const setups = [...set.items].sort((a, b) => (a.setAt < b.setAt ? 1 : -1));
  const rigs = useRecords('rigs').items;
  const show = useShow();
  const { add } = useKeep('runs');
  const [chosen, setChosen] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  // As it mostly is until told otherwise, also where the runs before come a moment after this.
  const [toldHere, setTold] = useState<RunTold | null>(null);
  const told = toldHere ?? usualTold(all);
  const [isPaper, setPaper] = useState(false);
  const [isTable, setTable] = useState(false);
  const setup = setups.find((s) => s.id === chosen) ?? setups[0];
  const spot = spots.find((s) => s.id === picked);

  if (!setup) {
    return (
      <Judgement
        rests={
          <Link className="underline underline-offset-4" to={`/g/${ground.id}/set${picked ? `?spot=${picked}` : ''}`}>
            Set the box and its water first
          </Link>
        }
      >
        {set.state === 'here'
          ? `No box is set on ${ground.name} yet.`
          : `What box is set on ${ground.name} has not reached this device yet.`}
      </Judgement>
    );
  }
  const start = (): void => {
    setTried(true);
    if (!spot || toldProblem({ ...told, note: '' })) return;
    onStarted(
      add({
        groundId: ground.id,
        setupId: setup.id,
        spotId: spot.id,
        startedAt: trueNow(),
        bucket_L: setup.bucket_L,
        bucketEntered: setup.bucketEntered,
        ...toldOf(told),
        note: '',
      }),
    );
  };
  return (
    <div className="flex max-w-3xl flex-col gap-5">
      <ClosedFirst ground={ground}>
        <Judgement rests="From then on every tap is kept on this device first; no signal is needed.">
          {spot
            ? `Run ${spot.name} through ${rigs.find((r) => r.id === setup.rigId)?.name ?? 'the box'}.`
            : 'Where does the gravel come from?'}
        </Judgement>
      </ClosedFirst>
      <form
        className="flex flex-col gap-1"
        onSubmit={(e) => {
          e.preventDefault();
          start();
        }}
      >
        <div className="grid gap-x-6 sm:grid-cols-2">
          <SpotSelect
            label="Gravel from"
            none="Pick a spot"
            spots={spots}
            say={(s) => `${s.name}, ${show.distance(s.distance_m)}`}
            value={spot?.id}
            onPick={pick}
            problem={tried && !spot ? 'Say which spot the first bucket comes from.' : null}
            hint="Later buckets may come from elsewhere."
          />
          <SetupSelect
            label="Set-up"
            value={setup.id}
            setups={setups}
            rigs={rigs}
            onChange={setChosen}
            hint={`Bucket ${asTyped(setup.bucketEntered)}, ${show.volume(setup.bucket_L)}`}
          />
        </div>
        <Button look="main" type="submit" className="mt-2 min-h-24 text-[30px]">
          Start the run
        </Button>
        <div className="mt-2 grid gap-x-6 sm:grid-cols-3">
          <RunToldFields groundId={ground.id} spotId={spot?.id} told={told} onChange={setTold} />
        </div>
        <div className="flex flex-wrap items-end gap-x-6">
          <TextButton className="mb-6" onClick={() => setPaper(true)}>
            A run written on paper
          </TextButton>
          <TextButton className="mb-6" onClick={() => setTable(true)}>
            Runs from a table
          </TextButton>
          <CrewLink groundId={ground.id} className="mb-6" />
          {(ground.kind === 'wash' || setup.air) && <HaulLink groundId={ground.id} />}
        </div>
      </form>
      {isTable && (
        <Suspense>
          <RunTableSheet
            ground={ground}
            runs={all}
            setups={setups}
            rigs={rigs}
            spots={spots}
            onClose={() => setTable(false)}
          />
        </Suspense>
      )}
      {isPaper && (
        <Suspense>
          <PaperSheet
            groundId={ground.id}
            setups={setups}
            rigs={rigs}
            spots={spots}
            usual={told}
            onClose={() => setPaper(false)}
          />
        </Suspense>
      )}
      {setup.air && (
        <Caution>The dust is silica: respirator on before the bellows start, the wind from behind.</Caution>
      )}
      <Caution quiet>
        A full bucket weighs {show.figure('load', 25).digits} to {show.load(35)}: lift with the knees, or fill two
        thirds. Keep out from under cut banks; watch the river when it rains upstream.
      </Caution>
      <NotWeighed groundId={ground.id} runs={waiting} spots={spots} />
    </div>
  );
}
