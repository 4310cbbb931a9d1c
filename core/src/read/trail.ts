import type { Mouth } from './mouths.ts';
import { sourceAbove, sternberg } from './sternberg.ts';
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

/** Size in which quartz is taken to leave its vein. Common practice, no source: blocks of a hand or two. */
export const LEAVES_VEIN_MM = 250;
/** A draw this near the largest stone may have brought it. Common practice, no source. */
const BESIDE_STONE_M = 60;

/** Where the float of a creek points, as far as its stones tell. */
export type FloatTrend =
  | { readonly kind: 'too few' }
  | { readonly kind: 'no trend' }
  | {
      readonly kind: 'grows';
      /** Where the largest stone lies, and how far up stones double in size. */
      readonly largest_m: number;
      readonly doubles_m: number;
      /** How far above it such stones leave the vein; null where the largest is as large as that. `high_m` may be infinite. */
      readonly above: { readonly low_m: number; readonly high_m: number } | null;
      /** A draw that joins beside the largest stone: the stones may have come out of it, so it comes before anything above. */
      readonly draw: Mouth | null;
      /** The source lies past the upper end of the line, if it lies on this creek. */
      readonly beyondTheLine: boolean;
    };

/** Reads the float: only stones that grow upstream beyond doubt point anywhere. */
export function floatTrend(signs: readonly FloatSign[], mouths: readonly Mouth[], length_m: number): FloatTrend {
  const stones = floatStones(signs);
  if (new Set(stones.map((s) => s.downstream_m)).size < 3) return { kind: 'too few' };
  if (!floatGrows(signs)) return { kind: 'no trend' };
  const fit = sternberg(stones);
  const largest = stones.reduce((a, b) => (b.size_mm > a.size_mm ? b : a));
  const largest_m = -largest.downstream_m;
  const above = largest.size_mm < LEAVES_VEIN_MM ? sourceAbove(fit, largest.size_mm, LEAVES_VEIN_MM) : null;
  const draw = mouths
    .filter((m) => Math.abs(m.distance_m - largest_m) <= BESIDE_STONE_M)
    .sort((a, b) => Math.abs(a.distance_m - largest_m) - Math.abs(b.distance_m - largest_m))[0];
  return {
    kind: 'grows',
    largest_m,
    doubles_m: Math.LN2 / fit.alpha_per_m,
    above: above && { low_m: above.low_m, high_m: above.high_m },
    draw: draw ?? null,
    beyondTheLine: above !== null && largest_m + above.low_m > length_m,
  };
}

/** What the trail of colors and float has to say in a ranking. */
export function trailOf(trace: Trace, signs: readonly FloatSign[]): Pick<RankingRules, 'trail' | 'float'> {
  const largest = floatGrows(signs) ? floatStones(signs).sort((a, b) => b.size_mm - a.size_mm)[0] : undefined;
  return {
    trail:
      trace.kind === 'break'
        ? { from_m: trace.below.distance_m, to_m: trace.above.distance_m, certainty: trace.certainty }
        : null,
    float: largest ? { largest_m: -largest.downstream_m } : null,
  };
}
