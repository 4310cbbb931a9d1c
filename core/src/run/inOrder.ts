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

/** So long without a tap and nobody feeds: the stop was forgotten, or it is dinner. Common practice, no source. */
export const BROKEN_OFF_MS = 45 * 60_000;

/** Two bucket taps closer than this are one tap: no one tips two buckets in half a second. Common practice, no source. */
export const DOUBLE_TAP_MS = 500;

/**
 * A run's events in the order they happened, each once: by time, but those of one device in the order it counted them.
 * After its clock was put back, what it tapped later still comes later.
 */
export function inOrder(events: readonly RunEvent[]): RunEvent[] {
  if (areInOrder(events)) return [...events];
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

/** Each later than the one before, and those of a device as it counted them: what a day's taps nearly always are, and quickly seen. */
function areInOrder(events: readonly RunEvent[]): boolean {
  if (new Set(events.map((e) => e.eventId)).size < events.length) return false;
  const counted = new Map<string, number>();
  let at_ms = -Infinity;
  for (const e of events) {
    const device = deviceOf(e);
    if (e.at_ms <= at_ms || (device !== '' && countOf(e) <= (counted.get(device) ?? -1))) return false;
    at_ms = e.at_ms;
    if (device !== '') counted.set(device, countOf(e));
  }
  return true;
}

export const deviceOf = (e: RunEvent): string => (typeof e.deviceCount === 'number' ? (e.deviceId ?? '') : '');
const countOf = (e: RunEvent): number => e.deviceCount ?? 0;
const byText = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);
