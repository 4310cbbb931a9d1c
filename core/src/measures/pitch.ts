import { OutOfRange, requirePositive } from '../outOfRange.ts';

/**
 * Pitch of a box. Riffle's convention: slope is drop over the length of the box itself
 * (the sine of the angle), because the box is what people hold a ruler and a level to.
 */
export interface Pitch {
  readonly slope: number;
  readonly in_per_ft: number;
  readonly percent: number;
  readonly degrees: number;
  readonly drop_m: number;
}

/** Ways to say a pitch. `drop` is the total drop over the box, in metres. */
export type PitchKind = 'in/ft' | '%' | '°' | 'drop_m' | 'slope';

/**
 * Slope from any way of saying it.
 * Geometry: in/ft is 12 x slope; percent 100 x slope; degrees arcsin(slope); total drop is slope x length.
 * @throws OutOfRange when the result is not between -1 and 1
 */
export function pitchSlope(kind: PitchKind, value: number, boxLength_m: number): number {
  requirePositive('boxLength_m', boxLength_m, 'm');
  const slope = {
    'in/ft': () => value / 12,
    '%': () => value / 100,
    '°': () => Math.sin((value * Math.PI) / 180),
    drop_m: () => value / boxLength_m,
    slope: () => value,
  }[kind]();
  if (!(Math.abs(slope) < 1)) throw new OutOfRange('pitch', `${value} ${kind}`, 'less steep than straight down');
  return slope;
}

/** All ways to say one slope over a box of that length (see `pitchSlope`). */
export function describePitch(slope: number, boxLength_m: number): Pitch {
  return {
    slope,
    in_per_ft: 12 * slope,
    percent: 100 * slope,
    degrees: (Math.asin(slope) * 180) / Math.PI,
    drop_m: slope * boxLength_m,
  };
}
