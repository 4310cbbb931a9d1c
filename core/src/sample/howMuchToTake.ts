import { requirePositive } from '../outOfRange.ts';

/** Particles a sample should hold for a trustworthy grade: Clifton, Hunter, Swanson & Phillips (1969), USGS Professional Paper 625-C. */
export const CLIFTON_PARTICLES = 20;

/**
 * Volume that holds on average a number of colors, and what such a sample is worth.
 * V = N m / grade; relative standard error 1/sqrt(N); chance of an empty sample exp(-N). Poisson, equal flakes at random.
 */
export function volumeForParticles(
  grade_mg_L: number,
  color_mg: number,
  particles = CLIFTON_PARTICLES,
): { volume_L: number; relativeStandardError: number; chanceOfNone: number } {
  requirePositive('grade_mg_L', grade_mg_L, 'mg/L');
  requirePositive('color_mg', color_mg, 'mg');
  requirePositive('particles', particles);
  return {
    volume_L: (particles * color_mg) / grade_mg_L,
    relativeStandardError: 1 / Math.sqrt(particles),
    chanceOfNone: Math.exp(-particles),
  };
}
