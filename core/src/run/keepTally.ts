import { asRunEvent, type LoggedTap, type TapTally } from './addTaps.ts';
import { inOrder } from './inOrder.ts';
import { tallyRun } from './tallyRun.ts';

/** Counts all of a run's taps. */
export function keepTally(startedAt: string, taps: readonly LoggedTap[]): TapTally {
  const started_ms = Date.parse(startedAt);
  const ordered = inOrder(taps.map(asRunEvent));
  const last_ms = ordered.at(-1)?.at_ms ?? null;
  const tally = tallyRun(started_ms, ordered, last_ms ?? started_ms);
  return {
    buckets: tally.buckets.length,
    volumeLoose_L: tally.volumeLoose_L,
    bySpot_L: { ...tally.bySpot_L },
    running_s: tally.running_ms / 1000,
    brokenOff_s: tally.brokenOff_ms / 1000,
    stopped: tally.stopped,
    lastEventAt: last_ms === null ? null : new Date(last_ms).toISOString(),
    taps: ordered.length,
    timesInOrder: ordered.every((e, i) => e.at_ms >= (ordered[i - 1]?.at_ms ?? started_ms)),
  };
}
