import type { RigSection } from '@riffle/contract';
import { liningOf } from '@riffle/core';

/** What a box is lined with, each lining once, from the head down. */
export const liningNames = (sections: readonly RigSection[]): string[] => [
  ...new Set(sections.map((s) => liningOf(s).name)),
];
