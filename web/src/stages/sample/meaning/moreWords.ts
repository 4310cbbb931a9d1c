import { MOST_MORE_PANS, type GroundColors, type PansNeeded, type PansToCome } from '@riffle/core';
import { plural } from '../../../ui/plural.ts';

/** What the pans to come on this ground are like. */
export const pansToCome = (colors: GroundColors, pan_L: number): PansToCome => ({
  pan_L,
  color_mg: colors.luckColor_mg,
  panVariance: colors.panVariance,
});

const timesInTen = (chance: number): string => `${Math.min(10, Math.floor(chance * 10 + 0.05))} times in 10`;

/** How many more pans tell two spots apart. */
export function callWords(needed: PansNeeded, ahead: string, behind: string): string {
  switch (needed.kind) {
    case 'now':
      return `${ahead} beats ${behind} already.`;
    case 'pans':
      return `${plural(needed.pans, 'more pan')} at each would settle it ${timesInTen(needed.chance)}.`;
    case 'never':
    case 'weigh':
      return `${MOST_MORE_PANS} more pans would hardly tell ${ahead} from ${behind}: take the one nearer the water.`;
  }
}

/** How many more pans bring a band within a third, or what would instead. */
export function withinWords(needed: PansNeeded): string {
  switch (needed.kind) {
    case 'now':
      return 'The band is within a third already: pan elsewhere.';
    case 'pans':
      return `${plural(needed.pans, 'more pan')} bring the band within a third, ${timesInTen(needed.chance)}.`;
    case 'weigh':
      return 'No number of pans brings the band within a third while what a color weighs is not known: weigh the gold of a few counted pans.';
    case 'never':
      return `Within a third it will hardly come in ${MOST_MORE_PANS} pans.`;
  }
}
