import type { Range } from '../grains/flake.ts';
import { requirePositive } from '../outOfRange.ts';
import type { LossBySize } from './lossBySize.ts';

/** What running the tails through the same box once more would give. */
export interface TailsAgain {
  readonly gold_mg: Range & { readonly middle: number };
  /** Gold an hour of running it, against what new ground gave in the same box. */
  readonly perHour_mg: Range & { readonly middle: number };
  readonly freshPerHour_mg: number;
  /**
   * Hours of digging, carrying and screening for each hour of running from which on the tails pay better than new ground: they lie there dug. No box, standing
   * as it stood, gives as much of its tails as it took of the ground, so without digging new ground always pays better.
   */
  readonly paysFromDigging_h_h: Range & { readonly middle: number };
}

/** What slipped past once slips past more easily again: it is the flatter half of its size. Stated assumption, for the low end. */
const HARDER = 0.5;

/** Below this share of the gold nothing is said of the tails. Stated assumption. */
const MOST_TELLS = 0.8;

/**
 * Is it worth running the tails again? Of each size that went over the end, the box takes at best the share it took the first time. Sizes of which nothing
 * stayed are not in it: this box does not hold them the second time either.
 * @param bySize what each size lost (`lossBySize`)
 * @param running_h hours the gravel took the first time; the tails take as long
 * @returns null where the sizes do not speak for most of the gold, or nothing went over
 * @throws OutOfRange when no time was spent
 */
export function tailsAgain(bySize: LossBySize, running_h: number): TailsAgain | null {
  requirePositive('running_h', running_h);
  if (bySize.told < MOST_TELLS || !bySize.lost_mg) return null;
  const taken = (end: (lost: Range & { readonly middle: number }) => { went: number; caught: number }): number =>
    bySize.sizes.reduce((sum, { held_mg, lost }) => {
      if (!lost) return sum;
      const { went, caught } = end(lost);
      const share = Math.min(0.999, went);
      return sum + ((held_mg * share) / (1 - share)) * caught;
    }, 0);
  const gold_mg = {
    low: taken((l) => ({ went: l.low, caught: HARDER * (1 - l.high) })),
    middle: taken((l) => ({ went: l.middle, caught: ((1 + HARDER) / 2) * (1 - l.middle) })),
    high: taken((l) => ({ went: l.high, caught: 1 - l.low })),
  };
  if (gold_mg.high === 0) return null;
  const fresh_mg = bySize.sizes.reduce((sum, s) => sum + s.held_mg, 0);
  const breaksEven = (again_mg: number): number => Math.max(0, fresh_mg / again_mg - 1);
  return {
    gold_mg,
    perHour_mg: {
      low: gold_mg.low / running_h,
      middle: gold_mg.middle / running_h,
      high: gold_mg.high / running_h,
    },
    freshPerHour_mg: fresh_mg / running_h,
    paysFromDigging_h_h: {
      low: breaksEven(gold_mg.high),
      middle: breaksEven(gold_mg.middle),
      high: breaksEven(gold_mg.low),
    },
  };
}
