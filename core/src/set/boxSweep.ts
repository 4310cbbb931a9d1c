import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import {
  bothLimits,
  criticalFlow_m2_s,
  DIGESTED_SHARE,
  FLAT_SHIELDS,
  PRUDENT_SHARE,
  SOLID_SHARE_LOOSE,
  TAN_REPOSE,
} from './feed.ts';
import { BOX_WATER_KG_M3, depthForFlow_m, floorShare } from './floorFlow.ts';
import { KNOCKING } from './catchAlong.ts';
import { drawnShares, TILT_AT_M } from './goldMix.ts';
import { liningOf } from './linings.ts';
import {
  boxLength_m,
  LEAST_SLOPE,
  LEAST_WATER_M,
  MOST_OF_SCREEN,
  requireBox,
  toldSection,
  type BoxSetting,
} from './solveBox.ts';
import { GRAVEL_RATIO, hiddenShear_Pa, rollingSpeed_m_s, slopeFactor } from './stonesClear.ts';
import { HOLDS_LEAST, PACE_LEAST, type DrawnBoxes } from './weighBox.ts';

/** The water in every draw and section: depth, the floor's radius and one over it, speed over the root of the slope, and the speed that rolls a stone on the flat. */
export interface WaterColumns {
  readonly depth_m: Float64Array;
  readonly bedRadius_m: Float64Array;
  readonly perRadius: Float64Array;
  readonly speedPerRootSlope: Float64Array;
  readonly rolling_m_s: Float64Array;
}
/** What hangs on draw and pitch alone. */
export interface Pitched {
  /** Per draw: slope, its root, its powers 1.5 and 1.6, the radius at which the feed begins to move, what slope takes off a rolling speed, and the flow below which nothing moves. */
  readonly slope: Float64Array;
  readonly root: Float64Array;
  readonly power15: Float64Array;
  readonly power16: Float64Array;
  readonly movesFrom_m: Float64Array;
  readonly rolls: Float64Array;
  readonly critical_m2_s: Float64Array;
}
/** What a setting comes to over all draws. */
export interface Swept {
  readonly stalls: number;
  readonly works: number;
  readonly washesOut: number;
  /** Gold an hour at a grade of one, m3/s. */
  readonly gold_m3_s: number;
}
/** A box ready to be tried at many pitches and waters. */
export interface BoxSweep {
  /** Water of that depth in the told section, as far as a hand sets it. */
  readonly atDepth: (depth_m: number) => WaterColumns;
  /** Water of that flow on a pitch. */
  readonly atFlow: (flow_m3_s: number, slope: number) => WaterColumns;
  /** The flow of a depth on a pitch, as each draw has it: what stays when the head is moved. */
  readonly heldFlow: (water: WaterColumns, fromSlope: number, toSlope: number) => WaterColumns;
  readonly atSlope: (slope: number) => Pitched;
  readonly weigh: (water: WaterColumns, pitched: Pitched) => Swept;
}

/**
 * `solveBox` over all draws of a level box in arrays: whatever hangs on the draw alone, on draw and water, or on draw and pitch is worked out once, the
 * rest are products. A test holds it to the readable form.
 * @throws OutOfRange as `solveBox`
 */
