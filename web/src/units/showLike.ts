import type { Display, Entered, UNITS, UnitKind } from '@riffle/core';
import { unitTyped } from './readEntered.ts';
import { showIn, type Show } from './useShow.ts';

/** Units that belong to one system only. A slope belongs to none: inches to the foot are said of boxes by people of both. */
const SYSTEM_OF: Readonly<Record<Display['system'], readonly string[]>> = {
  US: ['in', 'ft', 'yd', 'mi', 'in3', 'gal', 'qt', 'ft3', 'yd3', 'lb', 'gpm', 'ft2', 'acre', 'sq mi'],
  metric: ['m', 'mm', 'cm', 'km', 'L', 'mL', 'm3', 'kg', 'L/s', 'L/min', 'm3/s', 'm3/h', 'm2', 'ha', 'km2'],
};
/** Units gold is told in. A kilogram of it is told in grams, an avoirdupois ounce as the person chose. */
const GOLD = ['mg', 'g', 'grain', 'dwt', 'ozt'] as const satisfies readonly (keyof typeof UNITS.mass)[];

/**
 * Figures in the units of what was typed: who typed inches is answered in inches, whatever this device is set to.
 * A unit of neither system (a slope, a pan) leaves it at the person's own.
 */
export function showLike(show: Show, kind: UnitKind | 'pitch', entered: Entered): Show {
  const unit = unitTyped(kind, entered);
  const { display } = show;
  const system = (['US', 'metric'] as const).find((s) => SYSTEM_OF[s].includes(unit)) ?? display.system;
  const gold = (kind === 'mass' && GOLD.find((u) => u === unit)) || display.gold;
  return system === display.system && gold === display.gold ? show : showIn({ ...display, system, gold });
}
