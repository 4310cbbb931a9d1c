import { requirePositive, requireWithin } from '../outOfRange.ts';
import { GRAVITY_M_S2 } from './constants.ts';
import { submergedDensity } from './fergusonChurch.ts';
import type { Water } from './water.ts';

/** Corey shape factor at and below which the law has no value: its logarithm is undefined at 0.15. */
export const DIETRICH_LEAST_CSF = 0.15;

/**
 * Terminal settling velocity of a natural particle in still water, m/s.
 *
 *   D* = R g Dn^3 / nu^2,  W* = R3 10^(R1 + R2),  w = (W* R g nu)^(1/3)
 *
 * nominalDiameter_m: diameter of the sphere of equal volume. csf: Corey shape factor c / sqrt(a b).
 * powers: roundness after Powers, 0 (crushed) to 6 (perfectly round), 3.5 natural.
 * Source: Dietrich (1982), Water Resour. Res. 18(6), 1615-1626 (constants from memory, see the check values).
 * Data behind it: csf 0.2-1; below D* 0.05 the Stokes form W* = D*^2 / 5832 is used.
 * @throws OutOfRange for csf of 0.15 or less, where the law is undefined
 */
export function dietrich_m_s(
  nominalDiameter_m: number,
  csf: number,
  powers: number,
  density_kg_m3: number,
  water: Water,
): number {
  requirePositive('nominalDiameter_m', nominalDiameter_m, 'm');
  requireWithin('csf', csf, DIETRICH_LEAST_CSF + 1e-9, 1);
  requireWithin('powers', powers, 0, 6);
  const nu = water.kinematicViscosity_m2_s;
  const Rg = submergedDensity(density_kg_m3, water) * GRAVITY_M_S2;
  const dStar = (Rg * nominalDiameter_m ** 3) / nu ** 2;
  return Math.cbrt(wStar(dStar, csf, powers) * Rg * nu);
}

function wStar(dStar: number, csf: number, powers: number): number {
  if (dStar < 0.05) return dStar ** 2 / 5832;
  const x = Math.log10(dStar);
  const flat = 1 - csf;
  const bend = Math.tanh(x - 4.6);
  const r1 = -3.76715 + 1.92944 * x - 0.09815 * x ** 2 - 0.00575 * x ** 3 + 0.00056 * x ** 4;
  const r2 = Math.log10(1 - flat / 0.85) - flat ** 2.3 * bend + 0.3 * (0.5 - csf) * flat ** 2 * (x - 4.6);
  const r3 = (0.65 - (csf / 2.83) * bend) ** (1 + (3.5 - powers) / 2.5);
  return r3 * 10 ** (r1 + r2);
}
