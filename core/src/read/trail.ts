import { sternberg } from './sternberg.ts';
import type { Trace } from './trace.ts';
import type { RankingRules } from './worthAPan.ts';

/** A sign as far as the trail of float goes. */
export interface FloatSign {
  readonly kind: string;
  readonly distance_m: number;
  readonly size_mm: number | null;
}
export interface FloatStone {
  /** Downstream positive. */
  readonly downstream_m: number;
  readonly size_mm: number;
  readonly stained: boolean;
}

/** Stones with their sizes. */
export const floatStones = (signs: readonly FloatSign[]): FloatStone[] =>
  signs.flatMap((s) =>
    (s.kind === 'float' || s.kind === 'stained float') && s.size_mm !== null
      ? [{ downstream_m: -s.distance_m, size_mm: s.size_mm, stained: s.kind === 'stained float' }]
      : [],
  );

/** Float grows upstream beyond doubt: three places or more, and the whole band of its rate on one side. */
export function floatGrows(signs: readonly FloatSign[]): boolean {
  const stones = floatStones(signs);
  return new Set(stones.map((s) => s.downstream_m)).size >= 3 && sternberg(stones).alphaBand.low > 0;
}

/** A break less sure than this says nothing in a ranking. Common practice, no source. */
const LEAST_CERTAINTY = 0.3;

/** What the trail of colors and float has to say in a ranking. Nothing below a fair certainty. */
export function trailOf(trace: Trace, signs: readonly FloatSign[]): Pick<RankingRules, 'trail' | 'float'> {
  const largest = floatGrows(signs) ? floatStones(signs).sort((a, b) => b.size_mm - a.size_mm)[0] : undefined;
  return {
    trail:
      trace.kind === 'break' && trace.certainty > LEAST_CERTAINTY
        ? { from_m: trace.below.distance_m, to_m: trace.above.distance_m, certainty: trace.certainty }
        : null,
    float: largest ? { largest_m: -largest.downstream_m } : null,
  };
}
