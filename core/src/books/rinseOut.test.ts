import { describe, expect, test } from '@jest/globals';
import { keepBook } from './keepBook.ts';
import { shareRinse } from './rinseOut.ts';
import { weighedCleanups, type BookCleanup } from './weighedCleanups.ts';

describe('gold rinsed out of a carpet later', () => {
  test('is credited by what each ground gave, to the tenth, and adds up', () => {
    const shares = shareRinse(35, [
      { groundId: 'g', gold_mg: 60 },
      { groundId: 'h', gold_mg: 70 },
      { groundId: 'g', gold_mg: 80 },
    ]);
    // 140 of 210 are two thirds: 23.3 of 35, and 11.7.
    expect(Object.fromEntries(shares)).toEqual({ g: 23.3, h: 11.7 });
  });
  test('in equal parts where none gave any; one ground takes it all; none, none', () => {
    expect(
      Object.fromEntries(
        shareRinse(1, [
          { groundId: 'g', gold_mg: 0 },
          { groundId: 'h', gold_mg: 0 },
        ]),
      ),
    ).toEqual({ g: 0.5, h: 0.5 });
    expect(Object.fromEntries(shareRinse(7.3, [{ groundId: 'g', gold_mg: 4 }]))).toEqual({ g: 7.3 });
    expect(shareRinse(7.3, []).size).toBe(0);
  });

  const run = (id: string, spot: string) => ({
    id,
    groundId: 'g',
    setupId: 's',
    people: 2,
    tally: { buckets: 5, volumeLoose_L: 118, bySpot_L: { [spot]: 118 }, running_s: 3600 },
  });
  const cleanup = (id: string, day: number, runIds: string[], mg: number, more: Partial<BookCleanup> = {}) => ({
    id,
    groundId: 'g',
    cleanedAt: `2026-05-0${day}T18:00:00.000Z`,
    runIds,
    sections: [{ gold_mg: mg }],
    rinsedClean: 'no' as const,
    ...more,
  });
  const setups = [{ id: 's', rigId: 'box' }];
  const runs = [run('r1', 'A'), run('r2', 'B')];
  const bookOf = (cleanups: BookCleanup[], lifts: Parameters<typeof weighedCleanups>[2] = []) => {
    const { cleanups: weighed, unweighed } = weighedCleanups('g', cleanups, lifts, runs, setups, 'UTC');
    return keepBook('g', 18, weighed, unweighed);
  };

  test('in the book it is gold of the same spots, and feeds nothing once more', () => {
    const book = bookOf([
      cleanup('c', 1, ['r1'], 40),
      cleanup('later', 3, [], 2.5, { rinseOutOf: ['c'], rinsedClean: 'yes' }),
    ]);
    expect(book.lines).toHaveLength(1);
    expect(book.lines[0]).toMatchObject({ spotIds: ['A'], gold_mg: 42.5, buckets: 5, running_s: 3600, cleanups: 2 });
    expect(book.total).toMatchObject({ gold_mg: 42.5, volumeBank_L: 100, person_s: 7200 });
    expect(book.unweighed.runs).toBe(1);
  });
  test('after it the box is clean; before it, or while tubs of a box not rinsed stand, it may hold old gold', () => {
    const first = cleanup('c', 1, ['r1'], 40);
    const second = cleanup('d', 4, ['r2'], 10);
    const old = (cleanups: BookCleanup[], lifts: Parameters<typeof weighedCleanups>[2] = []) =>
      bookOf(cleanups, lifts).lines.find((l) => l.spotIds[0] === 'B')?.mayHoldOldGold;
    expect(old([first, second])).toBe(true);
    expect(old([first, second, cleanup('later', 3, [], 2, { rinseOutOf: ['c'], rinsedClean: 'yes' })])).toBe(false);
    const lift = { id: 'l', liftedAt: '2026-05-02T18:00:00.000Z', runIds: ['r1'], rinsedClean: 'no' as const };
    expect(old([second], [lift])).toBe(true);
    expect(old([second], [{ ...lift, rinsedClean: 'yes' }])).toBe(false);
    expect(old([second], [{ ...lift, liftedAt: '2026-05-05T18:00:00.000Z' }])).toBe(false);
  });
});
