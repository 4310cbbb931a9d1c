import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { flakeDisc, type Range } from '../grains/flake.ts';
import { fractionSizes_m } from '../set/cleanSplits.ts';
import { sectionSplit, type BoxSection, type SectionSplit } from './sectionSplit.ts';

/** What one size of gold says of what went over the end. */
export interface SizeLoss {
  /** Between which screens: null below the finest, above the coarsest. */
  readonly over_m: number | null;
  readonly under_m: number | null;
  readonly held_mg: number;
  /** Share of what was fed of it that went over the end: the likeliest, and between what in nine of ten. */
  readonly lost: (Range & { readonly middle: number }) | null;
  /** Why not, where nothing can be told. */
  readonly reason: string;
}
export interface LossBySize {
  /** Coarsest first; sizes of which nothing was found are left out. */
  readonly sizes: readonly SizeLoss[];
  /** Gold that went over the end, of those sizes that tell, mg. */
  readonly lost_mg: (Range & { readonly middle: number }) | null;
  /** Share of the weighed gold that is of sizes that tell. */
  readonly told: number;
}

/** A flake of middling flatness. */
const USUAL_CSF = 0.3;

/**
 * What went over the end by sizes: gold of one fraction is taken at nearly one rate, so its fall from stretch to stretch carries on past the end (`sectionSplit`
 * with `oneSize`). A fraction is not of one size, though: its finest are taken more slowly, as they settle, so the upper end is reckoned at the rate of the
 * finest of the fraction (rate with size: stated assumption) but never above that of the next finer size, and the lower end is never above what holds
 * for any mix.
 * @param screens_m apertures, coarsest first
 * @param cells for each section, from the head, gold by fraction, coarsest first, mg; null where it was not weighed
 * @throws OutOfRange as `sectionSplit` and `fractionSizes_m`
 */
export function lossBySize(
  sections: readonly Omit<BoxSection, 'gold_mg'>[],
  screens_m: readonly number[],
  cells: readonly (readonly (number | null)[])[],
): LossBySize {
  const each = fractionSizes_m(screens_m).flatMap((size_m, f): SizeLoss[] => {
    const between = { over_m: screens_m[f] ?? null, under_m: screens_m[f - 1] ?? null };
    const golds = sections.map((_, i) => cells[i]?.[f] ?? null);
    const held_mg = golds.reduce<number>((sum, mg) => sum + (mg ?? 0), 0);
    if (held_mg === 0) return [];
    const none = (reason: string): SizeLoss[] => [{ ...between, held_mg, lost: null, reason }];
    if (golds.includes(null)) return none('A stretch was not weighed by sizes.');
    const lay = sections.map((s, i) => ({ ...s, gold_mg: golds[i] ?? 0 }));
    const color_mg = flakeDisc(size_m, USUAL_CSF, DENSITY_KG_M3.placerGold).mass_mg;
    const { loss } = sectionSplit(lay, color_mg, { oneSize: true });
    if (loss.kind !== 'estimate') return none(loss.kind === 'none' ? loss.reason : '');
    const finest = (screens_m[f] ?? (screens_m.at(-1) as number) / 2) / size_m;
    return [
      {
        ...between,
        held_mg,
        lost: {
          low: Math.min(loss.band.low, atLeast(sectionSplit(lay, color_mg))),
          middle: loss.lost,
          high: loss.band.high ** finest,
        },
        reason: '',
      },
    ];
  });
  // Coarser gold settles sooner, so no more of it goes than of the next finer: a few coarse pieces alone would leave it wide open.
  const sizes = each.reduceRight<SizeLoss[]>((finer, size) => {
    const most = finer.find((s) => s.lost)?.lost?.high ?? 1;
    const { lost } = size;
    return [
      lost ? { ...size, lost: { ...lost, high: Math.max(lost.middle, Math.min(lost.high, most)) } } : size,
      ...finer,
    ];
  }, []);
  const told = sizes.filter((s) => s.lost !== null);
  const all_mg = sizes.reduce((sum, s) => sum + s.held_mg, 0);
  const lostAt = (end: 'low' | 'middle' | 'high'): number =>
    told.reduce((sum, { held_mg, lost }) => {
      const share = Math.min(0.999, lost?.[end] ?? 0);
      return sum + (held_mg * share) / (1 - share);
    }, 0);
  return {
    sizes,
    lost_mg: told.length > 0 ? { low: lostAt('low'), middle: lostAt('middle'), high: lostAt('high') } : null,
    told: all_mg > 0 ? told.reduce((sum, s) => sum + s.held_mg, 0) / all_mg : 0,
  };
}

const atLeast = ({ loss }: SectionSplit): number => (loss.kind === 'bound' ? loss.atLeast : 0);
