import { gammaCdf, gammaQuantile } from '../maths/gamma.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';
import type { Spread } from '../set/weighBox.ts';

/** A heap of which part was washed: black sand left over, magnetics, tailings. */
export interface WashedHeap {
  /** Of the heap, 0 to 1. */
  readonly washedShare: number;
  readonly found: number;
  readonly meanColor_mg: number;
  /** To wash the rest. */
  readonly hours: number;
  readonly price_per_mg: number;
  readonly hourValue: number;
}
export interface GoOn {
  /** Gold one would find in the rest, mg. */
  readonly gold_mg: Spread;
  readonly worth: Spread;
  readonly cost: number;
  readonly pays: number;
  readonly say: 'go on' | 'stop' | 'wash some more first';
}

/** What is known of a heap before any of it is washed: half a color (Jeffreys 1946 for a Poisson count). */
const PRIOR_SHAPE = 0.5;
/** Sure enough to say it. */
const SURE = 0.8;

/**
 * Whether the rest of a heap pays to wash, by what part of it gave: colors are Poisson, evenly through the heap (stated
 * assumption: it was stirred), and the same hands find as large a share of the rest.
 * @throws OutOfRange for shares outside 0 to 1, or where nothing was washed
 */
export function goOn({ washedShare, found, meanColor_mg, hours, price_per_mg, hourValue }: WashedHeap): GoOn {
  requireWithin('washedShare', washedShare, 0.001, 0.999);
  requireWithin('found', found, 0, 1e6);
  requirePositive('meanColor_mg', meanColor_mg, 'mg');
  requirePositive('hours', hours, 'h');
  // Colors found of the rest go with those found of the part as the parts do.
  const scale_mg = ((1 - washedShare) / washedShare) * meanColor_mg;
  const at = (share: number): number => gammaQuantile(share, found + PRIOR_SHAPE) * scale_mg;
  const gold_mg = { low: at(0.05), middle: at(0.5), high: at(0.95) };
  const cost = hours * hourValue;
  const pays = price_per_mg > 0 ? 1 - gammaCdf(cost / price_per_mg / scale_mg, found + PRIOR_SHAPE) : 0;
  return {
    gold_mg,
    worth: {
      low: gold_mg.low * price_per_mg,
      middle: gold_mg.middle * price_per_mg,
      high: gold_mg.high * price_per_mg,
    },
    cost,
    pays,
    say: pays >= SURE ? 'go on' : pays <= 1 - SURE ? 'stop' : 'wash some more first',
  };
}
