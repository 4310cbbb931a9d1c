import { OutOfRange } from '../outOfRange.ts';
import { factorInPlace, solveFactored } from '../maths/symmetric.ts';
import { solveInPlace } from '../maths/solve.ts';
import { nearestOf } from './nearest.ts';
import { semivariance, type PlaneValue, type Variogram } from './variogram.ts';

export interface Estimate {
  readonly value: number;
  /** Kriging variance; null for methods that have none. */
  readonly variance: number | null;
  /** The samples that made it, by their place in the list, and what each of them weighs; the weights sum to 1. Two plain lists: a map has a million of them. */
  readonly index: readonly number[];
  readonly weight: readonly number[];
}
export type Estimator = (x_m: number, y_m: number) => Estimate;

/** Neighbors a kriged value rests on. More change the third figure only. Common practice, no source. */
export const USUAL_NEIGHBORS = 24;

/** Up to so many places what pairs of them say is kept: 16 MB. */
const KEPT_PLACES = 2048;

/** Distance; `Math.hypot` guards against overflow that no ground knows, and takes ten times as long. */
const apart = (p: PlaneValue, x_m: number, y_m: number): number =>
  Math.sqrt((p.x_m - x_m) * (p.x_m - x_m) + (p.y_m - y_m) * (p.y_m - y_m));

/** Several values at one place would make the system singular: they become one, their mean; `members` tells which. */
function atOnePlace(points: readonly PlaneValue[]): { points: PlaneValue[]; members: number[][] } {
  const byPlace = new Map<string, number[]>();
  points.forEach((p, i) => {
    const key = `${p.x_m} ${p.y_m}`;
    byPlace.set(key, [...(byPlace.get(key) ?? []), i]);
  });
  const members = [...byPlace.values()];
  return {
    members,
    points: members.map((m) => ({
      ...(points[m[0] as number] as PlaneValue),
      value: m.reduce((sum, i) => sum + (points[i] as PlaneValue).value, 0) / m.length,
    })),
  };
}

/**
 * Ordinary kriging: sum w_j gamma_ij + mu = gamma_i0, sum w = 1; value sum w z, variance sum w gamma_i0 + mu.
 * Solved as covariances (sill less gamma), which are symmetric and positive definite: K u = k0, K v = 1, w = u - mu v with mu = (sum u - 1) / sum v.
 * The factor of K serves every place with the same neighbors. Exact at a datum, with no variance. The value is that of a point, nugget included.
 * Source: Matheron (1963); Burrough & McDonnell (1998), Principles of Geographical Information Systems; Golub & Van Loan (2013), section 4.1.
 * @param neighbors the nearest that count; null: all
 * @throws OutOfRange for no points, or a variogram that is flat at zero
 */
