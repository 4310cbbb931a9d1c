import {
  coinTrial,
  GOLD_DEEDS,
  goldAnHour_mg,
  goldLedger,
  keepBook,
  statements,
  whatItTook,
  whyOff,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

const tally = z
  .object({
    buckets: n,
    volumeLoose_L: n,
    bySpot_L: z.record(z.string().max(60), n),
    running_s: n,
    people: n.int().positive().max(100).nullish(),
  })
  .transform((t) => ({ ...t, people: t.people ?? null }));

/** The book. */
export const BOOKS_SUMS: readonly Sum[] = [
  sum(
    'book',
    'What clean-ups came to: by source (a spot, or the mix of several), by day, in all; what runs left un-weighed.',
    z.object({
      swell_percent: n.min(0).max(80),
      cleanups: z
        .array(z.object({ day: z.iso.date(), gold_mg: n, boxWasClean: z.boolean(), tallies: z.array(tally).max(500) }))
        .max(2000),
      unweighed: z.array(tally).max(500).default([]),
    }),
    (i) => {
      const { lines, total, days, unweighed } = keepBook(
        '',
        i.swell_percent,
        i.cleanups.map((c, nth) => ({ ...c, id: String(nth) })),
        i.unweighed,
      );
      return { lines, total, anHour_mg: goldAnHour_mg(total), days, unweighed };
    },
  ),
  sum(
    'what-it-took',
    'Fuel and water of runs, by the hour and the gram; what nobody told is left out and said to be.',
    z.object({
      runs: z
        .array(z.object({ running_s: n.min(0), fuel_L: n.min(0).nullable(), flow_m3_s: n.min(0).nullable() }))
        .max(5000),
      gold_mg: n.min(0),
    }),
    (i) => whatItTook(i.runs, i.gold_mg),
  ),
  sum(
    'why-off',
    'What likeliest made clean-ups come to more or less than their pans promised: hands, box, ground or luck; null where there are none.',
    z.object({
      cleanups: z
        .array(
          z.object({
            id: z.string().max(60),
            spotId: z.string().max(60),
            rigId: z.string().max(60),
            said_mg_L: n.positive().max(1e6),
            low_mg_L: n.min(0).max(1e6),
            high_mg_L: n.positive().max(1e6),
            came_mg_L: n.min(0).max(1e6),
            pieces: n.min(0).max(1e9),
          }),
        )
        .max(100),
    }),
    (i) => whyOff(i.cleanups),
  ),
  sum(
    'gold-ledger',
    'What a ledger of gold comes to: in hand by vial, sold, handed out, lost; and what each partner has coming, to the tenth of a milligram.',
    z.object({
      came: z.array(z.object({ id: z.string(), at: z.iso.datetime(), gold_mg: n.min(0) })).max(2000),
      entries: z
        .array(
          z.object({
            id: z.string(),
            at: z.iso.datetime(),
            deed: z.enum(GOLD_DEEDS),
            from: z.string().default(''),
            to: z.string().default(''),
            amount_mg: n.min(0),
            out_mg: n.min(0).nullable().default(null),
            price: n.min(0).nullable().default(null),
            fineness_permille: n.min(0).max(1000).nullable().default(null),
            corrects: z.string().nullable().default(null),
          }),
        )
        .max(5000),
      agreements: z
        .array(
          z.object({
            since: z.iso.date(),
            partners: z
              .array(z.object({ name: z.string().min(1), parts: n.int().min(0) }))
              .min(1)
              .max(20),
          }),
        )
        .max(200)
        .default([]),
    }),
    (i) => ({
      ...goldLedger(i.came, i.entries),
      statements: statements(i.came, i.entries, i.agreements, (at) => at.slice(0, 10)),
    }),
  ),
  sum(
    'coin-trial',
    'Which of two is better, by rounds whose order a coin gave: said wrongly at most once in ten trials of two that are alike, however often one looks.',
    z.object({
      better: z.enum(['more', 'less']),
      rounds: z.array(z.object({ a: n.min(0).max(1e9), b: n.min(0).max(1e9) })).max(60),
    }),
    ({ rounds, better }) => coinTrial(rounds, better),
  ),
];
