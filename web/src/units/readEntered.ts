import {
  CONTAINERS,
  convert,
  parseQuantity,
  pitchSlope,
  UNITS,
  volumeInLitres,
  type Entered,
  type PitchKind,
  type UnitKind,
} from '@riffle/core';

/** What a typed quantity comes to: the canonical value of its kind (m, L, mg, L/s, s), or what is wrong with it. */
export type Reading = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly problem: string };

const CANONICAL = { length: 'm', mass: 'mg', flow: 'L/s', area: 'm2', time: 's' } as const;

/** @param kind a volume is read by `readVolume`, which knows the crew's own containers */
export function readEntered(kind: Exclude<UnitKind, 'volume'>, { text, unit }: Entered): Reading {
  const parsed = parseQuantity(kind, text, unit);
  return parsed.ok ? notNegative(convert(kind, parsed.value, parsed.unit, CANONICAL[kind])) : parsed;
}

/** Metres of a height above or below some zero. */
export function readHeight({ text, unit }: Entered): Reading {
  const parsed = parseQuantity('length', text, unit);
  return parsed.ok ? { ok: true, value: convert('length', parsed.value, parsed.unit, 'm') } : parsed;
}

/** Rise over run of a slope in the open, typed in %, degrees or inches to the foot. */
export function readSlope({ text, unit }: Entered): Reading {
  const parsed = parseQuantity('pitch', text, unit);
  if (!parsed.ok) return parsed;
  if (parsed.unit === '%') return { ok: true, value: parsed.value / 100 };
  if (parsed.unit === 'in/ft') return { ok: true, value: parsed.value / 12 };
  return parsed.unit === '°'
    ? { ok: true, value: Math.tan((parsed.value * Math.PI) / 180) }
    : { ok: false, problem: 'Give it in %, in degrees or in inches to the foot.' };
}

/** Litres of a typed volume. `containers`: the crew's own, litres level full by name. */
export function readVolume({ text, unit }: Entered, containers: Readonly<Record<string, number>>): Reading {
  const parsed = parseQuantity('volume', text, unit, Object.keys(containers));
  // A container may have been renamed or put away since it was typed.
  if (parsed.ok && ![containers, CONTAINERS, UNITS.volume].some((known) => parsed.unit in known))
    return { ok: false, problem: `There is no “${parsed.unit}” among your containers now.` };
  return parsed.ok ? notNegative(volumeInLitres(parsed.value, parsed.unit, containers)) : parsed;
}

const notNegative = (value: number): Reading =>
  value < 0 ? { ok: false, problem: 'Less than nothing cannot be measured.' } : { ok: true, value };

/** Slope of a box from a typed pitch; a bare length ("2 in") is the total drop over the box. */
export function readPitch({ text, unit }: Entered, boxLength_m: number): Reading {
  const parsed = parseQuantity('pitch', text, unit);
  if (!parsed.ok) return parsed;
  const isDrop = !['in/ft', '%', '°'].includes(parsed.unit);
  const kind: PitchKind = isDrop ? 'drop_m' : (parsed.unit as PitchKind);
  try {
    const value = pitchSlope(
      kind,
      isDrop ? convert('length', parsed.value, parsed.unit, 'm') : parsed.value,
      boxLength_m,
    );
    return value > 0 ? { ok: true, value } : { ok: false, problem: 'A box must fall from head to tail.' };
  } catch (error) {
    return { ok: false, problem: (error as Error).message };
  }
}

/** As typed, in quotation marks, its unit added when the text names none. */
export function asTyped({ text, unit }: Entered): string {
  const typed = text.trim();
  if (/[a-z%°"'³]/i.test(typed)) return `“${typed}”`;
  const several = unit in CONTAINERS && !/^(1|0?\.\d+|\d+\/\d+)$/.test(typed);
  return `“${typed} ${unit}${several ? 's' : ''}”`;
}

/** The unit a typed quantity is in: the one in its text, else the one its field stands on. */
export function unitTyped(kind: UnitKind | 'pitch', { text, unit }: Entered): string {
  const parsed = parseQuantity(kind, text, unit);
  return parsed.ok ? parsed.unit : unit;
}

export const valueOf = (reading: Reading): number | null => (reading.ok ? reading.value : null);