export function sweepBox(setting: BoxSetting, { boxes, weights, settling }: DrawnBoxes): BoxSweep {
  requireBox(setting);
  const { sections, gold, stone_m, crew_m3_s, feed_m3_s } = setting;
  const [D, S, G] = [boxes.length, sections.length, gold.length];
  const told = toldSection(sections);
  const length_m = boxLength_m(sections);
  const float = (n: number): Float64Array => new Float64Array(n);
  // By draw.
  const [headError, median, carriedScale, stoneShear] = [float(D), float(D), float(D), float(D)];
  // By draw and size: settling, how a crowd slows it, share of the gold.
  const [alone, crowding, shares] = [float(D * G), float(D * G), float(D * G)];
  // By draw, section and size: one over the shear that washes it off, the length times what of it stays in calm water.
  const [perShear, stays] = [float(D * S * G), float(D * S * G)];
  const floors = boxes.map((box) =>
    sections.map((s) => ({ width_m: s.width_m, roughness_m: liningOf(s).roughness_m * box.roughness })),
  );
  boxes.forEach((box, d) => {
    headError[d] = box.headError_m / length_m;
    const screened = setting.median_m === null ? stone_m : 4 * setting.median_m;
    median[d] = Math.min(MOST_OF_SCREEN * stone_m, screened * box.medianOfScreen);
    carriedScale[d] = (box.boxFactor * box.spread ** 0.2) / (2 * SOLID_SHARE_LOOSE);
    stoneShear[d] = hiddenShear_Pa(stone_m, median[d], box.referenceShields);
    shares.set(drawnShares(gold, box), d * G);
    gold.forEach((g, k) => {
      const s = settling[d]?.gold[k];
      alone[d * G + k] = (s?.alone_m_s ?? NaN) * (g.size_m / TILT_AT_M) ** box.tilt * box.catchScale;
      crowding[d * G + k] = s?.crowding ?? NaN;
      sections.forEach((section, i) => {
        const { shelter_m, keep } = liningOf(section);
        const at = (d * S + i) * G + k;
        perShear[at] = 1 / hiddenShear_Pa(g.size_m, shelter_m, box.referenceShields, DENSITY_KG_M3.placerGold);
        stays[at] = keep * section.length_m;
      });
    });
  });
  const knocking = sections.map((s) => KNOCKING * (stone_m / liningOf(s).shelter_m) ** 2);
  const widths = Float64Array.from(sections, (s) => s.width_m);
  const empty = (): WaterColumns => ({
    depth_m: float(D * S),
    bedRadius_m: float(D * S),
    perRadius: float(D * S),
    speedPerRootSlope: float(D * S),
    rolling_m_s: float(D * S),
  });
  /** Fills in one draw from the depth in the told section: the others carry what it does, whatever the pitch. */
  const fill = (into: WaterColumns, d: number, told_m: number): void => {
    const here = floors[d]?.[told] as { width_m: number; roughness_m: number };
    const first = floorShare(here, told_m);
    sections.forEach((s, i) => {
      const floor = floors[d]?.[i] as typeof here;
      const like = floor.width_m === here.width_m && floor.roughness_m === here.roughness_m;
      const depth_m = like ? told_m : depthForFlow_m(floor, first.speedPerRootSlope * told_m * here.width_m);
      const share = like ? first : floorShare(floor, depth_m);
      const at = d * S + i;
      into.depth_m[at] = depth_m;
      into.bedRadius_m[at] = share.bedRadius_m;
      into.perRadius[at] = 1 / share.bedRadius_m;
      into.speedPerRootSlope[at] = share.speedPerRootSlope;
      const radius_m = (s.width_m * depth_m) / (s.width_m + 2 * depth_m);
      into.rolling_m_s[at] = rollingSpeed_m_s(stone_m, { radius_m, depth_m, slope: 0 }, boxes[d]?.rolling);
    });
  };
  const slopeOf = (slope: number, d: number): number => Math.max(LEAST_SLOPE, slope + (headError[d] as number));
  const columns = (toldDepth: (d: number) => number): WaterColumns => {
    const water = empty();
    for (let d = 0; d < D; d++) fill(water, d, Math.max(LEAST_WATER_M, toldDepth(d)));
    return water;
  };

  const atSlope = (slope: number): Pitched => {
    const p: Pitched = {
      slope: float(D),
      root: float(D),
      power15: float(D),
      power16: float(D),
      movesFrom_m: float(D),
      rolls: float(D),
      critical_m2_s: float(D),
    };
    for (let d = 0; d < D; d++) {
      const S_d = slopeOf(slope, d);
      p.slope[d] = S_d;
      p.root[d] = Math.sqrt(S_d);
      p.power15[d] = S_d * Math.sqrt(S_d);
      p.power16[d] = S_d ** 1.6;
      const threshold = (FLAT_SHIELDS * (1 - S_d / TAN_REPOSE)) / Math.sqrt(1 + S_d ** 2);
      p.movesFrom_m[d] = (threshold * (GRAVEL_RATIO - 1) * (median[d] as number)) / S_d;
      p.rolls[d] = slopeFactor(S_d);
      p.critical_m2_s[d] = criticalFlow_m2_s(S_d, median[d] as number);
    }
    return p;
  };
  const toldFloor = (d: number) => floors[d]?.[told] as { width_m: number; roughness_m: number };
  const drawn: DrawnColumns = {
    weights,
    median,
    carriedScale,
    stoneShear,
    alone,
    crowding,
    shares,
    perShear,
    stays,
    widths,
    knocking: Float64Array.from(knocking),
    crew_m3_s,
    feed_m3_s,
    flowAlong: float(S),
    shearAlong: float(S),
    exponents: float(G),
  };
  return {
    weigh: (water, pitched) => weighDraws(drawn, water, pitched),
    atSlope,
    atDepth: (depth_m) => columns((d) => depth_m + (boxes[d]?.depthError_m ?? 0)),
    atFlow: (flow_m3_s, slope) =>
      columns((d) => depthForFlow_m(toldFloor(d), flow_m3_s / Math.sqrt(slopeOf(slope, d)))),
    heldFlow: (water, fromSlope, toSlope) =>
      columns((d) => {
        const at = d * S + told;
        const carries = (water.speedPerRootSlope[at] as number) * (water.depth_m[at] as number) * toldFloor(d).width_m;
        return depthForFlow_m(toldFloor(d), carries * Math.sqrt(slopeOf(fromSlope, d) / slopeOf(toSlope, d)));
      }),
  };
}

