import { GOLD_UNITS, lossBySize, sectionSplit, unlikelyGold } from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

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
    z.object({
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
    }),
    (i) =>
      lossBySize(
        i.sections,
        i.screens_m,
        i.sections.map((s) => s.cells_mg),
      ),
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
