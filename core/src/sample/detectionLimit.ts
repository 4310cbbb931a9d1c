import { USUAL_CSF } from '../grains/constants.ts';
import { flakeDisc } from '../grains/flake.ts';

/** What a pan is made of, as far as seeing goes; the light; the eyes. */
export const PAN_FINISHES = ['black or dark', 'green or blue', 'bare steel'] as const;
export const PAN_LIGHTS = ['sun', 'shade', 'lamp'] as const;
export const EYES = ['sharp or with glasses', 'without my glasses', 'through a lens'] as const;
export interface SeenWith {
  readonly pan: (typeof PAN_FINISHES)[number];
  readonly light: (typeof PAN_LIGHTS)[number];
  readonly eyes: (typeof EYES)[number];
}

/** Smallest color a good eye sees in a dark pan in the sun. Common practice, no source: below about 60 micrometres nothing is seen. */
const BEST_M = 60e-6;
/** How much larger a color must be to be seen; stated assumptions, no source. */
const TIMES: { readonly [K in keyof SeenWith]: Readonly<Record<SeenWith[K], number>> } = {
  pan: { 'black or dark': 1, 'green or blue': 1.1, 'bare steel': 2 },
  light: { sun: 1, shade: 1.3, lamp: 1.6 },
  eyes: { 'sharp or with glasses': 1, 'without my glasses': 1.8, 'through a lens': 0.6 },
};

/** The smallest color that is counted with that pan, light and eyes, and what one weighs as a flake of the usual flatness. Finer gold is not in the count. */
export function detectionLimit(seen: SeenWith): { size_m: number; mass_mg: number } {
  const size_m = BEST_M * TIMES.pan[seen.pan] * TIMES.light[seen.light] * TIMES.eyes[seen.eyes];
  return { size_m, mass_mg: flakeDisc(size_m, USUAL_CSF).mass_mg };
}
