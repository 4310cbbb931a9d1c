import type { HandPace } from '../day/handPace.ts';
import { requirePositive } from '../outOfRange.ts';
import { beliefBand_mg_L, chanceAbove, type GradeBelief } from './gradeBelief.ts';
import { goldOfLevel_mg_L, gradeTaken, type LeveledHole, type TakenLevels } from './hole.ts';

/** What an hour of work on a hole brings when one stops at a depth: cover, pay, carrying and washing all counted. */
export interface HourAtDepth {
  /** 0 where only one depth is known and no cover can be counted. */
  readonly depth_m: number;
  /** Levels worth washing (places from 0); what else is moved is cast aside. */
  readonly washed: readonly number[];
  /** Hours for each square metre of the hole; for each cubic metre washed, where only one depth is known. */
  readonly hours: number;
  /** Volume moved in those hours, bank litres. */
  readonly moved_L: number;
  /** Gold of the washed levels over all that is moved. */
  readonly taken: TakenLevels;
  /** Gold in what is washed in an hour, mg; null where the pans were blank or hold coarse gold only. */
  readonly gold_mg_h: number | null;
  readonly low_mg_h: number;
  /** Of blank pans: there is less than this. */
  readonly high_mg_h: number;
}

/** Finer than this no hand digs. */
const CURVE_STEP_M = 0.02;
/** A choice of what to wash settles in a few rounds (Dinkelbach); more are not waited for. */
const ROUNDS = 30;

/**
 * What an hour brings when the hole is dug down to `depth_m`: of all ways to split what is moved into washed and cast aside, the one with the most gold
 * an hour. A level is worth washing where its gold is more than the hours it adds would bring elsewhere in the hole. Null where nothing was panned so
 * far down: nobody knows what it brings.
 * Source: Dinkelbach (1967), Management Science 13, 492-498, for the ratio; Riffle's own use.
 */
export function hourAtDepth(hole: LeveledHole, depth_m: number, pace: HandPace): HourAtDepth | null {
  const { levels } = hole;
  const isThick = levels.some((l) => l.to_m > l.from_m);
  const cut = levels.map((l, i) => ({
    i,
    // A cubic metre of it, where its thickness is not known.
    thickness_m: isThick ? Math.max(0, Math.min(l.to_m, depth_m) - l.from_m) : 1,
    gold_mg_L: goldOfLevel_mg_L(l),
    panned: l.of !== null,
  }));
  const dug = cut.filter((l) => l.thickness_m > 0);
  if (!dug.some((l) => l.panned)) return null;
  const wash_h = pace.wash_h_m3 + pace.carry_h_m3;
  const hoursOf = (washed: readonly (typeof dug)[number][]): number =>
    dug.reduce((sum, l) => sum + l.thickness_m * (washed.includes(l) ? wash_h : pace.strip_h_m3), 0);
  const rateOf = (washed: readonly (typeof dug)[number][]): number =>
    washed.reduce((sum, l) => sum + 1000 * l.thickness_m * l.gold_mg_L, 0) / hoursOf(washed);
  let washed = dug.filter((l) => l.gold_mg_L > 0);
  for (let round = 0; round < ROUNDS && washed.length > 0; round++) {
    const rate = rateOf(washed);
    const better = dug.filter((l) => 1000 * l.gold_mg_L > rate * (wash_h - pace.strip_h_m3) && l.gold_mg_L > 0);
    if (better.length === 0 || rateOf(better) <= rate * (1 + 1e-12)) break;
    washed = better;
  }
  // Where the pans were blank, the little they may have missed is in all of what was panned.
  if (washed.length === 0) washed = dug.filter((l) => l.panned);
  const hours = hoursOf(washed);
  const moved_m = dug.reduce((sum, l) => sum + l.thickness_m, 0);
  const at: LeveledHole = isThick
    ? { ...hole, levels: levels.map((l) => ({ ...l, to_m: Math.max(l.from_m, Math.min(l.to_m, depth_m)) })) }
    : hole;
  const taken = gradeTaken(
    at,
    washed.map((l) => l.i),
    isThick ? moved_m : 0,
  );
  const moved_L = 1000 * moved_m;
  const { low, high } = beliefBand_mg_L(withPace(taken, pace));
  const perHour = moved_L / hours;
  const { grade } = taken;
  return {
    depth_m: isThick ? moved_m : 0,
    washed: washed.map((l) => l.i),
    hours,
    moved_L,
    taken,
    gold_mg_h: grade.kind === 'band' ? grade.grade_mg_L * perHour : null,
    low_mg_h: grade.kind === 'band' ? low * perHour : 0,
    high_mg_h: (grade.kind === 'blank' ? grade.lessThan_mg_L : high) * perHour,
  };
}

/** What is believed of what is taken, and of the hours it takes: both may be off. */
const withPace = ({ belief }: TakenLevels, { logSd }: HandPace): GradeBelief => ({
  ...belief,
  commonLogSd: Math.hypot(belief.commonLogSd ?? 0, logSd),
});

/** A hole as hours bring gold out of it. */
export interface HoleByHour {
  /** Where stopping pays best; the bottom of the lowest level panned where nothing showed. */
  readonly best: HourAtDepth;
  /** What an hour brings by how deep one stops, from where something was panned down; empty where only one depth is known. */
  readonly curve: readonly HourAtDepth[];
}

/**
 * Where stopping pays best; null where nothing was panned. Down through a level an hour brings steadily more or steadily less, so the best stop is the bottom of one.
 * @throws OutOfRange when a pace is not positive
 */
export function holeByHour(hole: LeveledHole, pace: HandPace): HoleByHour | null {
  requirePositive('strip_h_m3', pace.strip_h_m3, 'h/m3');
  requirePositive('wash_h_m3', pace.wash_h_m3, 'h/m3');
  const bottoms = [...new Set(hole.levels.map((l) => l.to_m))].sort((a, b) => a - b);
  const stops = bottoms.flatMap((depth_m) => hourAtDepth(hole, depth_m, pace) ?? []);
  const lowestPanned_m = hole.levels.findLast((l) => l.of !== null)?.to_m ?? 0;
  const atLowest = stops.find((s) => s.depth_m >= lowestPanned_m - 1e-9) ?? stops.at(-1);
  if (!atLowest) return null;
  const deepest_m = bottoms.at(-1) ?? 0;
  const steps = Math.ceil(deepest_m / CURVE_STEP_M);
  const depths = [
    ...new Set([...Array.from({ length: steps }, (_, k) => ((k + 1) * deepest_m) / steps), ...bottoms]),
  ].sort((a, b) => a - b);
  return {
    best: stops.reduce((top, s) => ((s.gold_mg_h ?? -1) > (top.gold_mg_h ?? -1) ? s : top), atLowest),
    curve: deepest_m > 0 ? depths.flatMap((depth_m) => hourAtDepth(hole, depth_m, pace) ?? []) : [],
  };
}

/** What a hole has to have for an hour of it to bring so much, mg/L over all that is moved; and the chance that it does. */
export const breakEven = (
  at: HourAtDepth,
  wanted_mg_h: number,
  pace: HandPace,
): { grade_mg_L: number; chance: number } => {
  const grade_mg_L = (wanted_mg_h * at.hours) / at.moved_L;
  return { grade_mg_L, chance: chanceAbove(withPace(at.taken, pace), grade_mg_L) };
};
