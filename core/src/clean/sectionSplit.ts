import type { Range } from '../grains/flake.ts';
import { betaQuantile } from '../maths/beta.ts';
import { bisect } from '../maths/bisect.ts';
import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';

/** Gold weighed from one stretch of the box, measured from its head. */
export interface BoxSection {
  readonly from_m: number;
  readonly to_m: number;
  readonly gold_mg: number;
  readonly lining: string;
}

/** Gold within this of the head means the box holds: common practice, no source (6-8 in). */
export const HEAD_STRETCH_M = 0.2;

export interface SectionSplit {
  readonly total_mg: number;
  /** Share of the weighed gold within the first 200 mm; null when no cut lies there, or when nothing below it was weighed. */
  readonly headShare: number | null;
  readonly loss:
    | {
        /**
         * So much went over the end at least. The more of the gold is of sizes that pass, the more; how much more cannot be told from a split.
         * `rate_per_m` is how the gold thins out over the last two sections, from `from_m` down.
         */
        readonly kind: 'bound';
        readonly atLeast: number;
        readonly atLeast_mg: number;
        readonly rate_per_m: number;
        readonly from_m: number;
      }
    | {
        readonly kind: 'estimate';
        readonly rate_per_m: number;
        readonly lost: number;
        readonly band: Range;
        readonly lost_mg: number;
      }
    | { readonly kind: 'none'; readonly reason: string };
}

/** Chi-square quantiles: 0.90 with one degree of freedom; 0.99 with 1 to 9 degrees (Abramowitz & Stegun 1964, table 26.8). */
const CHI2_90_1 = 2.7055;
const CHI2_99 = [6.635, 9.21, 11.345, 13.277, 15.086, 16.812, 18.475, 20.09, 21.666];

/** The bound is to hold this often although the split is a sample of pieces. */
const BOUND_CONFIDENCE = 0.95;

/**
 * What the split of gold over the box tells.
 *
 * Gold of one size that is taken at a constant share per metre leaves exp(-k x) after x metres. Gold of several sizes is a sum of such, which thins out
 * ever more slowly: its logarithm is convex. So the fall from the last section but one to the last, carried on past the end, is less than what goes there:
 * a bound from below, with the lower limit of the last section's share of the two (Clopper & Pearson 1934, pieces of `color_mg`).
 * From above there is none: what is too fine to stay anywhere is in no section.
 *
 * `oneSize` (fractions weighed, tracers): the rate k of most likelihood for gold found in stretches [a, b] of a box L long solves the truncated
 * exponential; for equal stretches it is the truncated geometric of removal estimators (Zippin 1956, Biometrics 12, 163-189), r = exp(-k b). Over the
 * end goes exp(-k L). The 90 % band is the profile likelihood.
 *
 * Nothing is said, with the reason, when: fewer than two stretches; gaps; linings differ; gold does not thin out downward;
 * for one size also when the fit is refused by a likelihood-ratio test at 1 %.
 *
 * @param color_mg weight of the color whose luck the gold has
 * @throws OutOfRange for a stretch that ends before it begins, overlaps the one before or holds negative gold
 */
