import { describe, expect, test } from '@jest/globals';
import type { StoredScreening } from '@riffle/contract';
import { feedMedian_m } from './feedMedian.ts';

const screening = (spotId: string, screenedAt: string, kept: readonly [number, number][], through: number) =>
  ({
    spotId,
    screenedAt,
    screens: kept.map(([aperture_mm, amount]) => ({ aperture_mm, kept: amount })),
    through,
  }) as StoredScreening;
const COARSE = [
  [16, 20],
  [8, 20],
  [4, 20],
  [2, 20],
] as [number, number][];

describe('how fine the feed is, by Screens', () => {
  const here = screening('s', '2026-05-01', COARSE, 20);
  const later = screening(
    'q',
    '2026-06-01',
    [
      [16, 0],
      [2, 10],
    ],
    90,
  );
  test('by the latest at the spot, before any other of the ground', () => {
    expect(feedMedian_m([here, later], 's', 0.016)).toBeCloseTo(0.004, 9);
    expect(feedMedian_m([here], 'z', 0.016)).toBeCloseTo(0.004, 9);
  });
  test('where a stack does not reach the next one speaks; none says nothing', () => {
    expect(feedMedian_m([here, later], 'q', 0.016)).toBeCloseTo(0.004, 9);
    expect(feedMedian_m([here], 's', 0.02)).toBeNull();
    expect(feedMedian_m([], 's', 0.0127)).toBeNull();
  });
});
