import type { OpenHours } from '../day/planDay.ts';
import { hoursBelow, type Tide } from '../day/tide.ts';
import { requireWithin } from '../outOfRange.ts';
import { faceBetween } from './storms.ts';
import { runup_m, type Swell } from './waves.ts';

/** Left over before the water is back, min. Common practice, no source. */
export const USUAL_MARGIN_MIN = 30;
/** So many quiet readings tell what swell the levels of a beach were learned in. */
const LEAST_USUAL = 3;

const median = (numbers: readonly number[]): number => {
  const order = [...numbers].sort((a, b) => a - b);
  const half = order.length >> 1;
  return order.length % 2 === 1 ? (order[half] as number) : ((order[half - 1] as number) + (order[half] as number)) / 2;
};

/** The swell a beach usually has: the median of the readings that were no storm; null before there are three. */
export const usualSwell = (quiet: readonly Swell[]): Swell | null =>
  quiet.length < LEAST_USUAL
    ? null
    : { height_m: median(quiet.map((s) => s.height_m)), period_s: median(quiet.map((s) => s.period_s)) };

/**
 * How much higher the water comes today than on a usual day by its swell, m; never less than 0, for a quiet sea is no reason to stay longer.
 * The levels below which a beach is worked were learned on usual days. By the steeper end of what the face may be: one is to be off in time.
 */
export const swellAdds_m = (today: Swell | null, usual: Swell | null, slope: number | null): number =>
  today && usual ? Math.max(0, runup_m(today, faceBetween(slope).steep) - runup_m(usual, faceBetween(slope).steep)) : 0;

/** What a beach's day depends on; heights in m above the tide table's zero. */
export interface ShoreLimits {
  readonly workBelow_m: number;
  /** The way off the beach is dry below; null where it never floods. */
  readonly wayBelow_m: number | null;
  readonly margin_min: number;
  readonly swellAdds_m: number;
}

/** The hours of a beach, minutes after the day's midnight. */
export interface ShoreDay {
  /** The sand can be worked: bare, less the margin at the end. */
  readonly work: readonly OpenHours[];
  /** The way off is open, less the margin at the end; null where nothing shuts it. */
  readonly way: readonly OpenHours[] | null;
}

/** Wind and air pressure move the water by so much on days that are no storm, m. Common practice, no source. */
const WEATHER_M = 0.1;
const LOOKED_AHEAD_H = 48;

/** Stretches below a level, each shut a while before its end: by the margin, and before the weather can shut it. */
function minutes(tide: Tide, below_m: number, margin_min: number): OpenHours[] {
  const surely = hoursBelow(tide, below_m - WEATHER_M, 0, LOOKED_AHEAD_H);
  return hoursBelow(tide, below_m, 0, LOOKED_AHEAD_H)
    .flatMap(({ from_h, to_h }) => {
      const dry = surely.findLast((s) => s.from_h < to_h && s.to_h > from_h);
      if (!dry) return [];
      const to_min = to_h < LOOKED_AHEAD_H ? Math.min(to_h * 60 - margin_min, dry.to_h * 60) : to_h * 60;
      return [{ from_min: from_h * 60, to_min }];
    })
    .filter((w) => w.to_min > w.from_min && w.from_min < 1440);
}

/**
 * When a beach can be worked on a day, and when one can leave it.
 * @param tide counted from the day's midnight
 * @throws OutOfRange for a margin outside 0-360 min
 */
export function shoreDay(
  tide: Tide,
  { workBelow_m, wayBelow_m, margin_min, swellAdds_m: up_m }: ShoreLimits,
): ShoreDay {
  requireWithin('margin_min', margin_min, 0, 360, 'min');
  return {
    work: minutes(tide, workBelow_m - up_m, margin_min),
    way: wayBelow_m === null ? null : minutes(tide, wayBelow_m - up_m, margin_min),
  };
}

/**
 * The stretch of a day, between two hours, in which one can get on and off: of those in which the way is open the one with most hours of bare sand, the earlier of two alike.
 * Null where nothing shuts the way, or where it is not open between them.
 */
export function onAndOff({ work, way }: ShoreDay, from_min: number, to_min: number): OpenHours | null {
  const cut = (w: OpenHours, by: OpenHours): OpenHours => ({
    from_min: Math.max(w.from_min, by.from_min),
    to_min: Math.min(w.to_min, by.to_min),
  });
  const lasts = (w: OpenHours): number => Math.max(0, w.to_min - w.from_min);
  const bare = (w: OpenHours): number => work.reduce((sum, b) => sum + Math.round(lasts(cut(b, w))), 0);
  return (
    (way ?? [])
      .map((w) => cut(w, { from_min, to_min }))
      .filter((w) => lasts(w) > 0)
      .sort((a, b) => bare(b) - bare(a))[0] ?? null
  );
}
