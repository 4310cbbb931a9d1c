import { binomialLimits, type ReplayedChance } from '@riffle/core';

/** A fifth of the chances said on this ground: what was said on the mean, how many places, how many of them paid, and the band of that share. */
export interface OwnFifth {
  readonly from: number;
  readonly said: number;
  readonly places: number;
  readonly paid: number;
  readonly low: number;
  readonly high: number;
}

/** The own record in fifths of the chance that was said; fifths nothing was said in are left out. */
export function ownFifths(replayed: readonly ReplayedChance[]): OwnFifth[] {
  return [0, 1, 2, 3, 4].flatMap((fifth): OwnFifth[] => {
    const those = replayed.filter((r) => Math.min(4, Math.floor(r.said * 5)) === fifth);
    if (those.length === 0) return [];
    const paid = those.filter((r) => r.paid).length;
    const { low, high } = binomialLimits(paid, those.length, 0.9);
    const said = those.reduce((sum, r) => sum + r.said, 0) / those.length;
    return [{ from: fifth / 5, said, places: those.length, paid, low, high }];
  });
}

/** Fewer places than this tell nothing of a fifth. Common practice, no source. */
const FEW = 8;

/** The fifth that came true least as said, where luck would seldom do that: its band of nine in ten leaves out what was said. */
export const worstFifth = (fifths: readonly OwnFifth[]): OwnFifth | undefined =>
  fifths
    .filter((f) => f.places >= FEW && (f.said < f.low || f.said > f.high))
    .sort((a, b) => Math.abs(b.said - b.paid / b.places) - Math.abs(a.said - a.paid / a.places))[0];
