import { describe, expect, test } from '@jest/globals';
import { byFloods, isAhead, riverIsFresh, riverNow } from '../index.ts';

const HOUR_MS = 3_600_000;
const NOW_MS = Date.UTC(2026, 4, 10, 12);
const reading = (hours: number, level_m: number, isFlood = false) => ({
  readAt: new Date(NOW_MS + hours * HOUR_MS).toISOString(),
  level_m,
  isFlood,
});

describe('the river as last read', () => {
  test('is the latest reading, with its trend by hand: 12 cm down in half a day is 24 cm a day', () => {
    const river = riverNow([reading(-2, 0.5), reading(-14, 0.62), reading(-300, 1.8, true)], NOW_MS);
    expect(river).toMatchObject({ last: { level_m: 0.5 }, flood: { level_m: 1.8 } });
    expect(river?.trend_m_day).toBeCloseTo(-0.24, 9);
    expect([riverIsFresh(river?.last, NOW_MS), riverIsFresh(reading(-37, 0.5), NOW_MS)]).toEqual([true, false]);
  });
  test('is none that lies ahead: a gauge’s forecast, or a logger whose clock is wrong, says nothing of today', () => {
    const foretold = [reading(30, 2.4, true), reading(8760, 0.3)];
    expect(riverNow(foretold, NOW_MS)).toBeNull();
    expect(riverNow([...foretold, reading(-2, 0.5)], NOW_MS)).toMatchObject({ last: { level_m: 0.5 }, flood: null });
    // Once its hour has come it counts.
    expect(riverNow(foretold, NOW_MS + 31 * HOUR_MS)).toMatchObject({
      last: { level_m: 2.4 },
      flood: { level_m: 2.4 },
    });
  });
  test('the clock of another phone may be a little fast', () => {
    expect(riverNow([reading(0.5, 0.5)], NOW_MS)).toMatchObject({ last: { level_m: 0.5 } });
    expect([isAhead(NOW_MS + HOUR_MS, NOW_MS), isAhead(NOW_MS + HOUR_MS + 1, NOW_MS)]).toEqual([false, true]);
  });
  test('nor does a flood that lies ahead lay any place anew', () => {
    const floods = [reading(30, 2.4, true)];
    const place = {} as never;
    expect(byFloods(floods, NOW_MS).since(place, NOW_MS - HOUR_MS)).toBe(0);
    expect(byFloods(floods, NOW_MS + 40 * HOUR_MS).since(place, NOW_MS - HOUR_MS)).toBe(1);
  });
});
