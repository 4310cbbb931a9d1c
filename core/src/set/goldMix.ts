import { flakeDisc } from '../grains/flake.ts';
import { DENSITY_KG_M3 } from '../grains/constants.ts';
import { dietrich_m_s } from '../grains/dietrich.ts';
import { haiderLevenspiel_m_s } from '../grains/haiderLevenspiel.ts';
import { richardsonZakiExponent } from '../grains/richardsonZaki.ts';
import type { Water } from '../grains/water.ts';
import { countColors, type ColorCounts } from '../sample/colorWeights.ts';
import { goldSizes } from '../sample/goldSizes.ts';
import type { BoxParameters } from './boxParameters.ts';

/** Gold of one size and its share of all gold by weight. */
export interface GoldShare {
  readonly size_m: number;
  readonly share: number;
}

/** Gold as most creeks have it, where nobody weighed it by size. Stated assumption. */
export const USUAL_MIX: readonly GoldShare[] = [
  { size_m: 0.0001, share: 0.1 },
  { size_m: 0.0002, share: 0.25 },
  { size_m: 0.0005, share: 0.3 },
  { size_m: 0.001, share: 0.2 },
  { size_m: 0.002, share: 0.15 },
];

/** Between the sizes of the mix, mm. */
const EDGES_MM = [0, 0.14, 0.32, 0.7, 1.4] as const;
/** Fewer colors than this say nothing of the mix. Common practice, no source. */
const ENOUGH_COLORS = 20;

/** The mix of a ground by the colors counted on it; the usual one before twenty were. Gold too fine to be seen is in no count. */
export function mixOf(counts: ColorCounts): readonly GoldShare[] {
  if (countColors(counts) < ENOUGH_COLORS) return USUAL_MIX;
  const { above, all_mg } = goldSizes(counts);
  return USUAL_MIX.map(({ size_m }, i) => {
    const [from, to] = [EDGES_MM[i] ?? 0, EDGES_MM[i + 1]];
    return { size_m, share: (above(from).mg - (to === undefined ? 0 : above(to).mg)) / all_mg };
  });
}

/** A size whose share and catch tilt neither way. */
export const TILT_AT_M = 0.0005;

/** Shares of a mix as one draw has them; they sum to 1. */
export function drawnShares(gold: readonly GoldShare[], { mixTilt }: Pick<BoxParameters, 'mixTilt'>): number[] {
  const tilted = gold.map((g) => g.share * (g.size_m / TILT_AT_M) ** mixTilt);
  const all = tilted.reduce((a, b) => a + b, 0);
  return tilted.map((t) => t / all);
}

/** How one size settles in one draw. */
export interface Settling {
  readonly alone_m_s: number;
  /** Exponent by which a crowd slows it (Richardson & Zaki). */
  readonly crowding: number;
}

const POWERS = 3.5;

/** Flakes settle between the two published laws that disagree on them: Dietrich^(1-u) Haider-Levenspiel^u. */
export function flakeSettles(
  size_m: number,
  { csf, settlingMix }: Pick<BoxParameters, 'csf' | 'settlingMix'>,
  water: Water,
): Settling {
  const { nominalDiameter_m, sphericity } = flakeDisc(size_m, csf);
  const alone_m_s =
    dietrich_m_s(nominalDiameter_m, csf, POWERS, DENSITY_KG_M3.placerGold, water) ** (1 - settlingMix) *
    haiderLevenspiel_m_s(nominalDiameter_m, sphericity, DENSITY_KG_M3.placerGold, water) ** settlingMix;
  return { alone_m_s, crowding: richardsonZakiExponent((alone_m_s * size_m) / water.kinematicViscosity_m2_s) };
}
