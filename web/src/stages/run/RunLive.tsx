import { spotName } from '../../ground/spotName.ts';
import { fromTheFootUp } from '../../ground/SpotSelect.tsx';
import type { StoredRig, StoredRun, StoredSetup, StoredSpot } from '@riffle/contract';
import { PRUDENT_SHARE, type RunTally } from '@riffle/core';
import { memo, useCallback, useDeferredValue, useMemo, useState, useSyncExternalStore } from 'react';
import { Link } from '../../ui/Link.tsx';
import { plural } from '../../ui/plural.ts';
import { useKeys } from '../../shell/useKeys.ts';
import { asTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Fetching } from '../../ui/Fetching.tsx';
import { Judgement } from '../../ui/Judgement.tsx';
import { CrewLink } from './CrewLink.tsx';
import { AtTheBox } from './AtTheBox.tsx';
import { BucketCount, BucketGlyph, PaceBar, StopGlyph, UndoGlyph } from './RunDrawings.tsx';
import { safePace_ms, clockText, useOpenRun, type OpenRun } from './useOpenRun.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';
import { FULLNESS } from '../../box/byHand.ts';
import { RunSheet } from './RunSheet.tsx';
import { Stints } from './Stints.tsx';
import { useIsPhone } from '../../ui/useIsPhone.ts';
import { useKeepAwake } from '../../ui/useKeepAwake.ts';
import { useSource } from './useSource.ts';
import { WrongClock } from './WrongClock.tsx';
import { TextButton } from '../../ui/TextButton.tsx';

interface RunLiveProps {
  readonly run: StoredRun;
  /** All of its ground. */
  readonly runs: readonly StoredRun[];
  readonly setup: StoredSetup | undefined;
  readonly rig: StoredRig | undefined;
  readonly spots: readonly StoredSpot[];
  /** Takes the whole run out of the book. */
  readonly onDrop: () => void;
  /** Takes another run in hand: the next stint, or the one before. */
  readonly hold: (runId: string) => void;
}

const PARTS = (['1/3', '1/2', '2/3'] as const).map((part) => [part, FULLNESS[part]] as const);

