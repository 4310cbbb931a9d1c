import { describe, expect, test } from '@jest/globals';
import type { Book } from '@riffle/contract';
import Papa from 'papaparse';
import { bookCsv } from './bookCsv.ts';

const amounts = { volumeBank_L: 0, gold_mg: 0, running_s: 0, person_s: null, buckets: 0, cleanups: 0 };
const line = (spotIds: string[], some: Partial<Book['lines'][number]> = {}): Book['lines'][number] => ({
  ...amounts,
  spotIds,
  mayHoldOldGold: false,
  ...some,
});
const book = (lines: Book['lines'], total: Partial<Book['total']> = {}): Book =>
  ({ groundId: 'g', lines, total: { ...amounts, ...total }, days: [] }) as unknown as Book;
const NAMES: Readonly<Record<string, string>> = {
  a: 'Upper bar',
  b: 'Ford',
  evil: '=1+2',
  at: '@SUM(A1)',
  minus: '-2',
  quoted: 'The “long”, "deep" bar',
};
const csv = (some: Book, ground = 'Halloway Creek'): string => bookCsv(ground, some, (id) => NAMES[id] ?? '');
const rows = (text: string): Record<string, string>[] =>
  Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;

describe('the book as a table', () => {
  test('a line a source and one for all, units in the names, figures by hand', () => {
    const given = { volumeBank_L: 59.32, gold_mg: 30, running_s: 5400, person_s: 10_800, buckets: 4, cleanups: 1 };
    const told = rows(csv(book([line(['a'], given)], given)));
    expect(told).toHaveLength(2);
    // 30 mg of 59.32 L: mg/L is g/m3. An hour and a half with two at it.
    expect(told[0]).toEqual({
      ground: 'Halloway Creek',
      source: 'Upper bar',
      'clean-ups': '1',
      buckets: '4',
      'volume (m3 bank)': '0.05932',
      'time (h)': '1.5',
      'person time (h)': '3',
      'gold (mg)': '30',
      'grade (g/m3 bank)': '0.505732',
      note: '',
    });
    expect(told[1]).toMatchObject({ source: 'total', 'gold (mg)': '30' });
  });
  test('what is not known stays empty, and nothing is divided by nothing', () => {
    const [told] = rows(csv(book([line([])])));
    expect(told).toMatchObject({ source: 'no spot named', 'person time (h)': '', 'grade (g/m3 bank)': '' });
  });
  test('a mixed source is not shared out, and old gold is told', () => {
    const [told] = rows(csv(book([line(['a', 'b'], { mayHoldOldGold: true })])));
    expect(told).toMatchObject({
      source: 'Upper bar + Ford',
      note: 'mixed sources, not shared out; box was not rinsed clean before',
    });
  });
  test('lines end as RFC 4180 has them, quotes are doubled, and a name with commas stays one field', () => {
    const text = csv(book([line(['quoted'])]), 'Halloway, upper');
    expect(text.endsWith('\r\n')).toBe(true);
    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
    expect(text).toContain('"Halloway, upper","The “long”, ""deep"" bar"');
    expect(rows(text)[0]).toMatchObject({ ground: 'Halloway, upper', source: 'The “long”, "deep" bar' });
  });
  // What a spreadsheet takes for a formula begins with one of = + - @ (OWASP, CSV Injection).
  test.each(['evil', 'at', 'minus'])('a spot named like a formula (%s) is text to a spreadsheet', (id) => {
    expect(rows(csv(book([line([id])])))[0]?.['source']).toBe(`'${NAMES[id]}`);
  });
});
