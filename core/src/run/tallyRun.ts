/** One thing that happened in a run. `spotId` is where the bucket came from; several spots may feed one box. */
export interface RunEvent {
  readonly eventId: string;
  readonly kind: 'bucket' | 'undo' | 'stop' | 'resume';
  /** Milliseconds since 1970 by the clock of the device that was tapped, which may be wrong or put right meanwhile. */
  readonly at_ms: number;
  readonly spotId?: string | null;
  /** Loose volume in the bucket, litres. */
  readonly volume_L?: number | null;
  /** For an undo: the bucket it takes back. */
  readonly undoes?: string | null;
  /** The device that was tapped, and how many taps it had counted before this one; null where it did not count. */
  readonly deviceId?: string | null;
  readonly deviceCount?: number | null;
}

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
}

/** So long without a tap and nobody feeds: the stop was forgotten, or it is dinner. Common practice, no source. */
export const BROKEN_OFF_MS = 45 * 60_000;

/** Two bucket taps closer than this are one tap: no one tips two buckets in half a second. Common practice, no source. */
export const DOUBLE_TAP_MS = 500;

/**
 * A run's events in the order they happened, each once: by time, but those of one device in the order it counted them.
 * After its clock was put back, what it tapped later still comes later.
 */
export function inOrder(events: readonly RunEvent[]): RunEvent[] {
  const once = [...new Map(events.map((e) => [e.eventId, e])).values()];
  const counted = once.filter((e) => deviceOf(e) !== '').sort((a, b) => countOf(a) - countOf(b) || a.at_ms - b.at_ms);
  /** The latest time each device had shown when it counted an event: what the event is placed by among those of others. */
  const latest = new Map<string, number>();
  const placed = new Map<RunEvent, number>();
  for (const e of counted) {
    const at = Math.max(latest.get(deviceOf(e)) ?? -Infinity, e.at_ms);
    latest.set(deviceOf(e), at);
    placed.set(e, at);
  }
  const placeOf = (e: RunEvent): number => placed.get(e) ?? e.at_ms;
  return once.sort(
    (a, b) =>
      placeOf(a) - placeOf(b) ||
      byText(deviceOf(a), deviceOf(b)) ||
      countOf(a) - countOf(b) ||
      byText(a.eventId, b.eventId),
  );
}

const deviceOf = (e: RunEvent): string => (typeof e.deviceCount === 'number' ? (e.deviceId ?? '') : '');
const countOf = (e: RunEvent): number => e.deviceCount ?? 0;
const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

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
  goOn(now_ms);

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
  return {
    buckets,
    volumeLoose_L: buckets.reduce((sum, b) => sum + (b.volume_L ?? 0), 0),
    bySpot_L,
    stopped,
    running_ms,
    brokenOff_ms,
    pace_ms_L: gaps_L > 0 ? gaps_ms / gaps_L : null,
  };
}
