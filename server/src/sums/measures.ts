import {
  bankVolume_L,
  convert,
  describePitch,
  GRADE_UNITS,
  type GradeUnit,
  hidePlace,
  parseQuantity,
  pitchSlope,
  sieveAperture_mm,
  type UnitKind,
  UNITS,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

const kind = z.enum(Object.keys(UNITS) as [UnitKind, ...UnitKind[]]);
const gradeUnit = z.enum(Object.keys(GRADE_UNITS) as [GradeUnit, ...GradeUnit[]]);

/** Units and what people type. */
export const MEASURES_SUMS: readonly Sum[] = [
  sum(
    'convert',
    'A value from one unit to another of its kind, exactly.',
    z.object({ kind, value: n, from: z.string(), to: z.string() }),
    (i) => ({ value: convert(i.kind, i.value, i.from, i.to), unit: i.to }),
  ),
  sum(
    'grade-convert',
    'A grade from one unit to another.',
    z.object({ value: n, from: gradeUnit, to: gradeUnit }),
    (i) => ({ value: (i.value / GRADE_UNITS[i.from]) * GRADE_UNITS[i.to], unit: i.to }),
  ),
  sum(
    'parse',
    'Reads what a person typed, such as "2/3 bucket" or "1 1/2 in".',
    z.object({ kind: z.union([kind, z.literal('pitch')]), text: z.string().max(60), defaultUnit: z.string() }),
    (i) => parseQuantity(i.kind, i.text, i.defaultUnit),
  ),
  sum(
    'pitch',
    'A pitch said every way, with the total drop over the box.',
    z.object({ kind: z.enum(['in/ft', '%', '°', 'drop_m', 'slope']), value: n, boxLength_m: n }),
    (i) => describePitch(pitchSlope(i.kind, i.value, i.boxLength_m), i.boxLength_m),
  ),
  sum('sieve', 'Aperture of a US sieve (ASTM E11).', z.object({ designation: z.string() }), (i) => ({
    aperture_mm: sieveAperture_mm(i.designation),
  })),
  sum(
    'hide-place',
    'Positions as a file gives them away: exact, blurred to a square, or moved to the sea and turned.',
    z.object({
      positions: z.array(z.tuple([n.min(-180).max(180), n.min(-89).max(89)])).max(20_000),
      given: z.discriminatedUnion('way', [
        z.object({ way: z.literal('exact') }),
        z.object({ way: z.literal('blurred'), size_m: n.min(10).max(100_000) }),
        z.object({ way: z.literal('shifted'), turn_rad: n }),
        z.object({ way: z.literal('none') }),
      ]),
    }),
    (i) => ({ positions: i.positions.map(hidePlace(i.given, i.positions)) }),
  ),
  sum(
    'bank-volume',
    'Volume in the bank of a loose volume.',
    z.object({ loose_L: n, swell_percent: n.min(0).max(80) }),
    (i) => ({ bank_L: bankVolume_L(i.loose_L, i.swell_percent) }),
  ),
];
