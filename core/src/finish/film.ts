import { GRAVITY_M_S2 } from '../grains/constants.ts';
import type { Water } from '../grains/water.ts';
import { requirePositive } from '../outOfRange.ts';

/** Roughness of a finishing floor, s/m^(1/3). From memory, as of smooth plastic. */
const FLOOR_N = 0.01;

/** Depth of water over a floor that shears it so, m: tau = rho g h S. */
export function filmFor_m(shear_Pa: number, slope: number, water: Water): number {
  requirePositive('shear_Pa', shear_Pa, 'Pa');
  requirePositive('slope', slope);
  return shear_Pa / (water.density_kg_m3 * GRAVITY_M_S2 * slope);
}

/** And the shear of a depth, Pa. */
export const shearOfFilm_Pa = (depth_m: number, slope: number, water: Water): number =>
  water.density_kg_m3 * GRAVITY_M_S2 * depth_m * slope;

/** Flow for a width of floor at that depth, m2/s: the less of a laminar film (Nusselt) and of Manning's law. */
export function filmFlow_m2_s(depth_m: number, slope: number, water: Water): number {
  requirePositive('depth_m', depth_m, 'm');
  requirePositive('slope', slope);
  return Math.min(
    (GRAVITY_M_S2 * slope * depth_m ** 3) / (3 * water.kinematicViscosity_m2_s),
    (Math.sqrt(slope) * depth_m ** (5 / 3)) / FLOOR_N,
  );
}
