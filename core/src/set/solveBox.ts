import { flakeSettling_m_s, USUAL_CSF, type Range } from '../grains/flake.ts';
import { freshWater, type Water } from '../grains/water.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import { catchRate_per_m, caughtTo, type GoldSize } from './catchAlong.ts';
import { carriedGravel_m3_s, SOLID_SHARE_LOOSE, STEEP_SLOPE } from './feed.ts';
import { LININGS, type LiningId } from './linings.ts';
import { flowAtDepth, flowAtRate, type UniformFlow } from './manning.ts';
import { largestStone_m } from './stones.ts';

/** The box as built. */
export interface Box {
  readonly width_m: number;
  readonly length_m: number;
  readonly lining: LiningId;
}

/** A box set in water. Either the depth over the lining or the flow is known. */
export interface BoxSetting extends Box {
  readonly slope: number;
  readonly water:
    { readonly known: 'depth'; readonly depth_m: number } | { readonly known: 'flow'; readonly flow_m3_s: number };
  /** Largest stone fed: the screen used. */
  readonly stone_m: number;
  readonly temperature_C: number;
  /** Loose gravel fed, m3/s; left out, the box is fed just what the water carries. */
  readonly feed_m3_s?: number;
}

/** What a setting does. */
export interface BoxAnswer {
  readonly flow: UniformFlow;
  readonly largestStone_m: number;
  readonly clears: boolean;
  /** Loose gravel the flow carries, m3/s; 0 when the feed stalls. */
  readonly carried_m3_s: number;
  readonly feedShare: number;
  readonly caught: readonly { readonly size_m: number; readonly rate_per_m: Range; readonly share: Range }[];
  readonly warnings: readonly string[];
}

/** Gold sizes drawn on every box, m. */
export const GOLD_SIZES_M = [0.0001, 0.0002, 0.0005, 0.001, 0.002, 0.005] as const;

/** The size that stands for gravel screened at `stone_m`: half the screen. Common practice, no source. */
export const typicalStone_m = (stone_m: number): number => stone_m / 2;

/** Settling ranges of gold sizes in that water; do it once, then solve many settings. */
export function goldSizes(
  temperature_C: number,
  csf = USUAL_CSF,
  sizes_m: readonly number[] = GOLD_SIZES_M,
): GoldSize[] {
  const water = freshWater(temperature_C);
  return sizes_m.map((size_m) => ({ size_m, settling_m_s: flakeSettling_m_s(size_m, csf, water) }));
}

/**
 * Flow, stones, feed and catch of one setting. Ranges in `caught` span the two settling laws.
 * @throws OutOfRange for sizes outside what a hand-carried box can be (width 0.05-2 m, length 0.2-10 m, slope 0.2-40 %)
 */
export function solveBox(
  setting: BoxSetting,
  gold: readonly GoldSize[],
  waterAt: Water = freshWater(setting.temperature_C),
): BoxAnswer {
  requireWithin('width_m', setting.width_m, 0.05, 2, 'm');
  requireWithin('length_m', setting.length_m, 0.2, 10, 'm');
  requireWithin('slope', setting.slope, 0.002, 0.4);
  requirePositive('stone_m', setting.stone_m, 'm');
  const lining = LININGS[setting.lining];
  const channel = { width_m: setting.width_m, manningN: lining.manningN, slope: setting.slope };
  const flow =
    setting.water.known === 'depth'
      ? flowAtDepth(channel, setting.water.depth_m)
      : flowAtRate(channel, setting.water.flow_m3_s);

  const largest_m = largestStone_m(flow.shear_Pa, waterAt);
  const carried_m3_s = carriedGravel_m3_s(
    flow,
    setting.slope,
    setting.width_m,
    typicalStone_m(setting.stone_m),
    waterAt,
  );
  const feed_m3_s = setting.feed_m3_s ?? carried_m3_s;
  const feedShare = carried_m3_s > 0 ? feed_m3_s / carried_m3_s : feed_m3_s > 0 ? Infinity : 0;
  const moving_m3_s = Math.min(feed_m3_s, carried_m3_s) * SOLID_SHARE_LOOSE;
  const loading = {
    concentration: moving_m3_s / (moving_m3_s + flow.flow_m3_s),
    feedShare: Math.min(feedShare, 1e6),
    kinematicViscosity_m2_s: waterAt.kinematicViscosity_m2_s,
  };
  const caught = gold.map((g) => {
    const rate_per_m = catchRate_per_m(g, flow, lining, loading);
    return { size_m: g.size_m, rate_per_m, share: caughtTo(rate_per_m, setting.length_m) };
  });

  const warnings: string[] = [];
  if (setting.slope > 0.2) warnings.push('Steeper than 20 %: outside the data of the feed formula.');
  if (setting.slope < STEEP_SLOPE) warnings.push('Flatter than 3 %: the feed comes from the flat-bed formula.');
  if (largest_m > flow.depth_m) warnings.push('Stones taller than the water are outside the stone formula.');
  if (flow.depth_m < 0.005) warnings.push('Less than 5 mm of water: roughness figures do not hold.');
  return {
    flow,
    largestStone_m: largest_m,
    clears: largest_m >= setting.stone_m,
    carried_m3_s,
    feedShare,
    caught,
    warnings,
  };
}
