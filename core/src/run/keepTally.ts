import { tallyRun, type RunEvent } from './tallyRun.ts';

/** A tap of a run as it is kept: times as ISO 8601 instants. */
export interface LoggedTap {
  readonly id: string;
  readonly kind: RunEvent['kind'];
  readonly at: string;
  readonly spotId: string | null;
  readonly volume_L: number | null;
  readonly undoes: string | null;
}

export const asRunEvent = (tap: LoggedTap): RunEvent => ({
  eventId: tap.id,
  kind: tap.kind,
  at_ms: Date.parse(tap.at),
  spotId: tap.spotId,
  volume_L: tap.volume_L,
  undoes: tap.undoes,
});

/** What a run's taps add up to as it is kept with the run: its clock stands at the last tap while it is open. */
export function keepTally(
  startedAt: string,
  taps: readonly LoggedTap[],
): {
  buckets: number;
  volumeLoose_L: number;
  bySpot_L: Record<string, number>;
  running_s: number;
  stopped: boolean;
  lastEventAt: string | null;
} {
  const last = taps.reduce<LoggedTap | null>((l, t) => (l && Date.parse(l.at) > Date.parse(t.at) ? l : t), null);
  const tally = tallyRun(Date.parse(startedAt), taps.map(asRunEvent), Date.parse(last?.at ?? startedAt));
  return {
    buckets: tally.buckets.length,
    volumeLoose_L: tally.volumeLoose_L,
    bySpot_L: { ...tally.bySpot_L },
    running_s: tally.running_ms / 1000,
    stopped: tally.stopped,
    lastEventAt: last?.at ?? null,
  };
}
