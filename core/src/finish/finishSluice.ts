import { DENSITY_KG_M3, GRAVITY_M_S2 } from '../grains/constants.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { floorFlowAtDepth } from '../set/floorFlow.ts';
import { creepsAt_Pa, transport } from './separation.ts';

/** A riffled finishing sluice, its water wide open and fed near its limit. */
export interface FinishSluice {
  readonly width_m: number;
  readonly depth_m: number;
  readonly slope: number;
  readonly riffle_m: number;
  readonly roughness_m: number;
  /** Of the concentrate, by volume. */
  readonly blackShare: number;
  /** Median of the black sand. */
  readonly black_m: number;
  /** Pace over what the model has, from days at it. */
  readonly pace?: number;
}

/** Solids share of loose concentrate. Stated assumption. */
const SOLIDS_LOOSE = 0.6;

/**
 * Loose concentrate that it takes, m3/s: black sand leaves it as Wilcock & Crowe (2003) have sand moving behind riffles; lighter
 * sand goes with it. Project model; common practice to hold it to: two buckets two thirds full of minus 8 in about two hours.
 * @throws OutOfRange for lengths that are none, or a share outside 0 to 1
 */
export function finishSluicePace_m3_s(s: FinishSluice): number {
  requirePositive('black_m', s.black_m, 'm');
  requireWithin('blackShare', s.blackShare, 0.01, 1);
  const flow = floorFlowAtDepth({ width_m: s.width_m, roughness_m: s.roughness_m }, s.slope, s.depth_m);
  const water = 999.7;
  const threshold = creepsAt_Pa(s.black_m, DENSITY_KG_M3.magnetite, { height_m: s.riffle_m, density_kg_m3: water });
  const solids_m3_s =
    ((s.pace ?? 1) * s.width_m * transport(flow.bedShear_Pa / threshold) * (flow.bedShear_Pa / water) ** 1.5) /
    ((DENSITY_KG_M3.magnetite / water - 1) * GRAVITY_M_S2);
  return solids_m3_s / (SOLIDS_LOOSE * s.blackShare);
}
