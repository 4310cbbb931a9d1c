import type { StoredGoldEntry } from '@riffle/contract';
import type { GoldDeed } from '@riffle/core';
import { asTyped } from '../../../units/readEntered.ts';

type Line = Pick<
  StoredGoldEntry,
  'deed' | 'from' | 'to' | 'amountEntered' | 'outEntered' | 'price' | 'fineness_permille'
>;

/** A line of the ledger, as one says it. @param money what the person calls their money */
export function goldWords(e: Line, money: string): string {
  const amount = asTyped(e.amountEntered);
  const fine = e.fineness_permille === null ? '' : `, ${e.fineness_permille} fine`;
  switch (e.deed) {
    case 'found':
      return `${amount} found, into ${e.to}`;
    case 'moved':
      return `${amount} from ${e.from} to ${e.to}`;
    case 'melted':
      return `${amount} of ${e.from} melted: ${e.outEntered ? asTyped(e.outEntered) : 'nothing'} into ${e.to}${fine}`;
    case 'sold':
      return `${amount} of ${e.from} sold${e.to && ` to ${e.to}`}${e.price === null ? '' : ` for ${e.price.toFixed(2)} ${money}`.trimEnd()}${fine}`;
    case 'handed out':
      return `${amount} of ${e.from} to ${e.to}`;
    case 'lost':
      return `${amount} of ${e.from} lost`;
    case 'taken back':
      return 'a line taken back';
  }
}

/** Deeds that a person writes; a line is taken back where it stands. */
export const WRITTEN_DEEDS = ['moved', 'handed out', 'sold', 'melted', 'found', 'lost'] as const satisfies GoldDeed[];
export type WrittenDeed = (typeof WRITTEN_DEEDS)[number];

/** What `to` is called for each; null: it goes nowhere. */
export const TO_WORDS: Readonly<Record<WrittenDeed, string | null>> = {
  moved: 'Into vial',
  'handed out': 'To partner',
  sold: 'To',
  melted: 'Into',
  found: 'Into vial',
  lost: null,
};
