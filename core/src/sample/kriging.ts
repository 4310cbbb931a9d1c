import { OutOfRange } from '../outOfRange.ts';
import { factorRows, solveFactored } from '../maths/symmetric.ts';
import { solveInPlace } from '../maths/solve.ts';
import { nearestOf } from './nearest.ts';
import { semivarianceBy, type PlaneValue, type Variogram } from './variogram.ts';

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
  // Every place has as many neighbors, each in a slot of the system: from one place to the next most of them stay, and with them what they say of each
  // other and the rows of the factor above the first that changed.
  const n = Math.min(neighbors ?? places.length, places.length);
  const sill = variogram.nugget + variogram.partialSill;
  const gammaAt = semivarianceBy(variogram);
  const float = (): Float64Array => new Float64Array(n);
  const [ones, weights, toward, xs, ys] = [float(), float(), float(), float(), float()];
  const [covariance, factor] = [new Float64Array(n * n), new Float64Array(n * n)];
  const slots = new Int32Array(n).fill(-1);
  const slotOf = new Int32Array(places.length).fill(-1);
  const askedAt = new Uint32Array(places.length);
  let asked = 0;
  let sumOnes = 0;
  let rowsFactored = 0;
  const put = (place: number, slot: number): void => {
    slots[slot] = place;
    slotOf[place] = slot;
    const { x_m, y_m } = places[place] as PlaneValue;
    xs[slot] = x_m;
    ys[slot] = y_m;
    for (let j = 0; j < n; j++) {
      const [dx, dy] = [(xs[j] as number) - x_m, (ys[j] as number) - y_m];
      covariance[Math.max(slot, j) * n + Math.min(slot, j)] = sill - gammaAt(Math.sqrt(dx * dx + dy * dy));
    }
  };
  /** Gives each of the chosen a slot: its own, or that of one that is no longer near. */
  const seat = (chosen: readonly number[]): void => {
    asked++;
    for (let c = 0; c < n; c++) askedAt[chosen[c] as number] = asked;
    let free = 0;
    let first = n;
    for (let c = 0; c < n; c++) {
      const place = chosen[c] as number;
      if ((slotOf[place] as number) >= 0) continue;
      while ((slots[free] as number) >= 0 && askedAt[slots[free] as number] === asked) free++;
      if ((slots[free] as number) >= 0) slotOf[slots[free] as number] = -1;
      put(place, free);
      first = Math.min(first, free);
    }
    if (first === n) return;
    rowsFactored = factorRows(covariance, factor, n, Math.min(first, rowsFactored));
    if (rowsFactored < n) return;
    ones.fill(1);
    solveFactored(factor, ones, n);
    sumOnes = sumOf(ones);
  };
  return (x_m, y_m) => {
    seat(near(x_m, y_m, n));
    for (let i = 0; i < n; i++) {
      const [dx, dy] = [(xs[i] as number) - x_m, (ys[i] as number) - y_m];
      toward[i] = gammaAt(Math.sqrt(dx * dx + dy * dy));
    }
    let mu: number;
    if (rowsFactored === n) {
      for (let i = 0; i < n; i++) weights[i] = sill - (toward[i] as number);
      solveFactored(factor, weights, n);
      const over = (sumOf(weights) - 1) / sumOnes;
      for (let i = 0; i < n; i++) weights[i] = (weights[i] as number) - over * (ones[i] as number);
      mu = -over;
    } else mu = byElimination(n, (i, j) => sill - (covariance[i * n + j] as number), toward, weights);
    let value = 0;
    let variance = mu;
    for (let i = 0; i < n; i++) {
      value += (weights[i] as number) * (places[slots[i] as number] as PlaneValue).value;
      variance += (weights[i] as number) * (toward[i] as number);
    }
    return { value, variance: Math.max(0, variance), ...sharedOut(slots, weights, members) };
  };
}

const sumOf = (values: Float64Array): number => {
  let sum = 0;
  for (let i = 0; i < values.length; i++) sum += values[i] as number;
  return sum;
};

/** What each place weighs, told of the values that were taken there. */
function sharedOut(
  chosen: Int32Array,
  weights: Float64Array,
  members: readonly (readonly number[])[],
): Pick<Estimate, 'index' | 'weight'> {
  const [index, weight]: [number[], number[]] = [[], []];
  for (let i = 0; i < chosen.length; i++) {
    const here = members[chosen[i] as number] as readonly number[];
    for (let m = 0; m < here.length; m++) {
      index.push(here[m] as number);
      weight.push((weights[i] as number) / here.length);
    }
  }
  return { index, weight };
}

/** The same system whole, where rounding leaves no factor (a smooth variogram without a nugget): the weights, and mu as the answer. */
function byElimination(
  n: number,
  gammaOf: (i: number, j: number) => number,
  toward: Float64Array,
  weights: Float64Array,
): number {
  const size = n + 1;
  const [a, b] = [new Float64Array(size * size), new Float64Array(size)];
  for (let i = 0; i < n; i++) {
    b[i] = toward[i] as number;
    a[i * size + n] = 1;
    a[n * size + i] = 1;
    for (let j = 0; j < i; j++) {
      const g = gammaOf(i, j);
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
