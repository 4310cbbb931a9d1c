import { describe, expect, test } from '@jest/globals';
import {
  bankVolume_L,
  beliefMean_mg_L,
  CONTAINERS,
  DEFAULT_SWELL_PERCENT,
  empiricalVariogram,
  fitVariogram,
  gammaDraw,
  inPlace,
  mapGround,
  meanBand,
  poissonDraw,
  poolGround,
  sampleWeights,
  seededRandom,
  type EstimateMethod,
  type GradeBelief,
  type GradedPlace,
  type GroundGrades,
  type GroundMap,
  type Random,
} from '@riffle/core';
import { BENCH_GRID, benchGrade_mg_L, TRUE_SCATTER } from './trueSampling.ts';
import { CORRAN } from './trueGrounds.ts';
import { TRUE_COLOR_MG } from './truth.ts';

// The bench of the demo, whose true grade is known everywhere, sampled again and again as the demo's crew did: sixty points, three pans each.
const PAN_L = bankVolume_L(CONTAINERS.pan, DEFAULT_SWELL_PERCENT);
const STREAK = 4;
const [X0, X1, Y0, Y1] = [11, 191, 0.5, 30.5];
const OUTLINE = [
  { x_m: X0, y_m: Y0 },
  { x_m: X1, y_m: Y0 },
  { x_m: X1, y_m: Y1 },
  { x_m: X0, y_m: Y1 },
];
const SIZES = CORRAN.find((g) => g.key === 'bench')?.sizes ?? [0, 0, 1];

/** The color its gold sits in, mg. */
const LUCK_MG = TRUE_COLOR_MG.reduce((sum, mg, i) => sum + mg * (SIZES[i] ?? 0), 0);

/** The grid panned, each point as it is believed beside the others. */
function sampled(random: Random): { places: GradedPlace[]; ground: GroundGrades } {
  const points = BENCH_GRID.rows_m.flatMap((x_m) => BENCH_GRID.across_m.map((y_m) => ({ x_m, y_m })));
  const { beliefs, ground } = poolGround(
    points.map(({ x_m, y_m }) => {
      let gold_mg = 0;
      for (let pan = 0; pan < BENCH_GRID.pans; pan++) {
        const here = benchGrade_mg_L(x_m, y_m) * gammaDraw(1 / TRUE_SCATTER ** 2, random) * TRUE_SCATTER ** 2;
        TRUE_COLOR_MG.forEach((mg, i) => {
          gold_mg += mg * poissonDraw((here * (SIZES[i] ?? 0) * PAN_L) / mg, random);
        });
      }
      return {
        grade_mg_L: gold_mg / (BENCH_GRID.pans * PAN_L),
        oneColor_mg_L: LUCK_MG / (BENCH_GRID.pans * PAN_L),
        scatterVariance: TRUE_SCATTER ** 2 / BENCH_GRID.pans,
        commonLogSd: 0,
      };
    }),
  );
  if (!ground) throw new Error('nothing panned');
  return {
    ground,
    places: points.map((p, i) => ({
      ...p,
      grade_mg_L: beliefMean_mg_L(beliefs[i] as GradeBelief),
      pay_m: BENCH_GRID.pay_m,
      cover_m: 0.6,
    })),
  };
}
/** As the screen does it: kriged with the variogram that fits, or by distance where none does. */
function mapped(places: readonly GradedPlace[]): GroundMap {
  const span = Math.hypot((X1 - X0) / STREAK, Y1 - Y0);
  const fit = fitVariogram(
    empiricalVariogram(
      places.map((p) => ({ x_m: p.x_m / STREAK, y_m: p.y_m, value: p.grade_mg_L })),
      span / 2,
      span / 24,
    ),
    'spherical',
  );
  const method: EstimateMethod =
    fit.nugget + fit.partialSill > 0 ? { kind: 'kriging', variogram: fit } : { kind: 'inverse distance', power: 2 };
  for (const steps = mapGround({ places, outline: OUTLINE, method, cells: 36, streak: STREAK }); ;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
/** The true mean grade of the cells that are estimated to reach a cut-off. */
function truthOver(map: GroundMap, cutoff_mg_L: number): number {
  let [sum, cells] = [0, 0];
  for (let i = 0; i < map.grade_mg_L.length; i++) {
    if (!((map.grade_mg_L[i] as number) >= cutoff_mg_L)) continue;
    sum += benchGrade_mg_L(
      map.x0_m + ((i % map.columns) + 0.5) * map.cell_m,
      map.y0_m + (Math.floor(i / map.columns) + 0.5) * map.cell_m,
    );
    cells++;
  }
  return sum / cells;
}

describe('gold in place against the bench’s simulated truth, 60 seeded repeats', () => {
  const random = seededRandom(1849);
  const repeats = Array.from({ length: 60 }, () => {
    const { places, ground } = sampled(random);
    const map = mapped(places);
    return { all: against(places, map, 0, ground), pays: against(places, map, 0.15, ground) };
  });
  const mean = (of: (r: (typeof repeats)[number]) => number): number =>
    repeats.reduce((sum, r) => sum + of(r), 0) / repeats.length;
  test('the 90 % band of all the ground holds its true grade (a regular grid is steadier than any spots would be)', () => {
    expect(mean((r) => Number(r.all.held))).toBeGreaterThanOrEqual(0.85);
    expect(mean((r) => r.all.ratio)).toBeGreaterThan(0.93);
    expect(mean((r) => r.all.ratio)).toBeLessThan(1.07);
  });
  test('so does that of the part that pays', () => {
    expect(mean((r) => Number(r.pays.held))).toBeGreaterThanOrEqual(0.82);
    // Pulled toward its ground, what is picked for being rich is no longer said too rich.
    expect(mean((r) => r.pays.ratio)).toBeGreaterThan(0.85);
    expect(mean((r) => r.pays.ratio)).toBeLessThan(1.1);
  });
});

/** The estimate over what reaches a cut-off against the truth of the same ground, and whether its band holds it. */
function against(
  places: readonly GradedPlace[],
  map: GroundMap,
  cutoff_mg_L: number,
  ground: GroundGrades,
): { ratio: number; held: boolean } {
  const grade_mg_L = inPlace(map, cutoff_mg_L).grade_mg_L ?? NaN;
  const band = meanBand(grade_mg_L, ground, sampleWeights(map, places.length, cutoff_mg_L), 0, cutoff_mg_L > 0);
  const truth = truthOver(map, cutoff_mg_L);
  return {
    ratio: grade_mg_L / truth,
    held: band.low_mg_L <= truth && truth <= band.high_mg_L,
  };
}
