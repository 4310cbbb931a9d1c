import { describe, expect, test } from '@jest/globals';
import { floatTrend, mouthsOf, mouthsThatFeed, mouthsWithin, type TracePoint } from '../index.ts';

const spot = (id: string, kind: string, distance_m: number, bank: 'left' | 'right' = 'left') => ({
  id,
  name: id,
  kind,
  distance_m,
  bank,
});
const tried = (id: string, distance_m: number, colors: number): TracePoint => ({
  id,
  distance_m,
  colors,
  volumeBank_L: 10,
});
const draw = { id: 'g', name: 'Sixpence Draw', distance_m: 505, bank: 'left' as const };

describe('mouths of draws', () => {
  test('a ground that runs in, a spot and a sign at one place are one mouth, under the ground’s name and with the spot’s pans', () => {
    const mouths = mouthsOf(
      [spot('mouth', 'draw mouth', 500), spot('bar', 'bar', 502)],
      [
        { kind: 'draw mouth', distance_m: 510, bank: 'left' },
        { kind: 'draw mouth', distance_m: 510, bank: 'right' },
      ],
      [draw],
      [tried('mouth', 500, 3), tried('bar', 502, 40)],
    );
    expect(mouths).toEqual([
      { name: 'Sixpence Draw', distance_m: 505, bank: 'left', groundId: 'g', own: { colors: 3, volumeBank_L: 10 } },
      { name: 'the draw', distance_m: 510, bank: 'right', groundId: null, own: null },
    ]);
    expect(mouthsWithin(mouths, 480, 490).map((m) => m.name)).toEqual(['Sixpence Draw', 'the draw']);
    expect(mouthsWithin(mouths, 100, 200)).toEqual([]);
  });
  const creek = (below: number, above: number): TracePoint[] => [
    ...[440, 460, 480].map((d) => tried(`${d}`, d, below)),
    ...[530, 550, 570].map((d) => tried(`${d}`, d, above)),
  ];
  test('where nothing differs beyond luck nothing is said; a tenfold difference must come from somewhere', () => {
    const mouths = mouthsOf([], [], [draw], []);
    expect(mouthsThatFeed(mouths, creek(9, 7), 0.15)).toEqual([]);
    expect(mouthsThatFeed(mouths, creek(9, 7).slice(0, 3), 0.15)).toEqual([]);
    const [said] = mouthsThatFeed(mouths, creek(40, 3), 0.2);
    // By hand: (below - 0.8 above) / 0.2, half a color added on either side of 30 L.
    const [below, above] = [120.5 / 30, 9.5 / 30];
    expect(said?.needs.middle).toBeCloseTo((below - 0.8 * above) / 0.2, 6);
    expect(said?.needs.low).toBeLessThan(said?.needs.middle ?? 0);
    expect(said?.own).toBeNull();
  });
  test('its own pans bear it out, or send one elsewhere', () => {
    const with_ = (colors: number): string | null | undefined =>
      mouthsThatFeed(
        mouthsOf([spot('mouth', 'draw mouth', 505)], [], [], [tried('mouth', 505, colors)]),
        [...creek(40, 3), tried('mouth', 505, colors)],
        0.2,
      )[0]?.own;
    expect([with_(0), with_(300)]).toEqual(['too poor for it', 'carries it']);
  });
});

describe('where float points', () => {
  const stones = (from_m: number) =>
    [0, 100, 200, 300, 400].map((d, i) => ({ kind: 'float', distance_m: from_m + d, size_mm: 20 * 1.4 ** i }));
  const mouths = mouthsOf([], [], [draw], []);
  test('up the creek, into the draw beside the largest stone, or past the end of the line', () => {
    expect(floatTrend(stones(700), mouths, 5000)).toMatchObject({ kind: 'grows', draw: null, beyondTheLine: false });
    expect(floatTrend(stones(110), mouths, 5000)).toMatchObject({ kind: 'grows', draw: { name: 'Sixpence Draw' } });
    expect(floatTrend(stones(700), mouths, 1150)).toMatchObject({ kind: 'grows', beyondTheLine: true });
  });
  test('two places are no trend, nor is a row of equal stones', () => {
    expect(floatTrend(stones(700).slice(0, 2), mouths, 5000)).toEqual({ kind: 'too few' });
    const even = stones(700).map((s, i) => ({ ...s, size_mm: 40 + (i % 2) }));
    expect(floatTrend(even, mouths, 5000)).toEqual({ kind: 'no trend' });
  });
});