/** A run under way: huge buttons, a clock, and the pace against what the box safely takes. Made for gloves and glare. */
export function RunLive({ run, runs, setup, rig, spots, onDrop, hold }: RunLiveProps) {
  const local = useLocalTime();
  const open = useOpenRun(run, setup, rig);
  const show = useShow();
  const [mending, setMending] = useState(false);
  const mend = useCallback(() => setMending(true), []);
  const isPhone = useIsPhone();
  const { tally } = open;
  const { count, pace_ms } = open;
  const last = tally.buckets.at(-1);
  const [source, setSource] = useSource(run.id, last?.spotId ?? run.spotId);
  const name = (id: string | null | undefined): string => spotName(spots, id);
  const safe_ms = safePace_ms(open.capacity_m3_s, run.bucket_L);
  useKeys(
    useMemo(
      () => ({
        b: (pressed) => {
          if (!tally.stopped && !pressed.repeat) open.logBucket('full', 1, source, pressed.timeStamp);
        },
      }),
      [open, source, tally.stopped],
    ),
  );
  useKeepAwake(!tally.stopped);
  const sources = Object.keys(tally.bySpot_L).filter(Boolean);
  // What answers a tap is drawn at once; what lies below it a moment later.
  const { buckets, tipped_ms, fullnessOf, volumeLoose_L } = open;
  const below = useDeferredValue(
    useMemo(
      () => ({ run, runs, buckets, tipped_ms, fullnessOf, volumeLoose_L, count }),
      [run, runs, buckets, tipped_ms, fullnessOf, volumeLoose_L, count],
    ),
  );

  const log = (
    <div className="[contain-intrinsic-size:auto_16rem] [content-visibility:auto]">
      <Tape
        buckets={below.buckets}
        // Those that have not come yet were tipped before.
        earlier={below.count - below.buckets.length}
        fullnessOf={below.fullnessOf}
        isPartly={open.state === 'away' && run.tally.taps > 0}
        spots={spots}
        onMend={mend}
      />
      <Stints run={below.run} runs={below.runs} rigId={setup?.rigId} />
    </div>
  );

  if (open.state === 'arriving') return <Fetching what="the taps of this run" />;
  if (tally.stopped) {
    return (
      <div className="flex flex-col gap-5">
        <Judgement
          rests={`${plural(count, 'bucket')}, ${show.volume(open.volumeLoose_L)} loose, ${clockText(tally.running_ms)} of running. ${sources.length > 1 ? `From ${sources.map(name).join(' and ')}: the gold is theirs together.` : ''}`}
        >
          Stopped. Clean up and weigh it.
        </Judgement>
        <div className="flex flex-wrap gap-3">
          <Link
            className="inline-flex min-h-16 items-center bg-ink px-8 text-[20px] font-bold text-paper"
            to={`/g/${run.groundId}/clean`}
          >
            Clean up
          </Link>
          <Button className="min-h-16 px-6 text-[18px]" onClick={() => open.resume()}>
            Run on
          </Button>
          <Button look="quiet" className="min-h-16" onClick={onDrop}>
            Started by mistake: take it out
          </Button>
        </div>
        <TextButton className="self-start" onClick={mend}>
          Fuel, who was at it, a bucket missed: put it right
        </TextButton>
        {mending && <RunSheet run={run} spots={spots} onClose={() => setMending(false)} />}
      </div>
    );
  }
  return (
    <div className="flex flex-col gap-3">
      {open.fedUntil_ms === null ? (
        <PaceJudgement count={count} pace_ms={pace_ms} safe_ms={safe_ms} />
      ) : (
        <Forgotten
          at={local.clock(open.fedUntil_ms)}
          onStop={() => open.stopThen()}
          onMissed={() => setMending(true)}
        />
      )}
      <WrongClock />
      <p className="-mt-2 text-ink-2">
        {name(source)}
        {run.layer && `, ${run.layer},`} into {rig?.name ?? 'the box'}, bucket {asTyped(run.bucketEntered)}
      </p>
      <div className="flex min-h-[calc(100dvh-14.6rem)] flex-col gap-3 sm:grid sm:min-h-0 sm:grid-cols-2 sm:gap-x-12">
        <div className="flex min-w-0 flex-col gap-3">
          <div className="flex items-center gap-5">
            <CountNow open={open} />
            <div className="min-w-0">
              <p className="text-[17px] font-bold">
                {count === 0 ? (
                  'no bucket yet'
                ) : (
                  <>
                    {show.volume(open.volumeLoose_L)} loose
                    {last && open.fullnessOf(last.eventId) !== 'full' && (
                      <>, the last “{open.fullnessOf(last.eventId)}”</>
                    )}
                  </>
                )}
              </p>
              <p
                className="text-[44px] leading-tight font-extrabold tabular-nums sm:text-[49px]"
                role="timer"
                aria-label="Running time"
              >
                {clockText(tally.running_ms)}
              </p>
              <p>running since {local.clock(run.startedAt)}</p>
            </div>
          </div>
          {safe_ms !== null && (
            <div className="border-t-2 border-ink pt-2">
              <p className="text-[17px] font-bold">
                {pace_ms === null ? 'No pace yet' : `A bucket in ${clockText(pace_ms)}`}
              </p>
              {pace_ms !== null ? (
                <PaceBar pace_ms={pace_ms} safe_ms={safe_ms} />
              ) : (
                <p>The box takes one in {clockText(safe_ms)}.</p>
              )}
            </div>
          )}
          {!isPhone && log}
        </div>
        <div className="mt-auto sm:mt-0">
          <div
            role="group"
            aria-label="Where the next bucket comes from"
            className="flex flex-wrap items-center gap-2 border-t-2 border-ink py-2"
          >
            <span>next from</span>
            <select
              aria-label="Next bucket from"
              className="written min-h-12 grow"
              value={source}
              onChange={(e) => setSource(e.target.value)}
            >
              {fromTheFootUp(spots).map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </select>
          </div>
          <div className="flex border-y-2 border-ink">
            <p className="flex min-h-14 grow items-center text-[16px]" role="status">
              {last
                ? `${local.clock(last.at_ms)} bucket ${count}, ${name(last.spotId)}`
                : 'Wet every bucket before you feed it.'}
            </p>
            <button
              type="button"
              className="flex min-h-14 min-w-32 items-center justify-center gap-2 border-l-2 border-ink px-4 text-[17px] font-bold disabled:opacity-50"
              disabled={!last}
              onClick={() => open.undo()}
            >
              <UndoGlyph />
              Undo
            </button>
          </div>
          <button
            type="button"
            data-thumb=""
            className="mt-3 flex min-h-[124px] w-full touch-manipulation items-center justify-center gap-6 bg-ink text-paper sm:min-h-[168px]"
            onClick={(tap) => open.logBucket('full', 1, source, tap.timeStamp)}
          >
            <BucketGlyph />
            <span className="text-left">
              <span className="block text-[38px] leading-tight font-bold">Log bucket</span>
              <span className="text-[17px]">a full one</span>
            </span>
          </button>
          <div className="grid grid-cols-[1fr_1fr_1fr_1.5fr]">
            {PARTS.map(([fullness, share]) => (
              <button
                key={fullness}
                type="button"
                aria-label={`Log bucket, ${fullness} full`}
                className="min-h-[76px] touch-manipulation border-2 border-t-0 border-ink text-[24px] font-bold active:bg-ink active:text-paper [&+&]:border-l-0"
                onClick={(tap) => open.logBucket(fullness, share, source, tap.timeStamp)}
              >
                {fullness}
              </button>
            ))}
            <button
              type="button"
              className="flex min-h-[76px] items-center justify-center gap-2 border-2 border-t-0 border-l-0 border-ink text-[22px] font-bold"
              onClick={() => open.stop()}
            >
              <StopGlyph />
              Stop
            </button>
          </div>
          {setup && rig && (
            <AtTheBox
              run={below.run}
              runs={below.runs}
              setup={setup}
              rig={rig}
              tipped_ms={below.tipped_ms}
              source={source}
              hold={hold}
              volumeLoose_L={below.volumeLoose_L}
              safe_ms={safe_ms}
            />
          )}
        </div>
      </div>
      {isPhone && log}
      <CrewLink groundId={run.groundId} className="self-start" />
      {mending && <RunSheet run={run} spots={spots} onClose={() => setMending(false)} />}
    </div>
  );
}

/** The count, at the tap. */
function CountNow({ open: { ahead, count, fullnessOf } }: { readonly open: OpenRun }) {
  const ids = useSyncExternalStore(ahead.subscribe, ahead.ids);
  return <BucketCount count={count + ids.filter((id) => fullnessOf(id) === null).length} />;
}

interface TapeProps {
  /** As far as they have reached this device. */
  readonly buckets: RunTally['buckets'];
  /** How many were tipped before them. */
  readonly earlier: number;
  readonly fullnessOf: OpenRun['fullnessOf'];
  /** Some are not here. */
  readonly isPartly: boolean;
  readonly spots: readonly StoredSpot[];
  readonly onMend: () => void;
}

/** So many buckets stand on the tape; those before them are in the sheet that puts them right. */
const ON_TAPE = 30;

interface TapeLineProps {
  readonly nth: number;
  readonly at_ms: number;
  readonly after_ms: number | null;
  readonly fullness: string;
  readonly from: string;
}

/** A bucket on the tape; what stands there is not written anew when another comes. */
const TapeLine = memo(function TapeLine({ nth, at_ms, after_ms, fullness, from }: TapeLineProps) {
  const local = useLocalTime();
  return (
    <li className="grid grid-cols-[2rem_4rem_4rem_minmax(0,1fr)_auto] border-b border-rule py-1 text-[15px]">
      <b>{nth}</b>
      <span>{local.clock(at_ms)}</span>
      <span>{fullness}</span>
      <span>{from}</span>
      <span className="text-ink-2">{after_ms !== null && `after ${clockText(after_ms)}`}</span>
    </li>
  );
});

/** The last buckets of this run, the newest first: when, how full, from where. Drawn anew when one comes, not with the clock. */
const Tape = memo(function Tape({ buckets, earlier, fullnessOf, isPartly, spots, onMend }: TapeProps) {
  if (buckets.length === 0 && !isPartly) return null;
  return (
    <div className="border-t-2 border-ink pt-2">
      <div className="flex items-baseline justify-between gap-3">
        <h2>Buckets</h2>
        <TextButton onClick={onMend}>put right</TextButton>
      </div>
      <ol className="mt-1 max-h-52 overflow-y-auto" tabIndex={0} aria-label="Buckets, the newest first">
        {buckets
          .slice(-ON_TAPE)
          .map((b, nth, shown) => {
            const i = buckets.length - shown.length + nth;
            const before = buckets[i - 1];
            return (
              <TapeLine
                key={b.eventId}
                nth={earlier + i + 1}
                at_ms={b.at_ms}
                after_ms={before ? b.at_ms - before.at_ms : null}
                fullness={fullnessOf(b.eventId) ?? ''}
                from={spotName(spots, b.spotId)}
              />
            );
          })
          .reverse()}
      </ol>
      {buckets.length > ON_TAPE && (
        <TextButton onClick={onMend}>the {plural(buckets.length - ON_TAPE, 'bucket')} before</TextButton>
      )}
      {isPartly && <p className="text-ink-2">The taps before these have not reached this device yet.</p>}
    </div>
  );
});

/** No tap for long: what lies between is counted as no work either way; whether the run goes on is asked. */
function Forgotten({ at, onStop, onMissed }: { at: string; onStop: () => void; onMissed: () => void }) {
  return (
    <>
      <Judgement rests="The time since then is not counted as work. Fed on? Go on logging, or add what was missed.">
        Last bucket {at}. Stopped then?
      </Judgement>
      <div className="flex flex-wrap gap-3">
        <Button look="main" className="min-h-14 px-4 text-[18px]" onClick={onStop}>
          Yes, stopped at {at}
        </Button>
        <Button className="min-h-14" onClick={onMissed}>
          Some missed
        </Button>
      </div>
    </>
  );
}

function PaceJudgement({ count, pace_ms, safe_ms }: { count: number; pace_ms: number | null; safe_ms: number | null }) {
  if (safe_ms === null) return <Judgement>{count === 0 ? 'Feed the first bucket.' : 'Keep logging.'}</Judgement>;
  if (count === 0) return <Judgement>Feed the first bucket: about {clockText(safe_ms)} for all of it.</Judgement>;
  if (pace_ms === null) return <Judgement>One is in. The next in {clockText(safe_ms)} or later.</Judgement>;
  const share = safe_ms / pace_ms;
  // Beyond its whole capacity the middle box packs; short of that some do.
  if (share > 1 / PRUDENT_SHARE)
    return (
      <Judgement>
        Slow down: the riffles pack. A bucket in {clockText(safe_ms)}, not {clockText(pace_ms)}.
      </Judgement>
    );
  if (share > 1.1)
    return (
      <Judgement>
        Ease off: at {clockText(pace_ms)} a bucket the riffles may pack. {clockText(safe_ms)} is safe.
      </Judgement>
    );
  if (share < 0.6) return <Judgement>The box could take more: a bucket every {clockText(safe_ms)}.</Judgement>;
  return <Judgement>Good pace.</Judgement>;
}
