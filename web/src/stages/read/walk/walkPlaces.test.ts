import { describe, expect, test } from '@jest/globals';
import type { PlannedStop } from '@riffle/contract';
import type { RankedPlace } from '@riffle/core';
import { walkPlaces } from './walkPlaces.ts';
import { markWords, sideWords } from './walkWords.ts';

const ranked = (id: string, distance_m: number, chance = 0.3): RankedPlace =>
  ({
    chance,
    panned: null,
    place: { id, spotId: null, name: id, distance_m, bank: 'left', kinds: ['bar'], signIds: ['s'] },
  }) as unknown as RankedPlace;
const stop = (placeId: string, distance_m: number): PlannedStop => ({
  placeId,
  spotId: null,
  name: placeId,
  distance_m,
  bank: 'right',
  offset_m: 6,
  work_min: 20,
});

describe('the places of a walk', () => {
  const best = Array.from({ length: 9 }, (_, i) => ranked(`p${i + 1}`, 900 - 100 * i));
  test('are the seven best, in the order of the line, each with its rank', () => {
    const places = walkPlaces(best, []);
    expect(places.map((p) => [p.id, p.rank])).toEqual([
      ['p7', 7],
      ['p6', 6],
      ['p5', 5],
      ['p4', 4],
      ['p3', 3],
      ['p2', 2],
      ['p1', 1],
    ]);
  });
  test('and the stops of the plan: a low one keeps its rank, one that is in no ranking has none', () => {
    const places = walkPlaces(best, [stop('p9', 100), stop('gone', 50)]);
    expect(places.slice(0, 2).map((p) => [p.id, p.rank, p.isPlanned])).toEqual([
      ['gone', null, true],
      ['p9', 9, true],
    ]);
    expect(places).toHaveLength(9);
  });
  test('are said by the hand they lie on and what speaks for them', () => {
    const [mark] = walkPlaces([ranked('p', 100, 0.42)], []);
    if (!mark) throw new Error('no place');
    expect([sideWords(mark, 'up'), sideWords(mark, 'down'), markWords(mark)]).toEqual([
      'ahead, on your right',
      'ahead, on your left',
      'pays 4 in 10, untried',
    ]);
    expect(sideWords({ bank: 'mid' }, 'up')).toBe('ahead, in the stream');
  });
});
