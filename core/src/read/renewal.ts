import { heightAlong, laidAnewSince, type ShoreHeight, type Storm } from '../beach/storms.ts';
import type { GatheredPlace } from './gatherPlaces.ts';
import { isAhead, type RiverReading } from './riverNow.ts';
import { signKind, type AnyKind } from './signKinds.ts';

/** What lays a ground anew where one digs: high water in a creek, storms on a beach. */
export interface Renewal {
  readonly by: 'flood' | 'storm';
  /** Chance that a place was laid anew since a moment, 0 to 1. */
  readonly since: (place: Pick<GatheredPlace, 'spotId' | 'distance_m'>, since_ms: number) => number;
}

/** Where each leaves a fresh skin or seam, and how that is said. Common practice, no source. */
export const RENEWED: Readonly<Record<Renewal['by'], { kinds: readonly AnyKind[]; says: string }>> = {
  flood: { kinds: ['bar', 'inside bend'], says: 'a fresh flood skin to skim' },
  storm: {
    kinds: ['berm toe', 'cut bank', 'draw mouth', 'black sand', 'clay seam'],
    says: 'storms lay fresh black sand there',
  },
};

/** Of an old blank's weight so much is left where a storm laid a seam anew; in a berm's toe as after a flood. Stated assumption. */
const AFTER_STORM = 0.2;
/** The same where no sign says what the place is. */
const AFTER_UNKNOWN = 0.6;

/** Share of an old blank's weight that is left once its place was laid anew: by the kind of it that changes least. */
export const blankLeft = (by: Renewal['by'], kinds: readonly AnyKind[]): number =>
  Math.max(
    ...(kinds.length === 0
      ? [AFTER_UNKNOWN]
      : kinds.map((k) =>
          by === 'storm' && RENEWED.storm.kinds.includes(k) ? AFTER_STORM : signKind(k).blankAfterFlood,
        )),
  );

/** A flood goes over every place of its creek. */
export const byFloods = (readings: readonly RiverReading[], now_ms: number): Renewal => {
  const floods = readings
    .filter((r) => r.isFlood)
    .map((r) => Date.parse(r.readAt))
    .filter((at_ms) => !isAhead(at_ms, now_ms));
  return { by: 'flood', since: (_, since_ms) => (floods.some((at_ms) => at_ms > since_ms) ? 1 : 0) };
};

/**
 * A storm lays anew what it reached.
 * @param slope of the beach's face; null where nobody measured it
 * @param toe heights of the berm's toe along the shore
 * @param levelOf height of a spot where it is known, m above the tide table's zero
 */
export const byStorms = (
  storms: readonly Storm[],
  slope: number | null,
  toe: readonly ShoreHeight[],
  levelOf: (spotId: string) => number | null,
): Renewal => ({
  by: 'storm',
  since: ({ spotId, distance_m }, since_ms) =>
    laidAnewSince(storms, since_ms, slope, spotId === null ? null : levelOf(spotId), heightAlong(toe, distance_m)),
});
