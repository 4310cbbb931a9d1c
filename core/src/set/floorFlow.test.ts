import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { floorFlowAtDepth, floorFlowAtRate, speedRatio, type FloorFlow } from './floorFlow.ts';

type Numbers = Readonly<Record<string, number>>;

describe('speed over a rough floor (Ferguson 2007; check values 18d)', () => {
  test.each(referenceCases<Numbers, Numbers>('18d-variable-power-roughness'))('$id', (c) => {
    const { hydraulic_radius_m = NaN, roughness_length_m = NaN, slope = NaN } = c.inputs;
    const ratio = speedRatio(hydraulic_radius_m / roughness_length_m);
    const speed = ratio * Math.sqrt(9.80665 * hydraulic_radius_m * slope);
    expectNear(ratio, c.expected['speed_over_shear_speed'] ?? NaN, c);
    expectNear(speed, c.expected['speed_m_s'] ?? NaN, c);
    expectNear((Math.cbrt(hydraulic_radius_m) ** 2 * Math.sqrt(slope)) / speed, c.expected['manning_n'] ?? NaN, c);
  });
  test('within 1 % of the discharge form for R/k 0.5 to 20 (Rickenmann & Recking 2011, constants from memory)', () => {
    for (const x of [0.5, 1, 2, 5, 10, 20]) {
      // U* = 1.443 q*^0.60 [1 + (q*/43.78)^0.8214]^-0.2435, with k = R/x, S = 0.04.
      const [R, S] = [0.02, 0.04];
      const k = R / x;
      const U = speedRatio(x) * Math.sqrt(9.80665 * R * S);
      const q = (U * R) / Math.sqrt(9.80665 * S * k ** 3);
      const other = 1.443 * q ** 0.6 * (1 + (q / 43.78) ** 0.8214) ** -0.2435 * Math.sqrt(9.80665 * S * k);
      expect(Math.abs(U / other - 1)).toBeLessThan(0.013);
    }
  });
});

const RESULTS: Readonly<Record<string, (f: FloorFlow) => number>> = {
  bed_hydraulic_radius_m: (f) => f.bedRadius_m,
  speed_m_s: (f) => f.speed_m_s,
  flow_L_s: (f) => 1000 * f.flow_m3_s,
  bed_shear_Pa: (f) => f.bedShear_Pa,
  composite_n: (f) => f.compositeN,
  froude: (f) => f.froude,
};

describe('a lined floor between smooth walls (Einstein 1942, Horton 1933; check values 18h)', () => {
  test.each(referenceCases<Numbers, Numbers>('18h-composite-roughness'))('$id', (c) => {
    const { width_m = NaN, roughness_length_m = NaN, slope = NaN, depth_m = NaN } = c.inputs;
    const flow = floorFlowAtDepth({ width_m, roughness_m: roughness_length_m }, slope, depth_m);
    for (const [name, of] of Object.entries(RESULTS)) expectNear(of(flow), c.expected[name] ?? NaN, c);
  });
  test('trade: n of riffles at 20 mm is 0.028 to 0.033 (common practice, no source)', () => {
    const { compositeN } = floorFlowAtDepth({ width_m: 0.254, roughness_m: 0.0075 }, 0.0417, 0.02);
    expect(compositeN).toBeGreaterThan(0.028);
    expect(compositeN).toBeLessThan(0.033);
  });
  const aFloor = fc.record({
    width_m: fc.double({ min: 0.1, max: 1.2, noNaN: true }),
    roughness_m: fc.double({ min: 0.001, max: 0.012, noNaN: true }),
  });
  test('flow from depth and depth from flow are inverses, and deeper or steeper carries more', () => {
    fc.assert(
      fc.property(
        aFloor,
        fc.double({ min: 0.01, max: 0.25, noNaN: true }),
        fc.double({ min: 0.003, max: 0.2, noNaN: true }),
        (floor, slope, depth_m) => {
          const now = floorFlowAtDepth(floor, slope, depth_m);
          expect(floorFlowAtRate(floor, slope, now.flow_m3_s).depth_m / depth_m).toBeCloseTo(1, 8);
          expect(floorFlowAtDepth(floor, slope, depth_m * 1.1).flow_m3_s).toBeGreaterThan(now.flow_m3_s);
          expect(floorFlowAtDepth(floor, slope * 1.1, depth_m).flow_m3_s).toBeGreaterThan(now.flow_m3_s);
          // Floor and walls share the whole water: b h = b R_b + 2 h R_w.
          const wall = (0.01 * now.speed_m_s) / Math.sqrt(slope);
          const balance = floor.width_m * now.bedRadius_m + 2 * depth_m * wall ** 1.5;
          expect(balance / (floor.width_m * depth_m)).toBeCloseTo(1, 9);
        },
      ),
      { seed: 20_260_501, numRuns: 200 },
    );
  });
  test('a box without width or water is refused by field', () => {
    expect(() => floorFlowAtDepth({ width_m: 0, roughness_m: 0.005 }, 0.04, 0.02)).toThrow(/width_m/);
    expect(() => floorFlowAtDepth({ width_m: 0.3, roughness_m: 0.005 }, 0.04, 0)).toThrow(/depth_m/);
    expect(() => floorFlowAtRate({ width_m: 0.3, roughness_m: 0.005 }, NaN, 0.001)).toThrow(/slope/);
  });
});
