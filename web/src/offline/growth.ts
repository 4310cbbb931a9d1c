import type { Write } from './write.ts';

/** The list of writes that grew last, what it was before, and what came. One alone: a chain of them would keep every list there ever was. */
let latest: { readonly after: readonly Write[]; readonly before: readonly Write[]; readonly came: Write } | null = null;

/** The list with one more at its end. What was worked out from it before need not be worked out anew: see `growthOf`. */
export function withOneMore<W extends Write>(before: readonly W[], came: W): readonly W[] {
  const after = [...before, came];
  latest = { after, before, came };
  return after;
}

/** From which list this one grew, and by what; null where that is not known. */
export const growthOf = (list: readonly Write[]): { readonly before: readonly Write[]; readonly came: Write } | null =>
  latest?.after === list ? latest : null;
