import { gammaQuantile } from '../maths/gamma.ts';
import { requirePositive, requireWithin } from '../outOfRange.ts';

/** Gold a magnet takes along before any wash: share of all, and how little is known of it. Stated assumptions. */
const [PRIOR_SHARE, PRIOR_SHAPE] = [0.03, 0.7];

/** What a wash of part of the magnetics tells of the gold in all of them. */
export interface Magnetics {
  /** Colors in all of the magnetics: mean, and nine times in ten between the ends. */
  readonly colors: { readonly mean: number; readonly low: number; readonly middle: number; readonly high: number };
  /** Of all gold, what the magnet dragged along. */
  readonly dragged: { readonly low: number; readonly middle: number; readonly high: number };
  /** Not found yet. */
  readonly left: { readonly mean: number; readonly mg: number };
  readonly chanceNoneLeft: number;
}

/**
 * Gold that went off with the magnetite, judged by washing part of it: Poisson counts with a gamma prior (project model).
 * @param colorsElsewhere counted in what stayed, above 0; of weighed gold its effective number
 * @param washedShare of the magnetics that was washed, 0 to 1; @param handRecovery of the one who washed it, 0 to 1
 */
export function magnetics(
  colorsElsewhere: number,
  washedShare: number,
  handRecovery: number,
  found: number,
  meanColor_mg: number,
  prior = { share: PRIOR_SHARE, shape: PRIOR_SHAPE },
): Magnetics {
  requirePositive('colorsElsewhere', colorsElsewhere);
  requireWithin('washedShare', washedShare, 0, 1);
  requireWithin('handRecovery', handRecovery, 0, 1);
  requireWithin('found', found, 0, 1e6);
  const rate0 = (prior.shape * (1 - prior.share)) / (prior.share * colorsElsewhere);
  const seen = washedShare * handRecovery;
  const [shape, rate] = [prior.shape + found, rate0 + seen];
  const at = (share: number): number => gammaQuantile(share, shape) / rate;
  const draggedAt = (share: number): number => at(share) / (at(share) + colorsElsewhere);
  const mean = ((1 - seen) * shape) / rate;
  return {
    colors: { mean: shape / rate, low: at(0.05), middle: at(0.5), high: at(0.95) },
    dragged: { low: draggedAt(0.05), middle: draggedAt(0.5), high: draggedAt(0.95) },
    left: { mean, mg: mean * meanColor_mg },
    chanceNoneLeft: (rate / (rate0 + 1)) ** shape,
  };
}