export function ordinaryKriging(
  points: readonly PlaneValue[],
  variogram: Variogram,
  neighbors: number | null = USUAL_NEIGHBORS,
): Estimator {
  if (points.length === 0) throw new OutOfRange('points', 0, 'at least one sample');
  if (!(variogram.nugget + variogram.partialSill > 0) || !(variogram.range_m > 0))
    throw new OutOfRange('variogram', 'flat at zero', 'some nugget or sill, and a range');
  const { points: places, members } = atOnePlace(points);
  const near = nearestOf(places);
  // Every place has as many neighbors: one set of buffers serves them all.
  const n = Math.min(neighbors ?? places.length, places.length);
  const sill = variogram.nugget + variogram.partialSill;
  const [factor, ones, weights, toward] = [
    new Float64Array(n * n),
    new Float64Array(n),
    new Float64Array(n),
    new Float64Array(n),
  ];
  let sumOnes = 0;
  let factored: readonly number[] = [];
  let isDefinite = false;
  // A pair is near many places of a map: what it has said once is kept.
  const kept =
    places.length <= KEPT_PLACES ? new Float64Array((places.length * (places.length - 1)) / 2).fill(NaN) : null;
  /** For places in the order of the list. */
  const gammaOf = (i: number, j: number): number => {
    const at = (j * (j - 1)) / 2 + i;
    const known = kept?.[at];
    if (known !== undefined && !Number.isNaN(known)) return known;
    const q = places[j] as PlaneValue;
    const gamma = semivariance(variogram, apart(places[i] as PlaneValue, q.x_m, q.y_m));
    if (kept) kept[at] = gamma;
    return gamma;
  };
  const factorFor = (chosen: readonly number[]): void => {
    for (let i = 0; i < n; i++) {
      for (let j = i + 1; j < n; j++) factor[i * n + j] = sill - gammaOf(chosen[i] as number, chosen[j] as number);
      factor[i * n + i] = sill;
    }
    factored = chosen;
    isDefinite = factorInPlace(factor, n);
    if (!isDefinite) return;
    ones.fill(1);
    solveFactored(factor, ones, n);
    sumOnes = ones.reduce((sum, v) => sum + v, 0);
  };
  return (x_m, y_m) => {
    // In the order of the list, so that the same neighbors are seen to be the same.
    const chosen = near(x_m, y_m, n).sort((i, j) => i - j);
    if (!sameOrder(chosen, factored)) factorFor(chosen);
    for (let i = 0; i < n; i++)
      toward[i] = semivariance(variogram, apart(places[chosen[i] as number] as PlaneValue, x_m, y_m));
    let mu: number;
    if (isDefinite) {
      for (let i = 0; i < n; i++) weights[i] = sill - (toward[i] as number);
      solveFactored(factor, weights, n);
      const over = (weights.reduce((sum, u) => sum + u, 0) - 1) / sumOnes;
      for (let i = 0; i < n; i++) weights[i] = (weights[i] as number) - over * (ones[i] as number);
      mu = -over;
    } else mu = byElimination(chosen, gammaOf, toward, weights);
    let value = 0;
    let variance = mu;
    const [index, weight]: [number[], number[]] = [[], []];
    for (let i = 0; i < n; i++) {
      const w = weights[i] as number;
      const place = chosen[i] as number;
      value += w * (places[place] as PlaneValue).value;
      variance += w * (toward[i] as number);
      const here = members[place] as number[];
      for (const member of here) {
        index.push(member);
        weight.push(w / here.length);
      }
    }
    return { value, variance: Math.max(0, variance), index, weight };
  };
}

const sameOrder = (a: readonly number[], b: readonly number[]): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};

/** The same system whole, where rounding leaves no factor (a smooth variogram without a nugget): the weights, and mu as the answer. */
function byElimination(
  chosen: readonly number[],
  gammaOf: (i: number, j: number) => number,
  toward: Float64Array,
  weights: Float64Array,
): number {
  const n = chosen.length;
  const size = n + 1;
  const [a, b] = [new Float64Array(size * size), new Float64Array(size)];
  for (let i = 0; i < n; i++) {
    b[i] = toward[i] as number;
    a[i * size + n] = 1;
    a[n * size + i] = 1;
    for (let j = 0; j < i; j++) {
      const g = gammaOf(chosen[j] as number, chosen[i] as number);
      a[i * size + j] = g;
      a[j * size + i] = g;
    }
  }
  b[n] = 1;
  solveInPlace(a, b, size);
  weights.set(b.subarray(0, n));
  return b[n];
}

/**
 * Inverse distance weighting: sum(z / d^p) / sum(1 / d^p). The datum itself at a sample.
 * Source: Shepard (1968), Proc. 23rd ACM National Conference, 517-524.
 * @param neighbors the nearest that count; null: all
 */
export function inverseDistance(
  points: readonly PlaneValue[],
  power = 2,
  neighbors: number | null = USUAL_NEIGHBORS,
): Estimator {
  if (points.length === 0) throw new OutOfRange('points', 0, 'at least one sample');
  const near = nearestOf(points);
  return (x_m, y_m) => {
    const chosen = near(x_m, y_m, neighbors ?? points.length);
    const squared = chosen.map((i) => {
      const [dx, dy] = [(points[i] as PlaneValue).x_m - x_m, (points[i] as PlaneValue).y_m - y_m];
      return dx * dx + dy * dy;
    });
    const at = chosen.filter((_, k) => squared[k] === 0);
    const index = at.length > 0 ? at : chosen;
    const raw = at.length > 0 ? at.map(() => 1) : squared.map((d2) => d2 ** (-power / 2));
    const all = raw.reduce((sum, w) => sum + w, 0);
    const weight = raw.map((w) => w / all);
    return {
      value: weight.reduce((sum, w, k) => sum + w * (points[index[k] as number] as PlaneValue).value, 0),
      variance: null,
      index,
      weight,
    };
  };
}

/** Polygons of influence: every place has the value of the sample nearest to it. Common practice (Thiessen 1911). */
export function polygonOfInfluence(points: readonly PlaneValue[]): Estimator {
  return inverseDistance(points, 1, 1);
}
