// What is timed inside one process: a box solved, a drag answered, a track of 100,000 points read. Prints JSON; see bench.mjs.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { SaxesParser } from 'saxes';
import {
  adviseBox,
  bestOf,
  drawdown,
  finishPlan,
  drawnBoxes,
  boxWindow,
  freshWater,
  MEDIAN_BOX,
  mapGround,
  meaningOf,
  ordinaryKriging,
  planDay,
  sampleGrade,
  seededRandom,
  solveBox,
  USUAL_CREW_M3_S,
  USUAL_MIX,
  type BoxSetting,
  type DrawnBoxes,
  type SolvedSection,
  type SpotPan,
  type DayProblem,
  type EstimateMethod,
  type GroundProblem,
} from '../../core/src/index.ts';
import { drawBoxes } from '../../core/src/set/boxParameters.ts';
import { settlingOf } from '../../core/src/set/solveBox.ts';
import { readGroundFile } from '../../server/src/ground/readGroundFile.ts';

/** Median time of one call, microseconds, over rounds of `each` calls after a warm-up. */
function median_us(work: (i: number) => unknown, each: number, rounds = 41): number {
  let sink = 0;
  for (let i = 0; i < each; i++) sink += work(i) ? 1 : 0;
  const times = Array.from({ length: rounds }, () => {
    const start = process.hrtime.bigint();
    for (let i = 0; i < each; i++) sink += work(i) ? 1 : 0;
    return Number(process.hrtime.bigint() - start) / 1000 / each;
  }).sort((a, b) => a - b);
  if (sink < 0) throw new Error('never');
  return times[Math.floor(rounds / 2)] ?? NaN;
}

const setting = (i: number): BoxSetting => ({
  sections: [{ lining: 'riffles', width_m: 0.254, length_m: 0.9144, step_m: 0 }],
  slope: 0.04 + 1e-5 * (i % 500),
  stone_m: 0.0127,
  crossFall_m: 0,
  temperature_C: 10,
  water: { known: 'depth', depth_m: 0.02 },
  feed_m3_s: null,
  crew_m3_s: USUAL_CREW_M3_S,
  median_m: null,
  gold: USUAL_MIX,
});
const settling = settlingOf(USUAL_MIX, MEDIAN_BOX, freshWater(10));
const once_ms = (work: () => unknown): number => {
  const start = process.hrtime.bigint();
  work();
  return Number(process.hrtime.bigint() - start) / 1e6;
};
/** Medians of the same work done here and by another program, seconds, turn by turn so that both meet the same hour of the machine; null without the other. */
function turnByTurn(
  turns: number,
  here: () => number,
  there: () => number | null,
): { here_s: number; there_s: number } | null {
  const [mine, others]: [number[], number[]] = [[], []];
  for (let turn = 0; turn < turns; turn++) {
    const other = there();
    if (other === null) return null;
    others.push(other);
    mine.push(here());
  }
  const middle = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(turns / 2)] ?? NaN;
  return { here_s: middle(mine), there_s: middle(others) };
}
/** The window of a box with so many draws, seconds from nothing to its last cell. */
function window_s(slopes: number, depths: number, draws: number): number {
  return time_ms(() => sweepWindow(slopes, depths, drawnBoxes(USUAL_MIX, 10, drawBoxes(draws)))) / 1000;
}
function sweepWindow(slopes: number, depths: number, drawn: DrawnBoxes): void {
  const span = { slopes, depths, slope: [0.005, 0.123], depth_m: [0.004, 0.043] } as const;
  for (const steps = boxWindow(setting(0), drawn, span); !steps.next().done;);
}
/**
 * The sums of the whole window here and in C, one thread, the engine warm. The draws are made beforehand: the C file draws by a simpler rule. Null where
 * there is no compiler.
 */
function windowBesideC(): { here_s: number; there_s: number } | null {
  const folder = mkdtempSync(join(tmpdir(), 'riffle-window-'));
  const program = join(folder, 'window');
  const source = join(import.meta.dirname, 'window.c');
  spawnSync('cc', ['-O2', '-o', program, source, '-lm']);
  const drawn = drawnBoxes(USUAL_MIX, 10, drawBoxes(200));
  for (let warm = 0; warm < 5; warm++) sweepWindow(60, 40, drawn);
  const turns = turnByTurn(
    15,
    () => once_ms(() => sweepWindow(60, 40, drawn)) / 1000,
    () => {
      const ran = spawnSync(program, { encoding: 'utf8' });
      return ran.status === 0 ? Number(ran.stdout.split(' ')[0]) : null;
    },
  );
  rmSync(folder, { recursive: true });
  return turns;
}

