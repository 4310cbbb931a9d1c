import { UNITS, type Entered } from '@riffle/core';
import { unitTyped } from '../units/readEntered.ts';

/** A slope written in the unit a pitch field stands on, fine enough for a hand on a box. */
export function pitchText(slope: number, unit: string, boxLength_m: number): string {
  const drop_m = slope * boxLength_m;
  switch (unit) {
    case '%':
      return (slope * 100).toFixed(2);
    case '°':
      return ((Math.asin(slope) * 180) / Math.PI).toFixed(2);
    case 'in':
      return (drop_m / UNITS.length.in).toFixed(2);
    case 'mm':
      return (drop_m * 1000).toFixed(0);
    case 'cm':
      return (drop_m * 100).toFixed(1);
    default:
      return (slope * 12).toFixed(3);
  }
}

/** The same in the unit of a pitch as it was typed, no finer than a hand can set it, with its unit. */
export function pitchLike(typed: Entered, slope: number, boxLength_m: number): string {
  const unit = unitTyped('pitch', typed);
  return `${Number(pitchText(slope, unit, boxLength_m)).toFixed(unit === 'mm' ? 0 : 2)} ${unit}`;
}
