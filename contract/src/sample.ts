import { z } from 'zod';
import { Based, Entered, goldRounded, Id, Note, notNegative, positive, Stored, Timestamp, Whole } from './shared.ts';

const Count = z.int('Count whole colors.').min(0, 'A count cannot be less than 0.').max(100_000, 'At most 100 000 colors.');

export const Sample = Whole.extend({
  groundId: Id,
  spotId: Id,
  takenAt: Timestamp,
  /** Depth below the surface. */
  depth_m: notNegative(30, 'm'),
  depthEntered: Entered,
  /** Volume panned, in the state it was measured in. */
  volume_L: positive(10_000, 'L'),
  volumeEntered: Entered,
  volumeState: z.enum(['loose', 'bank']),
  counts: z.object({ '+10': Count, '10-20': Count, '20-40': Count, '-40': Count }),
  /** 0 none, 1 a trace, 2 some, 3 much, 4 a panful. */
  blackSand: z.int().min(0).max(4),
  gold_mg: positive(10_000_000, 'mg').min(0.0001, 'Less than a tenth of a microgram cannot be weighed.').overwrite(goldRounded).nullable(),
  goldEntered: Entered.nullable(),
  note: Note,
});
export const NewSample = Sample.extend(Based.shape).meta({ id: 'NewSample' });
export const StoredSample = Sample.extend(Stored.shape).meta({ id: 'Sample' });
export type Sample = z.infer<typeof Sample>;
export type StoredSample = z.infer<typeof StoredSample>;
