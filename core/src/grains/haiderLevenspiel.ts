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
  const { A, B, C, D } = dragConstants(sphericity);
  return (24 / reynolds) * (1 + A * reynolds ** B) + C / (1 + D / reynolds);
}
function dragConstants(sphericity: number) {
  requireWithin('sphericity', sphericity, 0.02, 1);
  const p = sphericity;
  return {
    A: Math.exp(2.3288 - 6.4581 * p + 2.4486 * p ** 2),
    B: 0.0964 + 0.5565 * p,
    C: Math.exp(4.905 - 13.8944 * p + 18.4222 * p ** 2 - 10.2599 * p ** 3),
    D: Math.exp(1.4681 + 12.2584 * p - 20.7322 * p ** 2 + 15.8855 * p ** 3),
  };
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
  const { A, B, C, D } = dragConstants(sphericity);
  // Newton on ln(Cd Re^2) over ln Re: nearly straight, its slope between 1 and 2.
  let lnReynolds = Math.log(push / 24) / 1.5;
  for (let i = 0; i < MOST_STEPS; i++) {
    const Re = Math.exp(lnReynolds);
    const stokes = 24 * Re;
    const middle = stokes * A * Re ** B;
    const blunt = (C * Re ** 3) / (Re + D);
    const all = stokes + middle + blunt;
    const grows = stokes + (1 + B) * middle + (3 - Re / (Re + D)) * blunt;
    const step = (Math.log(all / push) * all) / grows;
    lnReynolds -= step;
    if (Math.abs(step) < 1e-13 * Math.max(1, Math.abs(lnReynolds))) break;
  }
  const reynolds = Math.min(MOST_REYNOLDS, Math.max(LEAST_REYNOLDS, Math.exp(lnReynolds)));
  return (reynolds * nu) / volumeDiameter_m;
}
const [LEAST_REYNOLDS, MOST_REYNOLDS] = [1e-9, 2.6e5];
const MOST_STEPS = 60;
