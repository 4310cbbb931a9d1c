import { z } from 'zod';
import { DAY_AIMS, DAY_WAYS } from './kinds.ts';
import { MOST, NUMBERS } from './limits.ts';
import { Along, Based, Day, Id, Name, Note, Offset, Stored, Whole, wholeWithin, within } from './shared.ts';

/** A place of the plan in its order: a spot, or a place of signs no spot was marked for. */
const PlannedStop = z.object({
  /** What the place is found again by: its spot, or the first of its signs. */
  placeId: z.string().min(1).max(60),
  spotId: Id.nullable(),
  name: Name,
  distance_m: Along,
  bank: z.enum(['left', 'right', 'mid']),
  offset_m: Offset,
  work_min: wholeWithin(NUMBERS.work_min, 'Give whole minutes.'),
});

/** A day on one ground: when back, from where, with what, and which places in which order. */
export const DaySheet = Whole.extend({
  groundId: Id,
  day: Day,
  start_min: wholeWithin(NUMBERS.startMinute, 'Give a time of day.'),
  back_min: wholeWithin(NUMBERS.backMinute, 'Give a time of day.'),
  /** Where one starts and comes back to, as a distance along the line. */
  start_m: Along,
  /** Minutes to eat and sit down; 0: none. */
  rest_min: wholeWithin(NUMBERS.rest_min, 'Give whole minutes.').default(30),
  limit_kg: within(NUMBERS.carry_kg),
  tools: z.array(z.object({ name: Name, kg: within(NUMBERS.tool_kg) })).max(MOST.tools, 'At most 40 tools.'),
  aim: z.enum(DAY_AIMS),
  way: z.enum(DAY_WAYS),
  /** The ground is frozen: only rock and water give. */
  frozen: z.boolean(),
  /** No water where one digs: what is dug is carried to it. */
  waterAway: z.boolean(),
  stops: z.array(PlannedStop).max(MOST.stops, 'At most 60 places.'),
  note: Note,
});
const forward = { error: 'Be back after you start.', path: ['back_min'] };
export const NewDaySheet = DaySheet.extend(Based.shape)
  .refine((p) => p.start_min < p.back_min, forward)
  .meta({ id: 'NewDaySheet' });
export const StoredDaySheet = DaySheet.extend(Stored.shape).meta({ id: 'DaySheet' });
export type DaySheet = z.infer<typeof DaySheet>;
export type PlannedStop = z.infer<typeof PlannedStop>;
export type StoredDaySheet = z.infer<typeof StoredDaySheet>;
