import { describe, expect, test } from '@jest/globals';
import { datedPan as pan } from '../../test/datedPan.ts';
import { replayBest } from './replayBest.ts';

type Pan = ReturnType<typeof pan>;
const replay = (samples: readonly Pan[]) => replayBest({ samples, pits: [], swell_percent: 18, school: 'geometry' });

describe('the best places gone through again', () => {
  test('a place panned again later is held against those pans alone', () => {
    const first = [pan('a', 1, 20), pan('b', 1, 3), pan('c', 1, 1)];
    const [as] = replay([...first, pan('a', 2, 22)]);
    expect(as).toMatchObject({ spotId: 'a', namedOn: '2026-05-01', laterPans: 1, held: true });
    const [less] = replay([...first, pan('a', 2, 0)]);
    // What was said rests on the day it was named: later pans change what came only.
    expect(less?.said_mg_L).toBeCloseTo(as?.said_mg_L ?? NaN, 12);
    expect(less).toMatchObject({ laterPans: 1, held: false });
    expect(less?.came_mg_L).toBeLessThan(as?.came_mg_L ?? NaN);
  });
  test('a place that stays the best is named once; another that takes its place is a record of its own', () => {
    const book = [
      pan('a', 1, 12),
      pan('b', 1, 4),
      pan('a', 2, 14),
      pan('b', 3, 60),
      pan('b', 4, 55),
      pan('b', 5, 58),
      pan('b', 6, 66),
    ];
    expect(replay(book).map((n) => [n.spotId, n.namedOn.slice(8), n.laterPans])).toEqual([
      ['b', '03', 3],
      ['a', '01', 1],
    ]);
  });
  test('pans of the naming day do not judge it, and an empty book has nothing to show', () => {
    expect(replay([pan('a', 1, 20), pan('a', 1, 0), pan('b', 1, 2)])).toEqual([]);
    expect(replay([])).toEqual([]);
  });
});
