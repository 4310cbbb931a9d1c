import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { flakeDisc } from '../grains/flake.ts';
import { PRIOR_LOG, spreadOver, summed, Z } from '../maths/logGrid.ts';
import { poissonWithin } from '../maths/poissonWithin.ts';
import { resampled } from '../maths/resampled.ts';
import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';
import { splitLog, splitsOf, type CleanUpFound } from '../set/cleanSplits.ts';
import { asPasses, leftOfSize } from './passes.ts';
import { fedShares, grainExponent, solveWasher, type WasherSetting } from './solveWasher.ts';
import { drawWashers, SINKING_LOG_SD, SINKING_M_S, type WasherParameters } from './washerParameters.ts';

/** What was measured at a dry washer as it was set. */
export type WasherEvidence = { readonly setting: WasherSetting } & (
  | ({ readonly kind: 'clean-up' } & CleanUpFound)
  | {
      /** Gold of one pass after the other over the same gravel, the first first. */
      readonly kind: 'passes';
      readonly gold_mg: readonly number[];
      /** Weight of the color whose luck the gold has. */
      readonly luck_mg: number;
    }
  | {
      /** Flakes of gold, or lead shot, of one size fed on purpose, and of them those found again in the tray. */
      readonly kind: 'tracers';
      readonly of: 'gold' | 'lead';
      readonly size_m: number;
      readonly fed: number;
      readonly held: number;
    }
  | {
      /** Tailings panned: colors in it, `atMost` null for "and more"; of so much ground in the bank, at grades alike likely, mg/L. */
      readonly kind: 'tail pan';
      readonly atLeast: number;
      readonly atMost: number | null;
      readonly bank_L: number;
      readonly grades_mg_L: readonly number[];
    }
  | {
      /** Fed as fast as the tray takes it: loose gravel, m3/s. */
      readonly kind: 'timed bucket';
      readonly fed_m3_s: number;
    }
);

export interface MeasuredWasher {
  /** Washers as they may be now, alike likely. */
  readonly washers: readonly WasherParameters[];
  /** Draws that still count, in effect (Kish 1965). */
  readonly effective: number;
}

/** Lead shot with its hardener. From memory. */
const LEAD_KG_M3 = 11_300;
/** Draws tried before measuring: enough that some hundred still count after several measures. */
const PRIOR_DRAWS = 1024;
/** How fast dense grains sink, over what the model has: the catch of every size goes with it. */
const SINKINGS = Z.map((z) => Math.exp(SINKING_LOG_SD * z));
/** What a timed bucket errs by, and two heaps taken for the same gravel, as deviations of the logarithm. Stated assumptions. */
const [TIMED_LOG_SD, HEAPS_LOG_SD] = [0.2, 0.2] as const;
/** Flakes below this size are not counted in a pan. */
const SEEN_M = 0.0002;
/** Not ruled out by more than five deviations, whatever the model holds. */
const FARTHEST = 25;

/**
 * What a washer is, by what was measured at it. Bayes over the draws of `drawWashers`: in each draw how fast grains sink by
 * quadrature on an even grid, the draws themselves by how likely what was found is in them; then so many of them alike likely
 * (systematic resampling). Sections of a clean-up are multinomial given what was caught; two passes by the ratio of their
 * gold; tail pans Poisson, tracers binomial, timed buckets log-normal. Without evidence the draws are those nobody measured.
 * @throws OutOfRange as `solveWasher`, and for counts or weights that cannot be
 */
export function measureWasher(evidence: readonly WasherEvidence[], draws = 256): MeasuredWasher {
  evidence.forEach(requireEvidence);
  if (evidence.length === 0) return { washers: drawWashers(draws), effective: draws };
  const prior = drawWashers(PRIOR_DRAWS).map((w) => ({ ...w, sinking_m_s: SINKING_M_S }));
  const found = prior.map((w) => {
    const grids = evidence.map((e) => logsOf(e, w));
    return summed(PRIOR_LOG.map((log, p) => grids.reduce((sum, of) => sum + (of[p] ?? 0), log)));
  });
  const top = found.reduce((most, f) => Math.max(most, f.log), -Infinity);
  const weights = found.map((f) => Math.exp(f.log - top));
  const all = weights.reduce((a, b) => a + b, 0);
  return {
    washers: resampled(weights, draws).map((d, i): WasherParameters => {
      const scale = Math.exp(SINKING_LOG_SD * (found[d] as (typeof found)[number]).at(spreadOver(i)));
      return { ...(prior[d] as WasherParameters), sinking_m_s: scale * SINKING_M_S };
    }),
    effective: all ** 2 / weights.reduce((a, b) => a + b * b, 0),
  };
}

