import { GRAVITY_M_S2 } from '../grains/constants.ts';
import { requirePositive } from '../outOfRange.ts';

/** A rectangular channel: width, Manning's n of floor and walls alike, slope as drop per length. */
export interface Channel {
  readonly width_m: number;
  readonly manningN: number;
  readonly slope: number;
}

/** Uniform flow in the channel. */
export interface UniformFlow {
  readonly depth_m: number;
  readonly flow_m3_s: number;
  readonly speed_m_s: number;
  readonly hydraulicRadius_m: number;
  readonly froude: number;
  readonly criticalDepth_m: number;
  readonly shear_Pa: number;
  readonly shearSpeed_m_s: number;
}

function check({ width_m, manningN, slope }: Channel): void {
  requirePositive('width_m', width_m, 'm');
  requirePositive('manningN', manningN);
  requirePositive('slope', slope);
}

/**
 * Uniform flow at a depth, side walls counted: A = b y, R = b y / (b + 2 y), V = R^(2/3) S^(1/2) / n,
 * shear = rho g R S with rho = 1000 kg/m3. Source: Manning (1891); Chow (1959), Open-Channel Hydraulics, eq. 5-6, ch. 3-4.
 * n is an effective value in a riffled box; cos(slope) is taken as 1.
 */
export function flowAtDepth(channel: Channel, depth_m: number): UniformFlow {
  check(channel);
  requirePositive('depth_m', depth_m, 'm');
  const { width_m, manningN, slope } = channel;
  const hydraulicRadius_m = (width_m * depth_m) / (width_m + 2 * depth_m);
  const speed_m_s = (Math.cbrt(hydraulicRadius_m) ** 2 * Math.sqrt(slope)) / manningN;
  const flow_m3_s = speed_m_s * width_m * depth_m;
  return {
    depth_m,
    flow_m3_s,
    speed_m_s,
    hydraulicRadius_m,
    froude: speed_m_s / Math.sqrt(GRAVITY_M_S2 * depth_m),
    criticalDepth_m: Math.cbrt((flow_m3_s / width_m) ** 2 / GRAVITY_M_S2),
    shear_Pa: 1000 * GRAVITY_M_S2 * hydraulicRadius_m * slope,
    shearSpeed_m_s: Math.sqrt(GRAVITY_M_S2 * hydraulicRadius_m * slope),
  };
}

/**
 * Normal depth for a flow: the y with Q = (1/n) b y R^(2/3) S^(1/2) (Chow 1959, ch. 6), by the fixed point
 * y = (Q n / (b sqrt S))^(3/5) ((b + 2 y)/b)^(2/5), a contraction for every positive y.
 */
export function flowAtRate(channel: Channel, flow_m3_s: number): UniformFlow {
  check(channel);
  requirePositive('flow_m3_s', flow_m3_s, 'm3/s');
  const { width_m, manningN, slope } = channel;
  const wide_m = ((flow_m3_s * manningN) / (width_m * Math.sqrt(slope))) ** 0.6;
  let depth_m = wide_m;
  for (let i = 0; i < 200; i++) {
    const next = wide_m * (1 + (2 * depth_m) / width_m) ** 0.4;
    const done = Math.abs(next - depth_m) < 1e-13 * next;
    depth_m = next;
    if (done) break;
  }
  return flowAtDepth(channel, depth_m);
}
