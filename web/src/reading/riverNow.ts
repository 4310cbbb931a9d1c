import type { StoredGaugeReading, StoredSpot } from '@riffle/contract';
import { differenceInHours } from 'date-fns';

/** A reading older than this tells nothing of today's river. */
export const RIVER_FRESH_H = 36;

export interface RiverNow {
  readonly last: StoredGaugeReading;
  /** Metres a day since the reading before; null when there is none or it was within the hour. */
  readonly trend_m_day: number | null;
  readonly flood: StoredGaugeReading | null;
}

/** Is this place covered at the river's last reading, if that is fresh? */
export const underWater = (
  spot: Pick<StoredSpot, 'worksBelow_m'> | undefined,
  river: RiverNow | null,
  now: Date,
): boolean =>
  river !== null &&
  spot?.worksBelow_m != null &&
  differenceInHours(now, new Date(river.last.readAt)) <= RIVER_FRESH_H &&
  river.last.level_m >= spot.worksBelow_m;

/** The river as last read, and the last flood. Null before the first reading. */
export function riverNow(readings: readonly StoredGaugeReading[]): RiverNow | null {
  const order = [...readings].sort((a, b) => (a.readAt < b.readAt ? -1 : 1));
  const last = order.at(-1);
  const before = order.at(-2);
  if (!last) return null;
  const days = before ? (Date.parse(last.readAt) - Date.parse(before.readAt)) / 86_400_000 : 0;
  return {
    last,
    trend_m_day: before && days > 1 / 24 ? (last.level_m - before.level_m) / days : null,
    flood: order.filter((r) => r.isFlood).at(-1) ?? null,
  };
}
