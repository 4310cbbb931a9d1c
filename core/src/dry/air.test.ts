import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases, type ReferenceCase } from '../../test/referenceCases.ts';
import { haiderLevenspiel_m_s } from '../grains/haiderLevenspiel.ts';
import { dryAir, type Air } from './air.ts';
import { airSizes, carriesFlake_m_s, justLoosened_m, liftsFlake_m_s, loosens_m_s } from './airSizes.ts';
import { batteryHours, bellowsAir, blowerAir, openShare, puffsPerMinute } from './bellows.ts';
import { passesOver } from './passes.ts';

const airOf = (c: ReferenceCase): Air => {
  const [density_kg_m3, mu] = [c.inputs['rho_f_kg_m3'], c.inputs['mu_Pa_s']] as [number, number];
  return { density_kg_m3, dynamicViscosity_Pa_s: mu, kinematicViscosity_m2_s: mu / density_kg_m3, pressure_Pa: 0 };
};

describe('dry air against the standard atmosphere (check values 03c)', () => {
  test.each(referenceCases('03c-air'))('$inputs.temperature_C °C at $inputs.altitude_m m', (c) => {
    const air = dryAir(c.inputs['altitude_m'], c.inputs['temperature_C']);
    expectNear(air.pressure_Pa, c.expected['pressure_Pa'], c);
    expectNear(air.density_kg_m3, c.expected['density_kg_m3'], c);
    expectNear(air.dynamicViscosity_Pa_s, c.expected['dynamic_viscosity_Pa_s'], c);
    expectNear(air.kinematicViscosity_m2_s, c.expected['kinematic_viscosity_m2_s'], c);
  });
  test('no place on Earth is that high or hot', () => {
    expect(() => dryAir(12_000, 20)).toThrow('altitude_m');
    expect(() => dryAir(0, 90)).toThrow('temperature_C');
  });
});

test.each(referenceCases('05b-terminal-velocity-air'))('falling in open air $id (check values 05b)', (c) =>
  expectNear(
    haiderLevenspiel_m_s(c.inputs['d_v_mm'] / 1000, c.inputs['sphericity'], c.inputs['rho_s_kg_m3'], airOf(c)),
    c.expected['terminal_velocity_m_s'],
    c,
  ),
);

describe('Wen & Yu 1966 (check values 05e)', () => {
  test.each(referenceCases('05e-minimum-fluidisation'))('$id', (c) => {
    const u = loosens_m_s(c.inputs['d_mm'] / 1000, airOf(c), c.inputs['rho_s_kg_m3']);
    expectNear(u, c.expected['u_mf_m_s'], c);
    expectNear(justLoosened_m(u, airOf(c), c.inputs['rho_s_kg_m3']) * 1000, c.inputs['d_mm'], c);
  });
});

describe('sizes of a given air (check values 19b)', () => {
  test.each(referenceCases('19b-air-window-sizes'))('$id', (c) => {
    const { inputs, expected } = c;
    const sizes = airSizes(inputs['air_m_s'], inputs['csf'], airOf(c), inputs['rho_gold_kg_m3'], inputs['voidage']);
    expectNear(sizes.loosened_m * 1000, expected['quartz_just_fluidised_mm'], c);
    expectNear(sizes.carried_m * 1000, expected['gold_just_carried_in_open_air_mm'], c);
    expectNear(sizes.lifted_m * 1000, expected['gold_just_lifted_in_bed_mm'], c);
  });
});

