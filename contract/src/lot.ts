import { z } from 'zod';
import { LOT_STATES } from './kinds.ts';
import { Based, Entered, Id, Note, notNegative, positive, Stored, Timestamp, Whole } from './shared.ts';

/** Material on its way: dug at one place, carried, panned or run elsewhere. It keeps its identity until then. */
export const Lot = Whole.extend({
  groundId: Id,
  /** Null: from several spots, so that it gives no grade for any of them. */
  spotId: Id.nullable(),
  /** What stands on the bag; no two of a crew share one. */
  tag: z.string().trim().min(1, 'Give the bag a tag.').max(20, 'A tag has at most 20 characters.'),
  layer: z.string().max(80, 'At most 80 characters.').default(''),
  volume_L: positive(10_000, 'L'),
  volumeEntered: Entered,
  /** Screen it went through where it was dug, as said. */
  screen: z.string().max(40, 'At most 40 characters.').default(''),
  takenAt: Timestamp,
  state: z.enum(LOT_STATES),
  /** Where it is now, and with whom. */
  place: z.string().max(80, 'At most 80 characters.').default(''),
  holder: z.string().max(80, 'At most 80 characters.').default(''),
  /** The plan it was numbered for, and the stretch of depth it stands for. */
  samplePlanId: Id.nullable().default(null),
  fromDepth_m: notNegative(30, 'm').nullable().default(null),
  toDepth_m: notNegative(30, 'm').nullable().default(null),
  note: Note,
});
export const NewLot = Lot.extend(Based.shape).meta({ id: 'NewLot' });
export const StoredLot = Lot.extend(Stored.shape).meta({ id: 'Lot' });
export type Lot = z.infer<typeof Lot>;
export type StoredLot = z.infer<typeof StoredLot>;
