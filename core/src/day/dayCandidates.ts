import type { Bank } from '../ground/centreLine.ts';
import { bedHeights_m, type BedOfGround } from '../ground/bedHeights.ts';
import { CONTAINERS } from '../measures/containers.ts';
import type { RankedPlace } from '../read/rankPlaces.ts';
import { underWater, type RiverNow } from '../read/riverNow.ts';
import { carryingTrips, WET_GRAVEL_KG_L } from './carry.ts';
import { PANS_OF, workMinutes, type Pace } from './pace.ts';
import type { DayProblem, OpenHours } from './planDay.ts';
import { walkingMinutes, type WalkedLine } from './walking.ts';

/** What a person settles about a day. */
export interface DayAsked {
  readonly start_min: number;
  readonly back_min: number;
  readonly start_m: number;
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
  readonly load_kg: number;
  readonly trips: number;
  readonly chance: number;
  readonly value: number;
  readonly kinds: readonly string[];
  /** Why nobody can work there today; null when it is open. */
  readonly closed: string | null;
  /** Lies so that high water takes it. */
  readonly byWater: boolean;
}

const OUT_OF_RIVER_M = 8;
/** A place whose pans have already said as much as this, in log odds either way, teaches little more. */
const TOLD = 2;

/** Places that could be worked on a day, with their time, load and worth, and what closes them. */
export function dayCandidates(
  groundKind: string,
  spots: readonly DaySpot[],
  ranked: readonly RankedPlace[],
  asked: DayAsked,
  pace: Pace,
  river: RiverNow | null,
  line: WalkedLine,
  now_ms: number,
): Candidate[] {
  const tools_kg = asked.tools.reduce((sum, t) => sum + t.kg, 0);
  return ranked.map(({ place, chance, reasons }) => {
    const spot = spots.find((s) => s.id === place.spotId);
    const offset_m = spot?.offset_m ?? (place.bank === 'mid' ? 0 : 6);
    const load_kg = asked.waterAway ? PANS_OF[asked.way] * CONTAINERS.pan * WET_GRAVEL_KG_L : 0;
    const trips = load_kg > 0 && asked.limit_kg > tools_kg ? carryingTrips(load_kg, tools_kg, asked.limit_kg) : 0;
    const there = Math.min(line.length_m, place.distance_m);
    // The last load goes along on the way on; each one before it is a walk to the water and back.
    const hauling =
      Math.max(0, trips - 1) *
      (walkingMinutes(line, there, asked.start_m) + walkingMinutes(line, asked.start_m, there));
    const told = reasons.some((r) => r.from === 'pans' && Math.abs(r.logOdds) >= TOLD) ? 0.3 : 1;
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
      work_min: asked.minutes[place.id] ?? Math.round(workMinutes(asked.way, pace.pan_min, place.cover_m) + hauling),
      load_kg,
      trips,
      chance,
      // Where it pays: the chance. What is odd: how much a pan would teach, most where the chance is even.
      value: told * (asked.aim === 'best traps' ? chance : 4 * chance * (1 - chance)),
      closed: tooHigh ? 'the river stands too high' : frozenShut ? 'frozen ground' : null,
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

/** The planner's problem for these places. */
export function dayProblem(
  candidates: readonly Candidate[],
  asked: Pick<DayAsked, 'start_min' | 'back_min' | 'start_m'>,
  line: WalkedLine,
  open: readonly OpenHours[] | null,
): DayProblem {
  const at = [...candidates.map((c) => c.distance_m), asked.start_m].map((d) =>
    Math.min(line.length_m, Math.max(0, d)),
  );
  return {
    stops: candidates.map((c) => ({ id: c.id, work_min: c.work_min, value: c.value, open })),
    walk_min: at.map((a) => at.map((b) => walkingMinutes(line, a, b))),
    start_min: asked.start_min,
    back_min: asked.back_min,
  };
}
