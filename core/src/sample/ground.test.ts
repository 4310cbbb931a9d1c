import { inside } from '../ground/inside.ts';
import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { expectNear, referenceCases } from '../../test/referenceCases.ts';
import { normalDraw, poissonDraw, seededRandom } from '../maths/random.ts';
import {
  bySections,
  inPlace,
  mapGround,
  meanBand,
  sampleWeights,
  type GradedPlace,
  type GroundMap,
  type GroundProblem,
} from './groundInPlace.ts';
import { beliefMean_mg_L } from './gradeBelief.ts';
import { poolGround } from './poolGround.ts';
import { inverseDistance, ordinaryKriging, polygonOfInfluence } from './kriging.ts';
import { nearestOf } from './nearest.ts';
import {
  empiricalVariogram,
  fitVariogram,
  semivariance,
  type PlaneValue,
  type Variogram,
  type VariogramModel,
} from './variogram.ts';

/** Meuse zinc (Rikken & Van Rijn 1993; see its licence beside it) and made-up points in the same folder. */
const table = (file: string): [number, number, number][] =>
  readFileSync(new URL(`../../test/reference/${file}`, import.meta.url), 'utf8')
    .trim()
    .split('\n')
    .slice(1)
    .map((l) => l.split(',').map(Number) as [number, number, number]);
const dataset = (name: string, transform: string | undefined): PlaneValue[] => {
  const rows = name === 'meuse_zinc' ? table('12-meuse-zinc.csv') : table('12-synthetic-points.csv');
  return rows.map(([x_m, y_m, z]) => ({ x_m, y_m, value: transform === 'ln' ? Math.log(z) : z }));
};
/** The made-up file holds open points and held-out ones, the first of them open. */
const asSaid = (name: string, points: PlaneValue[], count: number | undefined): PlaneValue[] =>
  name === 'synthetic_open' && count !== undefined ? points.slice(0, count) : points;

interface KrigingInputs {
  dataset: string;
  transform: string;
  model: VariogramModel;
  nugget: number;
  partial_sill: number;
  range_m: number;
  x_m: number;
  y_m: number;
  nmax: number | null;
  power: number;
  cutoff_m: number;
  width_m: number;
}
const OPEN = 40;

describe('kriging and its kin, against published data', () => {
  test.each(referenceCases<KrigingInputs, { prediction: number; kriging_variance: number }>('12a-ordinary-kriging'))(
    'ordinary kriging $id',
    (c) => {
      const i = c.inputs;
      const krige = ordinaryKriging(
        asSaid(i.dataset, dataset(i.dataset, i.transform), OPEN),
        { model: i.model, nugget: i.nugget, partialSill: i.partial_sill, range_m: i.range_m },
        i.nmax,
      );
      const { value, variance } = krige(i.x_m, i.y_m);
      expectNear(value, c.expected.prediction, c);
      expectNear(variance ?? NaN, c.expected.kriging_variance, c);
    },
  );
  test.each(referenceCases<KrigingInputs, { prediction: number }>('12b-idw'))('inverse distance $id', (c) => {
    const i = c.inputs;
    expectNear(
      inverseDistance(asSaid(i.dataset, dataset(i.dataset, undefined), OPEN), i.power, null)(i.x_m, i.y_m).value,
      c.expected.prediction,
      c,
    );
  });
  test.each(
    referenceCases<KrigingInputs, { pairs: number[]; mean_distance_m: number[]; gamma: number[] }>(
      '12c-empirical-variogram',
    ),
  )('empirical variogram $id', (c) => {
    const i = c.inputs;
    const bins = empiricalVariogram(asSaid(i.dataset, dataset(i.dataset, i.transform), OPEN), i.cutoff_m, i.width_m);
    expect(bins.map((b) => b.pairs)).toEqual(c.expected.pairs);
    bins.forEach((b, k) => {
      expectNear(b.gamma, c.expected.gamma[k] ?? NaN, c);
      expectNear(b.distance_m, c.expected.mean_distance_m[k] ?? NaN, c);
    });
  });
  test.each(
    referenceCases<
      { mean_distance_m: number[]; gamma: number[]; pairs: number[]; model: VariogramModel },
      { nugget: number; partial_sill: number; range_m: number; weighted_sse: number }
    >('12d-variogram-fit'),
  )('variogram fit $id (the first is the published fit)', (c) => {
    const fit = fitVariogram(
      c.inputs.mean_distance_m.map((distance_m, k) => ({
        distance_m,
        gamma: c.inputs.gamma[k] ?? NaN,
        pairs: c.inputs.pairs[k] ?? NaN,
      })),
      c.inputs.model,
    );
    expectNear(fit.nugget, c.expected.nugget, {
      tolerance_relative: c.tolerance_relative,
      tolerance_absolute: 1e-4 * c.expected.partial_sill,
    });
    expectNear(fit.partialSill, c.expected.partial_sill, c);
    expectNear(fit.range_m, c.expected.range_m, c);
    expect(fit.weightedSse).toBeLessThanOrEqual(c.expected.weighted_sse * 1.001 + 1e-12);
  });
});

