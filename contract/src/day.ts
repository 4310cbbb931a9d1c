import { z } from 'zod';
import { DAY_AIMS, DAY_WAYS } from './kinds.ts';
import { Based, Id, Name, Note, notNegative, positive, Stored, Whole } from './shared.ts';

const Minute = z.int('Give a time of day.').min(0, 'Not before midnight.').max(1440, 'Not after midnight.');

/** A place of the plan in its order: a spot, or a place of signs no spot was marked for. */
const PlannedStop = z.object({
  /** What the place is found again by: its spot, or the first of its signs. */
  placeId: z.string().min(1).max(60),
  spotId: Id.nullable(),
  name: Name,
  distance_m: notNegative(1_000_000, 'm'),
  bank: z.enum(['left', 'right', 'mid']),
  offset_m: notNegative(5000, 'm'),
  work_min: z.int('Give whole minutes.').min(1, 'At least a minute.').max(1440, 'At most a day.'),
});

/** A day on one ground: when back, from where, with what, and which places in which order. */
export const Plan = Whole.extend({
  groundId: Id,
  day: z.iso.date(),
  start_min: Minute.max(1439, 'Before midnight.'),
  back_min: Minute,
  /** Where one starts and comes back to, as a distance along the line. */
  start_m: notNegative(1_000_000, 'm'),
  limit_kg: positive(200, 'kg'),
  tools: z.array(z.object({ name: Name, kg: notNegative(100, 'kg') })).max(40, 'At most 40 tools.'),
  aim: z.enum(DAY_AIMS),
  way: z.enum(DAY_WAYS),
  /** The ground is frozen: only rock and water give. */
  frozen: z.boolean(),
  /** No water where one digs: what is dug is carried to it. */
  waterAway: z.boolean(),
  stops: z.array(PlannedStop).max(60, 'At most 60 places.'),
  note: Note,
});
const forward = { error: 'Be back after you start.', path: ['back_min'] };
export const NewPlan = Plan.extend(Based.shape)
  .refine((p) => p.start_min < p.back_min, forward)
  .meta({ id: 'NewPlan' });
export const StoredPlan = Plan.extend(Stored.shape).meta({ id: 'Plan' });
export type Plan = z.infer<typeof Plan>;
export type PlannedStop = z.infer<typeof PlannedStop>;
export type StoredPlan = z.infer<typeof StoredPlan>;
