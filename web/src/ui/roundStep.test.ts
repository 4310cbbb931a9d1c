import { expect, test } from '@jest/globals';
import { stepAtLeast, stepAtMost } from './roundStep.ts';

test.each([
  [1, 1, 1],
  [1.1, 2, 1],
  [2, 2, 2],
  [4.9, 5, 2],
  [7, 10, 5],
  [0.03, 0.05, 0.02],
  [340, 500, 200],
])('%d lies between the round steps %d and %d', (rough, least, most) => {
  expect(stepAtLeast(rough)).toBeCloseTo(least, 12);
  expect(stepAtMost(rough)).toBeCloseTo(most, 12);
});

test('a step is never on the wrong side of what was asked, over ten powers of ten', () => {
  for (let e = -5; e <= 5; e += 0.013) {
    const rough = 10 ** e;
    expect(stepAtLeast(rough)).toBeGreaterThanOrEqual(rough * (1 - 1e-12));
    expect(stepAtMost(rough)).toBeLessThanOrEqual(rough * (1 + 1e-12));
    expect(stepAtLeast(rough) / stepAtMost(rough)).toBeLessThanOrEqual(2.5 + 1e-9);
  }
});
