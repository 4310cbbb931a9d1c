import {
  chanceOnMap,
  fitPlaces,
  groundColors,
  inPlace,
  mapGround,
  meanBand,
  placesOf,
  sampleWeights,
  type EstimateMethod,
  type GroundMap,
  type Random,
} from '@riffle/core';
import { Reliability, Tally } from './tally.ts';
import { drawWorld, loggedPan, TOLD_SWELL_PERCENT } from './world.ts';

const [LENGTH_M, WIDTH_M, STREAK] = [160, 40, 4];
/** What pays a person they settle by themselves: no ground knows of it. */
const PAYS_MG_L = 0.3;
const OUTLINE = [
  { x_m: 0, y_m: -WIDTH_M / 2 },
  { x_m: LENGTH_M, y_m: -WIDTH_M / 2 },
  { x_m: LENGTH_M, y_m: WIDTH_M / 2 },
  { x_m: 0, y_m: WIDTH_M / 2 },
];

/** A smooth random field by cosines of random ways and lengths; longer along than across by a streak of its own. */
function fieldOf(random: Random): (x: number, y: number) => number {
  const waves = Array.from({ length: 24 }, () => {
    const streak = 2 + 4 * random();
    const length = 12 + 30 * random();
    const way = 2 * Math.PI * random();
    return {
      kx: (2 * Math.PI * Math.cos(way)) / (length * streak),
      ky: (2 * Math.PI * Math.sin(way)) / length,
      phase: 2 * Math.PI * random(),
    };
  });
  return (x, y) => waves.reduce((sum, w) => sum + Math.cos(w.kx * x + w.ky * y + w.phase), 0) / Math.sqrt(12);
}

/** Gold in place, all of it and what pays, and the chance that a place pays: fields of ore sampled on a grid or here and there. */
export function calibrateInPlace(fields: number, random: Random) {
  const all = [8, 15, 40].map((n) => new Tally(`Mean grade of a ground, ${n} samples`, '85 to 95 % of bands hold'));
  const part = [8, 15, 40].map((n) => new Tally(`Grade of what pays, ${n} samples`, '85 to 95 % of bands hold'));
  const pays = new Reliability('Chance that a place between the samples pays', 'within 10 points in every fifth', 5);
  const atMean = new Reliability('The same where what pays is the very mean of the ground', '', 5);
  for (let i = 0; i < fields; i++) {
    const size = i % 3;
    const n = [8, 15, 40][size] as number;
    const world = drawWorld(random);
    const [field, sd] = [fieldOf(random), 0.4 + 0.7 * random()];
    const grade = (x: number, y: number): number => world.grade_mg_L * Math.exp(sd * field(x, y) - sd ** 2 / 2);
    const rows = Math.max(2, Math.round(Math.sqrt((n * WIDTH_M) / LENGTH_M)));
    const columns = Math.ceil(n / rows);
    const spots = Array.from({ length: n }, (_, k) => {
      const onGrid = i % 2 === 0;
      const x = onGrid ? ((Math.floor(k / rows) + 0.5) / columns) * LENGTH_M : random() * LENGTH_M;
      const y = onGrid ? (((k % rows) + 0.5) / rows - 0.5) * WIDTH_M : (random() - 0.5) * WIDTH_M;
      return {
        id: `s${k}`,
        distance_m: x,
        bank: y < 0 ? ('right' as const) : ('left' as const),
        offset_m: Math.abs(y),
        y,
      };
    });
    const samples = spots.flatMap((s) =>
      Array.from({ length: 2 }, () =>
        loggedPan(world, s.id, grade(s.distance_m, s.y), 12 + 13 * random(), random() < 1 / 3, random),
      ),
    );
    const colors = groundColors(samples, TOLD_SWELL_PERCENT);
    const { places, together, commonLogSd } = placesOf(
      { swell_percent: TOLD_SWELL_PERCENT },
      spots,
      samples,
      [],
      colors,
      null,
      0.5,
      0.5,
    );
    if (!together || places.length < 4) continue;
    const { fitted } = fitPlaces(places, 'spherical', STREAK, together);
    const method: EstimateMethod = fitted
      ? { kind: 'kriging', variogram: fitted }
      : { kind: 'inverse distance', power: 2 };
    const map = drawMap(mapGround({ places, outline: OUTLINE, method, cells: 32, streak: STREAK }));
    const cutoff = world.grade_mg_L;
    for (const [tally, cut] of [
      [all[size], 0],
      [part[size], cutoff],
    ] as const) {
      const said = inPlace(map, cut);
      if (said.grade_mg_L === null) {
        if (tally) tally.silent++;
        continue;
      }
      const band = meanBand(said.grade_mg_L, together, sampleWeights(map, places.length, cut), commonLogSd, cut > 0);
      let [sum, cells] = [0, 0];
      eachCell(map, (x, y, k) => {
        if (!((map.grade_mg_L[k] as number) >= cut)) return;
        sum += grade(x, y);
        cells++;
      });
      const truth = sum / cells;
      tally?.add(band.low_mg_L <= truth && truth <= band.high_mg_L, 0.9, band.high_mg_L / band.low_mg_L);
    }
    eachCell(map, (x, y, k) => {
      if (k % 37 !== 0 || Number.isNaN(map.sd_mg_L[k])) return;
      const said = (pays_mg_L: number): number =>
        chanceOnMap(
          map.grade_mg_L[k] as number,
          map.sd_mg_L[k] as number,
          pays_mg_L,
          together,
          places.length,
          commonLogSd,
        );
      pays.add(said(PAYS_MG_L), grade(x, y) >= PAYS_MG_L);
      atMean.add(said(cutoff), grade(x, y) >= cutoff);
    });
  }
  return { all, part, pays, atMean };
}

function eachCell(map: GroundMap, of: (x: number, y: number, k: number) => void): void {
  for (let k = 0; k < map.grade_mg_L.length; k++)
    of(
      map.x0_m + ((k % map.columns) + 0.5) * map.cell_m,
      map.y0_m + (Math.floor(k / map.columns) + 0.5) * map.cell_m,
      k,
    );
}

function drawMap(steps: Generator<number, GroundMap>): GroundMap {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
