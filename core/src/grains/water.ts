import { requireWithin } from '../outOfRange.ts';

/** Still fresh water at 101.325 kPa. */
export interface Water {
  readonly density_kg_m3: number;
  readonly kinematicViscosity_m2_s: number;
}

/**
 * Fresh water from 0 to 40 degrees Celsius.
 * Density: Tanaka et al. (2001), Metrologia 38, 301-309, equation 1.
 * Viscosity: Kestin, Sokolov & Wakeham (1978), J. Phys. Chem. Ref. Data 7, 941-948, with 1.002 mPa s at 20 degrees.
 * @throws OutOfRange outside 0-40
 */
export function freshWater(temperature_C: number): Water {
  requireWithin('temperature_C', temperature_C, 0, 40, '°C');
  const t = temperature_C;
  const density_kg_m3 = 999.97495 * (1 - ((t - 3.983035) ** 2 * (t + 301.797)) / (522_528.9 * (t + 69.34881)));
  const d = 20 - t;
  const viscosity_Pa_s = 1.002e-3 * 10 ** ((d / (t + 96)) * (1.2364 - 1.37e-3 * d + 5.7e-6 * d * d));
  return { density_kg_m3, kinematicViscosity_m2_s: viscosity_Pa_s / density_kg_m3 };
}
