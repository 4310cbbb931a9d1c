import { BEACH_SUMS } from './beach.ts';
import { BOOKS_SUMS } from './books.ts';
import { CLEAN_SUMS } from './clean.ts';
import { DAY_SUMS } from './day.ts';
import { DRY_SUMS } from './dry.ts';
import { FINISH_SUMS } from './finish.ts';
import { GRAINS_SUMS } from './grains.ts';
import { MEASURES_SUMS } from './measures.ts';
import { READ_SUMS } from './read.ts';
import { RUN_SUMS } from './run.ts';
import { SAMPLE_SUMS } from './sample.ts';
import { SET_SUMS } from './set.ts';
import type { Sum } from './sum.ts';

/** Every calculation offered under /api/v1/sums, by the room of core it is from. Sources are in docs/computed.md. */
export const SUMS: readonly Sum[] = [
  ...MEASURES_SUMS,
  ...GRAINS_SUMS,
  ...READ_SUMS,
  ...SAMPLE_SUMS,
  ...SET_SUMS,
  ...DRY_SUMS,
  ...FINISH_SUMS,
  ...BEACH_SUMS,
  ...RUN_SUMS,
  ...CLEAN_SUMS,
  ...BOOKS_SUMS,
  ...DAY_SUMS,
];
