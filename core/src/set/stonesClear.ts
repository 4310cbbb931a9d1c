import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import { requirePositive } from '../outOfRange.ts';
import { BOX_WATER_KG_M3, type FloorFlow } from './floorFlow.ts';

/** Density of gravel over that of the water. */
export const GRAVEL_RATIO = DENSITY_KG_M3.quartz / BOX_WATER_KG_M3;
/** A round pebble rolls on a floor inclined by so much. Stated assumption; pebbles roll from 15 to 25 degrees. */
const ROLLING = 0.35;
/** Steeper than it rolls by itself, the water still has to start it. */
const LEAST_SLOPE_FACTOR = 0.05;

/**
 * Shear that moves one size out of a mixture, Pa: tau_m (d/D)^b, tau_m = t_r (rho_s - rho) g D, b = 0.67 / (1 + exp(1.5 - d/D)).
 * Source: Wilcock & Crowe (2003), J. Hydraul. Eng. 129(2), 120-128 (constants from memory). D is the mean size of what lies about it: the feed's median for a
 * stone, the height of shelter for gold in a lining.
 */
export function hiddenShear_Pa(
  size_m: number,
  about_m: number,
  referenceShields: number,
  density_kg_m3: number = DENSITY_KG_M3.quartz,
): number {
  const of = size_m / about_m;
  return (
    referenceShields *
    (density_kg_m3 - BOX_WATER_KG_M3) *
    GRAVITY_M_S2 *
    about_m *
    of ** (0.67 / (1 + Math.exp(1.5 - of)))
  );
}

/**
 * How much more it takes to roll a stone that stands out of the water, as a factor on the square of the speed; 1 for a covered one. Drag on the wetted
 * part of a sphere at its centroid against weight less buoyancy, about the downstream foot. Definition; geometry of cap and circle segment.
 */
export function tallStoneFactor(stone_m: number, depth_m: number): number {
  const r = Math.min(1, depth_m / stone_m);
  if (r >= 1) return 1;
  const alpha = Math.acos(1 - 2 * r);
  const segment = alpha - Math.sin(alpha) * Math.cos(alpha);
  const wettedVolume = r ** 2 * (3 - 2 * r);
  const wettedArea = segment / Math.PI;
  const lever = 1 - (2 * Math.sin(alpha) ** 3) / (3 * segment);
  return (GRAVEL_RATIO - wettedVolume) / ((GRAVEL_RATIO - 1) * wettedArea * lever);
}

/** What the floor's slope takes off the speed: the root of cos beta - sin beta / mu, never below a root of 0.05. Balance of forces. */
export const slopeFactor = (slope: number): number =>
  Math.sqrt(Math.max(LEAST_SLOPE_FACTOR, (1 - slope / ROLLING) / Math.sqrt(1 + slope ** 2)));

/**
 * Speed that rolls a single stone over a crest or a bare floor, m/s: c min(1, d/R)^-0.27 sqrt(g d (s-1)) for a covered stone on the flat.
 * Source: Novak & Nalluri (1984), J. Hydraul. Res. 22(3), 181-197 (c 0.61, from memory); slope and tall stones by balance.
 */
export function rollingSpeed_m_s(
  stone_m: number,
  { radius_m, depth_m, slope }: Pick<FloorFlow, 'radius_m' | 'depth_m' | 'slope'>,
  rolling = 0.61,
): number {
  requirePositive('stone_m', stone_m, 'm');
  return (
    rolling *
    Math.min(1, stone_m / radius_m) ** -0.27 *
    Math.sqrt(GRAVITY_M_S2 * stone_m * (GRAVEL_RATIO - 1) * tallStoneFactor(stone_m, depth_m)) *
    slopeFactor(slope)
  );
}

/** Whether stones of a size go through: each ratio is what the water does over what it must do. Both must be 1 or more. */
export interface StonesClear {
  /** Out of the moving feed: shear over the shear that moves that size in it. */
  readonly inFeed: number;
  /** Over crests and bare floor: speed over the speed that rolls one by itself. */
  readonly onFloor: number;
  /** The smaller of the two: it says why stones stall. */
  readonly least: number;
}
export function stonesClear(
  flow: FloorFlow,
  stone_m: number,
  medianFeed_m: number,
  { referenceShields, rolling }: { readonly referenceShields: number; readonly rolling: number },
): StonesClear {
  const inFeed = flow.bedShear_Pa / hiddenShear_Pa(stone_m, medianFeed_m, referenceShields);
  const onFloor = flow.speed_m_s / rollingSpeed_m_s(stone_m, flow, rolling);
  return { inFeed, onFloor, least: Math.min(inFeed, onFloor) };
}
