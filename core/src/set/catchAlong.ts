import type { Range } from '../grains/flake.ts';
import { hinderedSettling_m_s } from '../grains/richardsonZaki.ts';
import type { Lining } from './linings.ts';
import type { UniformFlow } from './manning.ts';

/** Von Karman's constant as Riffle uses it. */
const KAPPA = 0.41;

/** A size of gold with the velocities it may settle at (see `flakeSettling_m_s`); worked out once, used for every trial of a box. */
export interface GoldSize {
  readonly size_m: number;
  readonly settling_m_s: Range;
}

/** How the gravel stands against what the water carries. */
export interface Loading {
  /** Solids' share of the moving volume. */
  readonly concentration: number;
  /** Feed over what the flow can carry; above 1 riffles pack. */
  readonly feedShare: number;
  readonly kinematicViscosity_m2_s: number;
}

/**
 * Rate at which a box takes one size of gold, per metre:
 *
 *   k = eta w / (U h) psi(w / (kappa u*)),  psi(b) = b^m / (1 + b^m)
 *
 * w is hindered settling, U h flow per width, u* shear velocity. eta = lining.keep x fit x packing: a grain larger than
 * the trap rolls on, fit = 1 / (1 + (size / trap)^4); an overfed box packs, packing = 1 / feedShare above 1.
 * The law is Riffle's own model (settling against turbulent mixing, after Rouse 1937); keep, m, trap are stated assumptions.
 * Caught down to x within one lining: 1 - exp(-k x).
 */
export function catchRate_per_m(gold: GoldSize, flow: UniformFlow, lining: Lining, loading: Loading): Range {
  const eta = lining.keep / (1 + (gold.size_m / lining.trap_m) ** 4) / Math.max(1, loading.feedShare);
  const rate = (alone_m_s: number): number => {
    const w = hinderedSettling_m_s(alone_m_s, gold.size_m, loading.concentration, loading.kinematicViscosity_m2_s);
    const b = (w / (KAPPA * flow.shearSpeed_m_s)) ** lining.sharpness;
    return ((eta * w) / (flow.speed_m_s * flow.depth_m)) * (b / (1 + b));
  };
  return { low: rate(gold.settling_m_s.low), high: rate(gold.settling_m_s.high) };
}

/** Share caught down to x metres, as a range. */
export const caughtTo = (rate_per_m: Range, x_m: number): Range => ({
  low: -Math.expm1(-rate_per_m.low * x_m),
  high: -Math.expm1(-rate_per_m.high * x_m),
});
