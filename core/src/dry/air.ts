import { requireWithin } from '../outOfRange.ts';
import type { Water } from '../grains/water.ts';

/** Still dry air at a place: what settling laws ask of any fluid. */
export interface Air extends Water {
  readonly dynamicViscosity_Pa_s: number;
  readonly pressure_Pa: number;
}

/**
 * Dry air at an altitude of 0-11,000 m and a temperature of -40 to 60 degrees Celsius.
 * Pressure: standard atmosphere (ICAO Doc 7488; U.S. Standard Atmosphere 1976). Viscosity: Sutherland's law. Humid air is up to 1 % lighter.
 * @throws OutOfRange outside these
 */
export function dryAir(altitude_m: number, temperature_C: number): Air {
  requireWithin('altitude_m', altitude_m, -500, 11_000, 'm');
  requireWithin('temperature_C', temperature_C, -40, 60, '°C');
  const T = temperature_C + 273.15;
  const pressure_Pa = 101_325 * (1 - (0.0065 * altitude_m) / 288.15) ** 5.25588;
  const density_kg_m3 = pressure_Pa / (287.053 * T);
  const dynamicViscosity_Pa_s = (1.458e-6 * T ** 1.5) / (T + 110.4);
  return {
    density_kg_m3,
    dynamicViscosity_Pa_s,
    kinematicViscosity_m2_s: dynamicViscosity_Pa_s / density_kg_m3,
    pressure_Pa,
  };
}
