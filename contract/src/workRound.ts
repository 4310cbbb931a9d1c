import { MOST_HANDS, TASKS } from '@riffle/core';
import { z } from 'zod';
import { NUMBERS } from './limits.ts';
import { Based, Entered, Id, Note, Stored, Timestamp, Whole, wholeWithin, within } from './shared.ts';

const taskTime_s = within(NUMBERS.task_s).nullable();

/** One bucket timed on its way into the box, and how the crew stood. */
export const WorkRound = Whole.extend({
  groundId: Id,
  timedAt: Timestamp,
  /** A full bucket, loose. */
  bucket_L: within(NUMBERS.bucket_L),
  bucketEntered: Entered,
  /** Seconds one pair of hands was at each task; null: not timed, or not done here. Carrying has the way back in it. */
  dig_s: taskTime_s,
  carry_s: taskTime_s,
  screen_s: taskTime_s,
  feed_s: taskTime_s,
  /** Who did what, in the order of the work: hands that do some tasks after one another. */
  posts: z
    .array(
      z.object({
        tasks: z.array(z.enum(TASKS)).min(1, 'Say what they do.').max(TASKS.length),
        people: wholeWithin(NUMBERS.hands, 'A whole number.'),
      }),
    )
    .min(1)
    .max(TASKS.length),
  /** Buckets that went round. */
  pails: wholeWithin(NUMBERS.pails, 'A whole number.'),
  note: Note,
});
type Times = Readonly<Record<`${(typeof TASKS)[number]}_s`, number | null>>;
const timesSomething = (r: Times): boolean => TASKS.some((t) => r[`${t}_s`] !== null);
const inOrderOnce = ({ posts }: { posts: readonly { tasks: readonly (typeof TASKS)[number][] }[] }): boolean => {
  const places = posts.flatMap((p) => p.tasks.map((t) => TASKS.indexOf(t)));
  return places.every((place, i) => i === 0 || place > (places[i - 1] ?? -1));
};
const fewEnough = ({ posts }: { posts: readonly { people: number }[] }): boolean =>
  posts.reduce((sum, p) => sum + p.people, 0) <= MOST_HANDS;
export const NewWorkRound = WorkRound.extend(Based.shape)
  .refine(timesSomething, { error: 'Time at least one of the tasks.', path: ['dig_s'] })
  .refine(inOrderOnce, { error: 'Each task is done once, in the order of the work.', path: ['posts'] })
  .refine(fewEnough, { error: `At most ${MOST_HANDS} at one box.`, path: ['posts'] })
  .meta({ id: 'NewWorkRound' });
export const StoredWorkRound = WorkRound.extend(Stored.shape).meta({ id: 'WorkRound' });
export type WorkRound = z.infer<typeof WorkRound>;
export type StoredWorkRound = z.infer<typeof StoredWorkRound>;