export function sectionSplit(
  sections: readonly BoxSection[],
  color_mg: number,
  { oneSize = false }: { readonly oneSize?: boolean } = {},
): SectionSplit {
  requirePositive('color_mg', color_mg, 'mg');
  const order = [...sections].sort((a, b) => a.from_m - b.from_m);
  order.forEach((s, i) => {
    requireWithin('gold_mg', s.gold_mg, 0, 1e9, 'mg');
    if (!(s.to_m > s.from_m)) throw new OutOfRange('to_m', s.to_m, `beyond where the section starts (${s.from_m} m)`);
    const before = order[i - 1];
    if (before && s.from_m < before.to_m - 1e-9)
      throw new OutOfRange('from_m', s.from_m, `at or past the end of the section above (${before.to_m} m)`);
  });
  const total_mg = order.reduce((sum, s) => sum + s.gold_mg, 0);
  const cut = order.some((s) => Math.abs(s.to_m - HEAD_STRETCH_M) < 0.0051);
  const headShare =
    cut && total_mg > 0 && order.some((s) => s.from_m >= HEAD_STRETCH_M - 0.0051)
      ? order.filter((s) => s.to_m < HEAD_STRETCH_M + 0.0051).reduce((sum, s) => sum + s.gold_mg, 0) / total_mg
      : null;
  const none = (reason: string): SectionSplit => ({ total_mg, headShare, loss: { kind: 'none', reason } });

  if (total_mg === 0) return none('No gold was weighed.');
  if (order.length < 2)
    return none('One section cannot show how the gold thins out. Weigh the box in two or more sections.');
  if (order.some((s, i) => Math.abs(s.from_m - (order[i - 1]?.to_m ?? 0)) > 1e-9))
    return none('A stretch of the box was not weighed, so the pattern has a gap.');
  if (new Set(order.map((s) => s.lining)).size > 1)
    return none('The linings differ, so the sections do not catch alike.');

  if (!oneSize) return boundOf(order, total_mg, headShare, color_mg);
  const L = order.at(-1)?.to_m ?? 0;
  const logLikelihood = (k: number): number =>
    order.reduce(
      (sum, s) => sum + (s.gold_mg === 0 ? 0 : s.gold_mg * Math.log(stretchShare(s, k) / -Math.expm1(-k * L))),
      0,
    ) / total_mg;
  // d(logLikelihood)/dk falls through zero once; k is searched between a box that keeps 0.01 % and one that keeps all in a hand's width.
  const slope = (k: number): number => logLikelihood(k * (1 + 1e-6)) - logLikelihood(k * (1 - 1e-6));
  const least = 1e-4 / L;
  if (slope(least) <= 0)
    return none('The gold does not thin out down the box, so what went over the end cannot be told from it.');
  const most = 60 / L;
  const k = bisect((x) => -slope(x), least, most);

  const pieces = Math.max(1, total_mg / color_mg);
  const best = logLikelihood(k);
  const saturated =
    order.reduce((sum, s) => sum + (s.gold_mg === 0 ? 0 : s.gold_mg * Math.log(s.gold_mg / total_mg)), 0) / total_mg;
  const misfit = 2 * pieces * (saturated - best);
  const freedom = order.length - 2;
  if (freedom >= 1 && misfit > (CHI2_99[freedom - 1] ?? 21.666))
    return none('The gold does not thin out evenly from section to section, so no loss is read from it.');

  const drop = (x: number): number => 2 * pieces * (best - logLikelihood(x)) - CHI2_90_1;
  const slowest = drop(least) < 0 ? least : bisect((x) => -drop(x), least, k);
  const fastest = drop(most) < 0 ? most : bisect(drop, k, most);
  const lost = Math.exp(-k * L);
  return {
    total_mg,
    headShare,
    loss: {
      kind: 'estimate',
      rate_per_m: k,
      lost,
      band: { low: Math.exp(-fastest * L), high: Math.exp(-slowest * L) },
      lost_mg: (total_mg * lost) / (1 - lost),
    },
  };
}

/** What went over the end at least, by the last two sections. */
function boundOf(
  order: readonly BoxSection[],
  total_mg: number,
  headShare: number | null,
  color_mg: number,
): SectionSplit {
  const none = (reason: string): SectionSplit => ({ total_mg, headShare, loss: { kind: 'none', reason } });
  const last = order.at(-1) as BoxSection;
  const density = (s: BoxSection): number => s.gold_mg / (s.to_m - s.from_m);
  // As many sections above the last as it takes for it to hold less in the metre: the bound holds for any two stretches that meet.
  let before = order.at(-2) as BoxSection;
  for (let i = order.length - 3; i >= 0 && density(last) >= density(before); i--) {
    const above = order[i] as BoxSection;
    before = { ...before, from_m: above.from_m, gold_mg: before.gold_mg + above.gold_mg };
  }
  if (last.gold_mg > 0 && (density(last) >= density(before) || density(last) >= density(order[0] as BoxSection)))
    return none('The gold does not thin out down the box, so as much may have gone over the end as stayed.');
  const both_mg = before.gold_mg + last.gold_mg;
  const pieces = both_mg / color_mg;
  const lastPieces = last.gold_mg / color_mg;
  // The lower limit of the last section's share of the two; none at all where less than one piece lies in it.
  const share =
    lastPieces < 1 ? 0 : betaQuantile(1 - BOUND_CONFIDENCE, lastPieces, Math.max(1e-6, pieces - lastPieces) + 1);
  if (share === 0)
    return {
      total_mg,
      headShare,
      loss: { kind: 'bound', atLeast: 0, atLeast_mg: 0, rate_per_m: 0, from_m: last.from_m },
    };
  const L = last.to_m;
  // exp falls by that rate when the last section holds `share` of the two; it falls with the rate.
  const shareAt = (k: number): number =>
    stretchShare({ ...last, from_m: last.from_m - before.from_m, to_m: L - before.from_m }, k) /
    -Math.expm1(-k * (L - before.from_m));
  const [least, most] = [1e-4 / L, 200 / L];
  // Where even a slow fall would leave more in the last section than the limit, the bound is what such a fall leaves: as much again.
  const k = shareAt(least) < share ? least : bisect((x) => share - shareAt(x), least, most);
  const past_mg = Math.min(
    total_mg,
    (share * both_mg * Math.exp(-k * (L - last.from_m))) / -Math.expm1(-k * (L - last.from_m)),
  );
  return {
    total_mg,
    headShare,
    loss: {
      kind: 'bound',
      atLeast: past_mg / (total_mg + past_mg),
      atLeast_mg: past_mg,
      rate_per_m: k,
      from_m: before.from_m,
    },
  };
}

/** exp(-k from) - exp(-k to), without loss of digits for small k. */
const stretchShare = (s: BoxSection, k: number): number =>
  -Math.exp(-k * s.from_m) * Math.expm1(-k * (s.to_m - s.from_m));
