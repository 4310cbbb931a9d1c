import type { StoredGround, StoredSign, StoredSwellReading } from '@riffle/contract';
import {
  fromGreenwich,
  heightAlong,
  highTideAbout_m,
  reachedChance,
  shoreDay,
  stormReach,
  swellAdds_m,
  tideHeight_m,
  usualSwell,
  USUAL_MARGIN_MIN,
  type StormReach,
  type ShoreDay,
  type ShoreHeight,
  type Storm,
  type Swell,
  type Tide,
  isAhead,
} from '@riffle/core';
import type { LocalTime } from '../when/localTime.ts';

/** A reading of the sea older than this tells nothing of this hour's. Common practice, no source. */
const FRESH_MS = 24 * 3_600_000;

/** A storm of the log with how high it reached. */
export interface LoggedStorm extends Storm {
  readonly reading: StoredSwellReading;
  /** Null where the beach has no tide table. */
  readonly reach: StormReach | null;
  /** Chance that it came to the toe of the berm in the middle of the beach; null where no height of it was measured. What was seen stands above it. */
  readonly toToe: number | null;
}

/** A beach by its sea: the swell, the storms, and how high its berm and its signs lie. */
export interface Shore {
  readonly storms: readonly LoggedStorm[];
  readonly toe: readonly ShoreHeight[];
  readonly slope: number | null;
  readonly usual: Swell | null;
  readonly last: StoredSwellReading | null;
  /** The last reading tells of now. */
  readonly isFresh: boolean;
  /** How much higher today's water comes than on a usual day, m; 0 while nothing says so. */
  readonly adds_m: number;
}

/** The tide of a ground as the sums take it; null where it has none. */
export const tideOf = ({ tide }: StoredGround): Tide | null =>
  tide && { meanLevel_m: tide.meanLevel_m, constituents: tide.constituents };

/** Newest storm first; a swell dated ahead of now says nothing yet. */
export function shoreOf(
  ground: StoredGround,
  signs: readonly StoredSign[],
  swell: readonly StoredSwellReading[],
  now_ms: number,
): Shore {
  const tide = tideOf(ground);
  const slope = (ground as Partial<StoredGround>).faceSlope ?? null;
  const toe = signs.flatMap((s) =>
    s.kind === 'berm toe' && typeof s.height_m === 'number' ? [{ distance_m: s.distance_m, height_m: s.height_m }] : [],
  );
  const middle_m = heightAlong(toe, ground.length_m / 2);
  const order = swell
    .filter((r) => !isAhead(Date.parse(r.readAt), now_ms))
    .sort((a, b) => (a.readAt < b.readAt ? 1 : -1));
  const storms = order
    .filter((r) => r.isStorm)
    .map((reading): LoggedStorm => {
      const at_ms = Date.parse(reading.readAt);
      const { height_m, period_s, cut_m } = reading;
      const highTide_m = tide && highTideAbout_m(tide, at_ms);
      const reach = highTide_m === null ? null : stormReach({ height_m, period_s, highTide_m }, slope);
      const seen = cut_m === null ? null : cut_m > 0 ? 1 : 0;
      return {
        reading,
        at_ms,
        height_m,
        period_s,
        cut_m,
        highTide_m,
        reach,
        toToe: seen ?? (middle_m === null || reach === null ? null : reachedChance(reach, middle_m)),
      };
    });
  const usual = usualSwell(order.filter((r) => !r.isStorm));
  const [last = null] = order;
  const isFresh = last !== null && now_ms - Date.parse(last.readAt) <= FRESH_MS;
  return { storms, toe, slope, usual, last, isFresh, adds_m: swellAdds_m(isFresh ? last : null, usual, slope) };
}

/** A beach's day by its tide, hours in minutes after midnight. */
export interface TideDay extends ShoreDay {
  /** When a place that lies at another height can be worked. */
  readonly workAt: (level_m: number) => ShoreDay['work'];
  readonly height_m: (minute: number) => number;
  /** Below it the sand is bare, with what the swell adds taken off, m. */
  readonly workBelow_m: number;
  readonly wayBelow_m: number | null;
  readonly margin_min: number;
  readonly swellAdds_m: number;
}

/**
 * The tide over a day; null where the ground has none.
 * @param adds_m what the swell adds that day
 */
export function tideDay(ground: StoredGround, date: string, local: LocalTime, adds_m: number): TideDay | null {
  const constants = tideOf(ground);
  if (!ground.tide || !constants) return null;
  const tide: Tide = { ...constants, constituents: fromGreenwich(constants.constituents, local.at(date).getTime()) };
  const { workBelow_m, wayBelow_m = null, margin_min = USUAL_MARGIN_MIN } = ground.tide as Partial<typeof ground.tide>;
  const limits = { workBelow_m: workBelow_m ?? constants.meanLevel_m, wayBelow_m, margin_min, swellAdds_m: adds_m };
  return {
    ...shoreDay(tide, limits),
    workAt: (level_m) => shoreDay(tide, { ...limits, workBelow_m: level_m }).work,
    height_m: (minute) => tideHeight_m(tide, minute / 60),
    workBelow_m: limits.workBelow_m - adds_m,
    wayBelow_m: wayBelow_m === null ? null : wayBelow_m - adds_m,
    margin_min,
    swellAdds_m: adds_m,
  };
}
