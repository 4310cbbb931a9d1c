/**
 * What a handful of screened feed does when it is squeezed, and the moisture that goes with it, percent by weight. Dusts and
 * runs through the fingers; cool and dark but no ball; a ball that falls apart; a ball that holds. Stated assumptions.
 */
export const SQUEEZES_PERCENT = { dusts: 0.2, cool: 0.8, 'falls apart': 2, holds: 4 } as const;
export type Squeeze = keyof typeof SQUEEZES_PERCENT;
