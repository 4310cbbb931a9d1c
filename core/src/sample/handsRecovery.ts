import { OutOfRange } from '../outOfRange.ts';
import { binomialLimits } from './binomialLimits.ts';

/** A practice pan: known grains put in, some of them found again. */
export interface Seeding {
  readonly putIn: number;
  readonly cameBack: number;
}

/** Share of colors a panner keeps, with its band. */
export interface Recovery {
  readonly share: number;
  readonly low: number;
  readonly high: number;
  readonly putIn: number;
  readonly cameBack: number;
}

/**
 * What a panner keeps, from all practice pans together; the band is Clopper and Pearson's. Null without any.
 * @throws OutOfRange when more came back than went in: one was there before, or was counted twice
 */
export function handsRecovery(seedings: readonly Seeding[], confidence?: number): Recovery | null {
  for (const s of seedings)
    if (s.cameBack > s.putIn) throw new OutOfRange('cameBack', s.cameBack, `at most the ${s.putIn} put in`);
  const putIn = seedings.reduce((sum, s) => sum + s.putIn, 0);
  const cameBack = seedings.reduce((sum, s) => sum + s.cameBack, 0);
  return putIn === 0
    ? null
    : { share: cameBack / putIn, ...binomialLimits(cameBack, putIn, confidence), putIn, cameBack };
}

/** A grade with its band, mg/L. */
export interface GradeBand {
  readonly grade_mg_L: number;
  readonly low_mg_L: number;
  readonly high_mg_L: number;
}

/**
 * A panned grade as the ground has it: over the share the panner keeps. The two bands are independent and combine as ratios do,
 * their half-widths in logarithms added in quadrature. Source: the delta method (first order); Riffle's own use.
 * @throws OutOfRange when nothing came back, so that no grade can be inferred
 */
export function correctForHands(band: GradeBand, hands: Recovery): GradeBand {
  if (!(hands.share > 0))
    throw new OutOfRange('share', hands.share, 'more than 0: a pan that keeps nothing measures nothing');
  const together = (a: number, b: number): number => Math.hypot(Math.log(a), Math.log(b));
  const grade_mg_L = band.grade_mg_L / hands.share;
  return {
    grade_mg_L,
    low_mg_L: grade_mg_L * Math.exp(-together(band.grade_mg_L / band.low_mg_L, hands.high / hands.share)),
    high_mg_L: grade_mg_L * Math.exp(together(band.high_mg_L / band.grade_mg_L, hands.share / hands.low)),
  };
}
