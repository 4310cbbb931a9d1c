import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { flakeDisc } from '../grains/flake.ts';
import { freshWater } from '../grains/water.ts';
import { canShow, sizesIn, splitLog, splitsOf, type CleanUpFound, type FoundStretch } from './cleanSplits.ts';
import { PRIOR_LOG, spreadOver, summed, Z } from '../maths/logGrid.ts';
import { poissonWithin } from '../maths/poissonWithin.ts';
import { resampled } from '../maths/resampled.ts';
import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';
import { drawBoxes, DRAWS, type BoxParameters } from './boxParameters.ts';
import { bothLimits } from './feed.ts';
import { floorFlowAtDepth } from './floorFlow.ts';
import { drawnShares } from './goldMix.ts';
import { liningOf } from './linings.ts';
import { boxLength_m, LEAST_SLOPE, LEAST_WATER_M, settlingOf, solveBox, toldSection } from './solveBox.ts';
import type { BoxSetting, DrawnSettling, LinedSection, SolvedBox } from './solveBox.ts';
import { weighedSpread, type Spread } from './weighBox.ts';

/** What was measured at a box as it was set. */
export type BoxEvidence = { readonly setting: BoxSetting } & (
  | ({ readonly kind: 'clean-up' } & CleanUpFound)
  | {
      /** Fed as fast as it clears: loose gravel, m3/s. */
      readonly kind: 'timed bucket';
      readonly fed_m3_s: number;
    }
  | {
      /**
       * Tailings panned: colors in it, `atMost` null for "and more"; from so much ground in the bank, at grades believed alike likely, mg/L.
       */
      readonly kind: 'tail pan';
      readonly atLeast: number;
      readonly atMost: number | null;
      readonly bank_L: number;
      readonly grades_mg_L: readonly number[];
    }
  | {
      /** Flakes of one size fed on purpose, and of them those found again in the box. */
      readonly kind: 'tracers';
      readonly size_m: number;
      readonly fed: number;
      readonly held: number;
    }
  | {
      /** Depth over the lining of the longest section and flow, both measured. */
      readonly kind: 'water';
      readonly depth_m: number;
      readonly flow_m3_s: number;
    }
);

/** The numbers of a box that measuring moves most. */
export const MEASURED_INPUTS = ['catchScale', 'boxFactor', 'roughness'] as const;
export type MeasuredInput = (typeof MEASURED_INPUTS)[number];

/** A box after it was measured. */
export interface MeasuredBox {
  /** Boxes as they may be now, alike likely. */
  readonly boxes: readonly BoxParameters[];
  readonly before: Readonly<Record<MeasuredInput, Spread>>;
  readonly after: Readonly<Record<MeasuredInput, Spread>>;
  /** Draws that still count, in effect (Kish 1965), of `PRIOR_DRAWS`. */
  readonly effective: number;
  /** Of each piece of evidence, whether a box of this kind can show it; what fits none is left out. */
  readonly fits: readonly boolean[];
}

/** Boxes tried before the measuring; enough that some hundred still count after several clean-ups. */
export const PRIOR_DRAWS = 1024;
/** What is believed of the catch and of the feed. */
const [CATCH_LOG_SD, FEED_LOG_SD] = [0.5, 0.45] as const;
const FEED_MEDIAN = 1.8;
/** What a timed bucket errs by, and a measured flow, as deviations of the logarithm. Stated assumptions. */
const [TIMED_LOG_SD, FLOW_LOG_SD] = [0.2, 0.1] as const;
/** Flakes below this size are not counted in a pan. */
const SEEN_M = 0.0002;
const CATCHES = Z.map((z) => Math.exp(CATCH_LOG_SD * z));
const FEEDS = Z.map((z) => FEED_MEDIAN * Math.exp(FEED_LOG_SD * z));