describe('bellows and blower (check values 19a, 19h)', () => {
  test.each(referenceCases('19a-bellows-air'))('$id', (c) => {
    const { inputs: i, expected } = c;
    const puffs = puffsPerMinute(
      i['motor_rpm'],
      i['motor_pulley_mm'] / 1000,
      i['driven_pulley_mm'] / 1000,
      i['puffs_per_turn'],
      i['belt_slip'],
    );
    expectNear(puffs, expected['puffs_per_min'], c);
    const air = bellowsAir(
      puffs,
      i['stroke_volume_L'] / 1000,
      { area_m2: i['cloth_area_m2'], resistance_Pa_s_m: i['cloth_resistance_Pa_s_m'], bed_Pa: i['bed_pressure_Pa'] },
      i['delivery_share'],
      i['leak_m_s_Pa'],
    );
    expectNear(air.supplied_m_s, expected['supplied_mean_m_s'], c);
    expectNear(air.peak_m_s, expected['peak_m_s'], c);
    expectNear(air.mean_m_s, expected['mean_m_s'], c);
    expectNear(air.clothPressure_Pa, expected['cloth_pressure_at_peak_Pa'], c);
    expectNear(openShare(air.peak_m_s, i['fluidising_m_s'], i['delivery_share']), expected['open_share'], c);
  });
  test.each(referenceCases('19h-blower-air'))('$id', (c) => {
    const { inputs: i, expected } = c;
    const cloth = {
      area_m2: i['cloth_area_m2'],
      resistance_Pa_s_m: i['cloth_resistance_Pa_s_m'],
      bed_Pa: i['bed_pressure_Pa'],
    };
    const air = blowerAir(i['shutoff_Pa'], i['free_flow_m3_s'], cloth);
    expectNear(air.peak_m_s, expected['air_m_s'], c);
    expectNear(air.peak_m_s * cloth.area_m2 * 1000, expected['flow_L_s'], c);
  });
  test('a battery of 35 Ah, half of it usable, drives 5 A for three and a half hours', () =>
    expect(batteryHours(17.5, 5)).toBe(3.5));
});

describe('passes (check values 19c)', () => {
  interface In {
    readonly weights: number[];
    readonly catch_exponents: number[];
    readonly scatter_v: number;
    readonly passes: number;
  }
  interface Out {
    readonly left_after: number[];
    readonly lost_of_what_it_meets: number[];
    readonly recovered_by_pass: number[];
  }
  test.each(referenceCases<In, Out>('19c-passes'))('$id', (c) => {
    const mix = c.inputs.weights.map((share, i) => ({ share, exponent: c.inputs.catch_exponents[i] ?? 0 }));
    passesOver(mix, c.inputs.passes, c.inputs.scatter_v).forEach((pass, i) => {
      expectNear(pass.left, c.expected.left_after[i] ?? NaN, c);
      expectNear(pass.lostOfWhatItMeets, c.expected.lost_of_what_it_meets[i] ?? NaN, c);
      expectNear(pass.held, c.expected.recovered_by_pass[i] ?? NaN, c);
    });
  });
  test('close to one, and each later pass loses a larger share of what it meets', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ share: fc.double({ min: 0.01, max: 1 }), exponent: fc.double({ min: 0, max: 20 }) }), {
          minLength: 1,
          maxLength: 6,
          size: 'max',
        }),
        fc.double({ min: 0, max: 3, noNaN: true }),
        (mix, scatter) => {
          fc.pre(mix.every((m) => Number.isFinite(m.share) && Number.isFinite(m.exponent)));
          const passes = passesOver(mix, 5, scatter);
          const held = passes.reduce((sum, p) => sum + p.held, 0);
          expect(held + (passes.at(-1)?.left ?? NaN)).toBeCloseTo(1, 9);
          for (let i = 1; i < passes.length; i++)
            expect(passes[i]?.lostOfWhatItMeets ?? 0).toBeGreaterThanOrEqual(
              (passes[i - 1]?.lostOfWhatItMeets ?? 0) - 1e-9,
            );
        },
      ),
    ));
});

test('air that carries gold in the open is five to thirty times the air that lifts it out of a bed', () => {
  const air = dryAir(600, 30);
  for (const size_m of [0.0001, 0.0003, 0.001]) {
    const ratio = carriesFlake_m_s(size_m, 0.3, air) / liftsFlake_m_s(size_m, 0.3, air);
    expect([size_m, ratio > 5 && ratio < 45]).toEqual([size_m, true]);
  }
});
