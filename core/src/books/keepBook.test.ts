import { describe, expect, test } from '@jest/globals';
import { exactSum_mg, goldAnHour_mg, groupBook, keepBook } from './keepBook.ts';
import { weighedCleanups, type BookCleanup } from './weighedCleanups.ts';

const tally = (bySpot_L: Record<string, number>, running_s = 3600) => ({
  buckets: Object.keys(bySpot_L).length,
  volumeLoose_L: Object.values(bySpot_L).reduce((a, b) => a + b, 0),
  bySpot_L,
  running_s,
});
const setups = [
  { id: 'at-a', rigId: 'long box' },
  { id: 'at-b', rigId: 'short box' },
];
const runs = [
  { id: 'r1', groundId: 'g', setupId: 'at-a', people: 2, tally: tally({ A: 118 }) },
  { id: 'r2', groundId: 'g', setupId: 'at-a', people: 3, tally: tally({ A: 59, B: 59 }) },
  { id: 'r3', groundId: 'g', setupId: 'at-b', people: 1, tally: tally({ B: 118 }) },
  { id: 'r4', groundId: 'g', setupId: 'at-b', people: null, tally: tally({ B: 236 }, 1800) },
  { id: 'away', groundId: 'h', setupId: 'at-a', people: 1, tally: tally({ X: 10 }) },
];
const cleanup = (
  id: string,
  day: number,
  runIds: string[],
  mg: number[],
  more: Partial<BookCleanup> = {},
): BookCleanup => ({
  id,
  groundId: 'g',
  cleanedAt: `2026-05-0${day}T18:00:00.000Z`,
  runIds,
  sections: mg.map((gold_mg) => ({ gold_mg })),
  rinsedClean: 'yes',
  ...more,
});

describe('the book from records, by hand', () => {
  const cleanups = [
    cleanup('c1', 1, ['r1'], [0.1, 0.2]),
    cleanup('c3', 3, ['r3'], [5]),
    cleanup('c2', 4, ['r2'], [7]),
    cleanup('elsewhere', 2, ['away'], [99], { groundId: 'h', rinsedClean: 'no' }),
  ];
  const { cleanups: weighed, unweighed } = weighedCleanups('g', cleanups, [], runs, setups, 'UTC');
  const book = keepBook('g', 18, weighed, unweighed);

  test('gold adds up exactly, and volumes are in the bank', () => {
    expect(book.total).toEqual({
      gold_mg: 12.3,
      cleanups: 3,
      // 118 L three times over, loose; 18 % swell.
      volumeBank_L: expect.closeTo(300, 9),
      running_s: 3 * 3600,
      // Two, three and one of us, an hour each.
      person_s: 6 * 3600,
      buckets: 4,
    });
  });
  test('a mix of two spots is a line of its own, never shared out', () =>
    expect(book.lines.map((l) => [l.spotIds, l.gold_mg])).toEqual([
      [['A', 'B'], 7],
      [['B'], 5],
      [['A'], 0.3],
    ]));
  test('a box left unrinsed on another ground may hold its old gold here; another box does not', () =>
    expect(Object.fromEntries(book.lines.map((l) => [l.spotIds.join('+'), l.mayHoldOldGold]))).toEqual({
      'A+B': true,
      B: false,
      A: false,
    }));
  test('where of one run nobody said how many they were, no hour of a person is told', () => {
    const [first, ...rest] = weighed;
    const unsaid = first && { ...first, tallies: first.tallies.map((t) => ({ ...t, people: null })) };
    expect(keepBook('g', 18, [...(unsaid ? [unsaid] : []), ...rest], []).total.person_s).toBeNull();
  });
  test('a run no clean-up counts lies un-weighed, on its own ground only', () =>
    expect(book.unweighed).toEqual({
      volumeBank_L: expect.closeTo(200, 9),
      running_s: 1800,
      person_s: null,
      buckets: 1,
      runs: 1,
    }));
  test('told apart by anything the groups add up to the book, each clean-up in one of them', () => {
    for (const keyOf of [(c: { id: string }) => c.id, () => 'all', (c: { day: string }) => c.day.slice(-1)]) {
      const groups = groupBook(18, weighed, keyOf);
      expect(groups.flatMap((g) => g.cleanupIds).sort()).toEqual(['c1', 'c2', 'c3']);
      expect(exactSum_mg(groups.map((g) => g.gold_mg))).toBe(book.total.gold_mg);
      expect(groups.reduce((sum, g) => sum + g.volumeBank_L, 0)).toBeCloseTo(book.total.volumeBank_L, 9);
    }
    // The most gold first: 7 mg and 5 mg of the 3rd and 4th, then the 0.3 mg of the 1st.
    expect(groupBook(18, weighed, (c) => c.day).map((g) => [g.key, g.gold_mg])).toEqual([
      ['2026-05-04', 7],
      ['2026-05-03', 5],
      ['2026-05-01', 0.3],
    ]);
  });
  test('days come in their order', () =>
    expect(book.days.map((d) => [d.day, d.gold_mg])).toEqual([
      ['2026-05-01', 0.3],
      ['2026-05-03', 5],
      ['2026-05-04', 7],
    ]));
});

test('tailings run again bring gold and hours to their spot, and no gravel once more', () => {
  const dry = [
    { id: 'first', rigId: 'washer', air: { pass: 1 } },
    { id: 'second', rigId: 'washer', air: { pass: 2 } },
  ];
  const tally = { buckets: 5, volumeLoose_L: 100, bySpot_L: { A: 100 }, running_s: 3600 };
  const twice = ['first', 'second'].map((setupId) => ({
    id: `of ${setupId}`,
    groundId: 'g',
    setupId,
    tally,
    people: 1,
  }));
  const both = [cleanup('p1', 1, ['of first'], [40]), cleanup('p2', 2, ['of second'], [8])];
  const { cleanups: weighed, unweighed } = weighedCleanups('g', both, [], twice, dry, 'UTC');
  const { total, lines } = keepBook('g', 25, weighed, unweighed);
  expect(total).toEqual({ gold_mg: 48, cleanups: 2, volumeBank_L: 80, running_s: 7200, person_s: 7200, buckets: 10 });
  expect(lines.map((l) => [l.spotIds, l.gold_mg, l.volumeBank_L])).toEqual([[['A'], 48, 80]]);
});

describe('gold for an hour of work', () => {
  test('is gold over hours, and over those of all who were at it', () =>
    expect(goldAnHour_mg({ gold_mg: 90, running_s: 2 * 3600, person_s: 5 * 3600 })).toEqual({
      running: 45,
      person: 18,
    }));
  test('is not said of a bucket or two, of no gold, or where nobody said how many they were', () => {
    const nothing = { running: null, person: null };
    expect(goldAnHour_mg({ gold_mg: 32, running_s: 6, person_s: 12 })).toEqual(nothing);
    expect(goldAnHour_mg({ gold_mg: 0, running_s: 7200, person_s: 7200 })).toEqual(nothing);
    expect(goldAnHour_mg({ gold_mg: 32, running_s: 3600, person_s: null })).toEqual({ running: 32, person: null });
  });
});
