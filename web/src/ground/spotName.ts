import type { StoredSpot } from '@riffle/contract';

/** What a bucket's spot is called. */
export const spotName = (spots: readonly StoredSpot[], id: string | null | undefined): string =>
  spots.find((s) => s.id === id)?.name ?? 'no spot';
