import { DENSITY_KG_M3 } from '../grains/constants.ts';
import type { Lining } from './linings.ts';
import { hiddenShear_Pa } from './stonesClear.ts';

/** Stones knock gold loose: by so much for a load of one and a stone as large as the shelter is high. Stated assumption. */
export const KNOCKING = 0.1;

/** What stands against a grain staying where it settled. */
export interface Washing {
  readonly bedShear_Pa: number;
  /** Feed over capacity: from 1 on riffles pack. */
  readonly load: number;
  readonly stone_m: number;
}

/**
 * Chance that a grain which settles on the lining stays: scale keep [1/(1+(tau/tau_g)^3)] [1/(1+load^4)] [1/(1+0.1 load (stone/H)^2)] - shear, packing,
 * stones. tau_g is the gold's own threshold, hidden below the shelter height H. Riffle's own model after Krone (1962); all of it stated assumption.
 */
export function chanceToStay(
  size_m: number,
  lining: Pick<Lining, 'keep' | 'shelter_m'>,
  { bedShear_Pa, load, stone_m }: Washing,
  { referenceShields, catchScale }: { readonly referenceShields: number; readonly catchScale: number },
  density_kg_m3: number = DENSITY_KG_M3.placerGold,
): number {
  const threshold_Pa = hiddenShear_Pa(size_m, lining.shelter_m, referenceShields, density_kg_m3);
  return (
    (catchScale * lining.keep) /
    ((1 + (bedShear_Pa / threshold_Pa) ** 3) *
      (1 + load ** 4) *
      (1 + KNOCKING * load * (stone_m / lining.shelter_m) ** 2))
  );
}

/** Rate at which a lining takes a size, per metre: the share staying, times settling over flow per width. */
export const catchRate_per_m = (stays: number, settling_m_s: number, flowPerWidth_m2_s: number): number =>
  (stays * settling_m_s) / flowPerWidth_m2_s;

/** Share of what arrives that is caught down to x metres of one lining: 1 - exp(-k x). */
export const caughtTo = (rate_per_m: number, x_m: number): number => -Math.expm1(-rate_per_m * x_m);

/** Shares of one size caught in each section of a box, and what passes its end; they sum to 1. */
export function caughtBySection(sections: readonly { readonly rate_per_m: number; readonly length_m: number }[]): {
  readonly caught: readonly number[];
  readonly passed: number;
} {
  let arriving = 1;
  const caught = sections.map(({ rate_per_m, length_m }) => {
    const here = arriving * caughtTo(rate_per_m, length_m);
    arriving -= here;
    return here;
  });
  return { caught, passed: arriving };
}
