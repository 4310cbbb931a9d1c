import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { DENSITY_KG_M3 } from './constants.ts';
import { equivalentDiameter_m, fergusonChurch_m_s } from './fergusonChurch.ts';
import { flakeDisc, flakeSettling_m_s, grainSettling_m_s } from './flake.ts';
import { hinderedSettling_m_s, richardsonZakiExponent } from './richardsonZaki.ts';
import { freshWater } from './water.ts';

const runs = { seed: 20_260_504, numRuns: 200 };
const size = fc.double({ min: 5e-5, max: 0.01, noNaN: true });
const temperature = fc.double({ min: 0, max: 35, noNaN: true });

describe('settling', () => {
  test('bigger and heavier grains fall faster, in warmer water too', () => {
    fc.assert(
      fc.property(size, temperature, (d, t) => {
        const [water, warmer] = [freshWater(t), freshWater(t + 5)];
        const w = fergusonChurch_m_s(d, 2650, water);
        expect(fergusonChurch_m_s(d * 1.1, 2650, water)).toBeGreaterThan(w);
        expect(fergusonChurch_m_s(d, 3000, water)).toBeGreaterThan(w);
        expect(fergusonChurch_m_s(d, 2650, warmer)).toBeGreaterThan(w);
      }),
      runs,
    );
  });
  test('the equivalent size is the inverse of the law', () => {
    fc.assert(
      fc.property(size, temperature, (d, t) => {
        const water = freshWater(t);
        expect(equivalentDiameter_m(fergusonChurch_m_s(d, 2650, water), 2650, water) / d).toBeCloseTo(1, 8);
      }),
      runs,
    );
  });
  test('a flatter flake of one size is lighter and falls slower, by both laws', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-4, max: 0.003, noNaN: true }),
        fc.double({ min: 0.2, max: 0.7, noNaN: true }),
        (d, csf) => {
          const water = freshWater(10);
          const [thick, thin] = [flakeSettling_m_s(d, csf * 1.3, water), flakeSettling_m_s(d, csf, water)];
          expect(flakeDisc(d, csf).mass_mg).toBeLessThan(flakeDisc(d, csf * 1.3).mass_mg);
          expect(thin.low).toBeLessThan(thick.low);
          expect(thin.high).toBeLessThan(thick.high);
          expect(thin.low).toBeLessThanOrEqual(thin.high);
        },
      ),
      runs,
    );
  });
  test('where Dietrich has no value the range says so and is as wide as the laws ever differ', () => {
    const flake = flakeSettling_m_s(0.0005, 0.1, freshWater(10));
    expect(flake.dietrichApplies).toBe(false);
    expect(flake.high / flake.low).toBeCloseTo(1.9, 9);
  });
  test('gold outruns quartz of its size, and a flake settles like a larger quartz grain: why screens help', () => {
    const water = freshWater(10);
    for (const d of [0.0002, 0.0005, 0.001, 0.002]) {
      const flake = flakeSettling_m_s(d, 0.3, water);
      expect(flake.low).toBeGreaterThan(grainSettling_m_s(d, 'quartz', water));
      expect(equivalentDiameter_m(flake.low, DENSITY_KG_M3.quartz, water)).toBeGreaterThan(d);
    }
  });
  test('minerals of one size rank by weight', () => {
    const water = freshWater(10);
    const order = (['quartz', 'garnet', 'ilmenite', 'magnetite', 'cassiterite', 'placerGold'] as const).map((m) =>
      grainSettling_m_s(0.0005, m, water),
    );
    expect([...order].sort((a, b) => a - b)).toEqual(order);
  });
});

describe('in a crowd', () => {
  test('the denser the crowd, the slower; alone, as alone', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.001, max: 0.4, noNaN: true }),
        size,
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (alone, d, c) => {
          const nu = freshWater(10).kinematicViscosity_m2_s;
          expect(hinderedSettling_m_s(alone, d, 0, nu)).toBe(alone);
          expect(hinderedSettling_m_s(alone, d, c + 0.05, nu)).toBeLessThan(hinderedSettling_m_s(alone, d, c, nu));
        },
      ),
      runs,
    );
  });
  test('the exponent stays between its two limits', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-3, max: 1e5, noNaN: true }), (re) => {
        const n = richardsonZakiExponent(re);
        expect(n).toBeGreaterThanOrEqual(2.38);
        expect(n).toBeLessThanOrEqual(4.66);
      }),
      runs,
    );
  });
});

test.each([0.05, 0.5, 5])('a disc weighs what its volume does: %d mm, by hand pi/4 d^2 t rho', (mm) => {
  const d = mm / 1000;
  expect(flakeDisc(d, 0.3).mass_mg).toBeCloseTo((Math.PI / 4) * d * d * (0.3 * d) * 17_500 * 1e6, 9);
});
