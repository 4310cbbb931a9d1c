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
  /** Colors counted in it before it was weighed. */
  colors: wholeWithin(NUMBERS.colors, 'A whole number.').nullable().default(null),
  /** The same gold by the clean-up's screens, what stayed on the coarsest first; null where that was not weighed. None: not screened. */
  bySize: z
    .array(
      z.object({
        gold_mg: within(NUMBERS.sectionGold_mg).overwrite(goldRounded).nullable(),
        goldEntered: Entered.nullable(),
      }),
    )
    .max(MOST.cleanScreens + 1)
    .default([]),
  /** What the scale gave, as it was written: the vial empty, and full, as often as it was weighed; null: it was not told. */
  weighing: z
    .object({ empty: Entered, full: z.array(Entered).min(1).max(MOST.weighings) })
    .nullable()
    .default(null),
});

const IdsOnce = z
  .array(Id)
  .max(MOST.runsOfACleanup)
  .overwrite((ids) => [...new Set(ids)].sort());

export const Cleanup = Whole.extend({
  groundId: Id,
  /** The runs whose gravel lies behind this gold. */
  runIds: IdsOnce,
  /** Clean-ups of boxes that were not rinsed clean then: this is what came out of their carpets later. */
  rinseOutOf: IdsOnce.default([]),
  cleanedAt: Timestamp,
  /** From the head of the box down, not overlapping. */
  sections: z.array(CleanSection).min(1, 'Weigh at least one section.').max(MOST.sections),
  /** Screens the gold was parted by, the coarsest first. */
  screens: z
    .array(z.object({ aperture_mm: within(NUMBERS.aperture_mm), apertureEntered: Entered }))
    .max(MOST.cleanScreens, 'At most 6 screens.')
    .default([]),
  blackSand_g: within(NUMBERS.blackSand_g).nullable(),
  blackSandEntered: Entered.nullable(),
  /** Was everything rinsed out, carpets too? */
  rinsedClean: z.enum(['yes', 'no', 'unknown']),
  /** Lifting, finishing and weighing, all hands together; null: not said. */
  worked_s: within(NUMBERS.worked_s).nullable().default(null),
  note: Note,
});
const inOrder = (c: { sections: { from_m: number; to_m: number }[] }): boolean =>
  c.sections.every((s, i) => s.to_m > s.from_m && s.from_m >= (c.sections[i - 1]?.to_m ?? 0) - 1e-9);
const finerDown = (c: { screens: { aperture_mm: number }[] }): boolean =>
  c.screens.every((s, i) => i === 0 || s.aperture_mm < (c.screens[i - 1]?.aperture_mm ?? 0));
const cellsOfScreens = (c: { screens: unknown[]; sections: { bySize: unknown[] }[] }): boolean =>
  c.sections.every((s) => s.bySize.length === 0 || (c.screens.length > 0 && s.bySize.length === c.screens.length + 1));
const fromSomewhere = (c: { runIds: string[]; rinseOutOf: string[] }): boolean =>
  c.runIds.length > 0 !== c.rinseOutOf.length > 0;
export const NewCleanup = Cleanup.extend(Based.shape)
  .refine(fromSomewhere, { error: 'Say which run this gold came from.', path: ['runIds'] })
  .refine(finerDown, { error: 'Each screen must be finer than the one above.', path: ['screens'] })
  .refine(cellsOfScreens, {
    error: 'A section has one weight more than there are screens, or none.',
    path: ['sections'],
  })
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
