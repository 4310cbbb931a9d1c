import { z } from 'zod';
import { FINISH_WAYS } from './kinds.ts';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Lining } from './set.ts';
import { Based, Entered, Id, neededText, Note, Stored, text, Timestamp, Whole, wholeWithin, within } from './shared.ts';

/** How a tub was brought down to gold, and what of its concentrate is left. */
const Finish = z.object({
  at: Timestamp,
  way: z.enum(FINISH_WAYS),
  /** Black sand drawn off with a magnet, and the magnetic part washed once more. */
  magnet: z.boolean(),
  /** What is left of the concentrate, by a pan of it; null: nothing, or not said. */
  left: z
    .object({
      left_L: within(NUMBERS.bagVolume_L),
      leftEntered: Entered,
      panned_L: within(NUMBERS.sampleVolume_L),
      pannedEntered: Entered,
      colors: wholeWithin(NUMBERS.colors, 'A whole number.'),
    })
    .nullable(),
});

/** What one stretch of the box held, on its way from the creek to the scale. */
const Tub = z.object({
  /** What stands on it. */
  tag: neededText(TEXTS.tub),
  name: text(TEXTS.section),
  from_m: within(NUMBERS.section_m),
  to_m: within(NUMBERS.section_m),
  lining: Lining,
  place: text(TEXTS.place).default(''),
  holder: text(TEXTS.holder).default(''),
  /** Tipped over, gone: its stretch is not weighed. */
  lost: z.boolean().default(false),
  finish: Finish.nullable().default(null),
});
export type Tub = z.infer<typeof Tub>;

/** A box lifted: its stretches washed into tubs, to be finished and weighed later. Weighed once a clean-up has its runs. */
export const Lift = Whole.extend({
  groundId: Id,
  runIds: z
    .array(Id)
    .min(1, 'Say which run lies in the box.')
    .max(MOST.runsOfACleanup)
    .overwrite((ids) => [...new Set(ids)].sort()),
  liftedAt: Timestamp,
  /** From the head of the box down, not overlapping. */
  tubs: z.array(Tub).min(1, 'At least one tub.').max(MOST.sections),
  /** Was everything rinsed out, carpets too? */
  rinsedClean: z.enum(['yes', 'no', 'unknown']),
  /** Places where this box hides gold that were washed out into a tub. */
  leaksWashed: z.array(neededText(TEXTS.leak)).max(MOST.leaks).default([]),
  note: Note,
});
const inOrder = (l: { tubs: { from_m: number; to_m: number }[] }): boolean =>
  l.tubs.every((t, i) => t.to_m > t.from_m && t.from_m >= (l.tubs[i - 1]?.to_m ?? 0) - 1e-9);
const toldApart = (l: { tubs: { tag: string }[] }): boolean => new Set(l.tubs.map((t) => t.tag)).size === l.tubs.length;
export const NewLift = Lift.extend(Based.shape)
  .refine(inOrder, { error: 'Tubs go down the box and do not overlap.', path: ['tubs'] })
  .refine(toldApart, { error: 'No two tubs of a lift have one number.', path: ['tubs'] })
  .meta({ id: 'NewLift' });
export const StoredLift = Lift.extend(Stored.shape).meta({ id: 'Lift' });
export type Lift = z.infer<typeof Lift>;
export type StoredLift = z.infer<typeof StoredLift>;
