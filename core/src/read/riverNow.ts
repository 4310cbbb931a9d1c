/** A height of the river at its stake. */
export interface RiverReading {
  /** ISO 8601. */
  readonly readAt: string;
  readonly level_m: number;
  readonly isFlood: boolean;
}

/** A reading older than this tells nothing of today's river. Common practice, no source. */
export const RIVER_FRESH_H = 36;
const HOUR_MS = 3_600_000;

/** The clocks of two devices differ by less than this. Common practice, no source. */
const CLOCKS_DIFFER_MS = HOUR_MS;

/** Is a reading dated later than now? Then nobody has read it yet: it was foretold, or the clock that dated it is wrong. Milliseconds since 1970. */
export const isAhead = (readAt_ms: number, now_ms: number): boolean => readAt_ms > now_ms + CLOCKS_DIFFER_MS;

export interface RiverNow<R extends RiverReading = RiverReading> {
  readonly last: R;
  /** Metres a day since the reading before; null when there is none or it was within the hour. */
  readonly trend_m_day: number | null;
  readonly flood: R | null;
}

/** Is a reading young enough to speak of this moment? */
export const riverIsFresh = (reading: RiverReading | undefined, now_ms: number): boolean =>
  reading !== undefined && now_ms - Date.parse(reading.readAt) <= RIVER_FRESH_H * HOUR_MS;

/** Is this place covered at the river's last reading, if that is fresh? */
export const underWater = (
  spot: { readonly worksBelow_m: number | null } | undefined,
  river: RiverNow | null,
  now_ms: number,
): boolean =>
  river !== null &&
  spot !== undefined &&
  spot.worksBelow_m !== null &&
  riverIsFresh(river.last, now_ms) &&
  river.last.level_m >= spot.worksBelow_m;

/** The river as last read, and the last flood. Null before the first reading; those ahead of now are none. */
export function riverNow<R extends RiverReading>(readings: readonly R[], now_ms: number): RiverNow<R> | null {
  const order = readings
    .filter((r) => !isAhead(Date.parse(r.readAt), now_ms))
    .sort((a, b) => Date.parse(a.readAt) - Date.parse(b.readAt));
  const last = order.at(-1);
  const before = order.at(-2);
  if (!last) return null;
  const hours = before ? (Date.parse(last.readAt) - Date.parse(before.readAt)) / HOUR_MS : 0;
  return {
    last,
    trend_m_day: before && hours > 1 ? ((last.level_m - before.level_m) / hours) * 24 : null,
    flood: order.filter((r) => r.isFlood).at(-1) ?? null,
  };
}
