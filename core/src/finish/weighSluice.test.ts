import { describe, expect, test } from '@jest/globals';
import { freshWater, seaWater } from '../grains/water.ts';
import { companionWindows } from './companions.ts';
import { weighFinish, type FinishSetting } from './weighFinish.ts';
import { weighSluice, type SluiceSetting } from './weighSluice.ts';

/** The sluice of the trade's facts: 10 in wide, 16 mm of water at 1 in/ft, riffles of 6 mm every 75 mm, twelve of them. */
const sluice = (finest_mm: number, coarsest_mm: number, some: Partial<SluiceSetting> = {}): SluiceSetting => ({
  width_m: 0.254,
  depth_m: 0.016,
  slope: 1 / 12,
  riffle_m: 0.006,
  roughness_m: 0.005,
  blackShare: 0.5,
  spacing_m: 0.075,
  riffles: 12,
  finest_m: finest_mm / 1000,
  coarsest_m: coarsest_mm / 1000,
  volume_m3: 0.0252,
  water: freshWater(10),
  ...some,
});
const firstThree = (s: SluiceSetting): number =>
  weighSluice(s)
    .byRiffle.slice(0, 3)
    .reduce((sum, c) => sum + c, 0);

// Facts of the trade: common practice, no source.
describe('a riffled finishing sluice', () => {
  test('two buckets two thirds full of black sand about 0.5 mm take one to four hours', () => {
    const { hours } = weighSluice(sluice(0.4, 0.625));
    expect(hours.middle).toBeGreaterThan(1);
    expect(hours.middle).toBeLessThan(4);
  });
  test('of what is caught over six tenths of the gold of 0.15 mm lie in the first three of twelve riffles, under 0.45 of that of 2 mm', () => {
    expect(firstThree(sluice(0.145, 0.155))).toBeGreaterThan(0.6);
    expect(firstThree(sluice(1.95, 2.05))).toBeLessThan(0.45);
  });
  test('riffle by riffle less, and all of what is caught', () => {
    const { byRiffle } = weighSluice(sluice(0.3, 0.6));
    expect(byRiffle.reduce((sum, c) => sum + c, 0)).toBeCloseTo(1, 9);
    for (let i = 1; i < byRiffle.length; i++) expect(byRiffle[i]).toBeLessThan(byRiffle[i - 1] ?? 0);
  });
  test('runs that were timed move the hours toward what they took, and narrow them', () => {
    const before = weighSluice(sluice(0.4, 0.625)).hours;
    const after = weighSluice(sluice(0.4, 0.625), [2, 2, 2]).hours;
    expect(after.middle / before.middle).toBeGreaterThan(1.7);
    expect(after.middle / before.middle).toBeLessThan(2);
    expect(after.high / after.low).toBeLessThan(before.high / before.low);
  });
  test('twice the heap takes twice as long; what is no sluice is refused', () => {
    const s = sluice(0.3, 0.6);
    expect(weighSluice({ ...s, volume_m3: 0.0504 }).hours.middle).toBeCloseTo(2 * weighSluice(s).hours.middle, 9);
    expect(() => weighSluice({ ...s, riffles: 0 })).toThrow(/riffles is 0/);
    expect(() => weighSluice({ ...s, coarsest_m: 0.0002 })).toThrow(/coarser than/);
    expect(() => weighSluice(s, [-1])).toThrow(/timed/);
  });
});

describe('what else lies in the black sand', () => {
  const setting: FinishSetting = {
    finest_m: 0.0003,
    coarsest_m: 0.0006,
    feature_m: 0.0005,
    floorWidth_m: 0.2,
    slope: 0.08,
    depth_m: 0.002,
    water: freshWater(18),
    spoon_m3: 15e-6,
    blackLeft: 1 / 3,
  };
  test('garnet goes in less water than magnetite, cassiterite in more; gold goes in the same', () => {
    const windows = companionWindows(setting);
    expect(windows.map((w) => w.companion)).toEqual(['garnet', 'ilmenite', 'magnetite', 'cassiterite']);
    for (let i = 1; i < windows.length; i++) {
      expect(windows[i]?.from_m).toBeGreaterThan(windows[i - 1]?.from_m ?? 0);
      expect(windows[i]?.to_m).toBe(windows[0]?.to_m);
    }
  });
  test('with tin in it the mark stands higher and a window is less likely', () => {
    const [magnetite, tin] = [weighFinish(setting), weighFinish({ ...setting, companion: 'cassiterite' })];
    expect(tin.from_m).toBeGreaterThan(magnetite.from_m);
    expect(tin.windowChance).toBeLessThanOrEqual(magnetite.windowChance);
    expect(tin.mark_m?.middle ?? Infinity).toBeGreaterThan(magnetite.mark_m?.middle ?? 0);
  });
  test('in sea water thresholds move by some hundredths at the most', () => {
    const [fresh, sea] = [weighFinish(setting), weighFinish({ ...setting, water: seaWater(18) })];
    expect(sea.from_m).not.toBe(fresh.from_m);
    expect(Math.abs(sea.from_m / fresh.from_m - 1)).toBeLessThan(0.05);
    expect(Math.abs((sea.mark_m?.middle ?? 0) / (fresh.mark_m?.middle ?? 1) - 1)).toBeLessThan(0.08);
  });
});
