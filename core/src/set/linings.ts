import { requireWithin } from '../outOfRange.ts';

/** What stands in the floor of a box. All figures are priors with a spread (`boxParameters.ts`) until a box is measured by its own clean-ups. */
export interface Lining {
  readonly name: string;
  /** Roughness length of the lined floor, m: fitted to how deep practised boxes run. */
  readonly roughness_m: number;
  /** Share of the grains settling on the lining that it keeps while it is open. Stated assumption. */
  readonly keep: number;
  /** Height below which gold is sheltered from the water, m, the open pile included. Stated assumption. */
  readonly shelter_m: number;
  /** Black sand it holds before it is full, kg/m2. Stated assumption. */
  readonly holds_kg_m2: number;
  /** What it is for, in a few words. Common practice, no source. */
  readonly goodFor: string;
}

/**
 * Common practice, no source; figures of the project's own model. On black sand the trade is of two minds: one school takes deep traps that hold much of
 * it and cleans up twice a day, the other shallow mats that shed it and cleans up often; both are here, and how long each lasts is worked out.
 */
export const LININGS = {
  riffles: {
    name: 'raised riffles on carpet',
    roughness_m: 0.0075,
    keep: 0.5,
    shelter_m: 0.012,
    holds_kg_m2: 6,
    goodFor: 'Coarse gold and much black sand; holds a whole day. Fine flakes need the carpet under it.',
  },
  expanded: {
    name: 'expanded metal on carpet',
    roughness_m: 0.0058,
    keep: 0.7,
    shelter_m: 0.018,
    holds_kg_m2: 4,
    goodFor: 'Fine gold; the usual choice behind a coarse section. Slow to clean.',
  },
  cells: {
    name: 'vortex-cell mat',
    roughness_m: 0.0044,
    keep: 0.6,
    shelter_m: 0.008,
    holds_kg_m2: 4,
    goodFor: 'Fine to medium gold; sheds light sand, is rinsed in a minute.',
  },
  ribbed: {
    name: 'ribbed rubber mat',
    roughness_m: 0.0026,
    keep: 0.4,
    shelter_m: 0.003,
    holds_kg_m2: 1.5,
    goodFor: 'To see gold come, and for well-screened sand; fills soon.',
  },
  carpet: {
    name: 'bare carpet',
    roughness_m: 0.0035,
    keep: 0.5,
    shelter_m: 0.005,
    holds_kg_m2: 2,
    goodFor: 'The finest gold in thin, even water; screened sand only.',
  },
  indicator: {
    name: 'indicator mat',
    roughness_m: 0.0026,
    keep: 0.4,
    shelter_m: 0.003,
    holds_kg_m2: 1,
    goodFor: 'A hand of pale ribbed mat at the head: shows at a glance whether the gravel pays.',
  },
} as const satisfies Record<string, Lining>;
export type LiningId = keyof typeof LININGS;
export const LINING_IDS = Object.keys(LININGS) as LiningId[];

/** A lining of the crew's own: like one of the known ones, but so high. */
export interface OwnLining {
  readonly name: string;
  /** Height of its riffles, pockets, ribs or pile, m. */
  readonly height_m: number;
}

/**
 * What lies in a stretch of a box: a known lining, or the crew's own. An own one keeps as the one it is like does; shelter, roughness and room for black sand go
 * with its height: stated assumption, until its own clean-ups say otherwise.
 * @throws OutOfRange for a height outside 1-60 mm
 */
export function liningOf({ lining, own }: { readonly lining: LiningId; readonly own?: OwnLining | null }): Lining {
  const like: Lining = LININGS[lining];
  if (!own) return like;
  requireWithin('height_m', own.height_m, 0.001, 0.06, 'm');
  const taller = own.height_m / like.shelter_m;
  return {
    ...like,
    name: own.name,
    shelter_m: own.height_m,
    roughness_m: like.roughness_m * taller,
    holds_kg_m2: like.holds_kg_m2 * taller,
  };
}
