import { z } from 'zod';
import { NewSpot } from './ground.ts';
import { SAMPLE_PATTERNS } from './kinds.ts';
import { NewLot } from './lot.ts';
import { MOST, NUMBERS } from './limits.ts';
import { Based, Entered, Id, Name, Note, Stored, Timestamp, Whole, within } from './shared.ts';

/** A plan of samples: its points are spots, its bags are lots, each with the plan's id. */
export const SamplePlan = Whole.extend({
  groundId: Id,
  name: Name,
  pattern: z.enum(SAMPLE_PATTERNS),
  madeAt: Timestamp,
  /** How much goes into each bag. */
  bag_L: within(NUMBERS.planBag_L),
  bagEntered: Entered,
  note: Note,
});
export const NewSamplePlan = SamplePlan.extend(Based.shape).meta({ id: 'NewSamplePlan' });
export const StoredSamplePlan = SamplePlan.extend(Stored.shape).meta({ id: 'SamplePlan' });
export type SamplePlan = z.infer<typeof SamplePlan>;
export type StoredSamplePlan = z.infer<typeof StoredSamplePlan>;

/** A plan laid out: itself, its points and its bags, kept in one go or not at all. */
export const LaidOut = z
  .object({
    plan: NewSamplePlan,
    spots: z.array(NewSpot).max(MOST.planPoints, 'At most 400 points.'),
    lots: z.array(NewLot).min(1, 'At least one bag.').max(MOST.planBags, 'At most 1,000 bags.'),
  })
  .meta({ id: 'LaidOut' });
export type LaidOut = z.infer<typeof LaidOut>;
