import type { Bank } from '../ground/centreLine.ts';
import { bedHeights_m, type BedOfGround } from '../ground/bedHeights.ts';
import { CONTAINERS } from '../measures/containers.ts';
import { asPanPlace, panWorths, type PanRules } from '../read/nextPan.ts';
import type { RankedPlace } from '../read/rankPlaces.ts';
import type { SpotPan } from '../sample/groundColors.ts';
import { underWater, type RiverNow } from '../read/riverNow.ts';
import { carryingTrips, WET_GRAVEL_KG_L } from './carry.ts';
import { PANS_OF, pacePerPan, workMinutes, type Pace } from './pace.ts';
import type { DayProblem, OpenHours } from './planDay.ts';
import { walkingMinutes, type WalkedLine } from './walking.ts';

/** What a person settles about a day. */
export interface DayAsked {
  readonly start_min: number;
  readonly back_min: number;
  readonly start_m: number;
  /** To eat and sit down, on a day that is long enough; 0: none. */
  readonly rest_min: number;
  readonly limit_kg: number;
  readonly tools: readonly { readonly name: string; readonly kg: number }[];
  readonly aim: 'best traps' | 'odd places';
  readonly way: 'quick pans' | 'one square metre';
  readonly frozen: boolean;
  readonly waterAway: boolean;
  /** Minutes at a place, where the person knows better. */
  readonly minutes: Readonly<Record<string, number>>;
}

/** A spot as far as a day goes. */
export interface DaySpot {
  readonly id: string;
  readonly offset_m: number;
  readonly worksBelow_m: number | null;
}

/** A place with all that counts for the day. */
export interface Candidate {
  readonly id: string;
  readonly spotId: string | null;
  readonly name: string;
  readonly distance_m: number;
  readonly bank: Bank;
  readonly offset_m: number;
  readonly work_min: number;
  /** Pans the visit takes. */
  readonly pans: number;
  readonly load_kg: number;
  readonly trips: number;
  readonly chance: number;
  readonly value: number;
  readonly kinds: readonly string[];
  /** Why nobody can work there today; null when it is open. */
  readonly closed: string | null;
  /** The level of the water below which it can be worked; null where none is known. */
  readonly worksBelow_m: number | null;
  /** Lies so that high water takes it. */
  readonly byWater: boolean;
}

const OUT_OF_RIVER_M = 8;
/** From this long on a day has a rest in its middle; and so much is left at its end, or a tenth of a short one. Common practice, no source. */
const LONG_DAY_MIN = 300;
const SLACK_MIN = 20;
/** A rest as it is usual, until a person says otherwise. */
export const USUAL_REST_MIN = 30;
/** What is worth less than this share of the best is no reason to walk there; a person can still put it in. Stated assumption. */
const HARDLY_WORTH = 0.02;
/** Twice the pans are taken where they are worth so much more. Stated assumption. */
const WORTH_TWICE = 1.3;
const FEW = PANS_OF['quick pans'];
const MORE = 2 * FEW;

/** What a visit to a place is for. */
interface Visit {
  readonly pans: number;
  readonly worth: number;
}
/** The visits of a day, by the id of the place. */
export type DayVisits = ReadonlyMap<string, Visit>;

/**
 * What each place is worth on a day, and how many pans it gets. A day of quick pans goes where they tell most of where to dig, or, looking for the odd
 * places, where it is least known whether they pay; a day of digging goes where most gold lies, or where so much ground tells most.
 */
export function dayVisits(
  ranked: readonly RankedPlace[],
  rules: PanRules,
  pan_min: number,
  { aim, way }: Pick<DayAsked, 'aim' | 'way'>,
): DayVisits {
  const places = ranked.map((r) => asPanPlace(r, pan_min));
  if (way === 'one square metre') {
    const pans = PANS_OF[way];
    return new Map(
      panWorths(places, rules, pans).map((w) => [
        w.place.id,
        { pans, worth: aim === 'best traps' ? w.mean_mg_L : w.worth_mg_L },
      ]),
    );
  }
  const twice = new Map(panWorths(places, rules, MORE).map((w) => [w.place.id, w.worth_mg_L]));
  return new Map(
    panWorths(places, rules, FEW).map((w) => {
      const more = twice.get(w.place.id) ?? 0;
      const pans = more > WORTH_TWICE * w.worth_mg_L && w.worth_mg_L > 0 ? MORE : FEW;
      const odd = 4 * w.place.chance * (1 - w.place.chance);
      return [w.place.id, { pans, worth: aim === 'odd places' ? odd : pans === MORE ? more : w.worth_mg_L }];
    }),
  );
}

