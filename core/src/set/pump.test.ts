import { describe, expect, test } from '@jest/globals';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { OutOfRange } from '../outOfRange.ts';
import { hoseLoss_m, meets, minorLossOf, pumpThrough, wingDam_m3_s, type Hose } from './pump.ts';

interface Darcy {
  readonly flow_L_s: number;
  readonly D_mm: number;
  readonly L_m: number;
  readonly roughness_mm: number;
  readonly nu_m2_s: number;
}
interface Through {
  readonly H0_m: number;
  readonly a_m_per_L2_s2: number;
  readonly static_head_m: number;
  readonly D_mm: number;
  readonly L_m: number;
  readonly roughness_mm: number;
  readonly minor_loss_K: number;
  readonly nu_m2_s: number;
}
const water = (nu: number) => ({ density_kg_m3: 1000, kinematicViscosity_m2_s: nu }) as never;

describe('head a hose takes (check values 11b, Darcy-Weisbach with Swamee & Jain)', () => {
  test.each(referenceCases<Darcy, { velocity_m_s: number; head_loss_m: number }>('11b-darcy-weisbach'))('$id', (c) => {
    const { flow_L_s, D_mm, L_m, roughness_mm, nu_m2_s } = c.inputs;
    const hose: Hose = { diameter_m: D_mm / 1000, length_m: L_m, roughness_m: roughness_mm / 1000, minorLoss: 0 };
    const { loss_m, speed_m_s } = hoseLoss_m(flow_L_s / 1000, hose, water(nu_m2_s));
    expectNear(speed_m_s, c.expected.velocity_m_s, c);
    expectNear(loss_m, c.expected.head_loss_m, c);
  });
});

describe('what a pump brings through a hose (check values 11d)', () => {
  test.each(referenceCases<Through, { flow_L_s: number; head_m: number }>('11d-operating-point-pipe'))('$id', (c) => {
    const i = c.inputs;
    const { flow_m3_s, head_m } = meets(
      { shutOffHead_m: i.H0_m, mostFlow_m3_s: Math.sqrt(i.H0_m / i.a_m_per_L2_s2) / 1000 },
      { diameter_m: i.D_mm / 1000, length_m: i.L_m, roughness_m: i.roughness_mm / 1000, minorLoss: i.minor_loss_K },
      i.static_head_m,
      water(i.nu_m2_s),
    );
    expectNear(flow_m3_s * 1000, c.expected.flow_L_s, c);
    expectNear(head_m, c.expected.head_m, c);
  });

  const pump = { shutOffHead_m: 25, mostFlow_m3_s: 0.01 };
  const hose = (some: Partial<Hose> = {}): Hose => ({
    diameter_m: 0.05,
    length_m: 20,
    roughness_m: 0.00005,
    minorLoss: minorLossOf(2, 'open'),
    ...some,
  });
  const brings = (h: Hose, lift = 3) => pumpThrough(pump, h, lift, 10).flow_m3_s;
  test('less the higher, the longer, the thinner, the more bends and the more the valve is closed', () => {
    const usual = brings(hose());
    expect(brings(hose(), 8)).toBeLessThan(usual);
    expect(brings(hose({ length_m: 60 }))).toBeLessThan(usual);
    expect(brings(hose({ diameter_m: 0.038 }))).toBeLessThan(usual);
    expect(brings(hose({ minorLoss: minorLossOf(6, 'open') }))).toBeLessThan(usual);
    expect(brings(hose({ minorLoss: minorLossOf(2, '1/4') }))).toBeLessThan(
      brings(hose({ minorLoss: minorLossOf(2, 'half') })),
    );
  });
  test('nothing up a lift it cannot push to', () => expect(brings(hose(), 25)).toBe(0));
  test('a hose of no width is refused by name', () =>
    expect(() => brings(hose({ diameter_m: 0 }))).toThrow(new OutOfRange('diameter_m', 0, 'more than 0 m').message));
});

describe('a wing dam (common practice, no source)', () => {
  test('sends half to nine tenths of what it catches', () => {
    const { low, high } = wingDam_m3_s(0.2, 4, 1);
    expect(low).toBeCloseTo(0.025, 12);
    expect(high).toBeCloseTo(0.045, 12);
  });
  test('never reaches farther than the creek is wide', () => expect(() => wingDam_m3_s(0.2, 4, 5)).toThrow(OutOfRange));
});
