import { describe, expect, test } from '@jest/globals';
import { expectNear, referenceCases, type ReferenceCase } from '../../test/referenceCases.ts';
import { dietrich_m_s } from './dietrich.ts';
import { equivalentDiameter_m, fergusonChurch_m_s } from './fergusonChurch.ts';
import { flakeDisc, flakeSettling_m_s } from './flake.ts';
import { haiderLevenspiel_m_s, haiderLevenspielDrag } from './haiderLevenspiel.ts';
import { hinderedSettling_m_s, richardsonZakiExponent } from './richardsonZaki.ts';
import { freshWater, seaWater, type Water } from './water.ts';

const waterOf = (c: ReferenceCase): Water => ({
  density_kg_m3: c.inputs['rho_f_kg_m3'],
  kinematicViscosity_m2_s: c.inputs['nu_m2_s'],
});

describe('fresh water against IAPWS-95 and IAPWS 2008 (check values 03a)', () => {
  test.each(referenceCases('03a-fresh-water'))('$inputs.temperature_C °C', (c) => {
    const water = freshWater(c.inputs['temperature_C']);
    expectNear(water.density_kg_m3, c.expected['density_kg_m3'], { tolerance_relative: 5e-5 });
    expectNear(water.kinematicViscosity_m2_s, c.expected['kinematic_viscosity_m2_s'], c);
  });
  test('steam and ice are refused', () =>
    expect(() => freshWater(60)).toThrow(/temperature_C is 60; it must be from 0 to 40/));
});

describe('sea water against TEOS-10 and Sharqawy and others (check values 03b)', () => {
  test.each(referenceCases('03b-sea-water'))(
    '$inputs.temperature_C °C, $inputs.practical_salinity g/kg in practical salinity',
    (c) => {
      const water = seaWater(c.inputs['temperature_C'], c.inputs['practical_salinity']);
      expectNear(water.density_kg_m3, c.expected['density_kg_m3'], { tolerance_relative: 2e-4 });
      expectNear(water.kinematicViscosity_m2_s, c.expected['kinematic_viscosity_m2_s'], c);
    },
  );
  test('without salt it is fresh water; brine is refused', () => {
    expectNear(seaWater(12, 0).density_kg_m3, freshWater(12).density_kg_m3, { tolerance_relative: 1e-5 });
    expectNear(seaWater(12, 0).kinematicViscosity_m2_s, freshWater(12).kinematicViscosity_m2_s, {
      tolerance_relative: 1e-5,
    });
    expect(() => seaWater(12, 80)).toThrow(/salt_g_kg is 80/);
  });
});

describe('Ferguson & Church 2004 (check values 04a, 04e)', () => {
  test.each(referenceCases('04a-ferguson-church'))('$id', (c) => {
    const w = fergusonChurch_m_s(c.inputs['D_mm'] / 1000, c.inputs['rho_s_kg_m3'], waterOf(c), {
      c1: c.inputs['C1'],
      c2: c.inputs['C2'],
    });
    expectNear(w, c.expected['settling_velocity_m_s'], c);
  });
  test.each(referenceCases('04e-equivalent-diameter'))('inverse $id', (c) => {
    const d = equivalentDiameter_m(c.inputs['settling_velocity_m_s'], c.inputs['rho_s_kg_m3'], waterOf(c), {
      c1: c.inputs['C1'],
      c2: c.inputs['C2'],
    });
    expectNear(d * 1000, c.expected['equivalent_diameter_mm'], c);
  });
  test.each(referenceCases('04c-stokes').filter((c) => c.inputs['D_mm'] <= 0.02))('tends to Stokes $id', (c) => {
    const w = fergusonChurch_m_s(c.inputs['D_mm'] / 1000, c.inputs['rho_s_kg_m3'], waterOf(c));
    expectNear(w, c.expected['settling_velocity_m_s'], { tolerance_relative: 0.05 });
  });
  test('a cork is refused', () =>
    expect(() => fergusonChurch_m_s(0.001, 240, freshWater(10))).toThrow(/density_kg_m3 above water/));
});

