import { describe, expect, test } from '@jest/globals';
import { givenFor, namesFor, NOTHING_GIVEN, placeGiven, saysGiven, type Given } from './place.ts';
import { asGeoJson, givenPlaces } from './placesFile.ts';

const spots = [
  { id: 'a', name: 'Long bar' },
  { id: 'b', name: 'Ledge' },
];
const given = (some: Partial<Given>): Given => ({ ...NOTHING_GIVEN, ...some });

describe('what of the place goes into a file', () => {
  test('nothing unless it was chosen; names said for a table bring no position into a map, nor names into a nameless one', () => {
    expect(givenFor(NOTHING_GIVEN, true)).toMatchObject({ way: 'none', names: false });
    expect(givenFor(given({ names: true }), false)).toMatchObject({ way: 'none', names: true });
    expect(givenFor(given({ names: true }), true)).toMatchObject({ way: 'none', names: false });
    expect(givenFor(given({ way: 'exact', names: true }), false)).toMatchObject({ way: 'none', names: true });
  });
  test('spots without their names are numbered', () => {
    const names = namesFor(NOTHING_GIVEN, { name: 'Test Fork' }, spots);
    expect([names.ground, names.spot('b'), names.spot('gone')]).toEqual(['A ground', 'Spot 2', 'a spot since removed']);
    expect(namesFor(given({ names: true }), { name: 'Test Fork' }, spots).spot('b')).toBe('Ledge');
  });
  test('what is moved away is turned otherwise in each file', () => {
    const turn = (random: number) => placeGiven(given({ way: 'shifted' }), () => random);
    expect(turn(0.25)).toEqual({ way: 'shifted', turn_rad: Math.PI / 2 });
    expect(placeGiven(given({ way: 'blurred', size_m: 2000 }))).toEqual({ way: 'blurred', size_m: 2000 });
  });
  test.each([
    [given({}), /^No position is in it\. It names neither/],
    [given({ way: 'exact', names: true }), /knows where you dig\. It names the ground/],
    [given({ way: 'blurred', size_m: 2000 }), /square 2 km wide\. It names neither/],
    [given({ way: 'shifted' }), /shape can still be recognized/],
  ])('%j says so', (what, says) => expect(saysGiven(what)).toMatch(says));
});

test('points of a line that fall into one square are one; of what is not given nothing is left', () => {
  const behind = {
    name: 'A ground',
    line: [
      [0.1, 46],
      [0.2, 46],
      [1.2, 46],
    ] as const,
    spots: [{ name: 'Spot 1', position: [0.1, 46] as const, found: 'not panned' }],
  };
  const whole = givenPlaces(behind, ([lon, lat]) => [Math.floor(lon), lat]);
  expect(whole.line).toEqual([
    [0, 46],
    [1, 46],
  ]);
  const none = givenPlaces(behind, () => null);
  expect(JSON.parse(asGeoJson(none))).toEqual({
    type: 'FeatureCollection',
    features: [
      { type: 'Feature', geometry: null, properties: { name: 'A ground' } },
      { type: 'Feature', geometry: null, properties: { name: 'Spot 1', found: 'not panned' } },
    ],
  });
});
