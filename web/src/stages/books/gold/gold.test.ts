import { describe, expect, test } from '@jest/globals';
import { goldWords } from './goldWords.ts';
import { newGoldDraft, readGoldEntry, type GoldDraft } from './readGoldEntry.ts';

const typed = (some: Partial<GoldDraft>): GoldDraft => ({ ...newGoldDraft(false, 'unsorted'), ...some });
const grams = (text: string) => ({ text, unit: 'g' });

describe('a line of the ledger as it is typed', () => {
  test('moved: from a vial into another one', () => {
    const read = readGoldEntry(typed({ to: ' vial A ', amount: grams('1.25') }));
    expect(read.entry).toMatchObject({ deed: 'moved', from: 'unsorted', to: 'vial A', amount_mg: 1250, out_mg: null });
    expect(readGoldEntry(typed({ to: 'unsorted', amount: grams('1') })).toProblem).toBe('That is where it lies.');
    expect(readGoldEntry(typed({ amount: grams('1') })).toProblem).toBe('Say where it goes.');
    expect(readGoldEntry(typed({ to: 'vial A', amount: grams('0') })).amount).toMatchObject({
      ok: false,
      problem: 'More than nothing.',
    });
  });
  test('melted: what comes out is no more than went in, and its fineness is per thousand', () => {
    const melt = typed({ deed: 'melted', to: 'bar', amount: grams('1'), out: grams('0.93'), fineness: '882,5' });
    expect(readGoldEntry(melt).entry).toMatchObject({ out_mg: 930, fineness_permille: 882.5 });
    expect(readGoldEntry({ ...melt, out: grams('1.1') })).toMatchObject({
      outProblem: 'No more can come out than went in.',
      entry: null,
    });
    expect(readGoldEntry({ ...melt, fineness: '1100' }).entry).toBeNull();
  });
  test('sold: a price may be said, a buyer too; what belongs to another deed is left out', () => {
    const sale = typed({ deed: 'sold', amount: grams('2'), price: '140', out: grams('1') });
    expect(readGoldEntry(sale).entry).toMatchObject({ price: 140, to: '', out_mg: null, outEntered: null });
    expect(readGoldEntry({ ...sale, price: 'much' })).toMatchObject({ priceProblem: 'Write a number.', entry: null });
    expect(readGoldEntry({ ...sale, deed: 'lost' }).entry).toMatchObject({ price: null, to: '' });
    expect(readGoldEntry({ ...sale, deed: 'found', to: 'vial B' }).entry).toMatchObject({ from: '', to: 'vial B' });
  });
});

describe('a line of the ledger, as one says it', () => {
  const line = { from: 'vial A', to: 'bar', amountEntered: grams('1'), outEntered: null, price: null };
  test.each([
    [{ ...line, deed: 'moved', fineness_permille: null }, '“1 g” from vial A to bar'],
    [
      { ...line, deed: 'melted', outEntered: grams('0.93'), fineness_permille: 880 },
      '“1 g” of vial A melted: “0.93 g” into bar, 880 fine',
    ],
    [{ ...line, deed: 'sold', to: '', price: 61.4, fineness_permille: null }, '“1 g” of vial A sold for 61.40 crowns'],
    [{ ...line, deed: 'handed out', to: 'Ana', fineness_permille: null }, '“1 g” of vial A to Ana'],
    [{ ...line, deed: 'found', to: 'vial B', fineness_permille: null }, '“1 g” found, into vial B'],
    [{ ...line, deed: 'lost', fineness_permille: null }, '“1 g” of vial A lost'],
  ] as const)('%j', (entry, words) => expect(goldWords(entry, 'crowns').replaceAll('\u00a0', ' ')).toBe(words));
});
