import { describe, expect, test } from '@jest/globals';
import {
  boxAbout,
  centreLine,
  groundColors,
  NO_COLORS,
  outlineOnGround,
  placesOf,
  reachOf,
  type LineSpot,
  type SpotPan,
  type SpotPit,
} from '../index.ts';

const line: [number, number][] = [
  [-33, 46.5],
  [-33, 46.509],
];
const ground = { id: 'g', length_m: 1000, swell_percent: 18, line };
const spot = (id: string, distance_m: number, bank: 'left' | 'right', offset_m: number): LineSpot => ({
  id,
  distance_m,
  bank,
  offset_m,
});
const pan = (spotId: string, depth_m: number, colors: number): SpotPan & { depth_m: number } => ({
  spotId,
  layerId: null,
  depth_m,
  volume_L: 10,
  volumeState: 'bank',
  counts: { ...NO_COLORS, '-40': colors },
  gold_mg: null,
});
const spots = [spot('a', 100, 'left', 4), spot('b', 120, 'right', 6), spot('c', 140, 'left', 2)];
const samples = [pan('a', 0.3, 5), pan('a', 0.9, 15), pan('b', 0.3, 0)];
const colors = groundColors(samples, 18);
const mg = colors.weights_mg['-40'];

describe('sampled spots on the ground pulled straight', () => {
  test('left is up, a blank is poor, an unsampled spot is not there', () => {
    const { places } = placesOf(ground, spots, samples, [], colors, null, 0.4, 0.7);
    expect(places).toMatchObject([
      { x_m: 100, y_m: 4, pay_m: 0.4, cover_m: 0.7 },
      { x_m: 120, y_m: -6 },
    ]);
    // Two levels, each for half of 1.2 m: 0.5 and 1.5 colors a litre; beside a blank it is believed to hold a little less.
    const own = ((0.5 + 1.5) / 2) * mg;
    expect(places[0]?.grade_mg_L).toBeLessThan(1.2 * own);
    expect(places[0]?.grade_mg_L).toBeGreaterThan(0.5 * own);
    expect(places[1]?.grade_mg_L).toBeLessThan(0.3 * own);
  });
  test('only samples of a stretch of depth, when asked', () => {
    const { places } = placesOf(ground, spots, samples, [], colors, { from_m: 0.5, to_m: 1 }, 0.4, 0.7);
    expect(places.map((p) => p.spot.id)).toEqual(['a']);
    expect(places[0]?.grade_mg_L).toBeGreaterThan(1 * mg);
  });
  test('nobody said how thick: the ground’s pits do, and without any it is said for a metre', () => {
    const layer = (id: string, thickness_m: number, pay: boolean) => ({ id, thickness_m, pay });
    const pit: SpotPit = { id: 'p', spotId: 'b', layers: [layer('1', 0.8, false), layer('2', 0.3, true)] };
    expect(placesOf(ground, spots, samples, [pit], colors, null, null, null)).toMatchObject({
      thickness: 'pits',
      coverKnown: true,
      places: [{ pay_m: expect.closeTo(0.3, 12), cover_m: expect.closeTo(0.8, 12) }, {}],
    });
    expect(placesOf(ground, spots, samples, [], colors, null, null, null)).toMatchObject({
      thickness: 'not known',
      coverKnown: false,
      places: [{ pay_m: 1 }, { pay_m: 1 }],
    });
    expect(placesOf(ground, spots, samples, [pit], colors, null, 0.4, null).thickness).toBe('said');
  });
  test('far samples do not speak for the ground between them', () => {
    const near = [0, 4, 8, 12].map((x_m) => ({ x_m, y_m: 0 }));
    expect(reachOf([...near, { x_m: 900, y_m: 0 }], 1, null)).toBeCloseTo(3.2, 9);
    expect(reachOf(near, 1, { range_m: 1 })).toBe(1);
  });
  test('a pit says how thick its pay and cover are', () => {
    const layer = (thickness_m: number, pay: boolean) => ({ id: `${thickness_m}`, thickness_m, pay });
    const pit = {
      id: 'pit',
      spotId: 'a',
      layers: [layer(0.5, false), layer(0.2, true), layer(0.1, false), layer(0.15, true), layer(0.3, false)],
    } as SpotPit;
    expect(placesOf(ground, spots, samples, [pit], colors, null, 0.4, 0.7).places[0]).toMatchObject({
      pay_m: expect.closeTo(0.45, 12),
      cover_m: 0.5,
    });
  });
});

describe('the ground that counts', () => {
  test('a shape of the map lies where it was drawn', () => {
    const centre = centreLine(line);
    const points = (
      [
        [100, 5, 'left'],
        [200, 5, 'left'],
        [200, 8, 'right'],
      ] as const
    ).map(([d, o, b]) => centre.positionAt(d, o, b));
    const corners = outlineOnGround(ground, { points }) ?? [];
    [
      [100, 5],
      [200, 5],
      [200, -8],
    ].forEach(([x, y], i) => {
      expect(corners[i]?.x_m).toBeCloseTo(x ?? NaN, 1);
      expect(corners[i]?.y_m).toBeCloseTo(y ?? NaN, 1);
    });
    expect(outlineOnGround({ ...ground, line: null }, { points })).toBeNull();
  });
  test('the box holds every sample with room around it; one sample makes none', () => {
    const box =
      boxAbout([
        { x_m: 10, y_m: 0 },
        { x_m: 50, y_m: 20 },
      ]) ?? [];
    expect(Math.min(...box.map((c) => c.x_m))).toBeLessThan(10);
    expect(Math.max(...box.map((c) => c.y_m))).toBeGreaterThan(20);
    expect(boxAbout([{ x_m: 1, y_m: 1 }])).toBeNull();
  });
});
