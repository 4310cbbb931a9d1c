import type { Range } from '../grains/flake.ts';
import { freshWater, type Water } from '../grains/water.ts';
import { GRAVITY_M_S2 } from '../grains/constants.ts';
import { bisect } from '../maths/bisect.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';

/** A pump by two figures of its plate: the head at which nothing flows any more, and the flow with no head at all. */
export interface Pump {
  readonly shutOffHead_m: number;
  readonly mostFlow_m3_s: number;
}
/** What it pushes through. */
export interface Hose {
  readonly diameter_m: number;
  readonly length_m: number;
  readonly roughness_m: number;
  /** Bends, foot valve, end and a half-closed valve together: losses in velocity heads. */
  readonly minorLoss: number;
}
/** Where pump and hose agree. */
export interface Pumped {
  readonly flow_m3_s: number;
  readonly head_m: number;
  readonly frictionLoss_m: number;
  readonly speed_m_s: number;
}

/** A lay-flat or ribbed hose after some use: stated assumption. */
export const HOSE_ROUGHNESS_M = 0.00005;
/** Losses in velocity heads. Handbook values, from memory. */
const [FOOT_VALVE_AND_END, BEND] = [2.5, 0.9] as const;
/** A gate valve by how far it is open. Handbook values, from memory. */
export const VALVES = { open: 0.2, '3/4': 0.9, half: 4.5, '1/4': 24 } as const;
export type ValveOpen = keyof typeof VALVES;

export const minorLossOf = (bends: number, valve: ValveOpen): number =>
  FOOT_VALVE_AND_END + BEND * bends + VALVES[valve];

const LAMINAR = 2000;
/**
 * Darcy friction factor: 64/Re below 2000, above it f = 0.25 / [log10(e/(3.7 D) + 5.74/Re^0.9)]^2.
 * Source: Swamee & Jain (1976), J. Hydraul. Div. ASCE 102(5), 657-664; 5000 < Re < 1e8, 1e-6 < e/D < 1e-2; between 2000 and 5000 it is carried on.
 */
export const frictionFactor = (reynolds: number, relativeRoughness: number): number =>
  reynolds < LAMINAR
    ? 64 / Math.max(reynolds, 1e-6)
    : 0.25 / Math.log10(relativeRoughness / 3.7 + 5.74 / reynolds ** 0.9) ** 2;

/** Head a hose takes from a flow, m: h = (f L/D + K) V^2 / 2g (Darcy-Weisbach). */
export function hoseLoss_m(flow_m3_s: number, hose: Hose, water: Water): { loss_m: number; speed_m_s: number } {
  const { diameter_m, length_m, roughness_m, minorLoss } = hose;
  const speed_m_s = flow_m3_s / ((Math.PI / 4) * diameter_m ** 2);
  const factor = frictionFactor((speed_m_s * diameter_m) / water.kinematicViscosity_m2_s, roughness_m / diameter_m);
  return {
    loss_m: ((factor * length_m) / diameter_m + minorLoss) * (speed_m_s ** 2 / (2 * GRAVITY_M_S2)),
    speed_m_s,
  };
}

/**
 * What a pump brings through a hose up a lift: the flow at which its curve H0 (1 - (Q/Qmost)^2) meets lift and losses. No flow where the lift is as high as
 * the pump can push. The curve of a real pump is flatter at its start: take its own where it is printed (stated assumption).
 * @param lift_m from the water it sucks from to the end of the hose
 * @throws OutOfRange for a pump, hose or lift that cannot be
 */
export function pumpThrough(pump: Pump, hose: Hose, lift_m: number, temperature_C: number): Pumped {
  requirePositive('shutOffHead_m', pump.shutOffHead_m, 'm');
  requirePositive('mostFlow_m3_s', pump.mostFlow_m3_s, 'm3/s');
  requirePositive('diameter_m', hose.diameter_m, 'm');
  requirePositive('length_m', hose.length_m, 'm');
  requireWithin('lift_m', lift_m, 0, 1000, 'm');
  return meets(pump, hose, lift_m, freshWater(temperature_C));
}

/** As `pumpThrough`, in any water. */
export function meets({ shutOffHead_m, mostFlow_m3_s }: Pump, hose: Hose, lift_m: number, water: Water): Pumped {
  if (lift_m >= shutOffHead_m) return { flow_m3_s: 0, head_m: lift_m, frictionLoss_m: 0, speed_m_s: 0 };
  const headAt = (q: number): number => shutOffHead_m * (1 - (q / mostFlow_m3_s) ** 2);
  const flow_m3_s = bisect((q) => lift_m + hoseLoss_m(q, hose, water).loss_m - headAt(q), 0, mostFlow_m3_s);
  const { loss_m, speed_m_s } = hoseLoss_m(flow_m3_s, hose, water);
  return { flow_m3_s, head_m: lift_m + loss_m, frictionLoss_m: loss_m, speed_m_s };
}

/** Of the water a wing of stones and turf catches, so much goes where it points. Common practice, no source. */
const DAM_HOLDS = { low: 0.5, high: 0.9 } as const;

/**
 * What a wing dam sends down its side of a creek: its share of the width, less what runs through the stones.
 * @throws OutOfRange for a dam that reaches farther than the creek is wide
 */
export function wingDam_m3_s(creek_m3_s: number, creekWidth_m: number, reach_m: number): Range {
  requirePositive('creek_m3_s', creek_m3_s, 'm3/s');
  requirePositive('creekWidth_m', creekWidth_m, 'm');
  requireWithin('reach_m', reach_m, 0, creekWidth_m, 'm');
  const caught = (creek_m3_s * reach_m) / creekWidth_m;
  return { low: DAM_HOLDS.low * caught, high: DAM_HOLDS.high * caught };
}
