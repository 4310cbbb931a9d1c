import { BROKEN_OFF_MS, deviceOf, DOUBLE_TAP_MS, inOrder, type RunEvent } from './inOrder.ts';

export interface RunTally {
  /** Buckets that count, in the order they were tipped. */
  readonly buckets: readonly RunEvent[];
  readonly volumeLoose_L: number;
  /** Loose litres by source spot; buckets of no known spot under the empty string. */
  readonly bySpot_L: Readonly<Record<string, number>>;
  readonly stopped: boolean;
  /** Working time, milliseconds: stops are left out, and so is what was broken off. */
  readonly running_ms: number;
  /** Time that no stop was tapped for and in which nothing was fed for longer than `BROKEN_OFF_MS` on end, milliseconds. */
  readonly brokenOff_ms: number;
  /** Milliseconds a loose litre took over the last buckets (up to five gaps of work); null before the second. */
  readonly pace_ms_L: number | null;
  /** Where its clock stands: at the moment it was counted for, milliseconds since 1970. */
  readonly at_ms: number;
}

/**
 * What a run's events add up to. The order they arrive in and how often each arrives make no difference: events are
 * told apart by id and put in order as above. A gap across a clock that was put back counts as none.
 *
 * Two buckets within `DOUBLE_TAP_MS` are one, unless a device counted them: it has watched for double taps itself, on a
 * clock no one puts back.
 */
export function tallyRun(startedAt_ms: number, events: readonly RunEvent[], now_ms: number): RunTally {
  const ordered = inOrder(events);
  const undone = new Set(ordered.flatMap((e) => (e.kind === 'undo' && e.undoes ? [e.undoes] : [])));
  const buckets: RunEvent[] = [];
  let lastTap_ms = -Infinity;
  for (const e of ordered) {
    if (e.kind !== 'bucket') continue;
    const doubled = deviceOf(e) === '' && Math.abs(e.at_ms - lastTap_ms) < DOUBLE_TAP_MS;
    if (!doubled) lastTap_ms = e.at_ms;
    if (!doubled && !undone.has(e.eventId)) buckets.push(e);
  }

  let running_ms = 0;
  let brokenOff_ms = 0;
  let stopped = false;
  let at_ms = startedAt_ms;
  /** The clock of work at each event, and how often it stood before: a gap across a stop is none of feeding. */
  const worked = new Map<string, { readonly running_ms: number; readonly stands: number }>();
  let stands = 0;
  const goOn = (until_ms: number): void => {
    const gap_ms = until_ms - at_ms;
    if (stopped || gap_ms < 0) stands++;
    else if (gap_ms > BROKEN_OFF_MS) {
      brokenOff_ms += gap_ms;
      stands++;
    } else running_ms += gap_ms;
  };
  for (const e of ordered) {
    goOn(e.at_ms);
    if (e.kind === 'stop') stopped = true;
    if (e.kind === 'resume') stopped = false;
    at_ms = e.at_ms;
    worked.set(e.eventId, { running_ms, stands });
  }

  const bySpot_L: Record<string, number> = {};
  for (const b of buckets) bySpot_L[b.spotId ?? ''] = (bySpot_L[b.spotId ?? ''] ?? 0) + (b.volume_L ?? 0);
  const recent = buckets.slice(-6);
  let gaps_ms = 0;
  let gaps_L = 0;
  for (const [i, b] of recent.slice(1).entries()) {
    const before = recent[i] as RunEvent;
    const [from, to] = [worked.get(before.eventId), worked.get(b.eventId)];
    if (!from || !to || from.stands !== to.stands || !before.volume_L) continue;
    gaps_ms += to.running_ms - from.running_ms;
    gaps_L += before.volume_L;
  }
  const toTheLastTap = {
    buckets,
    volumeLoose_L: buckets.reduce((sum, b) => sum + (b.volume_L ?? 0), 0),
    bySpot_L,
    stopped,
    running_ms,
    brokenOff_ms,
    pace_ms_L: gaps_L > 0 ? gaps_ms / gaps_L : null,
    at_ms,
  };
  return goOnTo(toTheLastTap, now_ms);
}

/** A run that was counted for one moment, at a later one with no tap between: only its clock has gone on. An earlier one leaves it as it is. */
export function goOnTo(tally: RunTally, now_ms: number): RunTally {
  const gap_ms = now_ms - tally.at_ms;
  if (gap_ms <= 0) return tally;
  if (tally.stopped) return { ...tally, at_ms: now_ms };
  return gap_ms > BROKEN_OFF_MS
    ? { ...tally, at_ms: now_ms, brokenOff_ms: tally.brokenOff_ms + gap_ms }
    : { ...tally, at_ms: now_ms, running_ms: tally.running_ms + gap_ms };
}
