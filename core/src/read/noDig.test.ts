import { describe, expect, test } from '@jest/globals';
import { isNoDig, waypointKind } from './noDig.ts';
import { rankPlaces } from './rankPlaces.ts';

describe('way points that are no places to dig', () => {
  test.each([
    ['Camp', 'camp or car'],
    ['trail head 2', 'camp or car'],
    ['Car', 'camp or car'],
    ['Campion bar', 'other'],
    ['Otter bar', 'other'],
    ['', 'other'],
  ])('“%s” seems to be %s', (name, kind) => expect(waypointKind(name)).toBe(kind));

  test('stand in no ranking, whatever they are called; a person’s word is above the name', () => {
    const at = (id: string, kind: 'other' | 'camp or car' | 'mark', name: string, distance_m: number) =>
      ({ id, kind, name, distance_m, bank: 'left', offset_m: 5, samplePlanId: null }) as const;
    const { ranked } = rankPlaces(
      [at('a', 'camp or car', 'Bend', 100), at('b', 'mark', 'Post', 200), at('c', 'other', 'Camp bar', 300)],
      [],
      [],
      new Map(),
      { pays_mg_L: 0.15, reach_m: 1, priors: {} },
      null,
      0,
    );
    expect(ranked.map((r) => r.place.spotId)).toEqual(['c']);
    expect([isNoDig('mark'), isNoDig('other')]).toEqual([true, false]);
  });
});