/** What hangs on the draw alone, as `weighDraws` reads it. */
interface DrawnColumns {
  readonly weights: Float64Array;
  readonly median: Float64Array;
  readonly carriedScale: Float64Array;
  readonly stoneShear: Float64Array;
  /** By draw and size: settling, how a crowd slows it, share of the gold. */
  readonly alone: Float64Array;
  readonly crowding: Float64Array;
  readonly shares: Float64Array;
  /** By draw, section and size: one over the shear that washes it off, the length times what of it stays in calm water. */
  readonly perShear: Float64Array;
  readonly stays: Float64Array;
  /** By section. */
  readonly widths: Float64Array;
  readonly knocking: Float64Array;
  readonly crew_m3_s: number;
  readonly feed_m3_s: number | null;
  /** Room for one draw at a time: flow per width and shear by section, exponents of what is left by size. */
  readonly flowAlong: Float64Array;
  readonly shearAlong: Float64Array;
  readonly exponents: Float64Array;
}
/** A function of its own over plain columns, not one made anew with each box: so the engine's compiled form of it serves every box. */
function weighDraws(drawn: DrawnColumns, water: WaterColumns, p: Pitched): Swept {
  const { weights, carriedScale, stoneShear, alone, crowding, shares, perShear, stays, widths, knocking } = drawn;
  const { crew_m3_s, feed_m3_s, flowAlong, shearAlong, exponents } = drawn;
  const [D, S] = [weights.length, widths.length];
  const G = shares.length / D;
  const { bedRadius_m, perRadius, speedPerRootSlope, depth_m, rolling_m_s } = water;
  const { slope, root: roots, power15, power16, movesFrom_m, rolls, critical_m2_s } = p;
  let stalls = 0;
  let works = 0;
  let washesOut = 0;
  let goldSum = 0;
  for (let d = 0; d < D; d++) {
    const weight = weights[d] as number;
    const S_d = slope[d] as number;
    const root = roots[d] as number;
    let clears = true;
    let capacity_m3_s = Infinity;
    for (let i = 0; i < S; i++) {
      const at = d * S + i;
      const radius_m = bedRadius_m[at] as number;
      const speed = (speedPerRootSlope[at] as number) * root;
      const q = speed * (depth_m[at] as number);
      const shear = BOX_WATER_KG_M3 * GRAVITY_M_S2 * radius_m * S_d;
      flowAlong[i] = q;
      shearAlong[i] = shear;
      // Stones that stay lying stall the box, whatever else it would do.
      clears = shear >= (stoneShear[d] as number) && speed >= (rolling_m_s[at] as number) * (rolls[d] as number);
      if (!clears) break;
      const width_m = widths[i] as number;
      const solid =
        SMART_JAEGGI *
          q *
          (power16[d] as number) *
          Math.max(0, 1 - (movesFrom_m[d] as number) * (perRadius[at] as number)) +
        RICKENMANN * Math.max(0, q - (critical_m2_s[d] as number)) * (power15[d] as number);
      const takes = bothLimits((carriedScale[d] as number) * solid * width_m, DIGESTED * q * width_m);
      if (takes < capacity_m3_s) capacity_m3_s = takes;
    }
    const pace = feed_m3_s ?? Math.min(crew_m3_s, PRUDENT_SHARE * capacity_m3_s);
    if (!clears || pace > capacity_m3_s) {
      stalls += weight;
      continue;
    }
    const load = capacity_m3_s > 0 ? pace / capacity_m3_s : 0;
    const crowds = logOfOneAnd((SOLID_SHARE_LOOSE * pace) / ((flowAlong[0] as number) * (widths[0] as number)));
    const packing = 1 + load * load * load * load;
    for (let i = 0; i < S; i++) {
      const shear = shearAlong[i] as number;
      const slows = packing * (1 + (knocking[i] as number) * load) * (flowAlong[i] as number);
      const from = (d * S + i) * G;
      for (let k = 0; k < G; k++) {
        const at = from + k;
        const ratio = shear * (perShear[at] as number);
        const more = (stays[at] as number) / ((1 + ratio * ratio * ratio) * slows);
        exponents[k] = i === 0 ? more : (exponents[k] as number) + more;
      }
    }
    let held = 0;
    for (let k = 0, at = d * G; k < G; k++, at++) {
      const settles = (alone[at] as number) * expOfMinusLittle((crowding[at] as number) * crowds);
      held += (shares[at] as number) * (1 - expOfMinus((exponents[k] as number) * settles));
    }
    if (pace < crew_m3_s * PACE_LEAST) stalls += weight;
    else if (held < HOLDS_LEAST) washesOut += weight;
    else works += weight;
    goldSum += weight * pace * held;
  }
  return { stalls, works, washesOut, gold_m3_s: goldSum };
}

