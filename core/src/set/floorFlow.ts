import { GRAVITY_M_S2 } from '../grains/constants.ts';
import { requirePositive } from '../outOfRange.ts';

/** Density of creek water the box model is stated for, kg/m3. */
export const BOX_WATER_KG_M3 = 999.7;
/** Manning's n of the smooth side walls (Chow 1959, planed wood or sheet metal). */
export const WALL_N = 0.01;
/** Constants of the variable-power law: rough thin sheets, and deep water. */
const [A1, A2] = [6.5, 2.5];

/** A lined trough: width, roughness length of its floor. */
export interface LinedFloor {
  readonly width_m: number;
  readonly roughness_m: number;
}

/** Even flow over a lined floor between smooth walls. */
export interface FloorFlow {
  readonly depth_m: number;
  readonly slope: number;
  readonly flow_m3_s: number;
  readonly flowPerWidth_m2_s: number;
  readonly speed_m_s: number;
  /** Hydraulic radius that the floor answers for. */
  readonly bedRadius_m: number;
  /** And that of floor and walls together. */
  readonly radius_m: number;
  readonly bedShear_Pa: number;
  readonly shearSpeed_m_s: number;
  /** Manning's n of floor and walls together. */
  readonly compositeN: number;
  readonly froude: number;
  readonly criticalDepth_m: number;
}

/**
 * Speed over shear speed of shallow water on a rough floor, x = R/k: U/u* = a1 a2 x / sqrt(a1^2 + a2^2 x^(5/3)).
 * Source: Ferguson (2007), Water Resour. Res. 43, W05427 (constants from memory). Stated for R/k 0.3-30.
 */
export const speedRatio = (x: number): number => (A1 * A2 * x) / Math.sqrt(A1 ** 2 + A2 ** 2 * powerFiveThirds(x));
const powerFiveThirds = (x: number): number => {
  const root = Math.cbrt(x);
  return x * root * root;
};

/**
 * The floor's share of the water, free of the slope: b h = b R_b + 2 h R_w with R_w = (n_w U / sqrt S)^1.5.
 * Source: Einstein (1942), Horton (1933) in Chow (1959), ch. 6.
 * @returns bed radius in m, and speed over the root of the slope in m/s
 */
export function floorShare(
  { width_m, roughness_m }: LinedFloor,
  depth_m: number,
): { readonly bedRadius_m: number; readonly speedPerRootSlope: number } {
  // b R + 2 h (n_w V)^1.5 = b h by Newton's steps from the whole depth down: the left side only grows.
  let bedRadius_m = depth_m;
  for (let i = 0; i < 30; i++) {
    const speed = speedPerRootSlope(bedRadius_m, roughness_m);
    const walls = 2 * depth_m * WALL_N * speed * Math.sqrt(WALL_N * speed);
    const step =
      (width_m * (bedRadius_m - depth_m) + walls) /
      (width_m + (1.5 * walls * growthOfSpeed(bedRadius_m / roughness_m)) / bedRadius_m);
    bedRadius_m = Math.max(bedRadius_m - step, bedRadius_m / 4);
    if (Math.abs(step) < 1e-14 * depth_m) break;
  }
  return { bedRadius_m, speedPerRootSlope: speedPerRootSlope(bedRadius_m, roughness_m) };
}

const speedPerRootSlope = (bedRadius_m: number, roughness_m: number): number =>
  speedRatio(bedRadius_m / roughness_m) * Math.sqrt(GRAVITY_M_S2 * bedRadius_m);
/** By which power of the radius that speed grows there: from 1.5 in thin sheets to 2/3 in deep water. */
const growthOfSpeed = (x: number): number => {
  const deep = A2 ** 2 * powerFiveThirds(x);
  return 1.5 - ((5 / 6) * deep) / (A1 ** 2 + deep);
};

/**
 * Even flow at a depth over the lining. Valid for bed radius over roughness 0.3-30; thinner water than the lining is rough is said by the caller.
 * @throws OutOfRange when a length or the slope is not positive
 */
export function floorFlowAtDepth(floor: LinedFloor, slope: number, depth_m: number): FloorFlow {
  requirePositive('width_m', floor.width_m, 'm');
  requirePositive('roughness_m', floor.roughness_m, 'm');
  requirePositive('slope', slope);
  requirePositive('depth_m', depth_m, 'm');
  const { bedRadius_m, speedPerRootSlope } = floorShare(floor, depth_m);
  const speed_m_s = speedPerRootSlope * Math.sqrt(slope);
  const flowPerWidth_m2_s = speed_m_s * depth_m;
  const radius_m = (floor.width_m * depth_m) / (floor.width_m + 2 * depth_m);
  return {
    depth_m,
    slope,
    flow_m3_s: flowPerWidth_m2_s * floor.width_m,
    flowPerWidth_m2_s,
    speed_m_s,
    bedRadius_m,
    radius_m,
    bedShear_Pa: BOX_WATER_KG_M3 * GRAVITY_M_S2 * bedRadius_m * slope,
    shearSpeed_m_s: Math.sqrt(GRAVITY_M_S2 * bedRadius_m * slope),
    compositeN: (Math.cbrt(radius_m) ** 2 * Math.sqrt(slope)) / speed_m_s,
    froude: speed_m_s / Math.sqrt(GRAVITY_M_S2 * depth_m),
    criticalDepth_m: Math.cbrt(flowPerWidth_m2_s ** 2 / GRAVITY_M_S2),
  };
}

/** Deepest water looked for, m: more is a river and not a box. */
const DEEPEST_M = 2;

/** The same for a flow: the depth that carries it. */
export function floorFlowAtRate(floor: LinedFloor, slope: number, flow_m3_s: number): FloorFlow {
  requirePositive('slope', slope);
  requirePositive('flow_m3_s', flow_m3_s, 'm3/s');
  return floorFlowAtDepth(floor, slope, depthForFlow_m(floor, flow_m3_s / Math.sqrt(slope)));
}

/** Depth at which a floor carries a flow over the root of its slope, m3/s: free of the slope, so worked out once for all pitches. At most 2 m. */
export function depthForFlow_m(floor: LinedFloor, flowPerRootSlope: number): number {
  const about_m2 = flowPerRootSlope / floor.width_m;
  let depth_m = Math.cbrt(about_m2 ** 2) / 3;
  for (let i = 0; i < 60; i++) {
    const { bedRadius_m, speedPerRootSlope: speed } = floorShare(floor, depth_m);
    // On logarithms flow over depth is all but a straight line of this slope.
    const step = Math.log(about_m2 / (speed * depth_m)) / (1 + growthOfSpeed(bedRadius_m / floor.roughness_m));
    depth_m = Math.min(DEEPEST_M, depth_m * Math.exp(Math.max(-2, Math.min(2, step))));
    if (Math.abs(step) < 1e-13 || depth_m === DEEPEST_M) break;
  }
  return depth_m;
}
