import { describe, expect, test } from '@jest/globals';
import { NO_COLORS } from '../sample/colorWeights.ts';
import { mixOf, USUAL_MIX } from './goldMix.ts';

describe('the gold a box is judged by', () => {
  test('before twenty colors the usual mix; its shares are all of it', () => {
    expect(mixOf({ ...NO_COLORS, '-40': 19 })).toBe(USUAL_MIX);
    expect(USUAL_MIX.reduce((sum, g) => sum + g.share, 0)).toBeCloseTo(1, 12);
  });
  test('specks make it fine, pickers coarse; shares are all of it either way', () => {
    const fine = mixOf({ ...NO_COLORS, '-40': 60, '20-40': 2 });
    const coarse = mixOf({ ...NO_COLORS, '-40': 30, '20-40': 25, '10-20': 12 });
    const below = (mix: typeof fine): number => mix.slice(0, 3).reduce((sum, g) => sum + g.share, 0);
    expect(below(fine)).toBeGreaterThan(0.6);
    expect(below(coarse)).toBeLessThan(below(fine));
    for (const mix of [fine, coarse]) expect(mix.reduce((sum, g) => sum + g.share, 0)).toBeCloseTo(1, 9);
  });
});
