import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { flakeSettling_m_s } from '../grains/flake.ts';
import type { Water } from '../grains/water.ts';
import { latinHypercube, logNormal, type Beliefs } from '../maths/latinHypercube.ts';
import { spreadOver } from '../maths/logGrid.ts';
import { normalQuantile } from '../maths/normal.ts';
import { resampled } from '../maths/resampled.ts';
import { OutOfRange, requirePositive } from '../outOfRange.ts';
import { weighedSpread, type Spread } from '../set/weighBox.ts';
import { filmFor_m } from './film.ts';
import { finishSpoon } from './finishSpoon.ts';
import { separationWindow, type Companion, type Feature } from './separation.ts';

/** What is finished over a floor with shallow features, and how. */
export interface FinishSetting {
  /** Between which screens it lies, m. */
  readonly finest_m: number;
  readonly coarsest_m: number;
  readonly feature_m: number;
  readonly floorWidth_m: number;
  readonly slope: number;
  /** Depth of water over the floor. */
  readonly depth_m: number;
  readonly water: Water;
  /** A spoon, loose. */
  readonly spoon_m3: number;
  /** Until so much of its black sand is left. */
  readonly blackLeft: number;
  /** What that is for the most part; magnetite when not said. */
  readonly companion?: Companion;
}

/** What was seen at the floor at a depth of water, and how long a spoon took where it was timed. */
export interface SeenAtFloor {
  readonly depth_m: number;
  readonly saw: 'sand lies still' | 'right' | 'gold creeps';
  readonly took_s: number | null;
}

/** A finishing floor weighed over all it may be. */
export interface WeighedFinish {
  /** How likely sand lies still, it parts, gold goes with the sand. */
  readonly still: number;
  readonly parts: number;
  readonly goes: number;
  /** Depth of water to mark, m; null where no flow parts it. */
  readonly mark_m: Spread | null;
  /** Depths between which it parts, of the middle, m; the first above the second where there is no window. */
  readonly from_m: number;
  readonly to_m: number;
  readonly windowChance: number;
  /** The next spoon. */
  readonly spoon_min: Spread;
  /** Share of the gold kept by one run, and with the tailings run again. */
  readonly kept: Spread;
  readonly keptAgain: Spread;
}

/** One floor as it may be. */
interface FloorParameters {
  /** Thresholds of all, of gold alone, and shear over the floor, over what the model has. */
  readonly thresholds: number;
  readonly goldThreshold: number;
  readonly shear: number;
  readonly pace: number;
  /** Gold that floats or slips, each run. */
  readonly slips: number;
  readonly csf: number;
}
/** What is believed before it was used: stated assumptions. */
const PRIOR: Beliefs<FloorParameters> = {
  thresholds: logNormal(1, 0.2),
  goldThreshold: logNormal(1, 0.3),
  shear: logNormal(1, 0.15),
  pace: logNormal(1, 0.6),
  slips: (share) => Math.min(0.5, logNormal(0.02, 0.8)(share)),
  csf: (share) => Math.min(0.8, Math.max(0.16, logNormal(0.3, 0.3)(share))),
};
const [DRAWS, PRIOR_DRAWS] = [192, 1024] as const;
const SOLIDS_LOOSE = 0.6;
/** How sharply what is seen comes and goes, what one sees wrongly, and what a timed spoon errs by. Stated assumptions. */
const [SEEN_WIDTH, FLOOR, REST, TIMED_LOG_SD] = [0.2, 0.02, 0.96, 0.3] as const;
/** One spoon differs from the next of the same jar by so much. Stated assumption. */
const SPOON_LOG_SD = 0.2;
/** Shares of a fraction at its fine end, middle and coarse end. Stated assumption. */
const SHARES = [0.3, 0.4, 0.3] as const;

/**
 * What a finishing floor does with one fraction: how likely black sand goes and gold stays, the depth to mark, how long a spoon
 * takes and what it keeps. Bayes by importance weights over draws of thresholds, shear, pace and what slips, by what was seen and
 * timed at the floor. Project model (`separationWindow`, `finishSpoon`).
 * @throws OutOfRange for lengths that are none, or a fraction that is upside down
 */
