import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { freshWater } from '../grains/water.ts';
import { drawdown } from './drawdown.ts';
import { flowAtDepth, flowAtRate, type UniformFlow } from './manning.ts';
import { flowByBucket_m3_s, flowByFloat_m3_s, flowByNotch_m3_s } from './measureFlow.ts';
import { largestStone_m, movingShear } from './stones.ts';

const RESULTS: Record<string, keyof UniformFlow> = {
  flow_m3_s: 'flow_m3_s',
  velocity_m_s: 'speed_m_s',
  hydraulic_radius_m: 'hydraulicRadius_m',
  froude: 'froude',
  critical_depth_m: 'criticalDepth_m',
  bed_shear_Pa: 'shear_Pa',
  shear_velocity_m_s: 'shearSpeed_m_s',
  normal_depth_m: 'depth_m',
};

describe('Manning with side walls (Chow 1959; check values 06a, 06b, 06e)', () => {
  test.each(referenceCases('06a-manning-flow-from-depth'))('flow $id', (c) => {
    const flow = flowAtDepth(
      { width_m: c.inputs['b_m'], manningN: c.inputs['n'], slope: c.inputs['S'] },
      c.inputs['y_m'],
    );
    for (const [name, expected] of Object.entries(c.expected))
      if (RESULTS[name]) expectNear(flow[RESULTS[name]], expected, c);
  });
  test.each(referenceCases('06b-manning-normal-depth'))('depth $id', (c) => {
    const flow = flowAtRate(
      { width_m: c.inputs['b_m'], manningN: c.inputs['n'], slope: c.inputs['S'] },
      c.inputs['flow_L_s'] / 1000,
    );
    for (const [name, expected] of Object.entries(c.expected))
      if (RESULTS[name]) expectNear(flow[RESULTS[name]], expected, c);
  });
  test('25 cm wide, 5.2 % pitch, n 0.03, 20 mm deep carries about 2.5 L/s at 0.5 m/s', () => {
    const flow = flowAtDepth({ width_m: 0.25, manningN: 0.03, slope: 0.052 }, 0.02);
    expect(flow.flow_m3_s * 1000).toBeCloseTo(2.54, 2);
    expect(flow.speed_m_s).toBeCloseTo(0.51, 2);
  });
  test.each(referenceCases('06e-gvf-steep'))('surface $id', (c) => {
    const stations: number[] = c.inputs['x_m'];
    stations.forEach((x, i) => {
      const surface = drawdown(
        { width_m: c.inputs['b_m'], manningN: c.inputs['n'], slope: c.inputs['S'] },
        c.inputs['flow_L_s'] / 1000,
        x,
        60,
        c.inputs['y_start_m'],
      );
      expectNear(surface.at(-1)?.depth_m ?? NaN, (c.expected['y_m'] as number[])[i], { tolerance_relative: 5e-4 });
    });
  });
  test('a thin sheet at the mouth thickens toward normal depth and never passes it', () => {
    const channel = { width_m: 0.25, manningN: 0.03, slope: 0.08 };
    const normal = flowAtRate(channel, 0.004);
    const depths = drawdown(channel, 0.004, 3, 60, normal.depth_m / 2).map((p) => p.depth_m);
    depths.slice(1).forEach((d, i) => expect(d).toBeGreaterThanOrEqual(depths[i]));
    expect(depths.at(-1)).toBeLessThanOrEqual(normal.depth_m);
    expect(depths.at(-1)).toBeCloseTo(normal.depth_m, 4);
    expect(() => drawdown(channel, 0.004, 3, 60, normal.criticalDepth_m)).toThrow(/start_m/);
  });
});

describe('stones (Soulsby 1997; check values 07a)', () => {
  test.each(referenceCases('07a-shields-soulsby'))('$id', (c) => {
    const water = { density_kg_m3: c.inputs['rho_f_kg_m3'], kinematicViscosity_m2_s: c.inputs['nu_m2_s'] };
    const moving = movingShear(c.inputs['D_mm'] / 1000, water, c.inputs['rho_s_kg_m3']);
    expectNear(moving.theta, c.expected['theta_cr'], c);
    expectNear(moving.shear_Pa, c.expected['tau_cr_Pa'], c);
  });
  test('the largest stone is the one whose threshold is the shear', () => {
    const water = freshWater(10);
    fc.assert(
      fc.property(fc.double({ min: 1, max: 80, noNaN: true }), (shear) => {
        expect(movingShear(largestStone_m(shear, water), water).shear_Pa / shear).toBeCloseTo(1, 8);
      }),
    );
  });
  test('25 cm box, 5.2 %, 20 mm of water: about 10 mm of quartz (common practice)', () => {
    expect(
      largestStone_m(flowAtDepth({ width_m: 0.25, manningN: 0.03, slope: 0.052 }, 0.02).shear_Pa, freshWater(10)),
    ).toBeCloseTo(0.01, 3);
  });
});

describe('flow measured (Rantz et al. 1982; check values 06c, 06d)', () => {
  test.each(referenceCases('06c-float-test'))('float $id', (c) => {
    expectNear(
      flowByFloat_m3_s(
        c.inputs['length_m'],
        c.inputs['time_s'],
        c.inputs['mean_width_m'],
        c.inputs['mean_depth_m'],
        c.inputs['surface_coefficient'],
      ),
      c.expected['flow_m3_s'],
      c,
    );
  });
  test.each(referenceCases('06d-bucket-fill'))('bucket $id', (c) =>
    expectNear(1000 * flowByBucket_m3_s(c.inputs['volume_L'], c.inputs['times_s']), c.expected['flow_L_s'], c),
  );
  // The Cone formula, Q = 2.49 h^2.48 in feet and cubic feet a second (USBR Water Measurement Manual, 3rd ed., ch. 7), is another fit to other weirs.
  test.each([0.06, 0.1, 0.2, 0.35])('a notch with %f m of head, within 3 % of the Cone formula', (head_m) =>
    expect(Math.abs(flowByNotch_m3_s(head_m) / (2.49 * (head_m / 0.3048) ** 2.48 * 0.3048 ** 3) - 1)).toBeLessThan(
      0.03,
    ),
  );
  test('a notch is stated for 30 to 600 mm of head', () => {
    expect(() => flowByNotch_m3_s(0.02)).toThrow(/head_m/);
    expect(() => flowByNotch_m3_s(0.7)).toThrow(/head_m/);
  });
  test('a stopped watch is refused', () => {
    expect(() => flowByFloat_m3_s(10, 0, 1, 0.2)).toThrow(/time_s/);
    expect(() => flowByBucket_m3_s(20, [])).toThrow(/at least one time/);
  });
});
