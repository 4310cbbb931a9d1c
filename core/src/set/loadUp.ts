import { requireWithin } from '../outOfRange.ts';

/** A section as heavies and gold meet it. */
export interface FillingSection {
  readonly length_m: number;
  readonly width_m: number;
  readonly holds_kg_m2: number;
  /** Catch of heavies and of gold while it is clean, per metre. */
  readonly heavyRate_per_m: number;
  readonly goldRate_per_m: number;
}

/** A section after so much black sand came into the box. */
export interface FilledSection {
  readonly held_kg: number;
  readonly fillAtHead: number;
  readonly fillAtTail: number;
  /** Share of gold arriving now that passes it. */
  readonly goldPassesNow: number;
}

/** ln(e^a + e^b - 1) without overflow, for a, b >= 0. */
const logSum = (a: number, b: number): number => {
  const top = Math.max(a, b);
  return top + Math.log(Math.exp(a - top) + Math.exp(b - top) - Math.exp(-top));
};

/**
 * Black sand fills the lining and the catch of gold falls: dC/dx = -k C (1-F), c dF/dM = k C (1-F). Exact: with xi = k L, T = k M / c,
 * passed = (c/k) [ln(e^xi + e^T - 1) - xi], fill at the head 1 - e^-T, gold passing now [e^T / (e^xi + e^T - 1)]^(k_gold / k).
 * Source: Bohart & Adams (1920), J. Am. Chem. Soc. 42, 523-544, taken over to a lining (stated assumption). What one section passes the next is fed.
 * @param fed_kg heavies that came in since the clean-up
 * @throws OutOfRange for a negative mass
 */
export function loadUp(sections: readonly FillingSection[], fed_kg: number): readonly FilledSection[] {
  requireWithin('fed_kg', fed_kg, 0, Infinity, 'kg');
  let arriving_kg = fed_kg;
  return sections.map(({ length_m, width_m, holds_kg_m2, heavyRate_per_m: k, goldRate_per_m }) => {
    if (!(k > 0))
      return { held_kg: 0, fillAtHead: 0, fillAtTail: 0, goldPassesNow: Math.exp(-goldRate_per_m * length_m) };
    const holds_kg_m = holds_kg_m2 * width_m;
    const xi = k * length_m;
    const T = (k * arriving_kg) / holds_kg_m;
    const log = logSum(xi, T);
    const passed_kg = (holds_kg_m / k) * (log - xi);
    const held_kg = arriving_kg - passed_kg;
    arriving_kg = passed_kg;
    return {
      held_kg,
      fillAtHead: -Math.expm1(-T),
      fillAtTail: -Math.expm1(xi - log),
      goldPassesNow: Math.exp((goldRate_per_m / k) * (T - log)),
    };
  });
}
