import { z } from 'zod';
import { Lining } from './set.ts';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import {
  Based,
  Entered,
  goldRounded,
  Id,
  Note,
  Stored,
  text,
  Timestamp,
  Whole,
  wholeWithin,
  within,
} from './shared.ts';

export const CleanSection = z.object({
  name: text(TEXTS.section),
  from_m: within(NUMBERS.section_m),
  to_m: within(NUMBERS.section_m),
  lining: Lining,
  gold_mg: within(NUMBERS.sectionGold_mg).overwrite(goldRounded),
  goldEntered: Entered,
});

export const Cleanup = Whole.extend({
  groundId: Id,
  /** The runs whose gravel lies behind this gold. */
  runIds: z
    .array(Id)
    .min(1, 'Say which run this gold came from.')
    .max(MOST.runsOfACleanup)
    .overwrite((ids) => [...new Set(ids)].sort()),
  cleanedAt: Timestamp,
  /** From the head of the box down, not overlapping. */
  sections: z.array(CleanSection).min(1, 'Weigh at least one section.').max(MOST.sections),
  blackSand_g: within(NUMBERS.blackSand_g).nullable(),
  blackSandEntered: Entered.nullable(),
  /** Was everything rinsed out, carpets too? */
  rinsedClean: z.enum(['yes', 'no', 'unknown']),
  note: Note,
});
const inOrder = (c: { sections: { from_m: number; to_m: number }[] }): boolean =>
  c.sections.every((s, i) => s.to_m > s.from_m && s.from_m >= (c.sections[i - 1]?.to_m ?? 0) - 1e-9);
export const NewCleanup = Cleanup.extend(Based.shape)
  .refine(inOrder, {
    error: 'Each section must end below where it starts and start where the one above ends.',
    path: ['sections'],
  })
  .meta({ id: 'NewCleanup' });
export const StoredCleanup = Cleanup.extend(Stored.shape).meta({ id: 'Cleanup' });
export type Cleanup = z.infer<typeof Cleanup>;
export type StoredCleanup = z.infer<typeof StoredCleanup>;

/** Gold said beforehand: nine times in ten between its ends. */
const Said = {
  low_mg: within(NUMBERS.sectionGold_mg),
  middle_mg: within(NUMBERS.sectionGold_mg),
  high_mg: within(NUMBERS.sectionGold_mg),
};
const inOrderSaid = (s: { low_mg: number; middle_mg: number; high_mg: number }): boolean =>
  s.low_mg <= s.middle_mg && s.middle_mg <= s.high_mg;

/** What a clean-up of these runs should weigh, said when the last of them stopped and not changed since: its weighing opens it. */
export const Forecast = Whole.extend({
  groundId: Id,
  setupId: Id,
  runIds: z
    .array(Id)
    .min(1)
    .max(MOST.runsOfACleanup)
    .overwrite((ids) => [...new Set(ids)].sort()),
  sealedAt: Timestamp,
  volumeBank_L: within(NUMBERS.fedBank_L),
  sections: z
    .array(z.object({ from_m: within(NUMBERS.section_m), to_m: within(NUMBERS.section_m), ...Said }))
    .min(1)
    .max(MOST.sections),
  all: z.object(Said),
  /** What it rests on: pans of the spots fed, and clean-ups and tests of the box before it. */
  pans: wholeWithin(NUMBERS.colors, 'A whole number.'),
  measuredBy: wholeWithin(NUMBERS.colors, 'A whole number.'),
});
export const NewForecast = Forecast.extend(Based.shape)
  .refine((f) => [...f.sections, f.all].every(inOrderSaid), {
    error: 'The middle lies between the ends.',
    path: ['sections'],
  })
  .refine(inOrder, { error: 'Sections go down the box and do not overlap.', path: ['sections'] })
  .meta({ id: 'NewForecast' });
export const StoredForecast = Forecast.extend(Stored.shape).meta({ id: 'Forecast' });
export type Forecast = z.infer<typeof Forecast>;
export type StoredForecast = z.infer<typeof StoredForecast>;
