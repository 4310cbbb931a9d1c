import { weighedSpread, type Spread } from '../set/weighBox.ts';
import { asPasses, leftOfSize, passesOver } from './passes.ts';
import { fedShares, solveWasher, type WasherSetting } from './solveWasher.ts';
import type { WasherParameters } from './washerParameters.ts';

/** One pass over the same gravel, over all washers it may be in which the sand runs: whether it does is seen. */
export interface WeighedPass {
  /** Share of all the gold held by this and the passes before it. */
  readonly heldSoFar: Spread;
  /** What this pass loses of what it meets. */
  readonly lostOfWhatItMeets: Spread;
  /** Held so far of each size of the setting. */
  readonly bySize: readonly Spread[];
  /** How likely the gold of this pass is worth more than the hours it takes; null where nobody said what they are worth. */
  readonly pays: number | null;
}

/** What makes a pass worth its while: bank grades alike likely of ground fed, and of one money what a mg and an hour are worth. */
export interface PassWorth {
  readonly grades_mg_L: readonly number[];
  readonly price_per_mg: number;
  readonly hourValue: number;
  /** Bank over loose volume. */
  readonly bankOfLoose: number;
}

/**
 * What each of so many passes holds and loses, and whether it pays. A pass over tailings is as quick as over gravel (stated
 * assumption).
 * @param passes 1 to 20; none are given back where the sand lies still in every draw
 * @throws OutOfRange as `solveWasher`
 */
export function weighPasses(
  setting: WasherSetting,
  washers: readonly WasherParameters[],
  passes: number,
  worth: PassWorth | null = null,
): WeighedPass[] {
  const runs = washers
    .map((washer) => ({ washer, solved: solveWasher(setting, washer) }))
    .filter(({ solved }) => solved.runs);
  const played = runs.map(({ washer, solved }) => {
    const shares = fedShares(setting.gold, washer);
    return passesOver(
      shares.map((share, k) => ({ share, exponent: solved.exponents[k] ?? 0 })),
      passes,
      washer.scatter,
      washer.later,
    );
  });
  const alike = new Float64Array(runs.length).fill(1 / runs.length);
  const spread = (of: (d: number) => number): Spread =>
    weighedSpread(
      runs.map((_, d) => of(d)),
      alike,
    );
  return Array.from({ length: runs.length > 0 ? passes : 0 }, (_, n) => ({
    heldSoFar: spread((d) => 1 - (played[d]?.[n]?.left ?? 1)),
    lostOfWhatItMeets: spread((d) => played[d]?.[n]?.lostOfWhatItMeets ?? 1),
    bySize: setting.gold.map((_g, k) =>
      spread((d) => {
        const { washer, solved } = runs[d] as (typeof runs)[number];
        return 1 - leftOfSize(solved.exponents[k] ?? 0, asPasses(n + 1, washer.later), washer.scatter);
      }),
    ),
    pays:
      worth && chance(runs.length, (d) => paysOne(played[d]?.[n]?.held ?? 0, runs[d]?.solved.pace_m3_s ?? 0, d, worth)),
  }));
}

const chance = (draws: number, of: (d: number) => boolean): number =>
  Array.from({ length: draws }, (_, d) => of(d)).filter(Boolean).length / draws;

/** Gold of one pass over a loose litre against what its time is worth. */
function paysOne(held: number, pace_m3_s: number, d: number, w: PassWorth): boolean {
  if (w.grades_mg_L.length === 0 || pace_m3_s <= 0) return false;
  // Grades and washers have nothing to do with each other: a stride that shares no factor with most counts pairs them off.
  const grade = w.grades_mg_L[(d * 7919) % w.grades_mg_L.length] ?? 0;
  return held * grade * w.bankOfLoose * w.price_per_mg > (w.hourValue / 3600) * (0.001 / pace_m3_s);
}
