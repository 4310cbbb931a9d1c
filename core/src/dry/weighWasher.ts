import { weighedSpread, type Spread } from '../set/weighBox.ts';
import { solveWasher, type SolvedWasher, type WasherSetting } from './solveWasher.ts';
import type { WasherParameters } from './washerParameters.ts';

/** Less than this share of the gold held, a washer that runs blows it out. */
export const HELD_LEAST = 0.6;
/** A bed loose for less of the cycle, a pace below this of the crew's, or feed so damp: too little air for it. */
const [OPEN_LEAST, PACE_LEAST, DAMP_LEAST] = [0.04, 1 / 3, 0.5];

/** What a drawn washer does at a setting. */
export type WasherOutcome = 'too little air' | 'works' | 'blows out';
export const washerOutcome = (s: SolvedWasher, crew_m3_s: number): WasherOutcome =>
  !s.runs || s.open < OPEN_LEAST || s.pace_m3_s < crew_m3_s * PACE_LEAST || s.damp < DAMP_LEAST
    ? 'too little air'
    : s.heldOfMix < HELD_LEAST
      ? 'blows out'
      : 'works';

/** A setting weighed over all washers it may be. */
export interface WeighedWasher {
  readonly tooLittle: number;
  readonly works: number;
  readonly blowsOut: number;
  /** Gold an hour at a grade of one: mean of pace x share held where it runs, m3/s. */
  readonly gold_m3_s: number;
  readonly pace_m3_s: Spread;
  readonly capacity_m3_s: Spread;
  readonly peak_m_s: Spread;
  readonly open: Spread;
  readonly damp: Spread;
  readonly load: Spread;
  /** Where the sand runs; nothing is held where it lies still in every draw. */
  readonly heldOfMix: Spread;
  readonly held: readonly Spread[];
  readonly solved: readonly SolvedWasher[];
}

/** @throws OutOfRange as `solveWasher` */
export function weighWasher(
  setting: WasherSetting,
  washers: readonly WasherParameters[],
  weights = new Float64Array(washers.length).fill(1 / washers.length),
): WeighedWasher {
  const solved = washers.map((w) => solveWasher(setting, w));
  const chance: Record<WasherOutcome, number> = { 'too little air': 0, works: 0, 'blows out': 0 };
  let gold_m3_s = 0;
  solved.forEach((s, d) => {
    const w = weights[d] ?? 0;
    chance[washerOutcome(s, setting.crew_m3_s)] += w;
    gold_m3_s += w * s.pace_m3_s * s.heldOfMix;
  });
  const spread = (of: (s: SolvedWasher) => number): Spread => weighedSpread(solved.map(of), weights);
  const running = solved.map((s, d) => (s.runs ? (weights[d] ?? 0) : 0));
  const all = running.reduce((a, b) => a + b, 0);
  // Whether it runs is seen, and told by the chances.
  const whereItRuns = all > 0 ? Float64Array.from(running, (w) => w / all) : weights;
  const held = (of: (s: SolvedWasher) => number): Spread => weighedSpread(solved.map(of), whereItRuns);
  return {
    tooLittle: chance['too little air'],
    works: chance.works,
    blowsOut: chance['blows out'],
    gold_m3_s,
    pace_m3_s: spread((s) => s.pace_m3_s),
    capacity_m3_s: spread((s) => s.capacity_m3_s),
    peak_m_s: spread((s) => s.air.peak_m_s),
    open: spread((s) => s.open),
    damp: spread((s) => s.damp),
    load: spread((s) => s.load),
    heldOfMix: held((s) => s.heldOfMix),
    held: setting.gold.map((_, k) => held((s) => s.held[k] ?? 0)),
    solved,
  };
}
