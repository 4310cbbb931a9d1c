import { describe, expect, test } from '@jest/globals';
import { clockStore, hearClock, trueNow_ms } from './trueClock.ts';

const NOON_MS = Date.UTC(2026, 5, 1, 12);
const said = (ms: number): string => new Date(ms).toUTCString();

describe('the clock of this device', () => {
  test('two hours behind the server it is set right; right again, nothing is added', () => {
    let told = 0;
    const stop = clockStore.subscribe(() => told++);
    hearClock(NOON_MS - 7_200_000, said(NOON_MS), NOON_MS - 7_200_000 + 400);
    expect(clockStore.read()).toBeCloseTo(7_200_000 + 300, -1);
    expect(trueNow_ms() - Date.now()).toBeGreaterThan(7_190_000);
    // Heard again a moment later: nothing new.
    hearClock(NOON_MS - 7_199_000, said(NOON_MS + 1000), NOON_MS - 7_199_000 + 300);
    expect(told).toBe(1);
    hearClock(NOON_MS, said(NOON_MS + 40_000), NOON_MS + 400);
    expect(clockStore.read()).toBe(0);
    expect(told).toBe(2);
    stop();
  });
  test('an answer without a date tells nothing', () => {
    hearClock(NOON_MS, null);
    hearClock(NOON_MS, 'noon');
    expect(clockStore.read()).toBe(0);
  });
});
