import { requirePositive } from '../outOfRange.ts';
import { GRAVITY_M_S2 } from './constants.ts';
import type { Water } from './water.ts';

/** c1 rules small grains (Stokes), c2 is the drag coefficient large grains tend to. */
export const FERGUSON_CHURCH = {
  smoothSphere: { c1: 18, c2: 0.4 },
  sieved: { c1: 18, c2: 1 },
  nominal: { c1: 20, c2: 1.1 },
} as const;

interface Shape {
  readonly c1: number;
  readonly c2: number;
}

/**
 * Terminal settling velocity of one compact grain in still water, m/s, positive downward.
 *
 *   w = R g D^2 / (c1 nu + sqrt(0.75 c2 R g D^3)),  R = (rho_grain - rho_water) / rho_water
 *
 * Source: Ferguson & Church (2004), J. Sediment. Res. 74(6), 933-937, equation 4.
 * Valid for grains heavier than water, not for thin flakes.
 * @throws OutOfRange when the size is not positive or the grain would float
 */
export function fergusonChurch_m_s(
  diameter_m: number,
  density_kg_m3: number,
  water: Water,
  shape: Shape = FERGUSON_CHURCH.sieved,
): number {
  const R = submergedDensity(density_kg_m3, water);
  requirePositive('diameter_m', diameter_m, 'm');
  return (
    (R * GRAVITY_M_S2 * diameter_m ** 2) /
    (shape.c1 * water.kinematicViscosity_m2_s + Math.sqrt(0.75 * shape.c2 * R * GRAVITY_M_S2 * diameter_m ** 3))
  );
}

/**
 * Size of a compact grain that settles at a given velocity: the hydraulic equivalent (Rubey 1933) by the law above.
 * With s = sqrt(D) the law is R g s^4 - w sqrt(0.75 c2 R g) s^3 - w c1 nu = 0; Newton from above, where it is convex.
 */
export function equivalentDiameter_m(
  settling_m_s: number,
  density_kg_m3: number,
  water: Water,
  shape: Shape = FERGUSON_CHURCH.sieved,
): number {
  requirePositive('settling_m_s', settling_m_s, 'm/s');
  const Rg = submergedDensity(density_kg_m3, water) * GRAVITY_M_S2;
  const cubic = settling_m_s * Math.sqrt(0.75 * shape.c2 * Rg);
  const constant = settling_m_s * shape.c1 * water.kinematicViscosity_m2_s;
  let s = cubic / Rg + (constant / Rg) ** 0.25;
  for (let i = 0; i < 60; i++) {
    const step = (Rg * s ** 4 - cubic * s ** 3 - constant) / (4 * Rg * s ** 3 - 3 * cubic * s ** 2);
    s -= step;
    if (Math.abs(step) < 1e-14 * s) break;
  }
  return s * s;
}

/** (grain - water) / water. @throws OutOfRange for a grain that does not sink */
export function submergedDensity(density_kg_m3: number, water: Water): number {
  const R = (density_kg_m3 - water.density_kg_m3) / water.density_kg_m3;
  requirePositive('density_kg_m3 above water', R);
  return R;
}
