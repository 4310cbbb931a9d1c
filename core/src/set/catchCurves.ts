import { caughtTo } from './catchAlong.ts';
import { boxLength_m, type BoxSetting } from './solveBox.ts';
import { weighedSpread, type Spread, type WeighedBox } from './weighBox.ts';

/** One size of gold: what of it is caught by each place down the box. */
export interface CatchCurve {
  readonly size_m: number;
  readonly at: readonly (Spread & { readonly x_m: number })[];
}

/** Share of each size caught by so many places down the box, the middle draw and the band of nine in ten. */
export function catchCurves(
  setting: BoxSetting,
  { solved }: Pick<WeighedBox, 'solved'>,
  weights: Float64Array,
  places = 33,
): CatchCurve[] {
  const length_m = boxLength_m(setting.sections);
  return setting.gold.map(({ size_m }, k) => ({
    size_m,
    at: Array.from({ length: places }, (_, i) => {
      const x_m = (length_m * i) / (places - 1);
      const caught = solved.map(({ sections }) => {
        let [exponent, from_m] = [0, 0];
        setting.sections.forEach((section, n) => {
          exponent += (sections[n]?.rate_per_m[k] ?? 0) * Math.min(section.length_m, Math.max(0, x_m - from_m));
          from_m += section.length_m;
        });
        return caughtTo(exponent, 1);
      });
      return { x_m, ...weighedSpread(caught, weights) };
    }),
  }));
}
