import { expect, test } from '@jest/globals';
import { bedInSight } from './bedInSight.ts';

const BED = [10, 11, 13, 13];

test('of the whole ground the bed is what is known of it', () => {
  expect(bedInSight(BED, 300, 0, 300)).toEqual([
    { distance_m: 0, height_m: 10 },
    { distance_m: 100, height_m: 11 },
    { distance_m: 200, height_m: 13 },
    { distance_m: 300, height_m: 13 },
  ]);
});

test('near by it still reaches both edges, though nothing known lies between them', () => {
  expect(bedInSight(BED, 300, 125, 175)).toEqual([
    { distance_m: 125, height_m: 11.5 },
    { distance_m: 175, height_m: 12.5 },
  ]);
});
