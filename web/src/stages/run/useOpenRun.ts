import type { LoggedEvent, StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import {
  asRunEvent,
  BROKEN_OFF_MS,
  DOUBLE_TAP_MS,
  goOnTo,
  MEDIAN_BOX,
  MEDIAN_WASHER,
  PRUDENT_SHARE,
  solveBox,
  solveWasher,
  tallyRun,
  USUAL_MIX,
  type RunTally,
} from '@riffle/core';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { settingAsSet } from '../../box/boxEvidence.ts';
import { washerAsSet } from '../../box/washerSetting.ts';
import type { ListState } from '../../records/listStates.ts';
import { useRunEvents } from '../../records/useRunEvents.ts';
import { useWrite } from '../../offline/outbox.ts';
import { trueNow } from '../../api/trueClock.ts';
import { useClockOff_ms } from '../../api/useClockOff.ts';
import { stoppedAt } from '../../box/byHand.ts';
import { bucketsAhead, type BucketsAhead } from './bucketsAhead.ts';
import { nextTap } from './tapCount.ts';
import { personHere } from '../../preferences/personHere.ts';
import { durationText } from '../../when/readDuration.ts';
import { useNow } from '../../ui/useNow.ts';

export interface OpenRun {
  readonly run: StoredRun;
  /** The taps this device has; `count` and `volumeLoose_L` are of all. */
  readonly tally: RunTally;
  readonly count: number;
  /** Buckets that are tapped and counted at once; those of them that are in the list by now are in `count` too. */
  readonly ahead: BucketsAhead;
  readonly volumeLoose_L: number;
  /** Of the taps: on their way, nothing can be counted yet; out of reach, those the server has are missing in `tally`. */
  readonly state: ListState;
  readonly fullnessOf: (eventId: string) => string | null;
  /** The buckets this device has. The same list until a tap changes it. */
  readonly buckets: RunTally['buckets'];
  /** When each of them went in, ms since 1970. */
  readonly tipped_ms: readonly number[];
  /** Nothing was tapped for so long that the stop was forgotten, likelier than not: when the last bucket went in. */
  readonly fedUntil_ms: number | null;
  /** Time of a full bucket over the last ones, ms; null before the second. */
  readonly pace_ms: number | null;
  /** What the set-up takes, loose; null when its box or washer is not known here. */
  readonly capacity_m3_s: number | null;
  /** `at_ms`: when the finger or the key went down, on the clock of `performance.now()`. */
  logBucket(fullness: string, share: number, spotId: string, at_ms: number): void;
  undo(): void;
  stop(): void;
  /** Stopped when its last bucket went in. */
  stopThen(): void;
  resume(): void;
}

/** A run with its taps: what was logged, what is still on its way, and the ways to log more. */
export function useOpenRun(run: StoredRun, setup: StoredSetup | undefined, rig: StoredRig | undefined): OpenRun {
  const { events, state } = useRunEvents(run, true);

  const write = useWrite();
  const now = useNow(1000) + useClockOff_ms();
  const lastTap = useRef(-Infinity);
  const [ahead] = useState(bucketsAhead);
  // Counted when a tap comes; each second only the clock goes on.
  const counted = useMemo(() => {
    const started_ms = Date.parse(run.startedAt);
    return tallyRun(started_ms, events.map(asRunEvent), started_ms);
  }, [run.startedAt, events]);
  const fullnessOf = useMemo(() => {
    const byId = new Map(events.map((e) => [e.id, e.fullness]));
    return (id: string) => byId.get(id) ?? null;
  }, [events]);
  useEffect(() => ahead.letGo((id) => fullnessOf(id) !== null), [ahead, fullnessOf]);
  const tipped_ms = useMemo(() => counted.buckets.map((b) => b.at_ms), [counted]);
  const lastTap_ms = useMemo(() => events.reduce((last, e) => Math.max(last, Date.parse(e.at)), -Infinity), [events]);
  const tally = goOnTo(counted, now);
  const capacity_m3_s = useMemo(() => (setup && rig ? capacityOf_m3_s(setup, rig) : null), [setup, rig]);

  const log = useCallback(
    (event: Omit<LoggedEvent, 'id' | 'at' | 'deviceId' | 'deviceCount' | 'by'>) => {
      const id = uuidv7();
      const isBucket = event.kind === 'bucket';
      // It is counted at the tap; pace, tape and stints follow a paint later.
      if (isBucket) ahead.add(id);
      write(
        {
          what: 'events',
          runId: run.id,
          groundId: run.groundId,
          events: [{ ...event, ...nextTap(), by: personHere(), id, at: trueNow() }],
        },
        isBucket,
      );
    },
    [write, ahead, run.id, run.groundId],
  );
  const lastBucket_ms = tally.buckets.at(-1)?.at_ms ?? null;
  const isQuiet = state === 'here' && !tally.stopped && now - lastTap_ms > BROKEN_OFF_MS;
  const bare = { spotId: null, volume_L: null, fullness: null, undoes: null };

  return {
    run,
    tally,
    // Taps that have not reached this device are in the tally its run came with.
    count: state === 'here' ? tally.buckets.length : run.tally.buckets,
    volumeLoose_L: state === 'here' ? tally.volumeLoose_L : run.tally.volumeLoose_L,
    state,
    fedUntil_ms: isQuiet ? lastBucket_ms : null,
    pace_ms: tally.pace_ms_L === null ? null : tally.pace_ms_L * run.bucket_L,
    capacity_m3_s,
    ahead,
    buckets: counted.buckets,
    fullnessOf,
    tipped_ms,
    logBucket: (fullness, share, spotId, at_ms) => {
      // Not by the time of day, which may be put back or forward between two taps; nor by when a slow device comes to
      // the second one, which may be long after it was made.
      if (at_ms - lastTap.current < DOUBLE_TAP_MS) return;
      lastTap.current = at_ms;
      navigator.vibrate?.(TAPPED_MS);
      log({ kind: 'bucket', spotId, volume_L: run.bucket_L * share, fullness, undoes: null });
    },
    undo: () => {
      // The one tapped last, were it ahead of the list.
      const tapped = ahead.ids().at(-1);
      const last = tapped !== undefined && fullnessOf(tapped) === null ? tapped : tally.buckets.at(-1)?.eventId;
      if (last !== undefined) log({ ...bare, kind: 'undo', undoes: last });
    },
    stopThen: () => {
      if (lastBucket_ms === null) return;
      const stop = stoppedAt(new Date(lastBucket_ms).toISOString());
      write({ what: 'events', runId: run.id, groundId: run.groundId, events: [stop] });
    },
    stop: () => log({ ...bare, kind: 'stop' }),
    resume: () => log({ ...bare, kind: 'resume' }),
  };
}

/** Felt through a glove. */
const TAPPED_MS = 60;

/** What the middle box, or the middle washer, takes as it is set; null where its water is not known. */
function capacityOf_m3_s(setup: StoredSetup, rig: StoredRig): number | null {
  const washer = washerAsSet(setup, rig, USUAL_MIX);
  if (washer) return solveWasher(washer, MEDIAN_WASHER).capacity_m3_s;
  const setting = settingAsSet(setup, rig, USUAL_MIX);
  return setting && solveBox(setting, MEDIAN_BOX).capacity_m3_s;
}

/** Milliseconds between buckets of this run at which the box is fed prudently; null when it takes none or is not known. */
export function safePace_ms(capacity_m3_s: number | null, bucket_L: number): number | null {
  return capacity_m3_s !== null && capacity_m3_s > 0 ? bucket_L / (PRUDENT_SHARE * capacity_m3_s) : null;
}

/** "4:09", "1:04:09"; past a day, where a stop was forgotten, "3 d 5 h". */
export function clockText(ms: number): string {
  const s = Math.max(0, Math.round(ms / 1000));
  return s >= 86_400 ? `${Math.floor(s / 86_400)} d ${Math.floor((s % 86_400) / 3600)} h` : durationText(s);
}
