import { inside } from '../ground/inside.ts';
import { OutOfRange, requirePositive } from '../outOfRange.ts';
import { inverseDistance, ordinaryKriging, polygonOfInfluence, type Estimate, type Estimator } from './kriging.ts';
import { nearestOf } from './nearest.ts';
import type { GroundGrades } from './poolGround.ts';
import type { PlaneValue, Variogram } from './variogram.ts';

/** A sampled place: along and across the ground, its grade, and how thick the pay and the cover above it are. */
export interface GradedPlace {
  readonly x_m: number;
  readonly y_m: number;
  readonly grade_mg_L: number;
  /** How unsure that grade is by itself, (mg/L)^2: luck of the count and patchiness. Sure when not given. */
  readonly variance?: number;
  readonly pay_m: number;
  readonly cover_m: number;
}
export type EstimateMethod =
  | { readonly kind: 'polygons' }
  | { readonly kind: 'inverse distance'; readonly power: number }
  | { readonly kind: 'kriging'; readonly variogram: Variogram };

export interface GroundProblem {
  readonly places: readonly GradedPlace[];
  /** Corners of the ground that counts. */
  readonly outline: readonly { readonly x_m: number; readonly y_m: number }[];
  readonly method: EstimateMethod;
  /** Cells along the longer side of the box about the outline. */
  readonly cells: number;
  readonly neighbors?: number;
  /** How many times farther samples are alike along the ground (x) than across it: gold lies in streaks along the water. 1 when not given. */
  readonly streak?: number;
  /** How far a sample speaks across the ground, m (and `streak` times as far along it): what lies farther from every sample is left out. Everything in the outline when not given. */
  readonly reach_m?: number;
}

/** The map: cells by rows from the lowest y, NaN outside the outline. */
export interface GroundMap {
  readonly x0_m: number;
  readonly y0_m: number;
  readonly cell_m: number;
  readonly columns: number;
  readonly rows: number;
  readonly grade_mg_L: Float64Array;
  /** How unsure the grade of a place is: kriging's deviation and that of the samples it rests on; NaN without kriging. */
  readonly sd_mg_L: Float64Array;
  readonly pay_m: Float64Array;
  readonly cover_m: Float64Array;
  /** The samples that made cell i and their weights: `sampleIndex` and `sampleWeight` from `from[i]` up to `from[i + 1]`. */
  readonly from: Uint32Array;
  readonly sampleIndex: Uint32Array;
  readonly sampleWeight: Float32Array;
}

/** Ground is never surer than if it held this share of the mean. */
const LEAST_SHARE = 0.1;
/** Cells of the longer side at most. */
export const MOST_CELLS = 400;

/**
 * Grade over a ground, cell by cell. Distances along the ground count less by `streak` (geometric anisotropy; any geostatistics text). Thickness of pay and cover follow by inverse distance. Kriged values below zero become zero (weights can be negative).
 * Steps yield the share done, so that a worker can show it and be stopped.
 * @throws OutOfRange for an outline of no area, no samples, or a net too fine
 */
