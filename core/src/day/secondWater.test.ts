import { expect, test } from '@jest/globals';
import { secondWater } from './secondWater.ts';

const hole = (distance_m: number, holds?: string) => ({ distance_m, traits: holds ? { holds } : {} });
const at = (...holes: ReturnType<typeof hole>[]): number | undefined => secondWater(holes)?.distance_m;

// Common practice, no source: a hole that holds is gone to first, so the second is what is left when even that is dry.
test('with fewer than two holes there is no second', () =>
  expect([at(), at(hole(10))]).toEqual([undefined, undefined]));
test('one that holds all year is the first, one that fails in summer the last', () => {
  expect(at(hole(10, 'dry in summer'), hole(500, 'holds all year'), hole(900))).toBe(900);
  expect(at(hole(10, 'dry in summer'), hole(500, 'holds all year'))).toBe(10);
  expect(at(hole(10), hole(500))).toBe(500);
});
test('the order in which they were marked makes no difference', () => {
  const holes = [hole(10, 'dry in summer'), hole(500, 'holds all year'), hole(900), hole(700)];
  expect(at(...holes)).toBe(700);
  expect(at(...holes.reverse())).toBe(700);
});
