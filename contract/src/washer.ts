import { z } from 'zod';
import { CLOTHS_PA_S_M, SQUEEZES_PERCENT, type ClothWeave, type Squeeze } from '@riffle/core';
import { NUMBERS } from './limits.ts';
import { Entered, wholeWithin, within } from './shared.ts';

const keysOf = <K extends string>(of: Readonly<Record<K, unknown>>): [K, ...K[]] => Object.keys(of) as [K, ...K[]];
export const WEAVES = keysOf<ClothWeave>(CLOTHS_PA_S_M);
export const SQUEEZES = keysOf<Squeeze>(SQUEEZES_PERCENT);

/** What drives the air, as built. */
const WasherDrive = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('bellows'),
    /** Air of one puff: from a bag held over the tray, or area times travel. */
    stroke_L: within(NUMBERS.stroke_L),
    strokeEntered: Entered,
    /** Null: cranked by hand. */
    motor: z
      .object({
        speed_rpm: within(NUMBERS.motor_rpm),
        pulley_mm: within(NUMBERS.pulley_mm),
        drivenPulley_mm: within(NUMBERS.pulley_mm),
      })
      .nullable(),
  }),
  z.object({
    kind: z.literal('blower'),
    /** Pressure with its mouth shut, and flow with nothing before it. */
    shutoff_Pa: within(NUMBERS.shutoff_Pa),
    freeFlow_m3_s: within(NUMBERS.freeFlow_m3_s),
    freeFlowEntered: Entered,
  }),
]);

/** What makes a rig a dry washer. Its tray is the one section of the rig: cloth below, riffles on it. */
export const Washer = z.object({
  riffle_m: within(NUMBERS.riffle_m),
  riffleEntered: Entered,
  /** From one riffle to the next. */
  spacing_m: within(NUMBERS.riffleSpacing_m),
  spacingEntered: Entered,
  cloth: z.enum(WEAVES),
  drive: WasherDrive,
  /** What may be drawn of the battery, and what the motor draws; null: no battery, or not known. */
  battery: z.object({ usable_Ah: within(NUMBERS.battery_Ah), drawn_A: within(NUMBERS.drawn_A) }).nullable(),
});
export type Washer = z.infer<typeof Washer>;

/** How a dry washer is set and what is fed to it: its air in place of a box's water. */
export const WasherAir = z.object({
  /** Puffs a minute; of a blower its speed, 1 at full. */
  drive: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('bellows'), puffs_min: within(NUMBERS.puffs_min) }),
    z.object({ kind: z.literal('blower'), speed: within(NUMBERS.blowerSpeed) }),
  ]),
  driveEntered: z.string().max(60),
  altitude_m: within(NUMBERS.altitude_m),
  altitudeEntered: Entered,
  /** What a handful of the screened feed does when squeezed. */
  squeeze: z.enum(SQUEEZES),
  isClayey: z.boolean(),
  /** 1: gravel; 2 and more: the tailings of the pass before. */
  pass: wholeWithin(NUMBERS.pass, 'A whole number.'),
});
export type WasherAir = z.infer<typeof WasherAir>;
