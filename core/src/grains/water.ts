import { requireWithin } from '../outOfRange.ts';

/** Still water at 101.325 kPa. */
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

/** Salt of the open sea, g in a kg. */
export const OPEN_SEA_G_KG = 35;

/**
 * Sea water from 0 to 40 degrees Celsius with 0 to 42 g of salt in a kg.
 * Density: the international equation of state of sea water at one atmosphere, Millero & Poisson (1981), Deep-Sea Research 28, 625-629.
 * Viscosity: Sharqawy, Lienhard & Zubair (2010), Desalination and Water Treatment 16, 354-380: that of fresh water times 1 + A S + B S^2.
 * @throws OutOfRange outside those ranges
 */
export function seaWater(temperature_C: number, salt_g_kg = OPEN_SEA_G_KG): Water {
  requireWithin('salt_g_kg', salt_g_kg, 0, 42, 'g/kg');
  const fresh = freshWater(temperature_C);
  const [t, s] = [temperature_C, salt_g_kg];
  const density_kg_m3 =
    powers(t, [999.842594, 6.793952e-2, -9.09529e-3, 1.001685e-4, -1.120083e-6, 6.536332e-9]) +
    s * powers(t, [0.824493, -4.0899e-3, 7.6438e-5, -8.2467e-7, 5.3875e-9]) +
    s ** 1.5 * powers(t, [-5.72466e-3, 1.0227e-4, -1.6546e-6]) +
    s ** 2 * 4.8314e-4;
  const salt = s / 1000;
  const thicker =
    1 + salt * powers(t, [1.541, 1.998e-2, -9.52e-5]) + salt ** 2 * powers(t, [7.974, -7.561e-2, 4.724e-4]);
  return {
    density_kg_m3,
    kinematicViscosity_m2_s: (fresh.kinematicViscosity_m2_s * fresh.density_kg_m3 * thicker) / density_kg_m3,
  };
}

/** A polynomial, its constant first. */
const powers = (x: number, of: readonly number[]): number => of.reduceRight((sum, a) => sum * x + a, 0);
