import { OutOfRange } from '../outOfRange.ts';
import { solveInPlace } from '../maths/solve.ts';
import { nearestOf } from './nearest.ts';
import { semivariance, type PlaneValue, type Variogram } from './variogram.ts';

export interface Estimate {
  readonly value: number;
  /** Kriging variance; null for methods that have none. */
  readonly variance: number | null;
  /** The samples that made it and their weights, which sum to 1. */
  readonly from: readonly { readonly index: number; readonly weight: number }[];
}
export type Estimator = (x_m: number, y_m: number) => Estimate;

/** Neighbors a kriged value rests on. More change the third figure only. Common practice, no source. */
export const USUAL_NEIGHBORS = 24;

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
 * Exact at a datum, with no variance. The value is that of a point, nugget included.
 * Source: Matheron (1963); Burrough & McDonnell (1998), Principles of Geographical Information Systems.
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
  const size = n + 1;
  const [a, b, toward] = [new Float64Array(size * size), new Float64Array(size), new Float64Array(n)];
  return (x_m, y_m) => {
    const chosen = near(x_m, y_m, n);
    a.fill(0);
    for (let i = 0; i < n; i++) {
      const p = places[chosen[i] as number] as PlaneValue;
      const here = semivariance(variogram, apart(p, x_m, y_m));
      toward[i] = here;
      b[i] = here;
      a[i * size + n] = 1;
      a[n * size + i] = 1;
      for (let j = 0; j < i; j++) {
        const q = places[chosen[j] as number] as PlaneValue;
        const g = semivariance(variogram, apart(p, q.x_m, q.y_m));
        a[i * size + j] = g;
        a[j * size + i] = g;
      }
    }
    b[n] = 1;
    solveInPlace(a, b, size);
    let value = 0;
    let variance = b[n];
    const from: { index: number; weight: number }[] = [];
    for (let i = 0; i < n; i++) {
      const w = b[i] as number;
      const place = chosen[i] as number;
      value += w * (places[place] as PlaneValue).value;
      variance += w * (toward[i] as number);
      const here = members[place] as number[];
      for (const index of here) from.push({ index, weight: w / here.length });
    }
    return { value, variance: Math.max(0, variance), from };
  };
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
    const at = chosen.filter((i) => (points[i] as PlaneValue).x_m === x_m && (points[i] as PlaneValue).y_m === y_m);
    const raw =
      at.length > 0
        ? at.map((index) => ({ index, weight: 1 }))
        : chosen.map((index) => ({
            index,
            weight:
              Math.hypot((points[index] as PlaneValue).x_m - x_m, (points[index] as PlaneValue).y_m - y_m) ** -power,
          }));
    const all = raw.reduce((sum, r) => sum + r.weight, 0);
    const from = raw.map(({ index, weight }) => ({ index, weight: weight / all }));
    return {
      value: from.reduce((sum, { index, weight }) => sum + weight * (points[index] as PlaneValue).value, 0),
      variance: null,
      from,
    };
  };
}

/** Polygons of influence: every place has the value of the sample nearest to it. Common practice (Thiessen 1911). */
export function polygonOfInfluence(points: readonly PlaneValue[]): Estimator {
  return inverseDistance(points, 1, 1);
}