export function weighFinish(setting: FinishSetting, seen: readonly SeenAtFloor[] = [], seed = 1936): WeighedFinish {
  const { finest_m, coarsest_m, feature_m, slope, water } = setting;
  requirePositive('depth_m', setting.depth_m, 'm');
  if (!(coarsest_m > finest_m))
    throw new OutOfRange('coarsest_m', coarsest_m, `coarser than the finest (${finest_m} m)`);
  const feature: Feature = { height_m: feature_m, density_kg_m3: water.density_kg_m3 };
  const black_kg_m3 = DENSITY_KG_M3[setting.companion ?? 'magnetite'];
  const perDepth = 1 / filmFor_m(1, slope, water);
  const solve = (p: FloorParameters) => {
    const settling = flakeSettling_m_s(finest_m, p.csf, water);
    const w = separationWindow(finest_m, coarsest_m, feature, Math.sqrt(settling.low * settling.high), black_kg_m3);
    const least_m = (p.thresholds * w.least_Pa) / (p.shear * perDepth);
    const most_m = (p.thresholds * Math.min(p.goldThreshold * w.goldCreeps_Pa, w.goldRises_Pa)) / (p.shear * perDepth);
    return { least_m, most_m };
  };
  const drawn = latinHypercube(PRIOR, seen.length > 0 ? PRIOR_DRAWS : DRAWS, seed);
  const ends = drawn.map(solve);
  const washed = (p: FloorParameters, depth_m: number) => washSpoon(setting, p, feature, depth_m * perDepth);
  const logs = drawn.map((p, d) =>
    seen.reduce((sum, s) => {
      const { least_m, most_m } = ends[d] as (typeof ends)[number];
      const sigmoid = (x: number): number => FLOOR + REST / (1 + Math.exp(-x / SEEN_WIDTH));
      const still = sigmoid(-Math.log(s.depth_m / least_m));
      const creeps = sigmoid(Math.log(s.depth_m / most_m));
      const saw = s.saw === 'sand lies still' ? still : s.saw === 'gold creeps' ? creeps : (1 - still) * (1 - creeps);
      const took = s.took_s === null ? null : washed(p, s.depth_m).minutes;
      const timed = took === null ? 0 : -((Math.log((s.took_s ?? 1) / 60 / took) / TIMED_LOG_SD) ** 2) / 2;
      return sum + Math.log(saw) + Math.max(-12.5, timed);
    }, 0),
  );
  const top = logs.reduce((a, b) => Math.max(a, b), -Infinity);
  const taken =
    seen.length === 0
      ? drawn.map((_, d) => d)
      : resampled(
          logs.map((l) => Math.exp(l - top)),
          DRAWS,
        );
  const alike = new Float64Array(taken.length).fill(1 / taken.length);
  const spread = (of: (d: number) => number): Spread =>
    weighedSpread(
      taken.map((d) => of(d)),
      alike,
    );
  const end = (d: number) => ends[d] as (typeof ends)[number];
  const share = (is: (d: number) => boolean): number => taken.filter((d) => is(d)).length / taken.length;
  const windowChance = share((d) => end(d).most_m > end(d).least_m);
  const middle = spread((d) => Math.sqrt(end(d).least_m * end(d).most_m));
  const spoons = new Map(taken.map((d) => [d, washed(drawn[d] as FloorParameters, setting.depth_m)]));
  const spoon = (d: number) => spoons.get(d) as ReturnType<typeof washSpoon>;
  const goes = share((d) => setting.depth_m > end(d).most_m);
  const still = share((d) => setting.depth_m < end(d).least_m && setting.depth_m <= end(d).most_m);
  return {
    still,
    goes,
    parts: 1 - still - goes,
    mark_m: windowChance > 0.5 ? middle : null,
    from_m: spread((d) => end(d).least_m).middle,
    to_m: spread((d) => end(d).most_m).middle,
    windowChance,
    spoon_min: weighedSpread(
      taken.map((d, i) => spoon(d).minutes * Math.exp(SPOON_LOG_SD * normalQuantile(spreadOver(i)))),
      alike,
    ),
    kept: spread((d) => spoon(d).kept),
    keptAgain: spread((d) => spoon(d).keptAgain),
  };
}

/** One spoon over one floor: minutes, and what is kept once and with its tailings run again. */
function washSpoon(setting: FinishSetting, p: FloorParameters, feature: Feature, shear_Pa: number) {
  const { finest_m, coarsest_m, water } = setting;
  const sizes = SHARES.map((share, i) => ({ size_m: finest_m * (coarsest_m / finest_m) ** ((2 * i + 1) / 6), share }));
  const done = finishSpoon({
    // Thresholds that are higher by so much are a shear that is lower.
    shear_Pa: (p.shear * shear_Pa) / p.thresholds,
    floorWidth_m: setting.floorWidth_m,
    feature,
    solids_m3: SOLIDS_LOOSE * setting.spoon_m3,
    black: sizes,
    black_kg_m3: DENSITY_KG_M3[setting.companion ?? 'magnetite'],
    gold: sizes.map((s) => {
      const { low, high } = flakeSettling_m_s(s.size_m, p.csf, water);
      return { ...s, settling_m_s: Math.sqrt(low * high) * Math.sqrt(p.goldThreshold) };
    }),
    blackLeft: setting.blackLeft,
    pace: p.pace,
  });
  const kept = done.goldKept * (1 - p.slips);
  // Of what was lost the next run keeps as large a share, less what slips each time.
  return { minutes: done.minutes, kept, keptAgain: kept + (1 - kept) * kept * (1 - p.slips) };
}
