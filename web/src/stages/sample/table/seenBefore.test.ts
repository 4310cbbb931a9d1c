import { describe, expect, test } from '@jest/globals';
import { NO_COLORS } from '@riffle/core';
import { localTime } from '../../../when/localTime.ts';
import { SeenBefore, type PanOfRow } from './seenBefore.ts';

const pan = (some: Partial<PanOfRow> = {}): PanOfRow => ({
  spotId: 'a',
  takenAt: new Date(2026, 4, 3, 12).toISOString(),
  depth_m: 0.3,
  volume_L: 9.5,
  counts: { ...NO_COLORS, '-40': 4 },
  gold_mg: null,
  ...some,
});

describe('a row that is in the book', () => {
  test('is one of the same place, day, depth, amount and counts, whatever the hour', () => {
    expect(new SeenBefore([pan()], localTime(null)).has(pan({ takenAt: new Date(2026, 4, 3, 8).toISOString() }))).toBe(
      true,
    );
  });
  test.each([
    [{ spotId: 'b' }],
    [{ takenAt: new Date(2026, 4, 4, 12).toISOString() }],
    [{ depth_m: 0.31 }],
    [{ volume_L: 9.6 }],
    [{ counts: { ...NO_COLORS, '-40': 5 } }],
    [{ gold_mg: 2 }],
  ])('%j is another', (some) => expect(new SeenBefore([pan()], localTime(null)).has(pan(some))).toBe(false));
  test('two equal pans answer for two rows, not for three', () => {
    const seen = new SeenBefore([pan(), pan()], localTime(null));
    expect([seen.has(pan()), seen.has(pan()), seen.has(pan())]).toEqual([true, true, false]);
  });
});