function gpx(points: number): string {
  const track = Array.from(
    { length: points },
    (_, i) =>
      `<trkpt lat="${(46.5 + 1e-6 * i).toFixed(7)}" lon="${(-33 + 3e-4 * Math.sin(i / 900)).toFixed(7)}"><ele>${(12 + i * 2e-4).toFixed(2)}</ele><time>2026-05-01T10:00:00Z</time></trkpt>`,
  ).join('');
  return `<gpx version="1.1" xmlns="http://www.topografix.com/GPX/1/1"><trk><name>Long walk</name><trkseg>${track}</trkseg></trk></gpx>`;
}
const track = gpx(100_000);
const time_ms = (work: () => unknown): number => {
  const times = [0, 1, 2, 3, 4].map(() => once_ms(work)).sort((a, b) => a - b);
  return times[2] ?? NaN;
};

/** A day on a creek and its slopes with so many places, a third of them open for some hours only; the same every time. */
function benchDay(places: number): DayProblem {
  const random = seededRandom(97);
  const at = [...Array.from({ length: places }, () => [3000 * random(), 900 * random()] as const), [0, 0] as const];
  return {
    stops: at.slice(0, places).map((_, i) => {
      const from_min = 420 + Math.floor(random() * 300);
      return {
        id: `s${i}`,
        work_min: 15 + Math.floor(random() * 45),
        value: random(),
        open: random() < 0.33 ? [{ from_min, to_min: from_min + 180 }] : null,
      };
    }),
    walk_min: at.map(([ax, ay]) => at.map(([bx, by]) => Math.hypot(ax - bx, ay - by) / 45)),
    start_min: 420,
    back_min: 960,
  };
}
/** So many samples of a patchy field on 300 by 200 m, mapped on a net of 200 by 200 cells; the same every time. */
function benchGround(samples: number, method: EstimateMethod): GroundProblem {
  const random = seededRandom(12);
  const places = Array.from({ length: samples }, () => {
    const [x_m, y_m] = [300 * random(), 300 * random()];
    return {
      x_m,
      y_m,
      grade_mg_L: Math.max(0, 0.3 + 0.2 * Math.sin(x_m / 30) * Math.cos(y_m / 25) + 0.1 * (random() - 0.5)),
      pay_m: 0.4,
      cover_m: 0.8,
    };
  });
  return {
    places,
    method,
    outline: [
      { x_m: 0, y_m: 0 },
      { x_m: 300, y_m: 0 },
      { x_m: 300, y_m: 300 },
      { x_m: 0, y_m: 300 },
    ],
    cells: 200,
  };
}
const mapOnce_ms = (problem: GroundProblem): number =>
  once_ms(() => {
    for (const steps = mapGround(problem); !steps.next().done;);
  });

/** The kriging alone, without what else a map of the ground has. */
function krigeAlone_s({ places, method }: GroundProblem): number {
  if (method.kind !== 'kriging') throw new Error(method.kind);
  const points = places.map((p) => ({ x_m: p.x_m, y_m: p.y_m, value: p.grade_mg_L }));
  return (
    once_ms(() => {
      const krige = ordinaryKriging(points, method.variogram);
      for (let row = 0; row < 200; row++)
        for (let column = 0; column < 200; column++) krige((column + 0.5) * 1.5, (row + 0.5) * 1.5);
    }) / 1000
  );
}
/** The same kriging here and by gstat, turn by turn; null where R has none (Debian: r-cran-gstat). */
function krigeBesideGstat(problem: GroundProblem): { here_s: number; there_s: number } | null {
  const folder = mkdtempSync(join(tmpdir(), 'riffle-gstat-'));
  const csv = join(folder, 'samples.csv');
  const lines = problem.places.map((p) => `${p.x_m},${p.y_m},${p.grade_mg_L}`);
  writeFileSync(csv, `x_m,y_m,grade\n${lines.join('\n')}\n`);
  krigeAlone_s(problem);
  const turns = turnByTurn(
    5,
    () => krigeAlone_s(problem),
    () => {
      const ran = spawnSync('Rscript', [join(import.meta.dirname, 'gstat.R'), csv], { encoding: 'utf8' });
      return ran.status === 0 ? Number(ran.stdout.split(' ')[0]) : null;
    },
  );
  rmSync(folder, { recursive: true });
  return turns;
}

