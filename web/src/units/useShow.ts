import {
  showArea,
  showBulkGold,
  showDistance,
  showFlow,
  showLand,
  showGold,
  showGrade,
  showGrainSize,
  rangeText,
  showLength,
  showLoad,
  showPitch,
  showShear,
  showSmallLength,
  showSpeed,
  showTemperature,
  showThroughput,
  showVolume,
  text,
  type Display,
  type Figure,
} from '@riffle/core';
import { useMemo } from 'react';
import { usePreferences } from '../preferences/preferences.ts';

const SHOWS = {
  smallLength: showSmallLength,
  grainSize: showGrainSize,
  length: showLength,
  distance: showDistance,
  volume: showVolume,
  area: showArea,
  land: showLand,
  flow: showFlow,
  speed: showSpeed,
  shear: showShear,
  throughput: showThroughput,
  gold: showGold,
  bulkGold: showBulkGold,
  grade: showGrade,
  pitch: showPitch,
  load: showLoad,
  temperature: showTemperature,
} satisfies Record<string, (value: number, d: Display) => Figure>;
type Quantity = keyof typeof SHOWS;

/** Figures as text in the units the person chose: `show.grade(0.21)`; with a band, `show.band('grade', 0.21, 0.12, 0.36)`. */
export type Show = Readonly<Record<Quantity, (value: number) => string>> & {
  readonly band: (quantity: Quantity, value: number, low: number, high: number) => string;
  /** A stretch: `show.range('length', 0.2, 0.5)`. */
  readonly range: (quantity: Quantity, from: number, to: number) => string;
  readonly figure: (quantity: Quantity, value: number) => Figure;
  readonly display: Display;
};

export function useShow(): Show {
  const { display } = usePreferences().preferences;
  return useMemo(() => showIn(display), [display]);
}

/** The same, in units of any choosing. */
export function showIn(display: Display): Show {
  const each = Object.fromEntries(
    Object.entries(SHOWS).map(([name, show]) => [name, (value: number) => text(show(value, display))]),
  ) as Record<Quantity, (value: number) => string>;
  return {
    ...each,
    range: (quantity, from, to) => rangeText(SHOWS[quantity](from, display), SHOWS[quantity](to, display)),
    figure: (quantity, value) => SHOWS[quantity](value, display),
    band: (quantity, value, low, high) =>
      `${text(SHOWS[quantity](value, display))} (${SHOWS[quantity](low, display).digits}–${SHOWS[quantity](high, display).digits})`,
    display,
  };
}
