import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import { bisect } from '../maths/bisect.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { leftOfSize } from '../dry/passes.ts';
import { creepsAt_Pa, risesAt_Pa, transport, type Feature } from './separation.ts';

/** One size of what lies in the spoon. */
export interface SpoonShare {
  readonly size_m: number;
  readonly share: number;
}
export interface SpoonGold extends SpoonShare {
  readonly settling_m_s: number;
}

/** A spoon of concentrate on a finishing floor. */
export interface Spoon {
  readonly shear_Pa: number;
  readonly floorWidth_m: number;
  readonly feature: Feature;
  /** Solids, without the water between them. */
  readonly solids_m3: number;
  readonly black: readonly SpoonShare[];
  readonly black_kg_m3?: number;
  readonly gold: readonly SpoonGold[];
  /** Until so much of the black sand is left. */
  readonly blackLeft: number;
  /** Pace over what the model has, from timed spoons. */
  readonly pace?: number;
  /** Squared coefficient of variation of the rate within a size of gold. */
  readonly scatter?: number;
}

export interface FinishedSpoon {
  readonly minutes: number;
  readonly blackLeftBySize: readonly number[];
  readonly goldKeptBySize: readonly number[];
  readonly goldKept: number;
  /** With the tailings run once more for as long. */
  readonly goldKeptAfterRerun: number;
  readonly loose_L_h: number;
}

/** Solids share of loose concentrate. Stated assumption. */
const SOLIDS_LOOSE = 0.6;
/** No spoon is washed for longer than a day. */
const MOST_S = 86_400;

/**
 * A spoon wears away in proportion to what is left, each size at its own rate; gold by the same law. The bare law keeps
 * nearly all of it: what floats or slips is not in here. Project model.
 * @throws OutOfRange for what is not positive, or shares outside 0 to 1
 */
export function finishSpoon(spoon: Spoon): FinishedSpoon {
  const { shear_Pa, floorWidth_m, feature, solids_m3, black, gold, blackLeft, pace = 1, scatter = 0.5 } = spoon;
  requirePositive('shear_Pa', shear_Pa, 'Pa');
  requirePositive('floorWidth_m', floorWidth_m, 'm');
  requirePositive('solids_m3', solids_m3, 'm³');
  requireWithin('blackLeft', blackLeft, 0.001, 0.999);
  const water = feature.density_kg_m3;
  const rate = (density_kg_m3: number, threshold_Pa: number): number =>
    (pace * floorWidth_m * transport(shear_Pa / threshold_Pa) * (shear_Pa / water) ** 1.5) /
    ((density_kg_m3 / water - 1) * GRAVITY_M_S2 * solids_m3);
  const blackDensity = spoon.black_kg_m3 ?? DENSITY_KG_M3.magnetite;
  const blackRates = black.map((b) => rate(blackDensity, creepsAt_Pa(b.size_m, blackDensity, feature)));
  const all = black.reduce((sum, b) => sum + b.share, 0);
  const left = (t_s: number): number =>
    black.reduce((sum, b, i) => sum + b.share * Math.exp(-(blackRates[i] ?? 0) * t_s), 0) / all;
  const t_s = bisect((t) => blackLeft - left(t), 0, MOST_S);
  const exponents = gold.map(
    (g) =>
      t_s *
      rate(
        DENSITY_KG_M3.placerGold,
        Math.min(creepsAt_Pa(g.size_m, DENSITY_KG_M3.placerGold, feature), risesAt_Pa(g.settling_m_s, water)),
      ),
  );
  const golds = gold.reduce((sum, g) => sum + g.share, 0);
  const keptAfter = (runs: number): number =>
    gold.reduce((sum, g, i) => sum + g.share * leftOfSize(exponents[i] ?? 0, runs, scatter), 0) / golds;
  const [once, twice] = [keptAfter(1), keptAfter(2)];
  return {
    minutes: t_s / 60,
    blackLeftBySize: blackRates.map((r) => Math.exp(-r * t_s)),
    goldKeptBySize: exponents.map((e) => leftOfSize(e, 1, scatter)),
    goldKept: once,
    goldKeptAfterRerun: 1 - (1 - 2 * once + twice),
    loose_L_h: ((solids_m3 / SOLIDS_LOOSE) * 1000 * 3600) / t_s,
  };
}
