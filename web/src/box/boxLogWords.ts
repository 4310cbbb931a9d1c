import { BOX_EVENTS, TAIL_COLORS, WASHER_EVENTS } from '@riffle/contract';
import { plural } from '../ui/plural.ts';
import type { Show } from '../units/useShow.ts';
import type { BoxChange, BoxLogEntry } from './boxLog.ts';

/** One change, signed, as a hand makes it. */
export function changeWords(change: BoxChange, show: Pick<Show, 'smallLength' | 'flow'>): string {
  switch (change.what) {
    case 'head':
      return `head ${change.by_m > 0 ? '+' : '−'}${show.smallLength(Math.abs(change.by_m))}`;
    case 'water':
      return `water ${show.smallLength(change.from_m)} to ${show.smallLength(change.to_m)}`;
    case 'stones':
      return `stones up to ${show.smallLength(change.to_m)}, were ${show.smallLength(change.from_m)}`;
    case 'flow':
      return `flow ${show.flow(change.from_m3_s)} to ${show.flow(change.to_m3_s)}`;
    case 'puffs':
      return `${Math.round(change.to)} puffs a minute, were ${Math.round(change.from)}`;
    case 'blower':
      return `blower ${Math.round(100 * change.from)} to ${Math.round(100 * change.to)} %`;
    case 'feed':
      return `fed ${change.now}`;
    case 'water told otherwise':
      return 'water measured another way';
  }
}

/** What was fed so, what the tail and the box showed. */
export function followedWords(
  { buckets, bucket_min, tailPans, events, cleaned }: BoxLogEntry,
  show: Pick<Show, 'gold'>,
): string {
  const said: string[] = [];
  if (buckets > 0)
    said.push(plural(buckets, 'bucket') + (bucket_min === null ? '' : `, one in ${bucket_min.toFixed(1)} min`));
  const pans = TAIL_COLORS.filter((c) => tailPans[c] > 0).map((c) => `${tailPans[c]} with ${c.replace('-', '–')}`);
  if (pans.length > 0) said.push(`tail pans: ${pans.join(', ')} colors`);
  for (const what of [...BOX_EVENTS, ...WASHER_EVENTS]) {
    const times = events[what] ?? 0;
    if (times > 0) said.push(times === 1 ? what : `${what} ${times} times`);
  }
  if (cleaned)
    said.push(
      show.gold(cleaned.gold_mg) +
        (cleaned.headShare === null ? '' : `, ${Math.round(100 * cleaned.headShare)} % of it in the head`),
    );
  return said.length > 0 ? said.join('; ') : 'nothing fed so yet';
}