/**
 * What a box is, by what was measured at it. Bayes over the draws of `drawBoxes`: in each draw the box factor by timed buckets and then the scale of the
 * catch by clean-ups, tail pans and tracers, both by quadrature on an even grid; the draws themselves by how likely what was found is in them; then
 * `draws` of them alike likely (systematic resampling, Kitagawa 1996, J. Comput. Graph. Stat. 5, 1-25). Sections of a clean-up are multinomial, given what
 * was caught, for each size that was screened out; tail pans Poisson, tracers binomial, measured flows and timed buckets log-normal.
 * A clean-up that no box of this kind would show (likelihood ratio, 5 %) is left out, and named in `fits`.
 * Without evidence the draws are those nobody measured. From two computations of the catch scale: check values 18l.
 * @throws OutOfRange as `solveBox`, and for counts or lengths that cannot be
 */
export function measureBox(evidence: readonly BoxEvidence[], draws = DRAWS): MeasuredBox {
  evidence.forEach(requireEvidence);
  const priorBoxes = drawBoxes(evidence.length > 0 ? PRIOR_DRAWS : draws);
  const alike = new Float64Array(priorBoxes.length).fill(1 / priorBoxes.length);
  const before = spreadsOf(priorBoxes, alike);
  if (evidence.length === 0)
    return { boxes: priorBoxes, before, after: before, effective: priorBoxes.length, fits: [] };

  const logs = new Float64Array(priorBoxes.length);
  const settles = settlingOnce();
  const fed = priorBoxes.map((box, d) => {
    const found = feedFound(evidence, box, settles(d));
    logs[d] = found.log + waterLog(evidence, box);
    return { ...box, boxFactor: found.boxFactor(spreadOver(d)) };
  });
  const grids = evidence.map((e) => fed.map((box, d) => catchLogs(e, box, settles(d))));
  const fits = evidence.map((e, i) => e.kind !== 'clean-up' || canShow(splitsOf(e), grids[i] ?? []));
  const boxes = fed.map((box, d) => {
    const grid = PRIOR_LOG.map((log, p) => grids.reduce((sum, of, i) => sum + (fits[i] ? (of[d]?.[p] ?? 0) : 0), log));
    const { log, at } = summed(grid);
    logs[d] = (logs[d] as number) + log;
    return (share: number): BoxParameters => ({ ...box, catchScale: Math.exp(CATCH_LOG_SD * at(share)) });
  });
  const top = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  const raw = logs.map((l) => Math.exp(l - top));
  const all = raw.reduce((a, b) => a + b, 0);
  const chosen = resampled(raw, draws).map((d, i) => (boxes[d] as (typeof boxes)[number])(spreadOver(i)));
  return {
    boxes: chosen,
    before,
    after: spreadsOf(chosen, new Float64Array(draws).fill(1 / draws)),
    effective: all ** 2 / raw.reduce((a, b) => a + b * b, 0),
    fits,
  };
}

function requireEvidence(e: BoxEvidence): void {
  switch (e.kind) {
    case 'clean-up':
      requirePositive('luck_mg', e.luck_mg, 'mg');
      for (const { size_m, gold_mg } of e.bySize ?? []) {
        requirePositive('size_m', size_m, 'm');
        requireWithin('cells of a size', gold_mg.length, e.stretches.length, e.stretches.length);
        for (const mg of gold_mg) if (mg !== null) requireWithin('gold_mg', mg, 0, 1e9, 'mg');
      }
      if (e.colors) requireWithin('colors', e.colors.length, e.stretches.length, e.stretches.length);
      for (const n of e.colors ?? []) requireWithin('colors', n, 0, 1e6);
      for (const { from_m, to_m, gold_mg } of e.stretches) {
        requireWithin('gold_mg', gold_mg, 0, 1e9, 'mg');
        if (!(to_m > from_m)) throw new OutOfRange('to_m', to_m, `beyond where the stretch starts (${from_m} m)`);
      }
      return;
    case 'timed bucket':
      return requirePositive('fed_m3_s', e.fed_m3_s, 'm3/s');
    case 'tail pan':
      requireWithin('atLeast', e.atLeast, 0, e.atMost ?? 1e6);
      requirePositive('bank_L', e.bank_L, 'L');
      return;
    case 'tracers':
      requirePositive('size_m', e.size_m, 'm');
      requirePositive('fed', e.fed);
      return requireWithin('held', e.held, 0, e.fed);
    case 'water':
      requirePositive('depth_m', e.depth_m, 'm');
      return requirePositive('flow_m3_s', e.flow_m3_s, 'm3/s');
  }
}

