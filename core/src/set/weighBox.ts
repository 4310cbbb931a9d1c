import { freshWater } from '../grains/water.ts';
import { drawBoxes, type BoxParameters } from './boxParameters.ts';
import type { GoldShare } from './goldMix.ts';
import { settlingOf, solveBox, type BoxSetting, type DrawnSettling, type SolvedBox } from './solveBox.ts';

/** The draws a setting is weighed by, and how likely each is (all alike until the box is measured or looked at). */
export interface DrawnBoxes {
  readonly boxes: readonly BoxParameters[];
  readonly weights: Float64Array;
  readonly settling: readonly DrawnSettling[];
}

/** Draws with their settling, for gold of those sizes in water of that temperature. */
export function drawnBoxes(
  gold: readonly GoldShare[],
  temperature_C: number,
  boxes: readonly BoxParameters[] = drawBoxes(),
  weights = new Float64Array(boxes.length).fill(1 / boxes.length),
): DrawnBoxes {
  const water = freshWater(temperature_C);
  return { boxes, weights, settling: boxes.map((b) => settlingOf(gold, b, water)) };
}

/** The same draws by another likelihood; weights sum to 1. */
export const reweighed = (drawn: DrawnBoxes, weights: Float64Array): DrawnBoxes => ({ ...drawn, weights });

/** Below this share of the gold held, a box that runs washes out; below this of the crew's pace it stalls. */
export const HOLDS_LEAST = 0.7;
export const PACE_LEAST = 1 / 3;

/** What a drawn box does at a setting. */
export type Outcome = 'stalls' | 'works' | 'washes out';
export const outcomeOf = (solved: Pick<SolvedBox, 'runs' | 'pace_m3_s' | 'heldOfMix'>, crew_m3_s: number): Outcome =>
  !solved.runs || solved.pace_m3_s < crew_m3_s * PACE_LEAST
    ? 'stalls'
    : solved.heldOfMix < HOLDS_LEAST
      ? 'washes out'
      : 'works';

/** A middle and the band that holds nine of ten draws. */
export interface Spread {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

/** A setting weighed over all draws. */
export interface WeighedBox {
  readonly stalls: number;
  readonly works: number;
  readonly washesOut: number;
  /** Gold an hour at a grade of one: mean of runs x pace x share held, m3/s. */
  readonly gold_m3_s: number;
  readonly pace_m3_s: Spread;
  readonly capacity_m3_s: Spread;
  readonly heldOfMix: Spread;
  /** Share of each size held. */
  readonly held: readonly Spread[];
  readonly load: Spread;
  readonly stones: Spread;
  readonly solved: readonly SolvedBox[];
}

/** @throws OutOfRange as `solveBox` */
export function weighBox(setting: BoxSetting, drawn: DrawnBoxes): WeighedBox {
  const solved = drawn.boxes.map((box, d) => solveBox(setting, box, drawn.settling[d]));
  const w = (d: number): number => drawn.weights[d] ?? 0;
  const chance = { stalls: 0, works: 0, 'washes out': 0 };
  let gold_m3_s = 0;
  solved.forEach((s, d) => {
    chance[outcomeOf(s, setting.crew_m3_s)] += w(d);
    if (s.runs) gold_m3_s += w(d) * s.pace_m3_s * s.heldOfMix;
  });
  const spread = (of: (s: SolvedBox) => number): Spread => weighedSpread(solved.map(of), drawn.weights);
  return {
    stalls: chance.stalls,
    works: chance.works,
    washesOut: chance['washes out'],
    gold_m3_s,
    pace_m3_s: spread((s) => s.pace_m3_s),
    capacity_m3_s: spread((s) => s.capacity_m3_s),
    heldOfMix: spread((s) => s.heldOfMix),
    held: setting.gold.map((_, k) => spread((s) => s.held[k] ?? 0)),
    load: spread((s) => s.load),
    stones: spread((s) => s.stones.least),
    solved,
  };
}

/** Middle and ends of weighed values. */
export function weighedSpread(values: readonly number[], weights: Float64Array): Spread {
  const order = values.map((_, i) => i).sort((a, b) => (values[a] as number) - (values[b] as number));
  const at = (share: number): number => {
    let below = 0;
    for (const i of order) {
      below += weights[i] ?? 0;
      if (below >= share) return values[i] as number;
    }
    return values[order.at(-1) ?? 0] ?? NaN;
  };
  return { low: at(0.05), middle: at(0.5), high: at(0.95) };
}
