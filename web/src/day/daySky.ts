import type { StoredGround } from '@riffle/contract';
import {
  daylight,
  fromGreenwich,
  hoursBelow,
  tideHeight_m,
  type Daylight,
  type OpenHours,
  type Tide,
} from '@riffle/core';
import type { LocalTime } from '../when/localTime.ts';

export interface DaySky {
  /** By the ground's clock, minutes after midnight; null where the ground has no line. */
  readonly sun: Daylight | null;
  readonly twilightEnd_min: number | null;
}

/** The sun over the middle of the ground. */
export function daySky(ground: StoredGround, date: string, local: LocalTime): DaySky {
  // The clock's offset as it is at noon.
  const offset_min = (Date.parse(`${date}T12:00Z`) - local.at(`${date}T12:00`).getTime()) / 60_000;
  const middle = ground.line?.[Math.floor(ground.line.length / 2)];
  if (!middle) return { sun: null, twilightEnd_min: null };
  const shift = (d: Daylight): Daylight =>
    d.kind === 'rises and sets'
      ? { ...d, sunrise_min: d.sunrise_min + offset_min, sunset_min: d.sunset_min + offset_min }
      : d;
  const dusk = daylight(date, middle[0], middle[1], 'civil twilight');
  return {
    sun: shift(daylight(date, middle[0], middle[1])),
    twilightEnd_min: dusk.kind === 'rises and sets' ? dusk.sunset_min + offset_min : null,
  };
}

export interface DayTide {
  readonly open: readonly OpenHours[];
  readonly height_m: (minute: number) => number;
  readonly workBelow_m: number;
}

/** The tide over a day by the ground's constituents; null where it has none. */
export function dayTide(ground: StoredGround, date: string, local: LocalTime): DayTide | null {
  if (!ground.tide) return null;
  const midnight = local.at(date).getTime();
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

/** The hours in which work can be seen, within those the tide leaves; null where nothing limits them (no line says where the sun is, or it does not set). */
export function inDaylight({ sun }: DaySky, open: readonly OpenHours[] | null): readonly OpenHours[] | null {
  if (sun === null || sun.kind === 'up all day') return open;
  if (sun.kind === 'down all day') return [];
  const { sunrise_min, sunset_min } = sun;
  return (open ?? [{ from_min: 0, to_min: 1440 }])
    .map((w) => ({
      from_min: Math.ceil(Math.max(w.from_min, sunrise_min)),
      to_min: Math.floor(Math.min(w.to_min, sunset_min)),
    }))
    .filter((w) => w.to_min > w.from_min);
}
