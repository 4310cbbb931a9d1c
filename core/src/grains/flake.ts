import { requirePositive, requireWithin } from '../outOfRange.ts';
import { DENSITY_KG_M3 } from './constants.ts';
import { DIETRICH_LEAST_CSF, dietrich_m_s } from './dietrich.ts';
import { fergusonChurch_m_s } from './fergusonChurch.ts';
import { haiderLevenspiel_m_s } from './haiderLevenspiel.ts';
import type { Water } from './water.ts';

/** A range of values between two laws that disagree, or two ends of a band. `low` is never above `high`. */
export interface Range {
  readonly low: number;
  readonly high: number;
}

/**
 * A gold flake as a round disc: `size_m` its diameter (what a sieve measures), thickness = csf x size.
 * Geometry: volume pi/4 d^2 t; sphericity (1.5 r)^(2/3) / (0.5 + r) with r = t/d.
 */
export function flakeDisc(
  size_m: number,
  csf: number,
  density_kg_m3: number = DENSITY_KG_M3.placerGold,
): { mass_mg: number; nominalDiameter_m: number; sphericity: number } {
  requirePositive('size_m', size_m, 'm');
  requireWithin('csf', csf, 0.01, 1);
  const volume_m3 = (Math.PI / 4) * size_m ** 3 * csf;
  return {
    mass_mg: volume_m3 * density_kg_m3 * 1e6,
    nominalDiameter_m: size_m * Math.cbrt(1.5 * csf),
    sphericity: (1.5 * csf) ** (2 / 3) / (0.5 + csf),
  };
}

/**
 * Settling velocity of a flake in still water as the range the published laws span, m/s.
 * Dietrich (1982) and Haider & Levenspiel (1989) disagree for thin flakes; both are carried into whatever rests on it.
 * At csf 0.15 or less Dietrich is undefined: the low end is then Haider & Levenspiel over 1.9, the largest ratio
 * found between the two, with `dietrichApplies` false so that the screen can say so.
 */
export function flakeSettling_m_s(
  size_m: number,
  csf: number,
  water: Water,
  density_kg_m3: number = DENSITY_KG_M3.placerGold,
): Range & { dietrichApplies: boolean } {
  const disc = flakeDisc(size_m, csf, density_kg_m3);
  const fast = haiderLevenspiel_m_s(disc.nominalDiameter_m, disc.sphericity, density_kg_m3, water);
  const dietrichApplies = csf > DIETRICH_LEAST_CSF;
  const slow = dietrichApplies ? dietrich_m_s(disc.nominalDiameter_m, csf, 3.5, density_kg_m3, water) : fast / 1.9;
  return { low: Math.min(slow, fast), high: Math.max(slow, fast), dietrichApplies };
}

/** Settling velocity of a compact mineral grain, m/s (Ferguson & Church, sieve diameter). */
export const grainSettling_m_s = (size_m: number, mineral: keyof typeof DENSITY_KG_M3, water: Water): number =>
  fergusonChurch_m_s(size_m, DENSITY_KG_M3[mineral], water);
