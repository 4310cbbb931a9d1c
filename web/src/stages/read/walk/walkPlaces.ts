import type { PlannedStop } from '@riffle/contract';
import type { Bank, RankedPlace } from '@riffle/core';

/** A place as it lies ahead on a walk. */
export interface WalkMark {
  readonly id: string;
  readonly spotId: string | null;
  readonly name: string;
  readonly distance_m: number;
  readonly bank: Bank;
  /** Its rank among all that is open, from 1; null for a stop of the plan that is in no ranking. */
  readonly rank: number | null;
  readonly chance: number | null;
  readonly kinds: RankedPlace['place']['kinds'];
  readonly signIds: readonly string[];
  readonly isTried: boolean;
  readonly isPlanned: boolean;
}

/** So many of the ranking are worth stopping for. Common practice, no source: more than a day holds. */
const MOST_RANKED = 7;

/** The places of a walk: the stops of the day's plan, and the best of the ranking. In the order of the line. */
export function walkPlaces(ranked: readonly RankedPlace[], stops: readonly PlannedStop[]): WalkMark[] {
  const planned = new Set(stops.map((s) => s.placeId));
  const known = new Set(ranked.map((r) => r.place.id));
  const marks = ranked.flatMap(({ place, chance, panned }, i): WalkMark[] =>
    i < MOST_RANKED || planned.has(place.id)
      ? [
          {
            id: place.id,
            spotId: place.spotId,
            name: place.name,
            distance_m: place.distance_m,
            bank: place.bank,
            rank: i + 1,
            chance,
            kinds: place.kinds,
            signIds: place.signIds,
            isTried: panned !== null,
            isPlanned: planned.has(place.id),
          },
        ]
      : [],
  );
  const others = stops
    .filter((s) => !known.has(s.placeId))
    .map(({ placeId, spotId, name, distance_m, bank }): WalkMark => ({
      id: placeId,
      spotId,
      name,
      distance_m,
      bank,
      rank: null,
      chance: null,
      kinds: [],
      signIds: [],
      isTried: false,
      isPlanned: true,
    }));
  return [...marks, ...others].sort((a, b) => a.distance_m - b.distance_m);
}