test.each(referenceCases('04b-dietrich'))('Dietrich 1982 $id (check values 04b)', (c) => {
  const w = dietrich_m_s(
    c.inputs['Dn_mm'] / 1000,
    c.inputs['csf'],
    c.inputs['powers'],
    c.inputs['rho_s_kg_m3'],
    waterOf(c),
  );
  expectNear(w, c.expected['settling_velocity_m_s'], c);
});
test('Dietrich has no value for a shape factor of 0.15 or less', () => {
  expect(() => dietrich_m_s(0.0002, 0.15, 3.5, 17_500, freshWater(10))).toThrow(/csf/);
});

describe('Haider & Levenspiel 1989 (check values 05a, 04f)', () => {
  test.each(referenceCases('05a-haider-levenspiel-drag'))('drag $id', (c) =>
    expectNear(haiderLevenspielDrag(c.inputs['reynolds'], c.inputs['sphericity']), c.expected['drag_coefficient'], c),
  );
  test.each(referenceCases('04f-flakes-sphericity-water'))('velocity $id', (c) => {
    const rho = c.inputs['rho_f_kg_m3'];
    const water = { density_kg_m3: rho, kinematicViscosity_m2_s: c.inputs['mu_Pa_s'] / rho };
    expectNear(
      haiderLevenspiel_m_s(c.inputs['d_v_mm'] / 1000, c.inputs['sphericity'], c.inputs['rho_s_kg_m3'], water),
      c.expected['terminal_velocity_m_s'],
      c,
    );
  });
});

describe('flakes (geometry, check values 05c, 10a)', () => {
  test.each(referenceCases('05c-disc-shape'))('disc $id', (c) => {
    const d = c.inputs['disc_diameter_mm'] / 1000;
    const disc = flakeDisc(d, c.inputs['thickness_to_diameter']);
    expectNear(disc.nominalDiameter_m * 1000, c.expected['d_v_mm'], c);
    expectNear(disc.sphericity, c.expected['sphericity'], c);
  });
  test.each(
    referenceCases('10a-flake-mass').filter(
      (c) => c.inputs['shape'] === 'disc' && c.inputs['a_mm'] === c.inputs['b_mm'],
    ),
  )('mass $id', (c) => {
    const a = c.inputs['a_mm'];
    expectNear(flakeDisc(a / 1000, c.inputs['c_mm'] / a, c.inputs['density_kg_m3']).mass_mg, c.expected['mass_mg'], c);
  });
  test('the two laws make a range, never more than 2 apart at usual flatness', () => {
    for (const size of [0.0001, 0.0002, 0.0005, 0.001, 0.002]) {
      const { low, high, dietrichApplies } = flakeSettling_m_s(size, 0.3, freshWater(10));
      expect(dietrichApplies).toBe(true);
      expect(low).toBeGreaterThan(0);
      expect(high / low).toBeGreaterThanOrEqual(1);
      expect(high / low).toBeLessThan(2);
    }
  });
  test('a very thin flake says that Dietrich does not apply', () =>
    expect(flakeSettling_m_s(0.0002, 0.1, freshWater(10)).dietrichApplies).toBe(false));
});

test.each(referenceCases('04d-richardson-zaki'))('Richardson & Zaki 1954 $id (check values 04d)', (c) => {
  const d = c.inputs['D_mm'] / 1000;
  expectNear(richardsonZakiExponent((c.inputs['w0_m_s'] * d) / c.inputs['nu_m2_s']), c.expected['n'], c);
  expectNear(
    hinderedSettling_m_s(c.inputs['w0_m_s'], d, c.inputs['volume_concentration'], c.inputs['nu_m2_s']),
    c.expected['hindered_velocity_m_s'],
    c,
  );
});
