import type { Range } from '../grains/flake.ts';
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
  /** Share of the weighed gold within the first 200 mm; null when no cut lies there and no pattern can be fitted. */
  readonly headShare: { readonly share: number; readonly measured: boolean } | null;
  readonly loss:
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

/**
 * What the split of gold over the box tells.
 *
 * A box that takes a constant share per metre leaves exp(-k x) after x metres. The rate k of most likelihood for gold
 * found in stretches [a, b] of a box L long solves the truncated exponential; for equal stretches it is the truncated
 * geometric of removal estimators (Zippin 1956, Biometrics 12, 163-189), r = exp(-k b). Over the end goes exp(-k L).
 * The 90 % band is the profile likelihood with total / color_mg colors as the number of independent pieces.
 *
 * No estimate, with the reason, when: fewer than two stretches; gaps; linings differ; gold does not thin out downward;
 * the fit is refused by a likelihood-ratio test at 1 %.
 *
 * @param color_mg weight of a typical color of this ground
 * @throws OutOfRange for a stretch that ends before it begins, overlaps the one before or holds negative gold
 */
export function sectionSplit(sections: readonly BoxSection[], color_mg: number): SectionSplit {
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
  const measured =
    cut && total_mg > 0
      ? {
          share:
            order.filter((s) => s.to_m < HEAD_STRETCH_M + 0.0051).reduce((sum, s) => sum + s.gold_mg, 0) / total_mg,
          measured: true,
        }
      : null;
  const none = (reason: string): SectionSplit => ({ total_mg, headShare: measured, loss: { kind: 'none', reason } });

  if (total_mg === 0) return none('No gold was weighed.');
  if (order.length < 2)
    return none('One section cannot show how the gold thins out. Weigh the box in two or more sections.');
  if (order.some((s, i) => Math.abs(s.from_m - (order[i - 1]?.to_m ?? 0)) > 1e-9))
    return none('A stretch of the box was not weighed, so the pattern has a gap.');
  if (new Set(order.map((s) => s.lining)).size > 1)
    return none('The linings differ, so the sections do not catch alike.');

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
    headShare: measured ?? { share: Math.expm1(-k * HEAD_STRETCH_M) / Math.expm1(-k * L), measured: false },
    loss: {
      kind: 'estimate',
      rate_per_m: k,
      lost,
      band: { low: Math.exp(-fastest * L), high: Math.exp(-slowest * L) },
      lost_mg: (total_mg * lost) / (1 - lost),
    },
  };
}

/** exp(-k from) - exp(-k to), without loss of digits for small k. */
const stretchShare = (s: BoxSection, k: number): number =>
  -Math.exp(-k * s.from_m) * Math.expm1(-k * (s.to_m - s.from_m));
