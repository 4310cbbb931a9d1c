import { COLOR_CLASSES, addCounts, type ColorClass, type ColorCounts, type ColorWeights } from './colorWeights.ts';
import { handsRecovery, type Recovery } from './handsRecovery.ts';

/** A practice pan: whose, worked in water or dry, how many grains went in and came back. */
export interface PannerSeeding {
  readonly panner: string;
  /** Left out: in water. Dry hands are hands of their own. */
  readonly way?: 'wet' | 'dry';
  readonly putIn: number;
  readonly cameBack: number;
}

/** Whose hands, and in water or dry: what a recovery is told of. */
const handsKey = ({ panner, way }: { readonly panner: string; readonly way?: string }): string =>
  panner !== '' && way === 'dry' ? `${panner}, dry` : panner;

/** What each panner keeps, from their practice pans, dry ones apart; in order of name. */
export function handsOf(seedings: readonly PannerSeeding[]): { panner: string; recovery: Recovery }[] {
  const panners = [...new Set(seedings.map(handsKey))].sort();
  return panners.flatMap((panner) => {
    const recovery = handsRecovery(seedings.filter((s) => handsKey(s) === panner));
    return recovery ? [{ panner, recovery }] : [];
  });
}

/** A practice pan with the size of its grains. */
export interface SizedSeeding extends PannerSeeding {
  readonly size: ColorClass;
}

/** Fewer grains of a size than this say nothing of it alone. */
const FEWEST_GRAINS = 10;

/**
 * What the panners of some pans keep of gold as it lies in those pans: their practice by size, weighed by where the pans' gold sits. Specks wash over
 * the lip where pickers stay, so that grains of one size say nothing sure of another: null where a panner never seeded the sizes that hold nine
 * tenths of the gold. A size finer than any that was seeded is never judged by coarser ones.
 * The band: variances of the shares add up by the square of their weights. Lead is lighter than gold: what comes back of it is the least gold would.
 */
export function handsForSizes(
  pans: readonly { readonly panner: string; readonly way?: string; readonly counts: ColorCounts }[],
  seedings: readonly SizedSeeding[],
  weights_mg: ColorWeights,
): Recovery | null {
  const panners = [...new Set(pans.map(handsKey))];
  if (panners.includes('')) return null;
  const counts = addCounts(pans.map((p) => p.counts));
  // Coarse pieces are seldom lost; what they weigh is not known, so they count as the heaviest of the class below.
  const gold = COLOR_CLASSES.map((size) => ({
    size,
    mg: counts[size] * (size === '+10' ? weights_mg['10-20'] : weights_mg[size]),
  }));
  const all = gold.reduce((sum, g) => sum + g.mg, 0);
  const held = gold.flatMap(({ size, mg }) => {
    const share = all > 0 ? mg / all : size === '-40' ? 1 : 0;
    if (share === 0) return [];
    const of = panners.map((panner) =>
      handsRecovery(seedings.filter((s) => handsKey(s) === panner && s.size === size)),
    );
    const tried = of.flatMap((r) => (r && r.putIn >= FEWEST_GRAINS ? [r] : []));
    return tried.length < panners.length ? [] : [{ share, tried }];
  });
  const known = held.reduce((sum, h) => sum + h.share, 0);
  if (!(known >= 0.9)) return null;
  const mean = (of: (r: Recovery) => number): number =>
    held.reduce((sum, h) => sum + (h.share / known) * (h.tried.reduce((s, r) => s + of(r), 0) / h.tried.length), 0);
  const share = mean((r) => r.share);
  const half = (of: (r: Recovery) => number): number =>
    Math.sqrt(
      held.reduce(
        (sum, h) => sum + (h.share / known) ** 2 * h.tried.reduce((s, r) => s + (of(r) / h.tried.length) ** 2, 0),
        0,
      ),
    );
  const total = (of: (r: Recovery) => number): number =>
    held.reduce((sum, h) => sum + h.tried.reduce((s, r) => s + of(r), 0), 0);
  return {
    share,
    low: Math.max(0, share - half((r) => r.share - r.low)),
    high: Math.min(1, share + half((r) => r.high - r.share)),
    putIn: total((r) => r.putIn),
    cameBack: total((r) => r.cameBack),
  };
}
