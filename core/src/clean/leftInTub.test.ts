import { expect, test } from '@jest/globals';
import { OutOfRange } from '../outOfRange.ts';
import { leftInTub } from './leftInTub.ts';

test('Garwood’s limits of 3 colors, 0.818 and 7.754 (his table), over the volume left and the two weights', () => {
  const { low, high } = leftInTub(3, 0.25, 5, 0.02, 0.1);
  expect(low).toBeCloseTo(0.8177 * 20 * 0.02, 3);
  expect(high).toBeCloseTo(7.7537 * 20 * 0.1, 2);
});
test('no color: nothing at least, and at most what 3 colors would weigh', () => {
  expect(leftInTub(0, 0.25, 5, 0.02, 0.1).low).toBe(0);
  expect(leftInTub(0, 0.25, 5, 0.02, 0.1).high).toBeCloseTo(2.9957 * 20 * 0.1, 3);
});
test('a pan of nothing, or weights upside down, are refused', () => {
  expect(() => leftInTub(1, 0, 5, 0.02, 0.1)).toThrow(OutOfRange);
  expect(() => leftInTub(1, 0.25, 5, 0.2, 0.1)).toThrow(OutOfRange);
});
