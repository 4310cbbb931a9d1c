import { BROKEN_OFF_MS, DOUBLE_TAP_MS, inOrder, type RunEvent } from './inOrder.ts';

/** A tap of a run as it is kept: times as ISO 8601 instants. */
export interface LoggedTap {
  readonly id: string;
  readonly kind: RunEvent['kind'];
  readonly at: string;
  readonly spotId: string | null;
  readonly volume_L: number | null;
  readonly undoes: string | null;
  readonly deviceId: string | null;
  readonly deviceCount: number | null;
}

/** What a run's taps add up to as it is kept with the run: its clock stands at the last tap while it is open. */
export interface TapTally {
  readonly buckets: number;
  readonly volumeLoose_L: number;
  readonly bySpot_L: Record<string, number>;
  readonly running_s: number;
  /** Left out of `running_s`: no stop was tapped, and nothing fed for longer than `BROKEN_OFF_MS` on end. */
  readonly brokenOff_s: number;
  readonly stopped: boolean;
  readonly lastEventAt: string | null;
  /** Taps counted, of every kind. They only become more: of two tallies of a run, the one with more is the later. */
  readonly taps: number;
  /** No clock was put back among the taps: the next one can be added without counting all again. */
  readonly timesInOrder: boolean;
}

export const asRunEvent = (tap: LoggedTap): RunEvent => ({
  eventId: tap.id,
  kind: tap.kind,
  at_ms: Date.parse(tap.at),
  spotId: tap.spotId,
  volume_L: tap.volume_L,
  undoes: tap.undoes,
  deviceId: tap.deviceId,
  deviceCount: tap.deviceCount,
});

/**
 * Adds new taps to what the taps before them come to, at the same cost however many those were. `undone` holds the
 * buckets these taps take back, as far as they stood in the count. Null where only counting all again can tell: taps out
 * of order or at one instant, two so near each other that they may be one, an undo of something else.
 *
 * @param taps none of them counted yet, and none that a device counted before one that is counted already
 */
export function addTaps(
  startedAt: string,
  before: TapTally,
  taps: readonly LoggedTap[],
  undone: ReadonlyMap<string, LoggedTap>,
): TapTally | null {
  if (!before.timesInOrder) return null;
  const standing = new Map(undone);
  const bySpot_L = { ...before.bySpot_L };
  let { buckets, volumeLoose_L, running_s, brokenOff_s, stopped } = before;
  let at_ms = Date.parse(before.lastEventAt ?? startedAt);
  let hasTaps = before.lastEventAt !== null;
  const byId = new Map(taps.map((t) => [t.id, t]));
  const count = (tap: LoggedTap, times: 1 | -1): void => {
    const spot = tap.spotId ?? '';
    buckets += times;
    volumeLoose_L += times * (tap.volume_L ?? 0);
    bySpot_L[spot] = (bySpot_L[spot] ?? 0) + times * (tap.volume_L ?? 0);
  };
  for (const e of inOrder(taps.map(asRunEvent))) {
    const tap = byId.get(e.eventId) as LoggedTap;
    // Two devices at one instant: which of them came first only all taps together can tell.
    if (e.at_ms < at_ms || (hasTaps && e.at_ms === at_ms)) return null;
    hasTaps = true;
    if (tap.deviceId === null && e.at_ms - at_ms < DOUBLE_TAP_MS) return null;
    if (!stopped && e.at_ms - at_ms > BROKEN_OFF_MS) brokenOff_s += (e.at_ms - at_ms) / 1000;
    else if (!stopped) running_s += (e.at_ms - at_ms) / 1000;
    at_ms = e.at_ms;
    if (tap.kind === 'stop') stopped = true;
    if (tap.kind === 'resume') stopped = false;
    if (tap.kind === 'bucket') {
      count(tap, 1);
      standing.set(tap.id, tap);
    }
    if (tap.kind === 'undo') {
      const taken = standing.get(tap.undoes ?? '');
      // One that no device counted may have been passed over as a double.
      if (!taken || taken.deviceId === null) return null;
      standing.delete(taken.id);
      count(taken, -1);
      // A spot that no bucket is left of does not stand in the count.
      if (Math.abs(bySpot_L[taken.spotId ?? ''] ?? 0) < NOTHING_L) delete bySpot_L[taken.spotId ?? ''];
    }
  }
  return {
    buckets,
    volumeLoose_L: buckets === 0 ? 0 : volumeLoose_L,
    bySpot_L,
    running_s,
    brokenOff_s,
    stopped,
    lastEventAt: new Date(at_ms).toISOString(),
    taps: before.taps + byId.size,
    timesInOrder: true,
  };
}

/** Less than any bucket, and more than the rounding of ten thousand of them added and taken back. */
const NOTHING_L = 1e-6;
