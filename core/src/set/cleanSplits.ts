import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { flakeDisc } from '../grains/flake.ts';
import { OutOfRange, requirePositive } from '../outOfRange.ts';

/** A stretch of a box, from its head, and the gold found in it. */
export interface FoundStretch {
  readonly from_m: number;
  readonly to_m: number;
  readonly gold_mg: number;
}

/** Gold of one size as it lay over the stretches, mg; null where that was not weighed. */
export interface FoundOfSize {
  readonly size_m: number;
  readonly gold_mg: readonly (number | null)[];
}

/**
 * The size that stands for each fraction between screens, coarsest first, m: the middle of its ends in logarithms; above the coarsest and below the finest
 * screen the ends are taken a factor of two apart. Stated assumption.
 * @param screens_m apertures, coarsest first; none: no fraction
 * @throws OutOfRange for screens that do not become finer
 */
export function fractionSizes_m(screens_m: readonly number[]): number[] {
  screens_m.forEach((d, i) => {
    requirePositive('screens_m', d, 'm');
    const above = screens_m[i - 1];
    if (above !== undefined && d >= above)
      throw new OutOfRange('screens_m', d, `finer than the one above (${above} m)`);
  });
  const [coarsest, finest] = [screens_m[0], screens_m.at(-1)];
  if (coarsest === undefined || finest === undefined) return [];
  return [2 * coarsest, ...screens_m, finest / 2]
    .slice(1)
    .map((d, i) => Math.sqrt(d * ([2 * coarsest, ...screens_m][i] as number)));
}

/** What lay in a box, stretch by stretch. */
export interface CleanUpFound {
  readonly stretches: readonly FoundStretch[];
  /** Weight of the color whose luck the gold has. */
  readonly luck_mg: number;
  /** The same gold by sizes, where it was screened: says how the catch goes with size, and speaks in place of the weights. */
  readonly bySize?: readonly FoundOfSize[];
  /** Colors counted in each stretch, where no sizes were weighed: they speak in place of the weights. */
  readonly colors?: readonly number[] | null;
}

/** A split by hand tells no more than so many pieces would: cuts are a finger wide and mats drip as they are lifted. Stated assumption. */
const MOST_PIECES = 150;
/** 95 % of chi-square, within 0.3 % (Wilson & Hilferty 1931, Proc. Natl. Acad. Sci. 17, 684-688; one degree: exact). */
const chi2_95 = (freedom: number): number =>
  freedom <= 1 ? 3.841 : freedom * (1 - 2 / (9 * freedom) + 1.6449 * Math.sqrt(2 / (9 * freedom))) ** 3;

/** The sizes that show how gold thins out: those weighed in two stretches at least. */
export function sizesIn({ bySize }: Pick<CleanUpFound, 'bySize'>): readonly FoundOfSize[] | null {
  const told = bySize?.filter((f) => f.gold_mg.filter((mg) => mg !== null).length > 1) ?? [];
  return told.length > 0 ? told : null;
}

/** How much lay in each stretch, in shares (null: not known), and as how many independent pieces that speaks. */
export interface Split {
  readonly shares: readonly (number | null)[];
  readonly pieces: number;
}
const splitOf = (amounts: readonly (number | null)[], perPiece: number): Split => {
  const all = amounts.reduce<number>((sum, a) => sum + (a ?? 0), 0);
  const pieces = all / perPiece;
  return {
    shares: amounts.map((a) => (a === null || all === 0 ? null : a / all)),
    pieces: pieces > 0 ? 1 / (1 / pieces + 1 / MOST_PIECES) : 0,
  };
};
/** What a clean-up tells of: each size on its own, the colors counted, or all that was weighed. */
export function splitsOf(e: CleanUpFound): readonly Split[] {
  const sizes = sizesIn(e);
  // A flake of middling flatness stands for all of its size.
  if (sizes) return sizes.map((f) => splitOf(f.gold_mg, flakeDisc(f.size_m, 0.3, DENSITY_KG_M3.placerGold).mass_mg));
  return e.colors
    ? [splitOf(e.colors, 1)]
    : [
        splitOf(
          e.stretches.map((s) => s.gold_mg),
          e.luck_mg,
        ),
      ];
}

/** How likely a split is where so much is held in each stretch: multinomial, given what was caught where it was weighed. */
export function splitLog({ shares, pieces }: Split, there: readonly number[]): number {
  const caught = there.reduce((sum, t, i) => (shares[i] === null ? sum : sum + t), 0);
  return shares.reduce<number>(
    (sum, share, i) =>
      share === null || share === 0
        ? sum
        : sum + pieces * share * Math.log(Math.max(1e-12, (there[i] ?? 0) / Math.max(1e-12, caught))),
    0,
  );
}

/** Whether some draw, at some scale of the catch, would show such splits: likelihood ratio against the splits themselves. */
export function canShow(splits: readonly Split[], grids: readonly (readonly number[])[]): boolean {
  const known = splits.map((s) => s.shares.filter((share) => share !== null));
  const freedom = known.reduce((sum, of) => sum + Math.max(0, of.length - 1), 0) - Math.min(2, splits.length);
  if (freedom < 1) return true;
  const itself = splits.reduce(
    (sum, { pieces }, f) =>
      (known[f] ?? []).reduce((log, share) => (share > 0 ? log + pieces * share * Math.log(share) : log), sum),
    0,
  );
  const best = grids.reduce((most, grid) => Math.max(most, ...grid), -Infinity);
  return 2 * (itself - best) <= chi2_95(freedom);
}
