import { OutOfRange, requirePositive } from '../outOfRange.ts';

/** A value at a place of the plane, m. */
export interface PlaneValue {
  readonly x_m: number;
  readonly y_m: number;
  readonly value: number;
}
export const VARIOGRAM_MODELS = ['spherical', 'exponential', 'gaussian'] as const;
export type VariogramModel = (typeof VARIOGRAM_MODELS)[number];

/** How unlike two values are, by their distance: nugget at once, partial sill more by and by, `range_m` the parameter of the model. */
export interface Variogram {
  readonly model: VariogramModel;
  readonly nugget: number;
  readonly partialSill: number;
  readonly range_m: number;
}
export interface VariogramBin {
  readonly distance_m: number;
  readonly gamma: number;
  readonly pairs: number;
}

/** Shape of each model, 0 at no distance to 1. Sources: spherical, exponential 1 - exp(-h/a), gaussian 1 - exp(-(h/a)^2), as in Pebesma (2004), Computers & Geosciences 30, 683-691. */
const SHAPES: Readonly<Record<VariogramModel, (ratio: number) => number>> = {
  spherical: (r) => (r >= 1 ? 1 : 1.5 * r - 0.5 * r * r * r),
  exponential: (r) => -Math.expm1(-r),
  gaussian: (r) => -Math.expm1(-(r ** 2)),
};

/** Semivariance at a distance; 0 at no distance (the nugget is a jump just beyond). */
export const semivariance = (v: Variogram, distance_m: number): number => semivarianceBy(v)(distance_m);

/** The same, the model looked up once for many distances. */
export function semivarianceBy({ model, nugget, partialSill, range_m }: Variogram): (distance_m: number) => number {
  const shape = SHAPES[model];
  return (distance_m) => (distance_m === 0 ? 0 : nugget + partialSill * shape(distance_m / range_m));
}

/** More steps of distance than this tell nothing apart. */
const MOST_BINS = 1000;

/**
 * Empirical semivariogram: mean half squared difference of pairs by distance; a pair on an edge belongs to the lower bin; empty bins are left out.
 * Source: Matheron (1963), Economic Geology 58, 1246-1266.
 * @throws OutOfRange for a width or cutoff that is not positive, or a width under a thousandth of the cutoff
 */
export function empiricalVariogram(points: readonly PlaneValue[], cutoff_m: number, width_m: number): VariogramBin[] {
  requirePositive('cutoff_m', cutoff_m, 'm');
  requirePositive('width_m', width_m, 'm');
  if (!(cutoff_m / width_m <= MOST_BINS))
    throw new OutOfRange('width_m', width_m, `at least ${cutoff_m / MOST_BINS} m`);
  const bins = Array.from({ length: Math.ceil(cutoff_m / width_m) }, () => ({ distance: 0, squares: 0, pairs: 0 }));
  for (let i = 0; i < points.length; i++) {
    const a = points[i] as PlaneValue;
    for (let j = i + 1; j < points.length; j++) {
      const b = points[j] as PlaneValue;
      const h = Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m);
      if (h > cutoff_m || h === 0) continue;
      const bin = bins[Math.ceil(h / width_m) - 1];
      if (!bin) continue;
      bin.distance += h;
      bin.squares += (a.value - b.value) ** 2;
      bin.pairs++;
    }
  }
  return bins
    .filter((b) => b.pairs > 0)
    .map((b) => ({ distance_m: b.distance / b.pairs, gamma: b.squares / (2 * b.pairs), pairs: b.pairs }));
}

/**
 * Least-squares fit of a model to the bins, weights N/h^2. For each range the best nugget and partial sill are those of a two-parameter linear fit,
 * neither below zero; the range is found on a logarithmic net, narrowed four times.
 * Source of the weights: Pebesma (2004); the search is Riffle's own.
 * @throws OutOfRange for fewer than three bins
 */
export function fitVariogram(
  bins: readonly VariogramBin[],
  model: VariogramModel,
): Variogram & { readonly weightedSse: number } {
  if (bins.length < 3) throw new OutOfRange('bins', bins.length, 'at least three distances');
  const farthest = Math.max(...bins.map((b) => b.distance_m));
  let [low, high] = [Math.log(farthest / 200), Math.log(farthest * 5)];
  let best = atRange(bins, model, farthest / 2);
  for (let round = 0; round < 6; round++) {
    const step = (high - low) / 40;
    for (let u = low; u <= high + 1e-12; u += step) {
      const tried = atRange(bins, model, Math.exp(u));
      if (tried.weightedSse < best.weightedSse) best = tried;
    }
    [low, high] = [Math.log(best.range_m) - 1.5 * step, Math.log(best.range_m) + 1.5 * step];
  }
  return best;
}

function atRange(
  bins: readonly VariogramBin[],
  model: VariogramModel,
  range_m: number,
): Variogram & { weightedSse: number } {
  let [sw, sf, sff, sg, sfg] = [0, 0, 0, 0, 0];
  for (const { distance_m, gamma, pairs } of bins) {
    const w = pairs / distance_m ** 2;
    const f = SHAPES[model](distance_m / range_m);
    sw += w;
    sf += w * f;
    sff += w * f * f;
    sg += w * gamma;
    sfg += w * f * gamma;
  }
  const determinant = sw * sff - sf ** 2;
  let partialSill = determinant > 1e-12 * sw * sff ? (sw * sfg - sf * sg) / determinant : 0;
  let nugget = (sg - partialSill * sf) / sw;
  if (nugget < 0) {
    nugget = 0;
    partialSill = sfg / sff;
  }
  if (partialSill < 0) {
    partialSill = 0;
    nugget = sg / sw;
  }
  const weightedSse = bins.reduce(
    (sum, { distance_m, gamma, pairs }) =>
      sum + (pairs / distance_m ** 2) * (gamma - nugget - partialSill * SHAPES[model](distance_m / range_m)) ** 2,
    0,
  );
  return { model, nugget, partialSill, range_m, weightedSse };
}
