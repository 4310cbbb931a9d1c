import type { HourAtDepth } from '@riffle/core';
import type { PitOnPage } from './usePit.ts';

/** What is washed and what is cast aside down to a stop, by the layers' places. */
export function whatToDo({ inHand }: PitOnPage, { washed, depth_m }: HourAtDepth): string {
  const { layers } = inHand.draft;
  const dug = layers.filter((_, i) => layers.slice(0, i).reduce((sum, l) => sum + l.thickness_m, 0) < depth_m - 1e-6);
  const aside = dug.flatMap((_, i) => (washed.includes(i) ? [] : [i]));
  const named = (those: readonly number[]): string =>
    `layer${those.length === 1 ? '' : 's'} ${those.map((i) => i + 1).join(' and ')}`;
  if (washed.length === 0) return '';
  return aside.length === 0 ? 'Wash all of it.' : `Cast aside ${named(aside)}, wash ${named(washed)}.`;
}
