import { expect, test } from '@jest/globals';
import { OutOfRange } from '../outOfRange.ts';
import { repeatWeighing } from './repeatWeighing.ts';

test('the mean of the full vial less the empty one, and whether the weighings agree', () => {
  const one = repeatWeighing(12_345.6, [12_379.8], 0.1);
  expect(one.net_mg).toBeCloseTo(34.2, 9);
  expect(one.agree).toBeNull();
  const two = repeatWeighing(12_345.6, [12_379.8, 12_380], 0.1);
  expect(two.net_mg).toBeCloseTo(34.3, 9);
  expect([two.differ_mg.toFixed(1), two.agree]).toEqual(['0.2', true]);
  // A kitchen scale that shows tenths of a gram may be off by three of them; the fine one may not.
  expect(repeatWeighing(12_000, [13_000, 13_300], 100).agree).toBe(true);
  expect(repeatWeighing(12_345.6, [12_379.8, 12_381], 0.1).agree).toBe(false);
});
test('nothing weighed, or a vial that became lighter, is refused', () => {
  expect(() => repeatWeighing(1, [], 0.1)).toThrow(OutOfRange);
  expect(() => repeatWeighing(100, [99], 0.1)).toThrow(OutOfRange);
});
