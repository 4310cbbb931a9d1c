import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import { submergedDensity } from '../grains/fergusonChurch.ts';
import type { Water } from '../grains/water.ts';
import { requirePositive } from '../outOfRange.ts';

/**
 * Shields number at which a bed of grains begins to move, and the shear that gives it.
 * D* = d (g R / nu^2)^(1/3); theta = 0.30 / (1 + 1.2 D*) + 0.055 (1 - exp(-0.020 D*)).
 * Source: Soulsby (1997), Dynamics of Marine Sands, eq. 77 (constants from memory, see the check values).
 * For a bed of the same grains on a rough or riffled floor; no correction for slope or hiding.
 */
export function movingShear(
  diameter_m: number,
  water: Water,
  density_kg_m3: number = DENSITY_KG_M3.quartz,
): { theta: number; shear_Pa: number } {
  requirePositive('diameter_m', diameter_m, 'm');
  const R = submergedDensity(density_kg_m3, water);
  const dStar = diameter_m * Math.cbrt((GRAVITY_M_S2 * R) / water.kinematicViscosity_m2_s ** 2);
  const theta = 0.3 / (1 + 1.2 * dStar) + 0.055 * (1 - Math.exp(-0.02 * dStar));
  return { theta, shear_Pa: theta * GRAVITY_M_S2 * R * water.density_kg_m3 * diameter_m };
}

/**
 * Largest quartz stone that keeps moving under a shear, m: the inverse of `movingShear` (its shear grows with size above 0.1 mm).
 */
export function largestStone_m(shear_Pa: number, water: Water): number {
  requirePositive('shear_Pa', shear_Pa, 'Pa');
  const weight_Pa_m = GRAVITY_M_S2 * (DENSITY_KG_M3.quartz - water.density_kg_m3);
  let d = shear_Pa / (0.055 * weight_Pa_m);
  for (let i = 0; i < 100; i++) {
    const next = shear_Pa / (movingShear(d, water).theta * weight_Pa_m);
    if (Math.abs(next - d) < 1e-12 * d) break;
    d = next;
  }
  return d;
}
