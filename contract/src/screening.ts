import { z } from 'zod';
import { SCREEN_SHAPES, SWEPT } from './kinds.ts';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Based, Entered, Id, neededText, Note, Stored, text, Timestamp, Whole, wholeWithin, within } from './shared.ts';

const Screen = z.object({
  /** As the person calls it: "1/4 in", "No. 30", "3 mm". */
  name: neededText(TEXTS.screenName),
  aperture_mm: within(NUMBERS.aperture_mm),
  shape: z.enum(SCREEN_SHAPES),
  kept: within(NUMBERS.screened),
  keptEntered: Entered,
  /** Pieces of gold found on it by eye before it was thrown; null: nobody looked. */
  colors: wholeWithin(NUMBERS.colors, 'A whole number.').nullable().default(null),
});

/** A stack of screens and what stayed on each: all by mass (kg, wet as weighed) or all by loose volume (L). */
export const Screening = Whole.extend({
  groundId: Id,
  spotId: Id,
  lotId: Id.nullable(),
  screenedAt: Timestamp,
  measure: z.enum(['mass', 'volume']),
  way: z.enum(['wet', 'dry']),
  /** Water over dry mass of what was weighed, percent; null when not known. */
  moisture_percent: within(NUMBERS.percent).nullable(),
  wentIn: within(NUMBERS.wentIn).nullable(),
  wentInEntered: Entered.nullable(),
  screens: z.array(Screen).min(1, 'At least one screen.').max(MOST.screens, 'At most 12 screens.'),
  through: within(NUMBERS.screened),
  throughEntered: Entered,
  note: Note,
});
const all = (s: { screens: readonly { kept: number }[]; through: number }): number =>
  s.through + s.screens.reduce((sum, k) => sum + k.kept, 0);
/** Weighing is never exact: this much more may come out than went in before it is refused. */
const SLACK = 1.1;
export const NewScreening = Screening.extend(Based.shape)
  .refine((s) => new Set(s.screens.map((k) => k.aperture_mm)).size === s.screens.length, {
    error: 'Two screens have the same opening.',
    path: ['screens'],
  })
  .refine((s) => all(s) > 0, { error: 'Nothing was kept anywhere.', path: ['through'] })
  .refine((s) => s.wentIn === null || all(s) <= s.wentIn * SLACK, {
    error: 'More came out than went in.',
    path: ['wentIn'],
  })
  .meta({ id: 'NewScreening' });
export const StoredScreening = Screening.extend(Stored.shape).meta({ id: 'Screening' });
export type Screening = z.infer<typeof Screening>;
export type StoredScreening = z.infer<typeof StoredScreening>;

/** The oversize of so much ground at one screen, looked through before it was thrown, and the pieces of gold found in it. */
export const Look = Whole.extend({
  groundId: Id,
  spotId: Id,
  lookedAt: Timestamp,
  aperture_mm: within(NUMBERS.aperture_mm),
  /** Ground before screening, loose. */
  volume_L: within(NUMBERS.sampleVolume_L),
  volumeEntered: Entered,
  pieces: wholeWithin(NUMBERS.colors, 'A whole number.'),
});
export const NewLook = Look.extend(Based.shape).meta({ id: 'NewLook' });
export const StoredLook = Look.extend(Stored.shape).meta({ id: 'Look' });
export type Look = z.infer<typeof Look>;
export type StoredLook = z.infer<typeof StoredLook>;

/** A detector swept over something, with what it was set to: what it misses depends on that, so silence is no blank. */
export const Sweep = Whole.extend({
  groundId: Id,
  spotId: Id,
  sweptAt: Timestamp,
  what: z.enum(SWEPT),
  coil: text(TEXTS.coil).default(''),
  setting: text(TEXTS.setting).default(''),
  /** How deep the floor of the hole lay then, below the surface. */
  floor_m: within(NUMBERS.depth_m).nullable().default(null),
  floorEntered: Entered.nullable().default(null),
  /** Signals dug, and how many of them were gold. */
  signals: wholeWithin(NUMBERS.colors, 'A whole number.'),
  gold: wholeWithin(NUMBERS.colors, 'A whole number.'),
  note: Note,
});
export const NewSweep = Sweep.extend(Based.shape)
  .refine((s) => s.gold <= s.signals, { error: 'More gold than signals.', path: ['gold'] })
  .meta({ id: 'NewSweep' });
export const StoredSweep = Sweep.extend(Stored.shape).meta({ id: 'Sweep' });
export type Sweep = z.infer<typeof Sweep>;
export type StoredSweep = z.infer<typeof StoredSweep>;