/** Settling of a draw's flakes, worked out once for each mix in water of each temperature. */
type Settles = (setting: BoxSetting, box: BoxParameters) => DrawnSettling;
function settlingOnce(): (draw: number) => Settles {
  const found = new Map<string, DrawnSettling[]>();
  return (draw) => (setting, box) => {
    const key = JSON.stringify([setting.gold, setting.temperature_C]);
    const of = found.get(key) ?? [];
    found.set(key, of);
    return (of[draw] ??= settlingOf(setting.gold, box, freshWater(setting.temperature_C)));
  };
}

/** The box factor of one draw by its timed buckets: how likely they are in it, and the factor below which a share of it lies. */
function feedFound(evidence: readonly BoxEvidence[], box: BoxParameters, settles: Settles) {
  const timed = evidence.filter((e) => e.kind === 'timed bucket');
  if (timed.length === 0) return { log: 0, boxFactor: () => box.boxFactor };
  const grid = [...PRIOR_LOG];
  for (const { setting, fed_m3_s } of timed) {
    const { sections } = solveBox(setting, { ...box, boxFactor: 1 }, settles(setting, box));
    FEEDS.forEach((factor, p) => {
      const capacity = Math.min(
        ...sections.map(({ feed }) => bothLimits(factor * feed.carried_m3_s, feed.digested_m3_s)),
      );
      const off = Math.log(fed_m3_s / Math.max(1e-12, capacity)) / TIMED_LOG_SD;
      // Whatever the model holds, a bucket was fed: no draw is ruled out by more than five deviations.
      grid[p] = (grid[p] as number) - Math.min(off * off, 25) / 2;
    });
  }
  const { log, at } = summed(grid);
  return { log, boxFactor: (share: number): number => FEED_MEDIAN * Math.exp(FEED_LOG_SD * at(share)) };
}

/** How likely the measured flows are in one draw. */
function waterLog(evidence: readonly BoxEvidence[], box: BoxParameters): number {
  let log = 0;
  for (const e of evidence) {
    if (e.kind !== 'water') continue;
    const { sections, slope } = e.setting;
    const told = sections[toldSection(sections)] as LinedSection;
    const flow = floorFlowAtDepth(
      { width_m: told.width_m, roughness_m: liningOf(told).roughness_m * box.roughness },
      Math.max(LEAST_SLOPE, slope + box.headError_m / boxLength_m(sections)),
      Math.max(LEAST_WATER_M, e.depth_m + box.depthError_m),
    );
    log -= (Math.log(e.flow_m3_s / flow.flow_m3_s) / FLOW_LOG_SD) ** 2 / 2;
  }
  return log;
}

