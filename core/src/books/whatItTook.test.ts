import { describe, expect, test } from '@jest/globals';
import { whatItTook } from './whatItTook.ts';

// By hand: 3 L/s for an hour are 10.8 m3; 1.2 L of fuel in two hours are 0.6 L an hour, and 1.2 L for 0.4 g are 3 L a gram.
const HOUR_S = 3600;
const pumped = { running_s: HOUR_S, fuel_L: 0.6, flow_m3_s: 0.003 };

describe('what runs took', () => {
  test('fuel by the hour and the gram, water by its flow', () => {
    const took = whatItTook([pumped, pumped], 400);
    expect(took.fuel_L).toBeCloseTo(1.2, 9);
    expect(took.fuelAnHour_L).toBeCloseTo(0.6, 9);
    expect(took.fuelAGram_L).toBeCloseTo(3, 9);
    expect(took.water_m3).toBeCloseTo(21.6, 9);
    expect([took.fuelPartly, took.waterPartly]).toEqual([false, false]);
  });
  test('what nobody told is left out and said to be: no fuel a gram then', () => {
    const took = whatItTook([pumped, { running_s: HOUR_S, fuel_L: null, flow_m3_s: null }], 400);
    expect(took.fuelAnHour_L).toBeCloseTo(0.6, 9);
    expect(took).toMatchObject({ fuelAGram_L: null, fuelPartly: true, waterPartly: true });
    expect(whatItTook([{ running_s: HOUR_S, fuel_L: null, flow_m3_s: null }], 5)).toMatchObject({
      fuel_L: null,
      fuelAnHour_L: null,
      water_m3: null,
    });
  });
  test('a run that fed nothing counts for nothing, a few minutes tell no pace, and no gold no litres a gram', () => {
    expect(whatItTook([{ running_s: 0, fuel_L: 5, flow_m3_s: 1 }], 5)).toMatchObject({ fuel_L: null, water_m3: null });
    expect(whatItTook([{ running_s: 300, fuel_L: 0.5, flow_m3_s: null }], 0)).toMatchObject({
      fuel_L: 0.5,
      fuelAnHour_L: null,
      fuelAGram_L: null,
    });
    // None burnt is told too.
    expect(whatItTook([{ ...pumped, fuel_L: 0 }], 100)).toMatchObject({ fuel_L: 0, fuelAGram_L: 0 });
  });
});
