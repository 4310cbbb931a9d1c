import { TEXTS, type PlannedStop, type StoredDaySheet, type StoredGround } from '@riffle/contract';
import type { TideDay } from '../shore/shoreOf.ts';
import { inDaylight, type DaySky } from './daySky.ts';
import {
  USUAL_LOAD_KG,
  USUAL_REST_MIN,
  USUAL_TOOLS,
  type Candidate,
  type DayAsked,
  type OpenHours,
} from '@riffle/core';

/** A day as it is being settled; kept on the device until it is in the book. */
export interface DayDraft extends DayAsked {
  /** The person's own order of places; null while Riffle's stands. */
  readonly order: readonly string[] | null;
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

/** A day begins at eight, and not before one sees. */
const USUAL_START_MIN = 480;
const QUARTER_MIN = 15;

/** On a beach the day goes by the sand: there when it comes bare, off before the water. */
export function byTheSand(sky: DaySky, tide: TideDay | null): { start_min: number; back_min: number } | null {
  const open = tide && (inDaylight(sky, tide.work) ?? tide.work);
  const longest = open?.reduce<OpenHours | null>((a, w) => (a && lasts(a) >= lasts(w) ? a : w), null);
  return tide && longest
    ? {
        start_min: Math.max(0, Math.floor(longest.from_min / QUARTER_MIN - 1) * QUARTER_MIN),
        back_min: Math.min(1439, Math.ceil((longest.to_min + tide.margin_min) / QUARTER_MIN) * QUARTER_MIN),
      }
    : null;
}
const lasts = (w: OpenHours): number => w.to_min - w.from_min;

export const firstDraft = (
  ground: StoredGround,
  kept: StoredDaySheet | undefined,
  sky: DaySky,
  tide: TideDay | null = null,
): DayDraft =>
  kept
    ? {
        start_min: kept.start_min,
        back_min: kept.back_min,
        start_m: kept.start_m,
        rest_min: kept.rest_min,
        limit_kg: kept.limit_kg,
        tools: kept.tools,
        aim: kept.aim,
        way: kept.way,
        frozen: kept.frozen,
        waterAway: kept.waterAway,
        order: kept.stops.map((s) => s.placeId),
        minutes: Object.fromEntries(kept.stops.map((s) => [s.placeId, s.work_min])),
      }
    : {
        start_min:
          sky.sun?.kind === 'rises and sets' && sky.sun.sunrise_min < 960
            ? Math.max(USUAL_START_MIN, Math.ceil(sky.sun.sunrise_min / QUARTER_MIN) * QUARTER_MIN)
            : USUAL_START_MIN,
        back_min: 960,
        ...byTheSand(sky, tide),
        start_m: 0,
        rest_min: USUAL_REST_MIN,
        limit_kg: USUAL_LOAD_KG,
        tools: [...USUAL_TOOLS],
        aim: 'best traps',
        way: 'quick pans',
        frozen: false,
        waterAway: ground.kind !== 'creek' && ground.kind !== 'beach',
        order: null,
        minutes: {},
      };
