import { z } from 'zod';
import { Day, Id } from './shared.ts';

const amounts = {
  volumeBank_L: z.number(),
  gold_mg: z.number(),
  running_s: z.number(),
  buckets: z.int(),
  cleanups: z.int(),
};

/** What a ground gave: by source (one spot, or the mix of several), by day, in all, and what lies un-weighed in the box. */
export const Book = z
  .object({
    groundId: Id,
    lines: z.array(z.object({ spotIds: z.array(Id), ...amounts, mayHoldOldGold: z.boolean() })),
    total: z.object(amounts),
    unweighed: z.object({ volumeBank_L: z.number(), running_s: z.number(), buckets: z.int(), runs: z.int() }),
    days: z.array(z.object({ day: Day, ...amounts })),
  })
  .meta({ id: 'Book' });
export type Book = z.infer<typeof Book>;