export function* mapGround(problem: GroundProblem): Generator<number, GroundMap> {
  const { places, outline, method, cells, streak = 1, reach_m = Infinity } = problem;
  requirePositive('streak', streak);
  if (outline.length < 3) throw new OutOfRange('outline', outline.length, 'at least three corners');
  if (places.length === 0) throw new OutOfRange('places', 0, 'at least one sample');
  requirePositive('cells', cells);
  if (cells > MOST_CELLS) throw new OutOfRange('cells', cells, `at most ${MOST_CELLS}`);
  const [x0_m, x1] = [Math.min(...outline.map((p) => p.x_m)), Math.max(...outline.map((p) => p.x_m))];
  const [y0_m, y1] = [Math.min(...outline.map((p) => p.y_m)), Math.max(...outline.map((p) => p.y_m))];
  const cell_m = Math.max(x1 - x0_m, y1 - y0_m) / cells;
  requirePositive('outline', (x1 - x0_m) * (y1 - y0_m), 'm²');
  const [columns, rows] = [
    Math.max(1, Math.round((x1 - x0_m) / cell_m)),
    Math.max(1, Math.round((y1 - y0_m) / cell_m)),
  ];
  const of = (value: (p: GradedPlace) => number): PlaneValue[] =>
    places.map((p) => ({ x_m: p.x_m / streak, y_m: p.y_m, value: value(p) }));
  const grade = estimator(
    of((p) => p.grade_mg_L),
    method,
    problem.neighbors,
  );
  // Pay and cover lie under the same places: one set of weights serves both.
  const thickness = inverseDistance(
    of((p) => p.pay_m),
    2,
    8,
  );
  // Rich ground differs by more than poor ground (the proportional effect: Journel & Huijbregts 1978, Mining Geostatistics): a deviation goes with its grade.
  const mean = Math.max(1e-12, places.reduce((sum, p) => sum + p.grade_mg_L, 0) / places.length);
  const flat = of(() => 0);
  const near = nearestOf(flat);
  const apart_m = (k: number, x: number, y: number): number =>
    Math.hypot((flat[k] as PlaneValue).x_m - x, (flat[k] as PlaneValue).y_m - y);
  const unknown = (): Float64Array => new Float64Array(columns * rows).fill(NaN);
  const [grade_mg_L, sd_mg_L, pay_m, cover_m] = [unknown(), unknown(), unknown(), unknown()];
  const from = new Uint32Array(columns * rows + 1);
  const [sampleIndex, sampleWeight]: [number[], number[]] = [[], []];
  let volume = 0;
  for (let r = 0; r < rows; r++) {
    for (let c = 0; c < columns; c++) {
      const i = r * columns + c;
      from[i + 1] = sampleIndex.length;
      const [x, y] = [x0_m + (c + 0.5) * cell_m, y0_m + (r + 0.5) * cell_m];
      if (!inside(outline, x, y)) continue;
      if (reach_m < Infinity && !near(x / streak, y, 1).some((k) => apart_m(k, x / streak, y) <= reach_m)) continue;
      const here = grade(x / streak, y);
      const thick = thickness(x / streak, y);
      grade_mg_L[i] = Math.max(0, here.value);
      sd_mg_L[i] =
        here.variance === null
          ? NaN
          : (Math.sqrt(here.variance + ownVariance(here, places)) * Math.max(here.value, LEAST_SHARE * mean)) / mean;
      pay_m[i] = thick.value;
      cover_m[i] = thick.weight.reduce(
        (sum, w, k) => sum + w * (places[thick.index[k] as number] as GradedPlace).cover_m,
        0,
      );
      volume += thick.value;
      for (let k = 0; k < here.index.length; k++) {
        sampleIndex.push(here.index[k] as number);
        sampleWeight.push(here.weight[k] as number);
      }
      from[i + 1] = sampleIndex.length;
    }
    yield (r + 1) / rows;
  }
  if (!(volume > 0))
    throw new OutOfRange('outline', 'no cell of the net', 'an outline wider than a cell, with pay in it');
  return {
    x0_m,
    y0_m,
    cell_m,
    columns,
    rows,
    grade_mg_L,
    sd_mg_L,
    pay_m,
    cover_m,
    from,
    sampleIndex: Uint32Array.from(sampleIndex),
    sampleWeight: Float32Array.from(sampleWeight),
  };
}

/** What the samples of an estimate are themselves unsure by. */
const ownVariance = (here: Estimate, places: readonly GradedPlace[]): number =>
  here.weight.reduce((sum, w, k) => sum + w * w * ((places[here.index[k] as number] as GradedPlace).variance ?? 0), 0);

/** What each of `count` samples weighs in the mean grade of the cells that reach a cut-off (0: all of them). They sum to 1; all 0 when no cell reaches it. */
export function sampleWeights(map: GroundMap, count: number, cutoff_mg_L = 0): Float64Array {
  const weights = new Float64Array(count);
  let volume = 0;
  for (let i = 0; i < map.grade_mg_L.length; i++) {
    if (!((map.grade_mg_L[i] as number) >= cutoff_mg_L)) continue;
    const thick = map.pay_m[i] as number;
    volume += thick;
    for (let k = map.from[i] as number; k < (map.from[i + 1] as number); k++) {
      const index = map.sampleIndex[k] as number;
      weights[index] = (weights[index] as number) + (map.sampleWeight[k] as number) * thick;
    }
  }
  return volume > 0 ? weights.map((w) => w / volume) : weights;
}

function estimator(points: readonly PlaneValue[], method: EstimateMethod, neighbors: number | undefined): Estimator {
  switch (method.kind) {
    case 'polygons':
      return polygonOfInfluence(points);
    case 'inverse distance':
      return inverseDistance(points, method.power, neighbors);
    case 'kriging':
      return ordinaryKriging(points, method.variogram, neighbors);
  }
}

/** What lies in the ground, all of it or from a cut-off up. */
export interface InPlace {
  readonly area_m2: number;
  readonly pay_m3: number;
  readonly cover_m3: number;
  readonly gold_mg: number;
  /** Mean grade; null when nothing reaches the cut-off. */
  readonly grade_mg_L: number | null;
  readonly strippingRatio: number | null;
}

/** Sums a map over the cells that reach a cut-off (0: all). */
export function inPlace(map: GroundMap, cutoff_mg_L = 0): InPlace {
  const cell_m2 = map.cell_m ** 2;
  let [area_m2, pay_m3, cover_m3, gold_mg] = [0, 0, 0, 0];
  for (let i = 0; i < map.grade_mg_L.length; i++) {
    const grade = map.grade_mg_L[i] as number;
    if (Number.isNaN(grade) || grade < cutoff_mg_L) continue;
    area_m2 += cell_m2;
    pay_m3 += cell_m2 * (map.pay_m[i] as number);
    cover_m3 += cell_m2 * (map.cover_m[i] as number);
    gold_mg += 1000 * cell_m2 * (map.pay_m[i] as number) * grade;
  }
  return {
    area_m2,
    pay_m3,
    cover_m3,
    gold_mg,
    grade_mg_L: pay_m3 > 0 ? gold_mg / pay_m3 / 1000 : null,
    strippingRatio: pay_m3 > 0 ? cover_m3 / pay_m3 : null,
  };
}

