import { z } from 'zod';
import { TRIAL_MEASURES } from './kinds.ts';
import { MOST, NUMBERS } from './limits.ts';
import { Based, Day, Entered, Id, Name, Note, Stored, Timestamp, Whole, within } from './shared.ts';

const amounts = {
  volumeBank_L: z.number(),
  gold_mg: z.number(),
  running_s: z.number(),
  person_s: z.number().nullable(),
  buckets: z.int(),
  cleanups: z.int(),
};

/** What a ground gave: by source (one spot, or the mix of several), by day, in all, and what lies un-weighed in the box. */
export const Book = z
  .object({
    groundId: Id,
    lines: z.array(z.object({ spotIds: z.array(Id), ...amounts, mayHoldOldGold: z.boolean() })),
    total: z.object(amounts),
    unweighed: z.object({
      volumeBank_L: z.number(),
      running_s: z.number(),
      person_s: z.number().nullable(),
      buckets: z.int(),
      runs: z.int(),
    }),
    days: z.array(z.object({ day: Day, ...amounts })),
  })
  .meta({ id: 'Book' });
export type Book = z.infer<typeof Book>;

const figure = { entered: Entered.nullable(), value: within(NUMBERS.trialFigure).nullable() };
/** A round: which came first by the coin, and what each came to; null while it was not tried. */
const TrialRound = z.object({
  tossedAt: Timestamp,
  first: z.enum(['A', 'B']),
  a: z.object(figure),
  b: z.object(figure),
});

/** Two set-ups, mats or ways of working compared round by round, a coin saying which comes first. Gold in mg, colors, minutes. */
export const Trial = Whole.extend({
  groundId: Id,
  a: Name,
  b: Name,
  measure: z.enum(Object.keys(TRIAL_MEASURES) as [keyof typeof TRIAL_MEASURES, ...(keyof typeof TRIAL_MEASURES)[]]),
  rounds: z.array(TrialRound).max(MOST.trialRounds, 'At most 60 rounds.'),
  note: Note,
});
export const NewTrial = Trial.extend(Based.shape).meta({ id: 'NewTrial' });
export const StoredTrial = Trial.extend(Stored.shape).meta({ id: 'Trial' });
export type Trial = z.infer<typeof Trial>;
export type StoredTrial = z.infer<typeof StoredTrial>;
