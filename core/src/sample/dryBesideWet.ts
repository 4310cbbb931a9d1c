import { handsRecovery, type Recovery } from './handsRecovery.ts';
import type { PannerSeeding } from './handsOf.ts';

/** What the same hands keep dry, beside what they keep in water. */
export interface DryBesideWet {
  readonly panner: string;
  readonly dry: Recovery;
  readonly wet: Recovery;
  /** Of a color found in water so much is found dry, with its band. */
  readonly ratio: { readonly low: number; readonly middle: number; readonly high: number };
}

/**
 * Of each panner who practised both ways, what dry panning keeps beside wet; nobody else is judged by them. The two bands are independent and combine
 * as ratios do, half-widths in logarithms added in quadrature. Source: the delta method, as `correctForHands`.
 */
export function dryBesideWet(seedings: readonly PannerSeeding[]): DryBesideWet[] {
  return [...new Set(seedings.map((s) => s.panner))].sort().flatMap((panner): DryBesideWet[] => {
    const of = (way: 'wet' | 'dry'): Recovery | null =>
      handsRecovery(seedings.filter((s) => s.panner === panner && (s.way ?? 'wet') === way));
    const [dry, wet] = [of('dry'), of('wet')];
    if (!dry || !wet || dry.share === 0 || wet.share === 0 || panner === '') return [];
    const middle = dry.share / wet.share;
    const apart = (a: number, b: number): number => Math.hypot(Math.log(a), Math.log(b));
    return [
      {
        panner,
        dry,
        wet,
        ratio: {
          low: middle * Math.exp(-apart(dry.share / Math.max(dry.low, 1e-6), wet.high / wet.share)),
          middle,
          high: middle * Math.exp(apart(dry.high / dry.share, wet.share / Math.max(wet.low, 1e-6))),
        },
      },
    ];
  });
}
