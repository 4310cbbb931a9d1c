import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { byFloods, byStorms } from '../read/renewal.ts';
import { onAndOff, shoreDay, swellAdds_m, usualSwell } from './shoreDay.ts';
import {
  heightAlong,
  highTideAbout_m,
  laidAnewChance,
  laidAnewSince,
  reachedChance,
  stormReach,
  type Storm,
} from './storms.ts';
import { deepWaterLength_m, runup_m } from './waves.ts';

const storm = (some: Partial<Storm> = {}): Storm & { highTide_m: number } => ({
  at_ms: 0,
  height_m: 3.5,
  period_s: 11,
  cut_m: null,
  ...some,
  highTide_m: some.highTide_m ?? 1.9,
});

describe('waves', () => {
  test('a wave of 10 s is 156 m long in deep water (linear theory, the handbook’s 1.56 T^2)', () =>
    expect(deepWaterLength_m(10)).toBeCloseTo(156.1, 1));
  test('run-up of 4 m and 11 s on 1 in 10: 2.54 m (worked example of an open library for Stockdon and others, from memory)', () =>
    expect(runup_m({ height_m: 4, period_s: 11 }, 0.1)).toBeCloseTo(2.54, 2));
  test('on a flat beach the slope no longer counts: 0.043 sqrt(H L) (Stockdon and others, equation 18)', () => {
    const sea = { height_m: 3, period_s: 10 };
    expect(runup_m(sea, 0.02)).toBeCloseTo(0.043 * Math.sqrt(3 * deepWaterLength_m(10)), 9);
    expect(runup_m(sea, 0.02)).toBe(runup_m(sea, 0.015));
  });
  test('it agrees within a third with Nielsen & Hanslow (1991) on their steep beaches: 1.98 x 0.6 tan(slope) sqrt(Hrms L)', () => {
    for (const [h, t] of [
      [1.5, 9],
      [3, 12],
      [4.5, 13],
    ] as const) {
      const other = 1.98 * 0.6 * 0.1 * Math.sqrt((h / Math.SQRT2) * deepWaterLength_m(t));
      expect(Math.abs(runup_m({ height_m: h, period_s: t }, 0.1) / other - 1)).toBeLessThan(0.34);
    }
  });
  test('higher, longer waves and a steeper face never run up less', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.3, max: 8, noNaN: true }),
        fc.double({ min: 4, max: 18, noNaN: true }),
        fc.double({ min: 0.04, max: 0.15, noNaN: true }),
        (height_m, period_s, slope) => {
          // Within one of the paper's two laws: where the beach turns dissipative they do not meet.
          fc.pre(slope / Math.sqrt((1.1 * height_m) / deepWaterLength_m(period_s)) > 0.3);
          const up = runup_m({ height_m, period_s }, slope);
          expect(runup_m({ height_m: height_m * 1.1, period_s }, slope)).toBeGreaterThan(up * 0.999);
          expect(runup_m({ height_m, period_s: period_s * 1.1 }, slope)).toBeGreaterThan(up);
        },
      ),
    ));
  test.each([
    [{ height_m: 0, period_s: 9 }, 0.1, /height_m/],
    [{ height_m: 1, period_s: -1 }, 0.1, /period_s/],
    [{ height_m: 1, period_s: 9 }, 0.9, /slope/],
  ])('%j on %d is refused', (sea, slope, words) => expect(() => runup_m(sea, slope)).toThrow(words));
});

