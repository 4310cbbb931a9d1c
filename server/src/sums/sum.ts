import { LINING_IDS } from '@riffle/core';
import { z } from 'zod';

/** One calculation of the core as a call: what it takes, what it is, how it is worked out. Answers are the core's own. */
export interface Sum {
  readonly name: string;
  readonly summary: string;
  readonly input: z.ZodType;
  readonly compute: (input: never) => unknown;
}

export const sum = <T extends z.ZodType>(
  name: string,
  summary: string,
  input: T,
  compute: (input: z.infer<T>) => unknown,
): Sum => ({ name, summary, input, compute });

// Shapes that calls of several rooms take.
export const n = z.number();
export const temperature_C = n.min(0).max(40).default(10);
export const lining = z.enum(LINING_IDS as [(typeof LINING_IDS)[number], ...(typeof LINING_IDS)[number][]]);
export const counts = z.object({
  '+10': z.int().min(0).default(0),
  '10-20': z.int().min(0).default(0),
  '20-40': z.int().min(0).default(0),
  '-40': z.int().min(0).default(0),
});
