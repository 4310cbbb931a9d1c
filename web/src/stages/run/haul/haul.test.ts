import { describe, expect, test } from '@jest/globals';
import type { WeighedWay, WeighedWays } from '@riffle/core';
import { CONTAINERS } from '@riffle/core';
import { haulWords } from './haulWords.ts';
import { asPace, haulWay, newHaul, ownPace_m3_h, readHaul } from './readHaul.ts';

const read = (some: Partial<ReturnType<typeof newHaul>> = {}) => readHaul({ ...newHaul(false), ...some }, CONTAINERS);

describe('the haul as it is typed', () => {
  test('reads as most haul; what is left out is there and back, and no second hole', () => {
    const way = haulWay(read(), null, 20);
    expect(way).toMatchObject({ distance_km: 12, between_km: 12, second_km: 24, chanceDry: 0, payload_kg: 400 });
    expect(way?.pace_m3_h.middle).toBeCloseTo(0.16, 9);
  });
  test('own runs make the pace surer; a typed one goes before them', () => {
    const own = haulWay(read(), 0.3, 20);
    expect(own?.pace_m3_h.middle).toBe(0.3);
    expect(own?.pace_m3_h.logSd).toBeLessThan(asPace(null, 1).logSd);
    expect(haulWay(read({ wetPace: '5' }), 0.3, 20)?.pace_m3_h.middle).toBeCloseTo(0.1, 9);
  });
  test.each([
    ['volume', { volume: { text: '0', unit: 'L' } }],
    ['dryInTen', { dryInTen: '11' }],
    ['payload_kg', { payload_kg: '' }],
    ['speed_km_h', { speed_km_h: 'fast' }],
    ['distance', { distance: { text: '9000', unit: 'km' } }],
  ] as const)('%s that cannot be is told, and nothing is weighed', (field, some) => {
    const readings = read(some);
    expect(readings[field].ok).toBe(false);
    expect(field === 'volume' ? readings.volume.ok : haulWay(readings, null, 20)).toBeFalsy();
  });
  test('a pace of one’s own takes half an hour of runs of that kind; tailings do not count', () => {
    const runs = [
      { setupId: 'wet', tally: { running_s: 3600, volumeLoose_L: 200 } },
      { setupId: 'dry', tally: { running_s: 3600, volumeLoose_L: 80 } },
      { setupId: 'again', tally: { running_s: 3600, volumeLoose_L: 500 } },
    ] as never;
    const setups = [
      { id: 'wet', rigId: 'box', air: null },
      { id: 'dry', rigId: 'washer', air: { pass: 1 } },
      { id: 'again', rigId: 'washer', air: { pass: 2 } },
    ] as never;
    const rigs = [{ id: 'box' }, { id: 'washer', washer: {} }] as never;
    expect(ownPace_m3_h(runs, setups, rigs, false)).toBeCloseTo(0.2, 9);
    expect(ownPace_m3_h(runs, setups, rigs, true)).toBeCloseTo(0.08, 9);
    expect(ownPace_m3_h([], setups, rigs, true)).toBeNull();
  });
});

describe('what is said of the ways', () => {
  const of = (way: WeighedWay['way'], middle: number, cheapest: number): WeighedWay => {
    const spread = { low: 0.8 * middle, middle, high: 1.3 * middle };
    return { way, hours: spread, cost_per_g: spread, gold_g: spread, cheapest };
  };
  const found = (some: Partial<WeighedWays>): WeighedWays => ({
    ways: [of('haul', 40, 0.8), of('washer', 60, 0.2)],
    trips: 2,
    decides: 'washer loss',
    breakEven_km: 33.2,
    ...some,
  });
  const words = (f: WeighedWays) =>
    haulWords(
      f,
      (v) => `${v.toFixed(0)} h`,
      (km) => `${km.toFixed(0)} km`,
    );
  test('the cheaper first, how sure, what decides, from how far', () => {
    const { says, rests } = words(found({}));
    expect(says).toBe('Carry it to water: a gram costs 40 h (32–52), washing it dry 60 h (48–78).');
    expect(rests).toBe(
      'The cheaper 8 times in 10. What decides it is how much the washer loses. Hauling pays from holes nearer than 33 km.',
    );
  });
  test('a toss-up says so, and what would tell it', () => {
    const { says, rests } = words(found({ ways: [of('haul', 40, 0.55), of('washer', 42, 0.45)] }));
    expect(says).toMatch(/^A toss-up/);
    expect(rests).toContain('run one day’s tailings again and weigh both');
  });
  test('where nothing is left to decide nothing is named; a haul that loses next door is told', () => {
    const { rests } = words(found({ ways: [of('washer', 40, 0.99), of('haul', 90, 0.01)], breakEven_km: null }));
    expect(rests).toBe('The cheaper nearly always. Carried to water it would lose even next door.');
  });
});
