import { TEXTS, type PlannedStop, type StoredGaugeReading, type StoredGround, type StoredSpot } from '@riffle/contract';
import {
  carryingTrips,
  CONTAINERS,
  daylight,
  fromGreenwich,
  hoursBelow,
  PANS_OF,
  tideHeight_m,
  walkingMinutes,
  WET_GRAVEL_KG_L,
  workMinutes,
  type Bank,
  type Daylight,
  type DayProblem,
  type OpenHours,
  type Pace,
  type Tide,
  type WalkedLine,
} from '@riffle/core';
import { differenceInHours } from 'date-fns';
import type { RankedPlace } from '../reading/useRanking.ts';
import { RIVER_FRESH_H, underWater, type RiverNow } from '../reading/riverNow.ts';
import type { CreekShape } from '../ribbon/creekShape.ts';

/** What a person settles about a day. */
export interface DayDraft {
  readonly start_min: number;
  readonly back_min: number;
  readonly start_m: number;
  readonly limit_kg: number;
  readonly tools: readonly { readonly name: string; readonly kg: number }[];
  readonly aim: 'best traps' | 'odd places';
  readonly way: 'quick pans' | 'one square metre';
  readonly frozen: boolean;
  readonly waterAway: boolean;
  /** The person's own order of places; null while Riffle's stands. */
  readonly order: readonly string[] | null;
  /** Minutes at a place, where the person knows better. */
  readonly minutes: Readonly<Record<string, number>>;
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
  ground: StoredGround,
  spots: readonly StoredSpot[],
  ranked: readonly RankedPlace[],
  draft: DayDraft,
  pace: Pace,
  river: RiverNow | null,
  line: WalkedLine,
  now: Date,
): Candidate[] {
  const tools_kg = draft.tools.reduce((sum, t) => sum + t.kg, 0);
  return ranked.map(({ place, chance, reasons }) => {
    const spot = spots.find((s) => s.id === place.spotId);
    const offset_m = spot?.offset_m ?? (place.bank === 'mid' ? 0 : 6);
    const load_kg = draft.waterAway ? PANS_OF[draft.way] * CONTAINERS.pan * WET_GRAVEL_KG_L : 0;
    const trips = load_kg > 0 && draft.limit_kg > tools_kg ? carryingTrips(load_kg, tools_kg, draft.limit_kg) : 0;
    const there = Math.min(line.length_m, place.distance_m);
    // The last load goes along on the way on; each one before it is a walk to the water and back.
    const hauling =
      Math.max(0, trips - 1) *
      (walkingMinutes(line, there, draft.start_m) + walkingMinutes(line, draft.start_m, there));
    const told = reasons.some((r) => r.from === 'pans' && Math.abs(r.logOdds) >= TOLD) ? 0.3 : 1;
    const tooHigh = underWater(spot, river, now);
    const frozenShut = draft.frozen && !place.kinds.some((k) => k === 'bedrock' || k === 'crevice');
    return {
      id: place.id,
      spotId: place.spotId,
      name: place.name,
      distance_m: place.distance_m,
      bank: place.bank,
      offset_m,
      kinds: place.kinds,
      work_min: draft.minutes[place.id] ?? Math.round(workMinutes(draft.way, pace.pan_min, place.cover_m) + hauling),
      load_kg,
      trips,
      chance,
      // Where it pays: the chance. What is odd: how much a pan would teach, most where the chance is even.
      value: told * (draft.aim === 'best traps' ? chance : 4 * chance * (1 - chance)),
      closed: tooHigh ? 'the river stands too high' : frozenShut ? 'frozen ground' : null,
      byWater:
        ground.kind === 'creek' && (place.bank === 'mid' || offset_m < OUT_OF_RIVER_M || spot?.worksBelow_m != null),
    };
  });
}

/** The line as it is walked, with the bed's heights where they are known. */
export function walkedLine(ground: StoredGround, shape: CreekShape): WalkedLine {
  const heights = shape.heights_m;
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
  draft: DayDraft,
  line: WalkedLine,
  open: readonly OpenHours[] | null,
): DayProblem {
  const at = [...candidates.map((c) => c.distance_m), draft.start_m].map((d) =>
    Math.min(line.length_m, Math.max(0, d)),
  );
  return {
    stops: candidates.map((c) => ({ id: c.id, work_min: c.work_min, value: c.value, open })),
    walk_min: at.map((a) => at.map((b) => walkingMinutes(line, a, b))),
    start_min: draft.start_min,
    back_min: draft.back_min,
  };
}

export interface DaySky {
  /** By this device's clock, minutes after midnight; null where the ground has no line. */
  readonly sun: Daylight | null;
  readonly twilightEnd_min: number | null;
}

const localMinutes = (utc_min: number, date: string): number =>
  utc_min - new Date(`${date}T12:00:00`).getTimezoneOffset();

/** The sun over the middle of the ground. */
export function daySky(ground: StoredGround, date: string): DaySky {
  const middle = ground.line?.[Math.floor(ground.line.length / 2)];
  if (!middle) return { sun: null, twilightEnd_min: null };
  const shift = (d: Daylight): Daylight =>
    d.kind === 'rises and sets'
      ? { ...d, sunrise_min: localMinutes(d.sunrise_min, date), sunset_min: localMinutes(d.sunset_min, date) }
      : d;
  const dusk = daylight(date, middle[0], middle[1], 96);
  return {
    sun: shift(daylight(date, middle[0], middle[1])),
    twilightEnd_min: dusk.kind === 'rises and sets' ? localMinutes(dusk.sunset_min, date) : null,
  };
}

export interface DayTide {
  readonly open: readonly OpenHours[];
  readonly height_m: (minute: number) => number;
  readonly workBelow_m: number;
}

/** The tide over a day by the ground's constituents; null where it has none. */
export function dayTide(ground: StoredGround, date: string): DayTide | null {
  if (!ground.tide) return null;
  const midnight = new Date(`${date}T00:00:00`).getTime();
  const tide: Tide = {
    meanLevel_m: ground.tide.meanLevel_m,
    constituents: fromGreenwich(ground.tide.constituents, midnight),
  };
  return {
    open: hoursBelow(tide, ground.tide.workBelow_m, 0, 24).map((w) => ({
      from_min: w.from_h * 60,
      to_min: w.to_h * 60,
    })),
    height_m: (minute) => tideHeight_m(tide, minute / 60),
    workBelow_m: ground.tide.workBelow_m,
  };
}

export const asStop = (c: Candidate): PlannedStop => ({
  placeId: c.id,
  spotId: c.spotId,
  // Made of the signs' names where no spot is marked; a long one is told by how it begins.
  name: c.name.slice(0, TEXTS.name.longest),
  distance_m: c.distance_m,
  bank: c.bank,
  offset_m: c.offset_m,
  work_min: c.work_min,
});

/** "8:05", as a wall clock says it. */
export const clock = (minute: number): string => {
  const m = Math.round(minute);
  return `${Math.floor(m / 60) % 24}:${String(((m % 60) + 60) % 60).padStart(2, '0')}`;
};
/** "1 h 20" or "25 min". */
export const lasting = (minutes: number): string => {
  const m = Math.round(minutes);
  return m < 60 ? `${m} min` : `${Math.floor(m / 60)} h${m % 60 === 0 ? '' : ` ${String(m % 60).padStart(2, '0')}`}`;
};

export const riverIsFresh = (readings: readonly StoredGaugeReading[], now: Date): boolean =>
  readings.some((r) => differenceInHours(now, new Date(r.readAt)) <= RIVER_FRESH_H);
