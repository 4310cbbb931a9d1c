import { sectionSplit } from '@riffle/core';
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
];
