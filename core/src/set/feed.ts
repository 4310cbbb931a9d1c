import { GRAVITY_M_S2 } from '../grains/constants.ts';
import { GRAVEL_RATIO } from './stonesClear.ts';

/** Share of solid in loosely heaped gravel: common practice, no source. */
export const SOLID_SHARE_LOOSE = 0.65;
/** Gravel begins to move on the flat at this Shields number, and lies at this angle. */
export const FLAT_SHIELDS = 0.047;
export const TAN_REPOSE = Math.tan((35 * Math.PI) / 180);
/** What riffles exchange, solids over water. Fitted to one guideline of the trade (Clarkson 1990, from memory). */
export const DIGESTED_SHARE = 0.075;
/** Feed advised, of what the box takes: its true capacity is below this once in four to seven boxes. */
export const PRUDENT_SHARE = 0.6;

/**
 * Solids a steep flow carries, m2/s a metre of width. q_b = 4/(s-1) (d90/d30)^0.2 q S^1.6 max(0, 1 - theta_c/theta).
 * Source: Smart & Jaeggi (1983), VAW Mitteilungen 64; Smart (1984), J. Hydraul. Eng. 110(3), 267-276 (from memory). Flume 0.2 m wide, slopes 3-20 %.
 */
export function smartJaeggi_m2_s(
  flowPerWidth_m2_s: number,
  radius_m: number,
  slope: number,
  median_m: number,
  spread: number,
): number {
  const theta = (radius_m * slope) / ((GRAVEL_RATIO - 1) * median_m);
  const threshold = (FLAT_SHIELDS * (1 - slope / TAN_REPOSE)) / Math.sqrt(1 + slope ** 2);
  return (
    (4 / (GRAVEL_RATIO - 1)) * spread ** 0.2 * flowPerWidth_m2_s * slope ** 1.6 * Math.max(0, 1 - threshold / theta)
  );
}

/** Flow a metre of width below which nothing moves, m2/s. Source: as `rickenmann_m2_s`. */
export const criticalFlow_m2_s = (slope: number, median_m: number): number =>
  0.065 * (GRAVEL_RATIO - 1) ** 1.67 * Math.sqrt(GRAVITY_M_S2) * median_m ** 1.5 * slope ** -1.12;

/**
 * The same by the flow above a critical one: q_b = 3.1 (s-1)^-1.5 (d90/d30)^0.2 max(0, q - q_c) S^1.5.
 * Source: Rickenmann (1990), VAW Mitteilungen 103; (2001) Water Resour. Res. 37(12), 3295-3304 (from memory). Slopes 0.04-20 %.
 */
export const rickenmann_m2_s = (flowPerWidth_m2_s: number, slope: number, median_m: number, spread: number): number =>
  3.1 *
  (GRAVEL_RATIO - 1) ** -1.5 *
  spread ** 0.2 *
  Math.max(0, flowPerWidth_m2_s - criticalFlow_m2_s(slope, median_m)) *
  slope ** 1.5;

/** Loose gravel a box takes, m3/s. */
export interface FeedCapacity {
  /** What the water carries over it: the mean of the two laws above, times the box factor. */
  readonly carried_m3_s: number;
  /** What its riffles exchange. */
  readonly digested_m3_s: number;
  /** Both together: the smaller, rounded off where they meet; 0 when nothing is carried. */
  readonly capacity_m3_s: number;
}

/**
 * What a box takes. The box factor stands for the rigid floor, fines in suspension and scatter: the bare laws carry a bucket in seven minutes where practice
 * feeds one in three to six. It grows with depth and with pitch, at held depth and at held flow.
 */
export function feedCapacity(
  flow: {
    readonly flowPerWidth_m2_s: number;
    readonly bedRadius_m: number;
    readonly slope: number;
  },
  width_m: number,
  median_m: number,
  { spread, boxFactor }: { readonly spread: number; readonly boxFactor: number },
): FeedCapacity {
  const { flowPerWidth_m2_s: q, bedRadius_m, slope } = flow;
  const solid_m2_s =
    (smartJaeggi_m2_s(q, bedRadius_m, slope, median_m, spread) + rickenmann_m2_s(q, slope, median_m, spread)) / 2;
  const carried_m3_s = (boxFactor * solid_m2_s * width_m) / SOLID_SHARE_LOOSE;
  const digested_m3_s = (DIGESTED_SHARE * q * width_m) / SOLID_SHARE_LOOSE;
  return { carried_m3_s, digested_m3_s, capacity_m3_s: bothLimits(carried_m3_s, digested_m3_s) };
}

/** (a^-4 + b^-4)^(-1/4): the smaller of two limits, rounded off where they meet. */
export function bothLimits(a: number, b: number): number {
  if (!(a > 0) || !(b > 0)) return 0;
  const low = Math.min(a, b);
  const share = low / Math.max(a, b);
  return low / Math.sqrt(Math.sqrt(1 + share * share * share * share));
}
