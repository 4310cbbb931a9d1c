import { describe, expect, test } from '@jest/globals';
import { haulOrDry } from './haulOrDry.ts';
import { weighWays, type UnsureDry, type UnsureHaul } from './weighWays.ts';

const GRAVEL = { volume_m3: 0.3, grade_mg_m3: 300, hourValue: 15 };
const sure = (middle: number) => ({ middle, logSd: 0 });
/** The case of check values 19g, each figure sure. */
const WASHER: UnsureDry = { pace_m3_h: sure(0.076), passes: 1, lost: sure(0.25), setUp_h: 0.5, running_per_h: 1 };
const HAUL: UnsureHaul = {
  density_kg_m3: 1600,
  payload_kg: 500,
  distance_km: 12,
  chanceDry: 0,
  between_km: 0,
  second_km: 0,
  speed_km_h: sure(30),
  cost_per_km: 0.4,
  loadUnload_h: sure(0.5),
  pace_m3_h: sure(0.12),
  lost: sure(0.1),
  running_per_h: 0.5,
};
const PAN: UnsureDry = { pace_m3_h: sure(0.03), passes: 1, lost: sure(0.3), setUp_h: 0, running_per_h: 0 };

describe('ways to the gold of dry ground', () => {
  test('where all is sure it is the sum of check values 19g, and nothing decides', () => {
    const { ways, decides, trips, breakEven_km } = weighWays(GRAVEL, WASHER, null, HAUL);
    const one = haulOrDry(
      GRAVEL,
      { ...WASHER, pace_m3_h: 0.076, recovered: 0.75 },
      { ...HAUL, pace_m3_h: 0.12, recovered: 0.9, speed_km_h: 30, loadUnload_h: 0.5 },
    );
    expect(ways.map((w) => [w.way, w.cheapest])).toEqual([
      ['haul', 1],
      ['washer', 0],
    ]);
    expect(ways[0]?.cost_per_g.middle).toBeCloseTo(one.haul.cost_per_g, 9);
    expect(ways[1]?.hours).toEqual({ low: one.dry.hours, middle: one.dry.hours, high: one.dry.hours });
    expect([trips, decides]).toEqual([1, null]);
    expect(breakEven_km).toBeCloseTo(21.4108, 3);
  });
  test('chances add up to one, and the farther the hole the less often the haul', () => {
    const unsure: UnsureDry = {
      ...WASHER,
      pace_m3_h: { middle: 0.076, logSd: 0.3 },
      lost: { middle: 0.25, logSd: 0.4 },
    };
    const hauled = [2, 20, 60].map((distance_km) => {
      const { ways } = weighWays(GRAVEL, unsure, PAN, { ...HAUL, distance_km });
      expect(ways.reduce((sum, w) => sum + w.cheapest, 0)).toBeCloseTo(1, 9);
      return ways.find((w) => w.way === 'haul')?.cheapest ?? NaN;
    });
    expect(hauled[0]).toBeGreaterThan(hauled[1] ?? 1);
    expect(hauled[1]).toBeGreaterThan(hauled[2] ?? 1);
  });
  test('what alone is unsure is what decides', () => {
    const loss = { ...WASHER, lost: { middle: 0.25, logSd: 0.5 } };
    expect(weighWays(GRAVEL, loss, null, HAUL).decides).toBe('washer loss');
    const slow = { ...HAUL, speed_km_h: { middle: 30, logSd: 0.4 } };
    expect(weighWays(GRAVEL, WASHER, null, slow).decides).toBe('speed');
    const dryHole = { ...HAUL, chanceDry: 0.4, between_km: 30, second_km: 40 };
    expect(weighWays(GRAVEL, WASHER, null, dryHole).decides).toBe('hole');
  });
  test('without a washer the pan stands against the haul', () => {
    const { ways } = weighWays(GRAVEL, null, PAN, HAUL);
    expect(ways.map((w) => w.way).sort()).toEqual(['dry pan', 'haul']);
  });
  test('what is no gravel is refused', () =>
    expect(() => weighWays({ ...GRAVEL, volume_m3: 0 }, WASHER, null, HAUL)).toThrow('volume_m3'));
});
