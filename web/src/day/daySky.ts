import type { StoredGround } from '@riffle/contract';
import { daylight, type Daylight, type OpenHours } from '@riffle/core';
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