describe('what a storm reached', () => {
  test('it adds the tide, a surge and its waves; where nobody measured the face it is less sure', () => {
    const reach = stormReach(storm(), 0.09);
    expect(reach.middle_m).toBeCloseTo(1.9 + 0.25 + 0.17 + runup_m(storm(), 0.09), 9);
    expect(stormReach(storm(), null).sd_m).toBeGreaterThan(reach.sd_m * 1.3);
    expect(reachedChance(reach, reach.middle_m)).toBeCloseTo(0.5, 9);
    expect(reachedChance(reach, reach.middle_m - 2)).toBeGreaterThan(0.99);
  });
  test('a storm of the same waves at neaps reaches less', () => {
    const tide = {
      meanLevel_m: 1,
      constituents: [
        { name: 'M2' as const, amplitude_m: 0.6, phase_deg: 40 },
        { name: 'S2' as const, amplitude_m: 0.3, phase_deg: 70 },
      ],
    };
    const highs = Array.from({ length: 15 }, (_, d) => highTideAbout_m(tide, Date.UTC(2026, 4, 1 + d)));
    // Springs and neaps: the sum and the difference of the two, within what the moon's node takes or gives.
    expect(Math.abs(Math.max(...highs) - 1.9)).toBeLessThan(0.06);
    expect(Math.abs(Math.min(...highs) - 1.3)).toBeLessThan(0.08);
  });
  test('what was seen stands above the sum: a cut berm was reached, a whole one was not; the sand below it by the sum', () => {
    expect(laidAnewChance(storm({ height_m: 0.5, cut_m: 0.4 }), 0.09, null, 3.2)).toBe(1);
    expect(laidAnewChance(storm({ height_m: 6, cut_m: 0 }), 0.09, null, 3.2)).toBe(0);
    expect(laidAnewChance(storm({ cut_m: 0 }), 0.09, 1, 3.2)).toBeGreaterThan(0.9);
    expect(laidAnewChance(storm({ cut_m: 0.5 }), 0.09, 1, 3.2)).toBe(1);
    expect(laidAnewChance(storm(), 0.09, null, null)).toBe(0.5);
    // Without a tide table only what was seen tells.
    expect(laidAnewChance({ ...storm(), highTide_m: null }, 0.09, 1, 3.2)).toBe(0.5);
    expect(laidAnewChance({ ...storm({ cut_m: 0.4 }), highTide_m: null }, 0.09, 1, 3.2)).toBe(1);
  });
  test('only storms after a moment count, and two chances are more than one', () => {
    const unsure = storm({ highTide_m: 0.9 });
    const once = laidAnewSince([{ ...unsure, at_ms: 10 }], 5, 0.09, null, 3.2);
    expect(once).toBeGreaterThan(0.05);
    expect(once).toBeLessThan(0.95);
    expect(laidAnewSince([{ ...unsure, at_ms: 10 }], 15, 0.09, null, 3.2)).toBe(0);
    expect(
      laidAnewSince(
        [
          { ...unsure, at_ms: 10 },
          { ...unsure, at_ms: 20 },
        ],
        5,
        0.09,
        null,
        3.2,
      ),
    ).toBeCloseTo(1 - (1 - once) ** 2, 9);
  });
  test('heights along the shore go straight from one to the next and level beyond them', () => {
    const toe = [
      { distance_m: 300, height_m: 3.4 },
      { distance_m: 100, height_m: 3 },
    ];
    expect([0, 100, 200, 300, 900].map((d) => heightAlong(toe, d))).toEqual([3, 3, 3.2, 3.4, 3.4]);
    expect(heightAlong([], 5)).toBeNull();
  });
  test('as a renewal: floods go over a whole creek, storms by how high a place lies', () => {
    const flood = byFloods([{ readAt: '2026-05-02T08:00:00Z', level_m: 1.2, isFlood: true }], Date.UTC(2026, 5, 1));
    const place = { spotId: 'a', distance_m: 100 };
    expect([flood.since(place, Date.UTC(2026, 4, 1)), flood.since(place, Date.UTC(2026, 4, 3))]).toEqual([1, 0]);
    const storms = byStorms([storm({ at_ms: 9 })], 0.09, [{ distance_m: 0, height_m: 5.5 }], (id) =>
      id === 'low' ? 1.5 : null,
    );
    expect(storms.since({ spotId: 'low', distance_m: 0 }, 0)).toBeGreaterThan(0.95);
    expect(storms.since({ spotId: 'high', distance_m: 0 }, 0)).toBeLessThan(0.05);
  });
});

describe('a beach’s day', () => {
  // High water at midnight and each 12.42 h.
  const tide = { meanLevel_m: 1, constituents: [{ name: 'M2' as const, amplitude_m: 1, phase_deg: 0 }] };
  const limits = { workBelow_m: 1, wayBelow_m: null, margin_min: 0, swellAdds_m: 0 };
  test('bare while the tide stands below the level: half of each tide for the mean level', () => {
    const { work, way } = shoreDay(tide, limits);
    expect(work[0]?.from_min).toBeCloseTo((12.42 / 4) * 60, 0);
    // It ends before the weather can bring the water 0.1 m higher.
    const weather_min = (Math.asin(0.1) / (2 * Math.PI)) * 12.42 * 60;
    expect(work[0]?.to_min).toBeCloseTo((3 * 12.42 * 60) / 4 - weather_min, 0);
    expect(way).toBeNull();
  });
  test('the margin takes from the end only; a swell above the usual takes from both', () => {
    const [plain] = shoreDay(tide, limits).work;
    const [early] = shoreDay(tide, { ...limits, margin_min: 30 }).work;
    expect(early?.from_min).toBe(plain?.from_min);
    expect(early?.to_min).toBeCloseTo((3 * 12.42 * 60) / 4 - 30, 0);
    const [rough] = shoreDay(tide, { ...limits, swellAdds_m: 0.5 }).work;
    expect(rough?.from_min).toBeGreaterThan((plain?.from_min ?? 0) + 30);
    expect(rough?.to_min).toBeLessThan((plain?.to_min ?? 0) - 30);
  });
  test('one goes on and off in the stretch with most bare sand between the hours asked for', () => {
    const day = shoreDay(tide, { ...limits, wayBelow_m: 1.5, margin_min: 20 });
    const way = onAndOff(day, 0, 1440);
    expect(way?.from_min).toBeCloseTo((12.42 / 6) * 60, 0);
    expect(way?.to_min).toBeCloseTo((5 * 12.42 * 60) / 6 - 20, 0);
    const late = onAndOff(day, 600, 1440);
    expect(late?.from_min).toBeGreaterThan(800);
    expect(onAndOff(day, 0, 60)).toBeNull();
    expect(onAndOff({ ...day, way: null }, 0, 1440)).toBeNull();
  });
  test('a quiet sea gives no more time; without three readings nothing is usual', () => {
    const usual = usualSwell([1, 1.2, 1.1].map((height_m) => ({ height_m, period_s: 8 })));
    expect(usual).toEqual({ height_m: 1.1, period_s: 8 });
    expect(usualSwell([{ height_m: 1, period_s: 8 }])).toBeNull();
    expect(swellAdds_m({ height_m: 0.4, period_s: 6 }, usual, 0.09)).toBe(0);
    expect(swellAdds_m({ height_m: 2.4, period_s: 11 }, usual, 0.09)).toBeGreaterThan(0.6);
    expect(swellAdds_m({ height_m: 2.4, period_s: 11 }, null, 0.09)).toBe(0);
  });
  test('no margin of a whole day', () =>
    expect(() => shoreDay(tide, { ...limits, margin_min: 900 })).toThrow(/margin_min/));
});
