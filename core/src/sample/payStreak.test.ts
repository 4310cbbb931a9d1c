import { describe, expect, test } from '@jest/globals';
import { openEnds, payStreak } from './payStreak.ts';

describe('open ends of a streak', () => {
  const panned = [
    { at_m: 0, grade_mg_L: 0.4 },
    { at_m: 2, grade_mg_L: 0.5 },
    { at_m: 4, grade_mg_L: 0.1 },
  ];
  const [streak] = payStreak(panned, 0.2);
  if (!streak) throw new Error('no streak');
  test('it pays from the first pan on: nobody has seen that end; the nearest bag beyond would close it', () => {
    const waiting = [
      { id: 'MB-1', at_m: -4 },
      { id: 'MB-2', at_m: -2 },
      { id: 'MB-6', at_m: 6 },
    ];
    expect(openEnds(panned, waiting, streak)).toEqual([{ end: 'first', closedBy: 'MB-2' }]);
  });
  test('where no bag is laid out beyond, none is named; a poor pan on either side closes it', () => {
    expect(openEnds(panned, [], streak)).toEqual([{ end: 'first', closedBy: null }]);
    const closed = [{ at_m: -2, grade_mg_L: 0 }, ...panned];
    expect(openEnds(closed, [], payStreak(closed, 0.2)[0] ?? streak)).toEqual([]);
    const rich = panned.map((p) => ({ ...p, grade_mg_L: 1 }));
    expect(openEnds(rich, [], payStreak(rich, 0.2)[0] ?? streak).map((e) => e.end)).toEqual(['first', 'last']);
  });
});
