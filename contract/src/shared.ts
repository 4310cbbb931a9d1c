import { z } from 'zod';
import { NUMBERS, TEXTS, tooLong, type NumberLimit, type TextLimit } from './limits.ts';

/** A text that may be empty, up to its limit. */
export const text = (limit: TextLimit) => z.string().max(limit.longest, tooLong(limit));
/** A text that must hold something; spaces around it are dropped. */
export const neededText = (limit: TextLimit & { readonly needed: string }) =>
  z.string().trim().min(1, limit.needed).max(limit.longest, tooLong(limit));
/** A number within its limit. */
export const within = (limit: NumberLimit) => bounded(z.number(`Give a number in ${limit.unit}.`), limit);
/** A whole number within its limit. */
export const wholeWithin = (limit: NumberLimit, error = 'Give a whole number.') => bounded(z.int(error), limit);
const bounded = <T extends z.ZodNumber>(number: T, { open, least, most, tooLittle, tooMuch }: NumberLimit): T =>
  (open ? number.gt(least, tooLittle) : number.gte(least, tooLittle)).lte(most, tooMuch);
export const Along = within(NUMBERS.along_m);
export const Offset = within(NUMBERS.offset_m);

/** Ids are made by the client (UUID version 7, so that they sort by time); they are kept and answered in small letters. */
export const Id = z.uuid().toLowerCase();
export type Id = z.infer<typeof Id>;

/** What a person typed and the unit the field stood on: shown again as typed. */
export const Entered = z.object({ text: text(TEXTS.entered), unit: text(TEXTS.unit) });

/** The years a date can be kept for. */
const YEARS = 'Between the years 1 and 9999.';
const yearKept = (date: string): boolean => /^\d{4}-/.test(date) && !date.startsWith('0000');
/** An instant; kept in UTC with milliseconds, so that what is sent and what is stored read alike. */
export const Timestamp = z.iso
  .datetime({ offset: true })
  .overwrite((t) => {
    if (t.length === 24 && t.endsWith('Z')) return t;
    // Runs even where the check above has failed: what is no instant is left for it to name.
    const ms = Date.parse(t);
    return Number.isNaN(ms) ? t : new Date(ms).toISOString();
  })
  .refine(yearKept, YEARS);
/** A day of the calendar. */
export const Day = z.iso.date().refine(yearKept, YEARS);

/** Gold in milligrams, kept to a tenth of a microgram so that totals add up exactly. */
export const goldRounded = (mg: number): number => Math.round(mg * 10_000) / 10_000;
export const Note = text(TEXTS.note).default('');
export const Name = neededText(TEXTS.name);

/** Every aggregate is written whole. `deleted` hides it; writing it again with `deleted: false` brings it back. */
export const Whole = z.object({ id: Id, deleted: z.boolean().default(false) });

/** `baseVersion` is the version the writer saw; 0 for a new record. A write against an older one answers 409 with both copies. */
export const Based = z.object({ baseVersion: z.int().min(0).max(2_147_483_646) });
export const Stored = z.object({ version: z.int().min(1), updatedAt: Timestamp });

/** Before every id: where a list starts. */
export const FIRST_ID = '00000000-0000-0000-0000-000000000000';
/** Records in a page at most. */
export const MOST_IN_PAGE = 5000;
/** A page of a list in id order; ask again with `after` set to `next` until it is null. */
export const PageQuery = z.object({
  after: Id.default(FIRST_ID),
  limit: z.coerce.number<number>().int().min(1).max(MOST_IN_PAGE).default(500),
});
/** Grounds whose lists may be asked for at once. */
export const MOST_GROUNDS = 100;
/** As `PageQuery`, of several grounds at once: their ids with commas between. */
export const GroundsPageQuery = PageQuery.extend({
  grounds: z
    .string()
    .max(37 * MOST_GROUNDS)
    .transform((ids) => ids.split(','))
    .pipe(z.array(Id).max(MOST_GROUNDS)),
});
/** What of a list changed after a moment, to the millisecond. */
export const ChangesQuery = z.object({ since: Timestamp });
/**
 * What of a list changed after a moment, at most a page of it, and what the whole list comes to. Whoever lays the one
 * over what they have, and then comes to the other, has all of it; whoever does not reads it anew.
 */
export const changes = <T extends z.ZodType>(item: T) =>
  z.object({
    items: z.array(item),
    whole: z.object({
      records: z.int(),
      /** How often its records were written, all together; of a run each tap counts as well. */
      edits: z.int(),
    }),
  });
export const page = <T extends z.ZodType>(item: T) => z.object({ items: z.array(item), next: Id.nullable() });

/** RFC 9457. `errors` names the fields; `code` is one of the server's codes; `current` comes with a 409. */
export const Problem = z
  .object({
    type: z.string(),
    title: z.string(),
    status: z.int(),
    code: z.string(),
    detail: z.string(),
    errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
    current: z.unknown().optional(),
    sent: z.unknown().optional(),
  })
  .meta({ id: 'Problem' });
export type Problem = z.infer<typeof Problem>;
