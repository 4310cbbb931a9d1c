import {
  GOLD_UNITS,
  leftInTub,
  repeatWeighing,
  lossBySize,
  sectionSplit,
  shareRinse,
  tailsAgain,
  unlikelyGold,
} from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

/** Gold weighed by sections and by screens. */
const bySize = z.object({
  screens_m: z.array(n.positive().max(0.5)).min(1).max(6),
  sections: z
    .array(
      z.object({
        from_m: n,
        to_m: n,
        lining: z.string().default(''),
        cells_mg: z.array(n.min(0).max(1e9).nullable()).min(2).max(7),
      }),
    )
    .min(1)
    .max(20),
});
const lostOf = (i: z.infer<typeof bySize>): ReturnType<typeof lossBySize> =>
  lossBySize(
    i.sections,
    i.screens_m,
    i.sections.map((s) => s.cells_mg),
  );

/** What the box held. */
export const CLEAN_SUMS: readonly Sum[] = [
  sum(
    'section-split',
    'Share in the head of the box and what went over its end at least, from gold weighed by section; an estimate where the gold is of one size.',
    z.object({
      color_mg: n,
      oneSize: z.boolean().default(false),
      sections: z.array(z.object({ from_m: n, to_m: n, gold_mg: n, lining: z.string().default('') })).max(20),
    }),
    (i) => sectionSplit(i.sections, i.color_mg, { oneSize: i.oneSize }),
  ),
  sum(
    'loss-by-size',
    'What of each size of gold went over the end, from gold weighed by sections and by screens (coarsest first; null: that cell was not weighed).',
    bySize,
    lostOf,
  ),
  sum(
    'tails-again',
    'What running the tails through the same box once more gives an hour, against new ground; null where the sizes do not speak for most of the gold.',
    bySize.extend({ running_h: n.positive().max(10_000) }),
    (i) => tailsAgain(lostOf(i), i.running_h),
  ),
  sum(
    'repeat-weighing',
    'Gold by weighing a vial empty and full, once or more, and whether the weighings agree.',
    z.object({
      tare_mg: n.min(0).max(1e9),
      gross_mg: z.array(n.min(0).max(1e9)).min(1).max(50),
      step_mg: n.positive().max(1e6),
    }),
    (i) => repeatWeighing(i.tare_mg, i.gross_mg, i.step_mg),
  ),
  sum(
    'left-in-tub',
    'Gold still in the sand left of a tub, by the colors in a pan of it: nine times in ten between its ends.',
    z.object({
      colors: z.int().min(0).max(100_000),
      panned_L: n.positive().max(1000),
      left_L: n.positive().max(10_000),
      finest_mg: n.positive().max(1000),
      usual_mg: n.positive().max(1000),
    }),
    (i) => leftInTub(i.colors, i.panned_L, i.left_L, i.finest_mg, i.usual_mg),
  ),
  sum(
    'share-rinse',
    'Gold rinsed out of a carpet later, credited to the grounds that fed it by what each gave, to the tenth of a milligram.',
    z.object({
      gold_mg: n.min(0).max(1e9),
      fed: z
        .array(z.object({ groundId: z.string().max(60), gold_mg: n.min(0).max(1e9) }))
        .min(1)
        .max(500),
    }),
    (i) => [...shareRinse(i.gold_mg, i.fed)].map(([groundId, gold_mg]) => ({ groundId, gold_mg })),
  ),
  sum(
    'unlikely-gold',
    'Whether weights of a clean-up are so far from what was to be expected that a unit may be wrong, and which would be likely; null where nothing is odd.',
    z.object({
      typed: z.array(z.object({ value: n.min(0), unit: z.enum(GOLD_UNITS) })).max(20),
      expected: z
        .array(
          z.object({ by: z.enum(['forecast', 'clean-ups', 'any ground']), low_mg: n.min(0), high_mg: n.positive() }),
        )
        .min(1)
        .max(10),
      isComplete: z.boolean().default(true),
    }),
    (i) => unlikelyGold(i.typed, i.expected, i.isComplete),
  ),
];
