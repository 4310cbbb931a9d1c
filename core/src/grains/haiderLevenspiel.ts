import { bisect } from '../maths/bisect.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { GRAVITY_M_S2 } from './constants.ts';
import { submergedDensity } from './fergusonChurch.ts';
import type { Water } from './water.ts';

/**
 * Drag coefficient of a non-spherical particle; Reynolds number on the volume-equivalent sphere.
 *
 *   Cd = 24/Re (1 + A Re^B) + C / (1 + D/Re),  A..D functions of the sphericity
 *
 * Source: Haider & Levenspiel (1989), Powder Technology 58, 63-70 (constants from memory, see the check values).
 * Valid to Re 2.6e5; a few percent above sphericity 0.67, tens of percent for thin discs.
 */
export function haiderLevenspielDrag(reynolds: number, sphericity: number): number {
  requirePositive('reynolds', reynolds);
  requireWithin('sphericity', sphericity, 0.02, 1);
  const p = sphericity;
  const A = Math.exp(2.3288 - 6.4581 * p + 2.4486 * p ** 2);
  const B = 0.0964 + 0.5565 * p;
  const C = Math.exp(4.905 - 13.8944 * p + 18.4222 * p ** 2 - 10.2599 * p ** 3);
  const D = Math.exp(1.4681 + 12.2584 * p - 20.7322 * p ** 2 + 15.8855 * p ** 3);
  return (24 / reynolds) * (1 + A * reynolds ** B) + C / (1 + D / reynolds);
}

/**
 * Terminal velocity, m/s, where the drag above balances the submerged weight:
 * Cd Re^2 = 4/3 D*, with D* = R g d^3 / nu^2 and d the volume-equivalent diameter. Cd Re^2 grows with Re, so the root is single.
 */
export function haiderLevenspiel_m_s(
  volumeDiameter_m: number,
  sphericity: number,
  density_kg_m3: number,
  water: Water,
): number {
  requirePositive('volumeDiameter_m', volumeDiameter_m, 'm');
  const nu = water.kinematicViscosity_m2_s;
  const push = (4 / 3) * ((submergedDensity(density_kg_m3, water) * GRAVITY_M_S2 * volumeDiameter_m ** 3) / nu ** 2);
  const lnReynolds = bisect(
    (lnRe) => haiderLevenspielDrag(Math.exp(lnRe), sphericity) * Math.exp(2 * lnRe) - push,
    Math.log(1e-9),
    Math.log(2.6e5),
  );
  return (Math.exp(lnReynolds) * nu) / volumeDiameter_m;
}
