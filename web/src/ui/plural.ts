import { grouped } from '@riffle/core';

const RULES = new Intl.PluralRules('en');

/** The word for so many: "sample" of one, "samples" of any other number. */
export const wordFor = (count: number, one: string, many = `${one}s`): string =>
  RULES.select(count) === 'one' ? one : many;

/** So many of something: "1 sample", "1,200 samples". */
export const plural = (count: number, one: string, many?: string): string =>
  `${grouped(count)} ${wordFor(count, one, many)}`;
