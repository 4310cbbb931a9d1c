import { fromGreenwich, tideHeight_m, tideTurns, type Tide } from '../day/tide.ts';
import { normalCdf } from '../maths/normal.ts';
import { runup_m, type Swell } from './waves.ts';

/** A storm as the log has it. */
export interface Storm extends Swell {
  /** When it stood highest. */
  readonly at_ms: number;
  /** Highest water of the tide about that hour, m above the table's zero; null where the beach has no tide table. */
  readonly highTide_m: number | null;
  /** How much of the berm it took, as seen afterwards, m; null where nobody looked. */
  readonly cut_m: number | null;
}

/** A height a storm's water reached, m above the table's zero: its middle, and how unsure it is. */
export interface StormReach {
  readonly middle_m: number;
  readonly sd_m: number;
}

/** A storm stands high over one high water at least, h. */
const OVER_A_TIDE_H = 6.5;

/** The highest water of the tide about a moment, m above the table's zero. @param tide its phases as a table prints them, after Greenwich */
export function highTideAbout_m({ meanLevel_m, constituents }: Tide, at_ms: number): number {
  const tide = { meanLevel_m, constituents: fromGreenwich(constituents, at_ms) };
  return Math.max(
    ...tideTurns(tide, -OVER_A_TIDE_H, OVER_A_TIDE_H).map((t) => t.height_m),
    ...[-OVER_A_TIDE_H, 0, OVER_A_TIDE_H].map((h) => tideHeight_m(tide, h)),
  );
}

/** Slope of a sandy beach's face where nobody measured it, and how unsure a typed one is. Stated assumptions. */
const USUAL_FACE_SLOPE = 0.08;
const SLOPE_CV = { typed: 0.2, usual: 0.5 } as const;

/** The face of a beach and its steeper and flatter end. @param slope null where nobody measured it */
export function faceBetween(slope: number | null): {
  readonly flat: number;
  readonly middle: number;
  readonly steep: number;
} {
  const middle = slope ?? USUAL_FACE_SLOPE;
  const cv = slope === null ? SLOPE_CV.usual : SLOPE_CV.typed;
  return { flat: Math.max(0.005, middle * (1 - cv)), middle, steep: Math.min(0.5, middle * (1 + cv)) };
}

/** What wind and low pressure add to the tide in a storm, m. Stated assumption. */
const SURGE = { middle_m: 0.25, sd_m: 0.2 };
/** Root mean square error of the run-up formula on its own beaches, m. Source: Stockdon and others (2006), abstract, from memory. */
const RUNUP_SD_M = 0.38;
/** So much higher than its formula the water ran in the mean on those beaches, m. Same source, from memory. */
const RUNUP_BIAS_M = 0.17;

/**
 * How high a storm reached: the tide's high water, a surge, and the run-up of its waves.
 * Source: the sum as in Sallenger (2000), Journal of Coastal Research 16, 890-895; the run-up as `runup_m`.
 * @param slope of the face; null where nobody measured it
 */
export function stormReach(storm: Swell & { readonly highTide_m: number }, slope: number | null): StormReach {
  const face = faceBetween(slope);
  const up = runup_m(storm, face.middle);
  const bySlope = (runup_m(storm, face.steep) - runup_m(storm, face.flat)) / 2;
  return {
    middle_m: storm.highTide_m + SURGE.middle_m + RUNUP_BIAS_M + up,
    sd_m: Math.hypot(RUNUP_SD_M, SURGE.sd_m, bySlope),
  };
}

/** Chance that a storm's water came as high as a level, 0 to 1. Same source. */
export const reachedChance = ({ middle_m, sd_m }: StormReach, level_m: number): number =>
  normalCdf((middle_m - level_m) / sd_m);

/** Where neither the toe of the berm nor the place has a height, or the tide is not known, a storm is as likely as not to have reached it. Stated assumption. */
const UNKNOWN_REACH = 0.5;
/** So near its height a place lies at the toe, m. */
const NEAR_TOE_M = 0.05;

/**
 * Chance that a storm laid a place anew: that it came so high. What was seen afterwards is surer than any sum: a storm that took some of the berm
 * came to its toe, one after which the berm stood whole did not.
 * @param level_m height of the place; null where it is not known
 * @param toe_m height of the berm's toe there; null where it is not known
 */
export function laidAnewChance(
  storm: Storm,
  slope: number | null,
  level_m: number | null,
  toe_m: number | null,
): number {
  const level = level_m ?? toe_m;
  // What has no height of its own is taken to lie at the toe.
  const belowToe_m = level === null || toe_m === null ? 0 : toe_m - level;
  if (storm.cut_m !== null && storm.cut_m > 0 && belowToe_m >= -NEAR_TOE_M) return 1;
  if (storm.cut_m === 0 && belowToe_m <= NEAR_TOE_M) return 0;
  return level === null || storm.highTide_m === null
    ? UNKNOWN_REACH
    : reachedChance(stormReach({ ...storm, highTide_m: storm.highTide_m }, slope), level);
}

/** Chance that any storm after a moment laid a place anew. Storms are taken one by one: what one left, the next may take. */
export const laidAnewSince = (
  storms: readonly Storm[],
  since_ms: number,
  slope: number | null,
  level_m: number | null,
  toe_m: number | null,
): number =>
  1 -
  storms
    .filter((s) => s.at_ms > since_ms)
    .reduce((none, s) => none * (1 - laidAnewChance(s, slope, level_m, toe_m)), 1);

/** A height measured along the shore. */
export interface ShoreHeight {
  readonly distance_m: number;
  readonly height_m: number;
}

/** Height along the shore between those measured, straight from one to the next and level beyond them; null where none is. */
export function heightAlong(measured: readonly ShoreHeight[], distance_m: number): number | null {
  const order = [...measured].sort((a, b) => a.distance_m - b.distance_m);
  const after = order.find((h) => h.distance_m >= distance_m);
  const before = order.findLast((h) => h.distance_m <= distance_m);
  if (!after || !before) return (after ?? before)?.height_m ?? null;
  const span_m = after.distance_m - before.distance_m;
  return span_m === 0
    ? before.height_m
    : before.height_m + ((after.height_m - before.height_m) * (distance_m - before.distance_m)) / span_m;
}
