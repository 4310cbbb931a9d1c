import { z } from 'zod';
import { SCREEN_SHAPES } from './kinds.ts';
import { Based, Entered, Id, Note, notNegative, positive, Stored, Timestamp, Whole } from './shared.ts';

const Screen = z.object({
  /** As the person calls it: "1/4 in", "No. 30", "3 mm". */
  name: z.string().trim().min(1, 'Name the screen.').max(40, 'At most 40 characters.'),
  aperture_mm: positive(500, 'mm'),
  shape: z.enum(SCREEN_SHAPES),
  kept: notNegative(100_000, 'kg or L'),
  keptEntered: Entered,
  /** Pieces of gold found on it by eye before it was thrown; null: nobody looked. */
  colors: z.int('A whole number.').min(0, 'Not below 0.').max(100_000, 'At most 100,000.').nullable().default(null),
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
  moisture_percent: notNegative(100, '%').nullable(),
  wentIn: positive(100_000, 'kg or L').nullable(),
  wentInEntered: Entered.nullable(),
  screens: z.array(Screen).min(1, 'At least one screen.').max(12, 'At most 12 screens.'),
  through: notNegative(100_000, 'kg or L'),
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