/** Places that could be worked on a day, with their time, load and worth, and what closes them. `visits`: see `dayVisits`. */
export function dayCandidates(
  groundKind: string,
  spots: readonly DaySpot[],
  ranked: readonly RankedPlace[],
  visits: DayVisits,
  asked: DayAsked,
  pace: Pace,
  river: RiverNow | null,
  line: WalkedLine,
  now_ms: number,
  /** Why nobody of the crew may dig there on that day, in words; null where nothing speaks against it. */
  shutBy: (place: RankedPlace['place']) => string | null = () => null,
): Candidate[] {
  const tools_kg = asked.tools.reduce((sum, t) => sum + t.kg, 0);
  const most = Math.max(0, ...[...visits.values()].map((v) => v.worth));
  return ranked.map(({ place, chance }) => {
    const { pans, worth } = visits.get(place.id) ?? { pans: PANS_OF[asked.way], worth: 0 };
    const own_min = asked.minutes[place.id];
    const spot = spots.find((s) => s.id === place.spotId);
    const offset_m = spot?.offset_m ?? (place.bank === 'mid' ? 0 : 6);
    const load_kg = asked.waterAway ? pans * CONTAINERS.pan * WET_GRAVEL_KG_L : 0;
    const trips = load_kg > 0 && asked.limit_kg > tools_kg ? carryingTrips(load_kg, tools_kg, asked.limit_kg) : 0;
    const there = Math.min(line.length_m, place.distance_m);
    // The last load goes along on the way on; each one before it is a walk to the water and back.
    const hauling =
      Math.max(0, trips - 1) *
      (walkingMinutes(line, there, asked.start_m) + walkingMinutes(line, asked.start_m, there));
    const tooHigh = underWater(spot, river, now_ms);
    const frozenShut = asked.frozen && !place.kinds.some((k) => k === 'bedrock' || k === 'crevice');
    return {
      id: place.id,
      spotId: place.spotId,
      name: place.name,
      distance_m: place.distance_m,
      bank: place.bank,
      offset_m,
      kinds: place.kinds,
      work_min: own_min ?? Math.round(workMinutes(asked.way, pace.pan_min, place.cover_m, pans) + hauling),
      // A person's own minutes say how many pans they are.
      pans:
        own_min === undefined
          ? pans
          : Math.max(1, Math.round((own_min - workMinutes(asked.way, pace.pan_min, place.cover_m, 0)) / pace.pan_min)),
      load_kg,
      trips,
      chance,
      value: worth >= HARDLY_WORTH * most ? worth : 0,
      worksBelow_m: spot?.worksBelow_m ?? null,
      closed: tooHigh ? 'the river stands too high' : (shutBy(place) ?? (frozenShut ? 'frozen ground' : null)),
      byWater:
        groundKind === 'creek' &&
        (place.bank === 'mid' || offset_m < OUT_OF_RIVER_M || (spot !== undefined && spot.worksBelow_m !== null)),
    };
  });
}

/** The line as it is walked, with the bed's heights where they are known. */
export function walkedLine(ground: BedOfGround): WalkedLine {
  const heights = bedHeights_m(ground);
  return {
    length_m: ground.length_m,
    height_m:
      heights &&
      ((d) => {
        const at = Math.min(heights.length - 1.000001, Math.max(0, (d / ground.length_m) * (heights.length - 1)));
        const i = Math.floor(at);
        return (heights[i] ?? 0) + (at - i) * ((heights[i + 1] ?? 0) - (heights[i] ?? 0));
      }),
  };
}

/** Minutes a pan takes the crew (`pacePerPan`) by the samples of a ground, the walks between its spots along its line. */
export function panningPace(
  ground: BedOfGround,
  spots: readonly { readonly id: string; readonly distance_m: number }[],
  samples: readonly (Pick<SpotPan, 'spotId' | 'takenAt_ms'> & {
    readonly takenAt: string;
    readonly volume_L: number;
  })[],
): Pace {
  const line = walkedLine(ground);
  const at = new Map(spots.map((s) => [s.id, Math.min(line.length_m, s.distance_m)]));
  return pacePerPan(
    samples.map((s) => ({
      at_ms: s.takenAt_ms ?? Date.parse(s.takenAt),
      spotId: s.spotId,
      pans: s.volume_L / CONTAINERS.pan,
    })),
    (a, b) => walkingMinutes(line, at.get(a) ?? 0, at.get(b) ?? 0),
  );
}

/** The planner's problem for these places. */
export function dayProblem(
  candidates: readonly Candidate[],
  asked: Pick<DayAsked, 'start_min' | 'back_min' | 'start_m' | 'rest_min'>,
  line: WalkedLine,
  /** When a place can be worked; null: at any time. */
  open: (place: Candidate) => readonly OpenHours[] | null,
): DayProblem {
  const at = [...candidates.map((c) => c.distance_m), asked.start_m].map((d) =>
    Math.min(line.length_m, Math.max(0, d)),
  );
  return {
    stops: candidates.map((c) => ({ id: c.id, work_min: c.work_min, value: c.value, open: open(c) })),
    walk_min: at.map((a) => at.map((b) => walkingMinutes(line, a, b))),
    start_min: asked.start_min,
    back_min: asked.back_min,
    rest:
      asked.rest_min > 0 && asked.back_min - asked.start_min >= LONG_DAY_MIN
        ? { from_min: (asked.start_min + asked.back_min) / 2, lasts_min: asked.rest_min }
        : null,
  };
}

/** The same for a plan that leaves something for what goes wrong: a flat, a slip, a pan that would not end. A person's own order may use it up. */
export const withSlack = (problem: DayProblem): DayProblem => ({
  ...problem,
  back_min: Math.max(
    problem.start_min,
    problem.back_min - Math.min(SLACK_MIN, (problem.back_min - problem.start_min) / 10),
  ),
});