function requireEvidence(e: WasherEvidence): void {
  switch (e.kind) {
    case 'clean-up':
      requirePositive('luck_mg', e.luck_mg, 'mg');
      for (const { from_m, to_m, gold_mg } of e.stretches) {
        requireWithin('gold_mg', gold_mg, 0, 1e9, 'mg');
        if (!(to_m > from_m)) throw new OutOfRange('to_m', to_m, `beyond where the stretch starts (${from_m} m)`);
      }
      return;
    case 'passes':
      requirePositive('luck_mg', e.luck_mg, 'mg');
      requireWithin('passes', e.gold_mg.length, 2, 20);
      for (const mg of e.gold_mg) requireWithin('gold_mg', mg, 0, 1e9, 'mg');
      return;
    case 'tracers':
      requirePositive('size_m', e.size_m, 'm');
      requirePositive('fed', e.fed);
      return requireWithin('held', e.held, 0, e.fed);
    case 'tail pan':
      requireWithin('atLeast', e.atLeast, 0, e.atMost ?? 1e6);
      return requirePositive('bank_L', e.bank_L, 'L');
    case 'timed bucket':
      return requirePositive('fed_m3_s', e.fed_m3_s, 'm3/s');
  }
}

/** How likely one piece of evidence is in one draw, at each speed of sinking. */
function logsOf(e: WasherEvidence, washer: WasherParameters): readonly number[] {
  switch (e.kind) {
    case 'clean-up': {
      const left = mixLeft(e.setting, washer);
      // Weights alone: what is told by sizes or colors needs a mix of its own.
      const splits = splitsOf({ stretches: e.stretches, luck_mg: e.luck_mg });
      const share = (x_m: number): number => Math.min(1, Math.max(0, x_m / e.setting.length_m));
      return SINKINGS.map((scale) => {
        const there = e.stretches.map((s) => left(share(s.from_m), scale) - left(share(s.to_m), scale));
        return splits.reduce((sum, split) => sum + splitLog(split, there), 0);
      });
    }
    case 'passes': {
      const left = mixLeft(e.setting, washer);
      return SINKINGS.map((scale) =>
        passesLog(
          e,
          e.gold_mg.map((_, n) => left(n, scale) - left(n + 1, scale)),
        ),
      );
    }
    case 'tracers': {
      const exponent =
        e.of === 'lead'
          ? grainExponent(e.setting, washer, e.size_m, LEAD_KG_M3)
          : (solveWasher({ ...e.setting, gold: [{ size_m: e.size_m, share: 1 }] }, washer).exponents[0] ?? 0);
      return SINKINGS.map((scale) => {
        const lost = Math.min(1 - 1e-6, Math.max(1e-6, leftOfSize(scale * exponent, 1, washer.scatter)));
        return e.held * Math.log(1 - lost) + (e.fed - e.held) * Math.log(lost);
      });
    }
    case 'tail pan': {
      const { exponents } = solveWasher(e.setting, washer);
      const perMg = fedShares(e.setting.gold, washer).map((share, k) => {
        const { size_m } = e.setting.gold[k] as { size_m: number };
        return size_m < SEEN_M ? 0 : share / flakeDisc(size_m, washer.csf, DENSITY_KG_M3.placerGold).mass_mg;
      });
      return SINKINGS.map((scale) => {
        const colorsPerMg = perMg.reduce(
          (sum, n, k) => sum + n * leftOfSize(scale * (exponents[k] ?? 0), 1, washer.scatter),
          0,
        );
        const chance = e.grades_mg_L.reduce(
          (sum, grade) => sum + poissonWithin(grade * e.bank_L * colorsPerMg, e.atLeast, e.atMost),
          0,
        );
        return Math.log(Math.max(1e-9, chance / Math.max(1, e.grades_mg_L.length)));
      });
    }
    case 'timed bucket': {
      const { capacity_m3_s } = solveWasher(e.setting, washer);
      const off = Math.log(e.fed_m3_s / Math.max(1e-12, capacity_m3_s)) / TIMED_LOG_SD;
      return SINKINGS.map(() => -Math.min(off ** 2, FARTHEST) / 2);
    }
  }
}

/** What is left of the gold after so many passes of one draw, at a speed of sinking; a part of a tray is a part of one. */
function mixLeft(setting: WasherSetting, washer: WasherParameters): (passes: number, scale: number) => number {
  const { exponents } = solveWasher(setting, washer);
  const shares = fedShares(setting.gold, washer);
  return (passes, scale) =>
    shares.reduce(
      (sum, share, k) =>
        sum + share * leftOfSize(scale * (exponents[k] ?? 0), asPasses(passes, washer.later), washer.scatter),
      0,
    );
}

/** How likely gold found pass by pass is where so much of it is held in each. */
function passesLog(
  { gold_mg, luck_mg }: { gold_mg: readonly number[]; luck_mg: number },
  held: readonly number[],
): number {
  let log = 0;
  for (let n = 1; n < held.length; n++) {
    // A pass without any gold held less than one color.
    const [before, now] = [gold_mg[n - 1], gold_mg[n]].map((mg) => Math.max(mg as number, luck_mg / 2)) as [
      number,
      number,
    ];
    const variance = luck_mg / before + luck_mg / now + HEAPS_LOG_SD ** 2;
    const off = Math.log(now / before) - Math.log(Math.max(1e-9, held[n] ?? 0) / Math.max(1e-9, held[n - 1] ?? 0));
    log -= Math.min(off ** 2 / variance, FARTHEST) / 2;
  }
  return log;
}
