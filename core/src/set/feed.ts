import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { submergedDensity } from '../grains/fergusonChurch.ts';
import type { Water } from '../grains/water.ts';
import type { UniformFlow } from './manning.ts';
import { movingShear } from './stones.ts';

/** Share of solid in loosely heaped gravel: common practice, no source. */
export const SOLID_SHARE_LOOSE = 0.65;

/** Slope at and above which Smart & Jaeggi's steep-channel formula is used; flatter is Meyer-Peter & Mueller's. */
export const STEEP_SLOPE = 0.03;

/**
 * Loose gravel a flow can carry over the box, m3/s.
 *
 * From 3 % up (data 3-20 %): Smart & Jaeggi (1983), VAW Mitteilungen 64; Smart (1984), J. Hydraul. Eng. 110, 267-276:
 *   q_b = 4/R (d90/d30)^0.2 q S^1.6 (1 - theta_cr / theta), theta = R_h S / (R d),
 * with one-size feed (d90 = d30), so the spread of sizes adds nothing.
 * Flatter: Meyer-Peter & Mueller (1948), IAHR 2nd Meeting: q_b = 8 (theta - 0.047)^1.5 sqrt(R g d^3).
 * `stone_m` is the size that stands for the feed; theta_cr is Soulsby's. Zero when that size stalls.
 */
export function carriedGravel_m3_s(
  flow: UniformFlow,
  slope: number,
  width_m: number,
  stone_m: number,
  water: Water,
): number {
  const R = submergedDensity(DENSITY_KG_M3.quartz, water);
  const theta = (flow.hydraulicRadius_m * slope) / (R * stone_m);
  let solid_m2_s: number;
  if (slope >= STEEP_SLOPE) {
    const critical = movingShear(stone_m, water).theta;
    solid_m2_s = (4 / R) * (flow.flow_m3_s / width_m) * slope ** 1.6 * Math.max(0, 1 - critical / theta);
  } else {
    solid_m2_s = 8 * Math.max(0, theta - 0.047) ** 1.5 * Math.sqrt(R * 9.80665 * stone_m ** 3);
  }
  return (solid_m2_s * width_m) / SOLID_SHARE_LOOSE;
}
