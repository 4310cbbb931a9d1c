import { NUMBERS, numberProblem, textProblem, TEXTS, type GoldEntry } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { readEntered, type Reading } from '../../../units/readEntered.ts';
import { TO_WORDS, type WrittenDeed } from './goldWords.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

/** A line of the ledger as it is typed. */
export interface GoldDraft {
  readonly deed: WrittenDeed;
  readonly from: string;
  readonly to: string;
  readonly amount: Entered;
  readonly out: Entered;
  readonly price: string;
  readonly fineness: string;
  readonly note: string;
}

export const newGoldDraft = (US: boolean, from: string): GoldDraft => {
  const empty = { text: '', unit: US ? 'grain' : 'g' };
  return { deed: 'moved', from, to: '', amount: empty, out: empty, price: '', fineness: '', note: '' };
};

export interface GoldRead {
  readonly amount: Reading;
  readonly out: Reading;
  readonly toProblem: string | null;
  readonly priceProblem: string | null;
  readonly finenessProblem: string | null;
  readonly outProblem: string | null;
  /** What goes into the ledger; null while a field is wrong. */
  readonly entry: Omit<GoldEntry, 'id' | 'deleted' | 'at'> | null;
}

const bounded = (reading: Reading): Reading => {
  if (!reading.ok) return reading;
  const problem = reading.value <= 0 ? 'More than nothing.' : numberProblem(NUMBERS.ledgerGold_mg, reading.value);
  return problem === null ? reading : { ok: false, problem };
};
const figure = (text: string, limit: (typeof NUMBERS)['price' | 'fineness_permille']): string | null => {
  if (text.trim() === '') return null;
  const value = numberTyped(text);
  return !Number.isNaN(value) ? numberProblem(limit, value) : 'Write a number.';
};
const valueOf = (text: string): number | null => (text.trim() === '' ? null : numberTyped(text));

/** The fields in numbers, and the line they make. */
export function readGoldEntry(d: GoldDraft): GoldRead {
  const melts = d.deed === 'melted';
  const sells = d.deed === 'sold';
  const amount = bounded(readEntered('mass', d.amount));
  const out = melts ? bounded(readEntered('mass', d.out)) : { ok: true as const, value: 0 };
  const outProblem =
    melts && amount.ok && out.ok && out.value > amount.value ? 'No more can come out than went in.' : null;
  const needsTo = TO_WORDS[d.deed] !== null && !sells;
  const toProblem =
    needsTo && d.to.trim() === ''
      ? 'Say where it goes.'
      : d.deed === 'moved' && d.to.trim() === d.from
        ? 'That is where it lies.'
        : textProblem(TEXTS.vial, d.to);
  const priceProblem = sells ? figure(d.price, NUMBERS.price) : null;
  const finenessProblem = sells || melts ? figure(d.fineness, NUMBERS.fineness_permille) : null;
  const fits = amount.ok && out.ok && !outProblem && !toProblem && !priceProblem && !finenessProblem;
  const entry =
    fits && textProblem(TEXTS.note, d.note) === null
      ? {
          deed: d.deed,
          from: d.deed === 'found' ? '' : d.from,
          to: TO_WORDS[d.deed] === null ? '' : d.to.trim(),
          amount_mg: amount.value,
          amountEntered: d.amount,
          out_mg: melts ? out.value : null,
          outEntered: melts ? d.out : null,
          fineness_permille: sells || melts ? valueOf(d.fineness) : null,
          price: sells ? valueOf(d.price) : null,
          corrects: null,
          note: d.note,
        }
      : null;
  return { amount, out, toProblem, priceProblem, finenessProblem, outProblem, entry };
}