describe('kriging by what must hold', () => {
  const model: Variogram = { model: 'spherical', nugget: 0.02, partialSill: 0.3, range_m: 30 };
  const place = fc.record({
    x_m: fc.integer({ min: 0, max: 90 }),
    y_m: fc.integer({ min: 0, max: 60 }),
    value: fc.double({ min: 0, max: 2, noNaN: true }),
  });
  const places = fc.uniqueArray(place, { minLength: 2, maxLength: 25, selector: (p) => `${p.x_m} ${p.y_m}` });
  test('exact at a sample, weights sum to 1, order of samples irrelevant', () => {
    fc.assert(
      fc.property(places, fc.double({ min: -20, max: 120, noNaN: true }), (points, x) => {
        const p = points[0] as PlaneValue;
        expect(ordinaryKriging(points, model)(p.x_m, p.y_m)).toMatchObject({
          value: expect.closeTo(p.value, 8),
          variance: expect.closeTo(0, 8),
        });
        const there = ordinaryKriging(points, model, null)(x, 31);
        expect(there.weight.reduce((sum, w) => sum + w, 0)).toBeCloseTo(1, 8);
        expect(ordinaryKriging([...points].reverse(), model, null)(x, 31).value).toBeCloseTo(there.value, 8);
      }),
      { seed: 1951, numRuns: 100 },
    );
  });
  test('two samples at one place count as their mean', () => {
    const points = [
      { x_m: 0, y_m: 0, value: 1 },
      { x_m: 0, y_m: 0, value: 3 },
      { x_m: 9, y_m: 0, value: 5 },
    ];
    const { value, weight } = ordinaryKriging(points, model)(0, 0);
    expect(value).toBeCloseTo(2, 9);
    expect(weight.slice(0, 2)).toEqual([0.5, 0.5]);
  });
  test('the nearest are the nearest, wherever one stands', () => {
    fc.assert(
      fc.property(
        places,
        fc.double({ min: -50, max: 150, noNaN: true }),
        fc.double({ min: -50, max: 150, noNaN: true }),
        fc.integer({ min: 1, max: 6 }),
        (points, x, y, count) => {
          const far = (i: number): number =>
            Math.hypot((points[i] as PlaneValue).x_m - x, (points[i] as PlaneValue).y_m - y);
          const expected = points
            .map((_, i) => far(i))
            .sort((a, b) => a - b)
            .slice(0, count);
          nearestOf(points)(x, y, count)
            .map(far)
            .forEach((d, k) => expect(d).toBeCloseTo(expected[k] ?? NaN, 9));
        },
      ),
      { seed: 1968, numRuns: 200 },
    );
  });
  test('a walk over the points is told the same as who asks anew at each step', () => {
    fc.assert(
      fc.property(places, fc.integer({ min: 1, max: 6 }), fc.integer({ min: 1, max: 9 }), (points, count, step) => {
        const [walked, far] = [
          nearestOf(points),
          (i: number, x: number, y: number) =>
            Math.hypot((points[i] as PlaneValue).x_m - x, (points[i] as PlaneValue).y_m - y),
        ];
        for (let k = 0; k < 40; k++) {
          // There and back across the points, now and then a leap.
          const [x, y] = [Math.abs(((step * k) % 240) - 120), k % 7 === 6 ? 90 : 30 + k];
          const found = walked(x, y, count);
          const expected = points
            .map((_, i) => far(i, x, y))
            .sort((a, b) => a - b)
            .slice(0, count);
          expect(new Set(found).size).toBe(expected.length);
          found.forEach((i, n) => expect(far(i, x, y)).toBeCloseTo(expected[n] ?? NaN, 9));
        }
      }),
      { seed: 1969, numRuns: 60 },
    );
  });
  test('a map kriged place after place is the map kriged anew at each place', () => {
    const random = seededRandom(1963);
    const points = Array.from({ length: 60 }, () => ({ x_m: 90 * random(), y_m: 90 * random(), value: random() }));
    for (const variogram of [
      { model: 'spherical', nugget: 0.02, partialSill: 0.3, range_m: 40 },
      { model: 'gaussian', nugget: 0, partialSill: 0.3, range_m: 60 },
    ] as const) {
      const walked = ordinaryKriging(points, variogram, 12);
      for (let y = 2; y < 90; y += 8)
        for (let x = 2; x < 90; x += 4) {
          const [on, anew] = [walked(x, y), ordinaryKriging(points, variogram, 12)(x, y)];
          expect(on.value).toBeCloseTo(anew.value, 5);
          expect(on.variance).toBeCloseTo(anew.variance ?? NaN, 5);
          expect([...on.index].sort()).toEqual([...anew.index].sort());
        }
    }
  });
  test('semivariance rises from the nugget to the sill', () => {
    for (const name of ['spherical', 'exponential', 'gaussian'] as const) {
      const v = { ...model, model: name };
      expect(semivariance(v, 0)).toBe(0);
      expect(semivariance(v, 1e-9)).toBeCloseTo(0.02, 6);
      expect(semivariance(v, 1000)).toBeCloseTo(0.32, 6);
    }
  });
  test('a flat variogram and no samples are refused', () => {
    expect(() => ordinaryKriging([], model)).toThrow(/points/);
    expect(() => ordinaryKriging([{ x_m: 0, y_m: 0, value: 1 }], { ...model, nugget: 0, partialSill: 0 })).toThrow(
      /variogram/,
    );
    expect(() => fitVariogram([], 'spherical')).toThrow(/bins/);
  });
});

