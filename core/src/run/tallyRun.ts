/** One thing that happened in a run. `spotId` is where the bucket came from; several spots may feed one box. */
export interface RunEvent {
  readonly eventId: string;
  readonly kind: 'bucket' | 'undo' | 'stop' | 'resume';
  /** Milliseconds since 1970. */
  readonly at_ms: number;
  readonly spotId?: string | null;
  /** Loose volume in the bucket, litres. */
  readonly volume_L?: number | null;
  /** For an undo: the bucket it takes back. */
  readonly undoes?: string | null;
}

export interface RunTally {
  /** Buckets that count, in the order they were tipped. */
  readonly buckets: readonly RunEvent[];
  readonly volumeLoose_L: number;
  /** Loose litres by source spot; buckets of no known spot under the empty string. */
  readonly bySpot_L: Readonly<Record<string, number>>;
  readonly stopped: boolean;
  /** Working time, stops left out, milliseconds. */
  readonly running_ms: number;
  /** Mean time between the last buckets (up to five), milliseconds; null before the second. */
  readonly pace_ms: number | null;
}

/** Two bucket taps closer than this are one tap: no one tips two buckets in half a second. Common practice, no source. */
export const DOUBLE_TAP_MS = 500;

/**
 * What a run's events add up to. The order they arrive in and how often each arrives make no difference:
 * events are told apart by id, sorted by time, and two buckets within `DOUBLE_TAP_MS` are one.
 */
export function tallyRun(startedAt_ms: number, events: readonly RunEvent[], now_ms: number): RunTally {
  const once = [...new Map(events.map((e) => [e.eventId, e])).values()].sort(
    (a, b) => a.at_ms - b.at_ms || (a.eventId < b.eventId ? -1 : 1),
  );
  const undone = new Set(once.flatMap((e) => (e.kind === 'undo' && e.undoes ? [e.undoes] : [])));
  const buckets: RunEvent[] = [];
  let lastTap_ms = -Infinity;
  for (const e of once) {
    if (e.kind !== 'bucket') continue;
    const doubled = e.at_ms - lastTap_ms < DOUBLE_TAP_MS;
    if (!doubled) lastTap_ms = e.at_ms;
    if (!doubled && !undone.has(e.eventId)) buckets.push(e);
  }

  let running_ms = 0;
  let since: number | null = startedAt_ms;
  for (const e of once) {
    if (e.kind === 'stop' && since !== null) {
      running_ms += Math.max(0, e.at_ms - since);
      since = null;
    } else if (e.kind === 'resume' && since === null) since = e.at_ms;
  }
  const stopped = since === null;
  if (since !== null) running_ms += Math.max(0, now_ms - since);

  const bySpot_L: Record<string, number> = {};
  for (const b of buckets) bySpot_L[b.spotId ?? ''] = (bySpot_L[b.spotId ?? ''] ?? 0) + (b.volume_L ?? 0);
  const recent = buckets.slice(-6);
  const first = recent[0];
  const last = recent.at(-1);
  return {
    buckets,
    volumeLoose_L: buckets.reduce((sum, b) => sum + (b.volume_L ?? 0), 0),
    bySpot_L,
    stopped,
    running_ms,
    pace_ms: first && last && recent.length > 1 ? (last.at_ms - first.at_ms) / (recent.length - 1) : null,
  };
}
