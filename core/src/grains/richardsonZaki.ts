import { requirePositive, requireWithin } from '../outOfRange.ts';

/** Exponent n by particle Reynolds number (jumps of a few percent at the class limits are the paper's). */
export function richardsonZakiExponent(reynolds: number): number {
  requirePositive('reynolds', reynolds);
  if (reynolds < 0.2) return 4.65;
  if (reynolds < 1) return 4.35 * reynolds ** -0.03;
  if (reynolds <= 500) return 4.45 * reynolds ** -0.1;
  return 2.39;
}

/**
 * Settling velocity in a crowd, m/s: w = w0 (1 - c)^n, c the solids' share of the volume (0-0.6).
 * Source: Richardson & Zaki (1954), Trans. Inst. Chem. Eng. 32, 35-53, without the wall terms.
 */
export function hinderedSettling_m_s(
  alone_m_s: number,
  diameter_m: number,
  concentration: number,
  kinematicViscosity_m2_s: number,
): number {
  requireWithin('concentration', concentration, 0, 0.6);
  return alone_m_s * (1 - concentration) ** richardsonZakiExponent((alone_m_s * diameter_m) / kinematicViscosity_m2_s);
}