/** How likely one piece of evidence is in one draw, at each scale of the catch. */
function catchLogs(e: BoxEvidence, box: BoxParameters, settles: Settles): readonly number[] {
  switch (e.kind) {
    case 'clean-up': {
      // Sizes that were weighed each tell of their own; else the mix is what was counted, by weight or by number.
      const sizes = sizesIn(e);
      const setting = sizes ? { ...e.setting, gold: sizes.map((f) => ({ size_m: f.size_m, share: 1 })) } : e.setting;
      const solved = solveBox(setting, { ...box, catchScale: 1 }, settles(setting, box));
      const reaches = e.stretches.map((s) => reachOf(s, solved, setting.sections));
      const shares = sizes
        ? null
        : e.colors
          ? setting.gold.map((_, k) => seenPerMg(setting, box)[k] ?? 0)
          : drawnShares(setting.gold, box);
      const splits = splitsOf(e);
      return CATCHES.map((scale) =>
        splits.reduce((sum, split, f) => {
          const there = reaches.map((reach) =>
            shares
              ? caughtWithin(reach, shares, scale)
              : caughtWithin([reach[f] as (typeof reach)[number]], [1], scale),
          );
          return sum + splitLog(split, there);
        }, 0),
      );
    }
    case 'tail pan': {
      const solved = solveBox(e.setting, { ...box, catchScale: 1 }, settles(e.setting, box));
      const whole = e.setting.gold.map((_, k) =>
        exponentTo(boxLength_m(e.setting.sections), solved, e.setting.sections, k),
      );
      const perMg = seenPerMg(e.setting, box);
      return CATCHES.map((scale) => {
        const colorsPerMg = whole.reduce((sum, x, k) => sum + (perMg[k] ?? 0) * Math.exp(-scale * x), 0);
        const chance = e.grades_mg_L.reduce(
          (sum, grade) => sum + poissonWithin(grade * e.bank_L * colorsPerMg, e.atLeast, e.atMost),
          0,
        );
        return Math.log(Math.max(1e-9, chance / Math.max(1, e.grades_mg_L.length)));
      });
    }
    case 'tracers': {
      const setting = { ...e.setting, gold: [{ size_m: e.size_m, share: 1 }] };
      const solved = solveBox(setting, { ...box, catchScale: 1 }, settles(setting, box));
      const whole = exponentTo(boxLength_m(setting.sections), solved, setting.sections, 0);
      return CATCHES.map((scale) => {
        const passes = Math.min(1 - 1e-9, Math.max(1e-9, Math.exp(-scale * whole)));
        return e.held * Math.log(1 - passes) + (e.fed - e.held) * Math.log(passes);
      });
    }
    case 'timed bucket':
    case 'water':
      return NOTHING;
  }
}
const NOTHING: readonly number[] = Z.map(() => 0);

/** Rate times length from the head down to x metres, of one size at a catch scale of one. */
function exponentTo(x_m: number, solved: SolvedBox, sections: readonly LinedSection[], size: number): number {
  let [from_m, sum] = [0, 0];
  sections.forEach(({ length_m }, i) => {
    const within_m = Math.min(length_m, Math.max(0, x_m - from_m));
    sum += within_m * (solved.sections[i]?.rate_per_m[size] ?? 0);
    from_m += length_m;
  });
  return sum;
}

/** Of each size, the exponents at the ends of a stretch, at a catch scale of one. */
type StretchReach = readonly { readonly to: number; readonly over: number }[];
const reachOf = (
  { from_m, to_m }: Pick<FoundStretch, 'from_m' | 'to_m'>,
  solved: SolvedBox,
  sections: readonly LinedSection[],
): StretchReach =>
  (solved.sections[0]?.rate_per_m ?? []).map((_, k) => {
    const to = exponentTo(from_m, solved, sections, k);
    return { to, over: exponentTo(to_m, solved, sections, k) - to };
  });

/** Share of all gold fed that a box of that catch scale holds in a stretch. */
const caughtWithin = (reach: StretchReach, shares: readonly number[], scale: number): number =>
  reach.reduce(
    (sum, { to, over }, k) => sum - (shares[k] as number) * Math.exp(-scale * to) * Math.expm1(-scale * over),
    0,
  );

/** Share of all gold fed that a drawn box holds between two places, as solved. */
export const heldWithin = (
  stretch: Pick<FoundStretch, 'from_m' | 'to_m'>,
  solved: SolvedBox,
  setting: BoxSetting,
  box: BoxParameters,
): number => caughtWithin(reachOf(stretch, solved, setting.sections), drawnShares(setting.gold, box), 1);

/** Colors one sees in a milligram of gold as fed, of each size. */
function seenPerMg({ gold }: BoxSetting, box: BoxParameters): number[] {
  const shares = drawnShares(gold, box);
  return gold.map(({ size_m }, k) =>
    size_m < SEEN_M ? 0 : (shares[k] ?? 0) / flakeDisc(size_m, box.csf, DENSITY_KG_M3.placerGold).mass_mg,
  );
}

function spreadsOf(boxes: readonly BoxParameters[], weights: Float64Array): Record<MeasuredInput, Spread> {
  const of = (input: MeasuredInput): Spread =>
    weighedSpread(
      boxes.map((b) => b[input]),
      weights,
    );
  return { catchScale: of('catchScale'), boxFactor: of('boxFactor'), roughness: of('roughness') };
}
