import { USUAL_CSF } from '../grains/constants.ts';
import { flakeSettling_m_s } from '../grains/flake.ts';
import type { Water } from '../grains/water.ts';
import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';
import { catchRate_per_m, caughtTo, chanceToStay } from '../set/catchAlong.ts';
import { floorFlowAtDepth } from '../set/floorFlow.ts';
import { LININGS } from '../set/linings.ts';
import type { Spread } from '../set/weighBox.ts';
import { finishSluicePace_m3_s, type FinishSluice } from './finishSluice.ts';

/** A riffled finishing sluice and the concentrate of one fraction that goes over it. */
export interface SluiceSetting extends Omit<FinishSluice, 'black_m' | 'pace'> {
  /** From one riffle to the next. */
  readonly spacing_m: number;
  readonly riffles: number;
  /** Between which screens the concentrate lies. */
  readonly finest_m: number;
  readonly coarsest_m: number;
  /** Loose. */
  readonly volume_m3: number;
  readonly water: Water;
}

/** What it takes, and where its gold lies. */
export interface WeighedSluice {
  readonly hours: Spread;
  /** Of the gold it caught, by riffle from the head; sums to 1. */
  readonly byRiffle: readonly number[];
}

/** Riffles fed at the floor, the concentrate thick, take so many times what the same riffles take out of clear water. Fitted to the trade's facts. */
const FED_AT_THE_FLOOR = 4;
/** Packed pockets take first what fits between their grains: gold of this size half as often. Fitted to the trade's facts. */
const FITS_M = 0.0003;
const REFERENCE_SHIELDS = 0.036;
/** Pace over the model: belief beforehand, what one timed run errs by, and what the next differs by. Stated assumptions. */
const [PACE_LOG_SD, TIMED_LOG_SD, NEXT_LOG_SD] = [0.6, 0.3, 0.2] as const;
const BAND = 1.645;
/** Gold by weight at the fine end, in the middle and at the coarse end of a fraction. Stated assumption. */
const SHARES = [0.3, 0.4, 0.3] as const;

/** Share of the gold of a size caught by each riffle, of what enters. Project model: the box's catch with the two factors above. */
function caughtByRiffle(s: SluiceSetting, size_m: number): number[] {
  const flow = floorFlowAtDepth({ width_m: s.width_m, roughness_m: s.roughness_m }, s.slope, s.depth_m);
  const { low, high } = flakeSettling_m_s(size_m, USUAL_CSF, s.water);
  const stays = chanceToStay(
    size_m,
    { keep: LININGS.riffles.keep, shelter_m: s.riffle_m },
    { bedShear_Pa: flow.bedShear_Pa, load: 0, stone_m: s.coarsest_m },
    { referenceShields: REFERENCE_SHIELDS, catchScale: FED_AT_THE_FLOOR },
  );
  const rate = catchRate_per_m(stays, Math.sqrt(low * high), flow.flowPerWidth_m2_s) / (1 + (size_m / FITS_M) ** 2);
  return Array.from(
    { length: s.riffles },
    (_, i) => caughtTo(rate, (i + 1) * s.spacing_m) - caughtTo(rate, i * s.spacing_m),
  );
}

/**
 * Hours for a heap over a finishing sluice run near its limit, and where of its riffles the gold lies. How much it lets go is not said: the model
 * misstates coarse gold lost, and the tails tell it.
 * @param timed earlier runs over such a sluice: how many times the bare model's hours they took
 * @throws OutOfRange for lengths that are none, a fraction upside down, or riffles outside 1-60
 */
export function weighSluice(s: SluiceSetting, timed: readonly number[] = []): WeighedSluice {
  requirePositive('volume_m3', s.volume_m3, 'm³');
  requirePositive('spacing_m', s.spacing_m, 'm');
  requireWithin('riffles', s.riffles, 1, 60);
  if (!(s.coarsest_m > s.finest_m)) throw new OutOfRange('coarsest_m', s.coarsest_m, `coarser than ${s.finest_m} m`);
  for (const times of timed) requirePositive('timed', times);
  const bare_h = s.volume_m3 / finishSluicePace_m3_s({ ...s, black_m: Math.sqrt(s.finest_m * s.coarsest_m) }) / 3600;
  const weight = 1 / PACE_LOG_SD ** 2 + timed.length / TIMED_LOG_SD ** 2;
  const log = timed.reduce((sum, times) => sum + Math.log(times), 0) / TIMED_LOG_SD ** 2 / weight;
  const sd = Math.hypot(1 / Math.sqrt(weight), NEXT_LOG_SD);
  const hours = (z: number): number => bare_h * Math.exp(log + z * sd);
  const by = SHARES.map((share, i) =>
    caughtByRiffle(s, s.finest_m * (s.coarsest_m / s.finest_m) ** ((2 * i + 1) / 6)).map((c) => share * c),
  );
  const caught = Array.from({ length: s.riffles }, (_, r) => by.reduce((sum, one) => sum + (one[r] ?? 0), 0));
  const all = caught.reduce((sum, c) => sum + c, 0);
  return { hours: { low: hours(-BAND), middle: hours(0), high: hours(BAND) }, byRiffle: caught.map((c) => c / all) };
}