const finish = (problem: GroundProblem): GroundMap => {
  const steps = mapGround(problem);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    expect(step.value).toBeLessThanOrEqual(1);
  }
};
const SQUARE = [
  { x_m: 0, y_m: 0 },
  { x_m: 40, y_m: 0 },
  { x_m: 40, y_m: 20 },
  { x_m: 0, y_m: 20 },
];
const lattice = (grade: (x: number, y: number) => number): GradedPlace[] =>
  [5, 15, 25, 35].flatMap((x_m) =>
    [5, 15].map((y_m) => ({ x_m, y_m, grade_mg_L: grade(x_m, y_m), pay_m: 0.5, cover_m: 1 })),
  );

describe('ground in place', () => {
  const methods = [
    { kind: 'polygons' },
    { kind: 'inverse distance', power: 2 },
    { kind: 'kriging', variogram: { model: 'spherical', nugget: 0.01, partialSill: 0.05, range_m: 25 } },
  ] as const;
  test.each(methods)('even ground is itself by $kind: area x thickness x grade', (method) => {
    const sum = inPlace(finish({ places: lattice(() => 0.3), outline: SQUARE, method, cells: 80 }));
    expect(sum.area_m2).toBeCloseTo(800, 6);
    expect(sum.pay_m3).toBeCloseTo(400, 6);
    expect(sum.gold_mg).toBeCloseTo(0.3 * 400_000, 4);
    expect(sum.strippingRatio).toBeCloseTo(2, 9);
  });
  test.each(methods)('a slope in grade has its middle as the mean by $kind, and the cut-off splits it', (method) => {
    const map = finish({ places: lattice((x) => x / 40), outline: SQUARE, method, cells: 80 });
    expect(inPlace(map).grade_mg_L).toBeCloseTo(0.5, 2);
    const [all, rich] = [inPlace(map), inPlace(map, 0.5)];
    expect(rich.area_m2).toBeGreaterThan(0.4 * all.area_m2);
    expect(rich.area_m2).toBeLessThan(0.6 * all.area_m2);
    expect(rich.grade_mg_L ?? 0).toBeGreaterThan(all.grade_mg_L ?? 1);
    for (const cutoff of [0, 0.5]) {
      // The mean grade of the cells is that of the samples by their weights: the estimate is linear in them.
      const weights = sampleWeights(map, 8, cutoff);
      expect(weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
      expect(lattice((x) => x / 40).reduce((sum, p, i) => sum + p.grade_mg_L * weights[i], 0)).toBeCloseTo(
        inPlace(map, cutoff).grade_mg_L ?? NaN,
        2,
      );
    }
    expect(sampleWeights(map, 8, 9).every((w) => w === 0)).toBe(true);
  });
  test('polygons: a sample in a corner stands for its corner only', () => {
    const places = [
      { x_m: 1, y_m: 10, grade_mg_L: 9, pay_m: 1, cover_m: 0 },
      { x_m: 39, y_m: 10, grade_mg_L: 1, pay_m: 1, cover_m: 0 },
    ];
    expect(
      inPlace(finish({ places, outline: SQUARE, method: { kind: 'polygons' }, cells: 80 })).grade_mg_L,
    ).toBeCloseTo(5, 6);
    expect([
      polygonOfInfluence(places.map((p) => ({ ...p, value: p.grade_mg_L })))(0, 0).value,
      inside(SQUARE, 41, 3),
      inside(SQUARE, 39, 3),
    ]).toEqual([9, false, true]);
  });
  test('samples are alike farther along a streak than across it', () => {
    // A rich one 10 m up the ground and a poor one 10 m across: the middle is as its like along the streak.
    const places = [
      { x_m: 0, y_m: 10, grade_mg_L: 1, pay_m: 1, cover_m: 0 },
      { x_m: 40, y_m: 10, grade_mg_L: 1, pay_m: 1, cover_m: 0 },
      { x_m: 20, y_m: 0, grade_mg_L: 0, pay_m: 1, cover_m: 0 },
      { x_m: 20, y_m: 20, grade_mg_L: 0, pay_m: 1, cover_m: 0 },
    ];
    const middle = (streak: number): number => {
      const map = finish({
        places,
        outline: SQUARE,
        method: { kind: 'inverse distance', power: 2 },
        cells: 81,
        streak,
      });
      return map.grade_mg_L[Math.floor(map.rows / 2) * map.columns + 40];
    };
    // By hand: weights 1/d^2 of (20/s, 20/s, 10, 10).
    expect(middle(1)).toBeCloseTo(0.2, 2);
    expect(middle(4)).toBeCloseTo(0.8, 2);
    expect(() => middle(0)).toThrow(/streak/);
  });
  test('sections: a prism is its own volume', () => {
    const { pay_m3, grade_mg_L, sections } = bySections(
      lattice((_, y) => (y < 10 ? 0.2 : 0.4)),
      2,
    );
    expect(sections.map((s) => s.at_m)).toEqual([5, 15, 25, 35]);
    // Two samples 10 m apart stand for 20 m across, 0.5 m thick, over 30 m.
    expect(pay_m3).toBeCloseTo(20 * 0.5 * 30, 9);
    expect(grade_mg_L).toBeCloseTo(0.3, 12);
    expect(() =>
      bySections(
        lattice(() => 1),
        100,
      ),
    ).toThrow(/two lines/);
  });
  test('the band of a mean holds it about nine times in ten, from eight samples up: log-normal spots, counted (200 seeded grounds)', () => {
    const random = seededRandom(1979);
    let held = 0;
    for (let k = 0; k < 200; k++) {
      const evidence = Array.from({ length: 8 }, () => {
        const colors = poissonDraw(6 * Math.exp(0.7 * normalDraw(random) - 0.245), random);
        return { grade_mg_L: colors / 6, oneColor_mg_L: 1 / 6, scatterVariance: 0, commonLogSd: 0 };
      });
      const { ground, beliefs } = poolGround(evidence);
      if (!ground) throw new Error('no ground');
      const mean = beliefs.reduce((sum, b) => sum + beliefMean_mg_L(b), 0) / 8;
      const band = meanBand(mean, ground, new Float64Array(8).fill(1 / 8), 0);
      if (band.low_mg_L <= 1 && 1 <= band.high_mg_L) held++;
    }
    expect(held / 200).toBeGreaterThan(0.85);
  });
  test('where one sample carries most of the ground the band is wider; so it is where the weight of a color is not known', () => {
    const { ground } = poolGround(
      [4, 9, 2, 6].map((n) => ({ grade_mg_L: n / 5, oneColor_mg_L: 0.2, scatterVariance: 0.1, commonLogSd: 0 })),
    );
    if (!ground) throw new Error('no ground');
    const width = (weights: number[], common: number): number => {
      const { low_mg_L, high_mg_L } = meanBand(1, ground, weights, common);
      return high_mg_L / low_mg_L;
    };
    const even = [0.25, 0.25, 0.25, 0.25];
    expect(width([0.85, 0.05, 0.05, 0.05], 0)).toBeGreaterThan(1.3 * width(even, 0));
    expect(width(even, 0.5)).toBeGreaterThan(width(even, 0));
  });
  test('without an outline only ground within reach of a sample counts', () => {
    const places = [0, 100].map((x_m) => ({ x_m, y_m: 0, grade_mg_L: 1, pay_m: 1, cover_m: 0 }));
    const outline = [
      { x_m: -10, y_m: -10 },
      { x_m: 110, y_m: -10 },
      { x_m: 110, y_m: 10 },
      { x_m: -10, y_m: 10 },
    ];
    const steps = mapGround({ places, outline, method: { kind: 'polygons' }, cells: 120, reach_m: 5 });
    let map: GroundMap | undefined;
    for (let step = steps.next(); !map; step = steps.next()) if (step.done) map = step.value;
    // Two circles of 5 m.
    expect(inPlace(map).area_m2 / (2 * Math.PI * 25)).toBeCloseTo(1, 1);
  });
  test.each([
    ['no corners', { outline: [] }, /outline/],
    ['no samples', { places: [] }, /places/],
    ['too fine a net', { cells: 5000 }, /cells/],
    ['an outline of no area', { outline: [SQUARE[0], SQUARE[0], SQUARE[0]] as typeof SQUARE }, /outline|cell/],
  ] as const)('%s is refused', (_name, some, message) => {
    expect(() =>
      finish({ places: lattice(() => 1), outline: SQUARE, method: { kind: 'polygons' }, cells: 20, ...some }),
    ).toThrow(message);
  });
});