/** Three pans at each of so many spots, some weighed; the same every time. */
function benchPans(spots: number): (SpotPan & { readonly panner: string })[] {
  const random = seededRandom(7);
  const few = (mean: number): number => {
    let [count, chance] = [0, Math.exp(-mean)];
    for (let left = random() - chance; left > 0 && count < 99; left -= chance) chance *= mean / ++count;
    return count;
  };
  return Array.from({ length: spots }, () => Math.exp(2 * (random() + random() + random() - 1.5))).flatMap(
    (rich, spot) =>
      [0, 1, 2].map((n) => {
        const counts = { '+10': 0, '10-20': few(0.05 * rich), '20-40': few(0.4 * rich), '-40': few(2 * rich) };
        const weighed = n === 0 && random() < 0.33;
        return {
          id: `${spot} ${n}`,
          spotId: `${spot}`,
          panner: n === 0 ? 'one' : 'other',
          counts,
          volume_L: 8,
          volumeState: 'bank' as const,
          gold_mg: weighed ? 0.05 * counts['-40'] + 0.3 * counts['20-40'] + 2 * counts['10-20'] : null,
          depth_m: 0.2,
          layerId: null,
        };
      }),
  );
}
const pans200 = benchPans(200);
const spots200 = Array.from({ length: 200 }, (_, i) => ({ id: `${i}` }));
const usualDraws = drawnBoxes(USUAL_MIX, 10);
const day40 = benchDay(40);
const kriged = benchGround(2000, {
  kind: 'kriging',
  variogram: { model: 'spherical', nugget: 0.005, partialSill: 0.02, range_m: 40 },
});
const best40 = Math.max(...[2, 3, 4, 5].map((seed) => finishPlan(planDay(day40, seed, 2500)).value));

console.log(
  JSON.stringify({
    krige_ms: mapOnce_ms(kriged),
    krigeBesideGstat: krigeBesideGstat(kriged),
    nearest_ms: mapOnce_ms(benchGround(2000, { kind: 'polygons' })),
    plan12_ms: time_ms(() => finishPlan(planDay(benchDay(12)))),
    plan40_ms: time_ms(() => finishPlan(planDay(day40))),
    plan40_value: finishPlan(planDay(day40)).value,
    plan40_best: best40,
    exp1000_us: median_us((i) => {
      let s = 0;
      for (let k = 0; k < 1000; k++) s += Math.exp(-(k + i) / 1000);
      return s;
    }, 200),
    solve_us: median_us((i) => solveBox(setting(i), MEDIAN_BOX, settling), 500),
    drag_us: median_us((i) => {
      const s = setting(i);
      const { flow } = solveBox(s, MEDIAN_BOX, settling).sections[0] as SolvedSection;
      return drawdown({ width_m: 0.254, manningN: flow.compositeN, slope: s.slope }, flow.flow_m3_s, 0.9144);
    }, 60),
    advice_ms: time_ms(() => adviseBox({ ...setting(0), slope: 0.02 }, usualDraws)),
    windowCoarse_s: window_s(24, 16, 64),
    window_s: window_s(60, 40, 200),
    windowBesideC: windowBesideC(),
    meaning200_s: time_ms(() => bestOf(meaningOf({ swell_percent: 20, pits: [] }, spots200, pans200, []).spots)) / 1000,
    grade_us: median_us(
      (i) =>
        sampleGrade({ volumeBank_L: 12, counts: { '+10': 0, '10-20': i % 2, '20-40': i % 4, '-40': 1 + (i % 9) } }),
      300,
    ),
    gpx_ms: time_ms(() => readGroundFile(track)),
    gpxParse_ms: time_ms(() => {
      const parser = new SaxesParser();
      parser.on('opentag', () => undefined);
      parser.on('text', () => undefined);
      parser.write(track).close();
    }),
    gpx_MB: track.length / 1e6,
  }),
);