/** Beyond this exponent nothing passes, to rounding. */
const ALL = 38;
/** Steps of the table to a doubling: so few that it stays in the processor's nearest memory. */
const FINE = 16;
const STEP = Math.LN2 / FINE;
const PER_STEP = 1 / STEP;
const POWERS = Float64Array.from({ length: Math.ceil(ALL / STEP) + 2 }, (_, n) => 2 ** (-n / FINE));
/** exp(-x) for x from 0 on: the nearest step of a table and the series of what is left; a third of the library's time, to 5e-11. */
function expOfMinus(x: number): number {
  if (x >= ALL) return 0;
  const nearest = (x * PER_STEP + 0.5) | 0;
  const r = nearest * STEP - x;
  const r2 = r * r;
  return (POWERS[nearest] as number) * (1 + r + r2 * (1 / 2 + r * (1 / 6) + r2 * (1 / 24)));
}
/** The same without a table for x up to a quarter, as crowding is: the series about the middle, to 1e-10. */
function expOfMinusLittle(x: number): number {
  if (!(x < 0.25)) return expOfMinus(x);
  const r = 0.125 - x;
  const r2 = r * r;
  return EIGHTH * (1 + r + r2 * (1 / 2 + r * (1 / 6)) + r2 * r2 * (1 / 24 + r * (1 / 120) + r2 * (1 / 720)));
}
const EIGHTH = Math.exp(-0.125);
/** ln(1 + x) where x is little, 0 or more: twice the area tangent of x/(2 + x) (Abramowitz & Stegun 1964, 4.1.27). */
const logOfOneAnd = (x: number): number => {
  if (!(x < 0.3)) return Math.log1p(x);
  const z = x / (2 + x);
  const w = z * z;
  return 2 * z * (1 + w * (1 / 3 + w * (1 / 5 + w * (1 / 7 + w * (1 / 9 + w * (1 / 11 + w * (1 / 13)))))));
};

const DIGESTED = DIGESTED_SHARE / SOLID_SHARE_LOOSE;
const SMART_JAEGGI = 4 / (GRAVEL_RATIO - 1);
const RICKENMANN = 3.1 * (GRAVEL_RATIO - 1) ** -1.5;
