import { GOLD_DEEDS } from '@riffle/core';
import { z } from 'zod';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Based, Day, Entered, Id, Name, Note, Stored, text, Timestamp, Whole, wholeWithin, within } from './shared.ts';

/** Kept to the tenth of a milligram: no scale of the trade reads finer, and the ledger adds up exactly. */
const Gold = within(NUMBERS.ledgerGold_mg).overwrite((mg) => Math.round(mg * 10) / 10);

/** A line of the gold ledger: what was done with gold in hand. What clean-ups weighed stands in it by itself; what was wrong is taken back by a line. */
export const GoldEntry = Whole.extend({
  at: Timestamp,
  deed: z.enum(GOLD_DEEDS),
  /** The vial it is taken from. */
  from: text(TEXTS.vial),
  /** The vial, partner or buyer it goes to. */
  to: text(TEXTS.vial),
  amount_mg: Gold,
  amountEntered: Entered,
  /** What came out of a melt. */
  out_mg: Gold.nullable(),
  outEntered: Entered.nullable(),
  fineness_permille: within(NUMBERS.fineness_permille).nullable(),
  /** The whole price, in the person's own money. */
  price: within(NUMBERS.price).nullable(),
  /** The line this one takes back. */
  corrects: Id.nullable(),
  note: Note,
});
const goesSomewhere = { error: 'Say where it goes.', path: ['to'] };
const comesFromSomewhere = { error: 'Say which vial it comes from.', path: ['from'] };
export const NewGoldEntry = GoldEntry.extend(Based.shape)
  .refine((e) => !['found', 'moved', 'melted', 'handed out'].includes(e.deed) || e.to.trim() !== '', goesSomewhere)
  .refine((e) => e.deed === 'found' || e.deed === 'taken back' || e.from.trim() !== '', comesFromSomewhere)
  .refine((e) => (e.deed === 'melted') === (e.out_mg !== null), {
    error: 'A melt says what came out; nothing else does.',
    path: ['out_mg'],
  })
  .refine((e) => e.out_mg === null || e.out_mg <= e.amount_mg, {
    error: 'No more can come out than went in.',
    path: ['out_mg'],
  })
  .refine((e) => (e.deed === 'taken back') === (e.corrects !== null), {
    error: 'Say which line it takes back.',
    path: ['corrects'],
  })
  .meta({ id: 'NewGoldEntry' });
export const StoredGoldEntry = GoldEntry.extend(Stored.shape).meta({ id: 'GoldEntry' });
export type GoldEntry = z.infer<typeof GoldEntry>;
export type StoredGoldEntry = z.infer<typeof StoredGoldEntry>;

/** Who has how many parts of what is won from a day on, until the next agreement. */
export const Agreement = Whole.extend({
  since: Day,
  partners: z
    .array(z.object({ name: Name, parts: wholeWithin(NUMBERS.parts, 'Whole parts.') }))
    .min(1, 'At least one partner.')
    .max(MOST.partners, 'At most 20 partners.'),
  note: Note,
});
export const NewAgreement = Agreement.extend(Based.shape)
  .refine((a) => new Set(a.partners.map((p) => p.name)).size === a.partners.length, {
    error: 'Each partner once.',
    path: ['partners'],
  })
  .refine((a) => a.partners.some((p) => p.parts > 0), { error: 'Somebody has a part.', path: ['partners'] })
  .meta({ id: 'NewAgreement' });
export const StoredAgreement = Agreement.extend(Stored.shape).meta({ id: 'Agreement' });
export type Agreement = z.infer<typeof Agreement>;
export type StoredAgreement = z.infer<typeof StoredAgreement>;
