import { z } from 'zod';
import { LOT_STATES } from './kinds.ts';
import { NUMBERS, TEXTS } from './limits.ts';
import { Based, Entered, Id, neededText, Note, Stored, text, Timestamp, Whole, within } from './shared.ts';

/** Material on its way: dug at one place, carried, panned or run elsewhere. It keeps its identity until then. */
export const Lot = Whole.extend({
  groundId: Id,
  /** Null: from several spots, so that it gives no grade for any of them. */
  spotId: Id.nullable(),
  /** What stands on the bag; no two of a crew share one. */
  tag: neededText(TEXTS.tag),
  layer: text(TEXTS.layer).default(''),
  volume_L: within(NUMBERS.bagVolume_L),
  volumeEntered: Entered,
  /** Screen it went through where it was dug, as said. */
  screen: text(TEXTS.screenSaid).default(''),
  takenAt: Timestamp,
  state: z.enum(LOT_STATES),
  /** Where it is now, and with whom. */
  place: text(TEXTS.place).default(''),
  holder: text(TEXTS.holder).default(''),
  /** The plan it was numbered for, and the stretch of depth it stands for. */
  samplePlanId: Id.nullable().default(null),
  fromDepth_m: within(NUMBERS.depth_m).nullable().default(null),
  toDepth_m: within(NUMBERS.depth_m).nullable().default(null),
  note: Note,
});
export const NewLot = Lot.extend(Based.shape).meta({ id: 'NewLot' });
export const StoredLot = Lot.extend(Stored.shape).meta({ id: 'Lot' });
export type Lot = z.infer<typeof Lot>;
export type StoredLot = z.infer<typeof StoredLot>;
