import { OutOfRange } from '../outOfRange.ts';
import { named } from './named.ts';

/**
 * Units Riffle accepts, each with its exact size in the canonical unit of its kind:
 * length m, volume L, mass mg, flow L/s, area m2, time s.
 * Sources: International Yard and Pound Agreement (1959); NIST SP 811 (2008) appendix B;
 * UK Weights and Measures Act 1985 (imperial gallon).
 */
export const UNITS = {
  length: { m: 1, mm: 0.001, cm: 0.01, km: 1000, in: 0.0254, ft: 0.3048, yd: 0.9144, mi: 1609.344 },
  volume: {
    L: 1,
    mL: 0.001,
    m3: 1000,
    in3: 0.016387064,
    gal: 3.785411784,
    'imp gal': 4.54609,
    qt: 0.946352946,
    ft3: 28.316846592,
    yd3: 764.554857984,
  },
  mass: { mg: 1, g: 1000, kg: 1e6, grain: 64.79891, dwt: 1555.17384, ozt: 31103.4768, oz: 28349.523125, lb: 453592.37 },
  flow: { 'L/s': 1, 'L/min': 1 / 60, 'm3/s': 1000, 'm3/h': 1 / 3.6, gpm: 3.785411784 / 60, 'imp gpm': 4.54609 / 60 },
  area: { m2: 1, ha: 10_000, km2: 1_000_000, ft2: 0.09290304, acre: 4046.8564224, 'sq mi': 2_589_988.110336 },
  time: { s: 1, min: 60, h: 3600 },
} as const;

export type UnitKind = keyof typeof UNITS;

/**
 * A value from one unit to another of the same kind, exactly (one multiplication, one division).
 * @throws OutOfRange when a unit is not of that kind
 */
export function convert(kind: UnitKind, value: number, from: string, to: string): number {
  return (value * unitSize(kind, from)) / unitSize(kind, to);
}

/** Size of a unit in the canonical unit of its kind. @throws OutOfRange when the kind has no such unit */
export function unitSize(kind: UnitKind, unit: string): number {
  const size = named<number>(UNITS[kind], unit);
  if (size === undefined) throw new OutOfRange('unit', unit, `one of ${Object.keys(UNITS[kind]).join(', ')}`);
  return size;
}

/** Grade units as gold over ground: factor that turns milligrams per litre (equal to g/m3) into the unit. */
export const GRADE_UNITS = {
  'g/m³': 1,
  'mg/m³': 1000,
  'mg/L': 1,
  'grain/yd³': UNITS.volume.yd3 / UNITS.mass.grain,
  'dwt/yd³': UNITS.volume.yd3 / UNITS.mass.dwt,
  'ozt/yd³': UNITS.volume.yd3 / UNITS.mass.ozt,
  'g/yd³': UNITS.volume.yd3 / 1000,
} as const;
export type GradeUnit = keyof typeof GRADE_UNITS;
