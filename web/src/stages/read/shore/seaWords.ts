import type { StoredSwellReading } from '@riffle/contract';
import type { LoggedStorm } from '../../../shore/shoreOf.ts';
import { inTen } from '../../../reading/inTen.ts';
import type { Show } from '../../../units/useShow.ts';

/** Heights of water are told no finer than they are known, m. */
export const KNOWN_TO_M = 0.1;
export const roughly = (m: number): number => Math.round(m / KNOWN_TO_M) * KNOWN_TO_M;

/** "3.4 m every 12 s". */
export const swellWords = (
  { height_m, period_s }: Pick<StoredSwellReading, 'height_m' | 'period_s'>,
  show: Show,
): string => `${show.length(height_m)} every ${Math.round(period_s)} s`;

/** What a storm did at the toe of the berm, as surely as it is known. */
export function stormWords({ cut_m, reach, toToe }: LoggedStorm, show: Show): string {
  if (cut_m !== null) return cut_m > 0 ? `it took ${show.length(cut_m)} of the berm` : 'the berm stood whole';
  if (toToe === null)
    return `whether it came to the berm is not known: ${reach ? 'give the toe its height' : 'the beach has no tide yet'}`;
  return toToe >= 0.5
    ? `it came to the toe of the berm, ${inTen(toToe)}`
    : `it stayed short of the berm, ${inTen(1 - toToe)}`;
}