/**
 * Band of the mean grade of ground from what all its spots say together (`poolGround`), as a factor either side: how far few and differing spots leave
 * the mean of the ground open, counting luck, patchiness and the weight of a color included. Where some samples carry more than their share of the ground
 * (`weights`, see `sampleWeights`), it rests on fewer than there are and is widened by the root of that.
 * Source: the posterior of the mean of a hierarchical model (Gelman et al., Bayesian Data Analysis); the effective number of samples is Kish's (1965).
 * `ofPart`: of what reaches a cut-off only.
 * With few samples it is wide and honest; a bootstrap of five holds the truth two times in three.
 */
export function meanBand(
  grade_mg_L: number,
  ground: GroundGrades,
  weights: ArrayLike<number>,
  commonLogSd: number,
  ofPart = false,
): { low_mg_L: number; high_mg_L: number } {
  let [n, sum, squares] = [0, 0, 0];
  for (let i = 0; i < weights.length; i++) {
    const w = Math.max(0, weights[i] as number);
    n++;
    sum += w;
    squares += w * w;
  }
  const wider = (ofPart ? PART : 1) * (squares > 0 ? Math.sqrt(Math.max(1, n / (sum ** 2 / squares))) : 1);
  const common = Z90 * commonLogSd;
  const down = Math.hypot(wider * Math.log(ground.mean_mg_L / ground.meanBand.low), common);
  const up = Math.hypot(wider * Math.log(ground.meanBand.high / ground.mean_mg_L), common);
  return { low_mg_L: grade_mg_L * Math.exp(-down), high_mg_L: grade_mg_L * Math.exp(up) };
}
const Z90 = 1.645;
/** What pays is known by its own samples better than all the ground is by all of them: so much of that doubt is left. Stated assumption, from simulated ground. */
const PART = 0.6;

/**
 * Ground in place by sections: places are gathered into lines across the ground (each within `apart_m` along it of the one before), each line's
 * area is its pay by trapezoids plus half a spacing at either end, and volumes between lines go by the end-area method.
 * Source: end-area method of any surveying text. Lines of one place stand for a strip as wide as the mean spacing elsewhere, or `apart_m`.
 * @throws OutOfRange for fewer than two lines
 */
export function bySections(
  places: readonly GradedPlace[],
  apart_m: number,
): {
  pay_m3: number;
  gold_mg: number;
  grade_mg_L: number | null;
  sections: readonly { at_m: number; pay_m2: number; grade_mg_L: number }[];
} {
  requirePositive('apart_m', apart_m, 'm');
  const lines: GradedPlace[][] = [];
  for (const p of [...places].sort((a, b) => a.x_m - b.x_m)) {
    const last = lines.at(-1);
    if (last && p.x_m - (last.at(-1) as GradedPlace).x_m <= apart_m) last.push(p);
    else lines.push([p]);
  }
  if (lines.length < 2)
    throw new OutOfRange('places', `${lines.length} line`, 'at least two lines of samples across the ground');
  const sections = lines.map((line) => {
    const across = [...line].sort((a, b) => a.y_m - b.y_m);
    const width = (i: number): number => {
      const [before, here, next] = [across[i - 1], across[i] as GradedPlace, across[i + 1]];
      const half = (other: GradedPlace | undefined): number | null =>
        other ? Math.abs(other.y_m - here.y_m) / 2 : null;
      const [a, b] = [half(before), half(next)];
      return (a ?? b ?? apart_m / 2) + (b ?? a ?? apart_m / 2);
    };
    const pay_m2 = across.reduce((sum, p, i) => sum + p.pay_m * width(i), 0);
    const gold = across.reduce((sum, p, i) => sum + p.pay_m * width(i) * p.grade_mg_L, 0);
    return {
      at_m: line.reduce((sum, p) => sum + p.x_m, 0) / line.length,
      pay_m2,
      grade_mg_L: pay_m2 > 0 ? gold / pay_m2 : 0,
    };
  });
  let [pay_m3, gold_mg] = [0, 0];
  for (let i = 0; i + 1 < sections.length; i++) {
    const [a, b] = [sections[i] as (typeof sections)[number], sections[i + 1] as (typeof sections)[number]];
    const length = b.at_m - a.at_m;
    pay_m3 += (length * (a.pay_m2 + b.pay_m2)) / 2;
    gold_mg += 1000 * length * ((a.pay_m2 * a.grade_mg_L + b.pay_m2 * b.grade_mg_L) / 2);
  }
  return { pay_m3, gold_mg, grade_mg_L: pay_m3 > 0 ? gold_mg / pay_m3 / 1000 : null, sections };
}
