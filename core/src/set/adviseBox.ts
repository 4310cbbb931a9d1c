import { bisect } from '../maths/bisect.ts';
import type { GoldSize } from './catchAlong.ts';
import { solveBox, type BoxAnswer, type BoxSetting } from './solveBox.ts';
import { freshWater } from '../grains/water.ts';

/** The change that would most help, with what it would do. Slopes are drop over length; lifts are of the head. */
export type BoxAdvice =
  | { readonly kind: 'lift' | 'lower'; readonly head_m: number; readonly slope: number; readonly after: BoxAnswer }
  | { readonly kind: 'screen'; readonly stone_m: number; readonly after: BoxAnswer }
  | { readonly kind: 'good'; readonly after: BoxAnswer };

/** Steepest pitch advised, and the catch below which a setting counts as washing out. Common practice, no source. */
const STEEPEST_ADVISED = 0.125;
const WASHES_OUT_BELOW = 0.5;
/** Stones should clear with a tenth to spare. */
const SPARE = 1.1;

/**
 * What to change and by how much, with the flow the creek gives held fixed (lifting the head makes the water thinner and faster).
 * Stalling is mended by pitch when a pitch up to 1.5 in/ft does it and the box still holds the gold of `watch`,
 * else by a finer screen. A box far steeper than its stones need is lowered, since fine gold pays for every extra degree.
 * `watch` is the size the catch is judged by.
 */
export function adviseBox(setting: BoxSetting, gold: readonly GoldSize[], watch: GoldSize): BoxAdvice {
  const water = freshWater(setting.temperature_C);
  const now = solveBox(setting, gold, water);
  const flow_m3_s = now.flow.flow_m3_s;
  const at = (slope: number): BoxSetting => ({ ...setting, slope, water: { known: 'flow', flow_m3_s } });
  const solve = (slope: number): BoxAnswer => solveBox(at(slope), gold, water);
  const holds = (answer: BoxAnswer): number => answer.caught.find((c) => c.size_m === watch.size_m)?.share.low ?? 0;

  const clearingSlope = bisect(
    (slope) => solveBox(at(slope), [], water).largestStone_m - SPARE * setting.stone_m,
    0.003,
    0.4,
  );
  const move = (kind: 'lift' | 'lower', slope: number): BoxAdvice => ({
    kind,
    slope,
    head_m: (slope - setting.slope) * setting.length_m,
    after: solve(slope),
  });

  if (!now.clears) {
    if (clearingSlope <= STEEPEST_ADVISED) {
      const lifted = move('lift', clearingSlope);
      if (holds(lifted.after) >= WASHES_OUT_BELOW) return lifted;
    }
    const stone_m = now.largestStone_m / SPARE;
    return { kind: 'screen', stone_m, after: solveBox({ ...setting, stone_m }, gold, water) };
  }
  if (clearingSlope < 0.8 * setting.slope) {
    const lowered = move('lower', clearingSlope);
    if (holds(lowered.after) > holds(now) + 0.02) return lowered;
  }
  return { kind: 'good', after: now };
}
