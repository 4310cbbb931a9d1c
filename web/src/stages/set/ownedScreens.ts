import type { StoredScreening, StoredSetup } from '@riffle/contract';

/** Openings a box is fed through, m. Common practice, no source. */
const FED_THROUGH_M = [0.003, 0.05] as const;

/** Screens the crew has, finest first, m: what was screened with on this ground, and the stones of its set-ups; within what is fed through. */
export const ownedScreens_m = (
  screenings: readonly StoredScreening[],
  setups: readonly StoredSetup[],
  [finest_m, coarsest_m]: readonly [number, number] = FED_THROUGH_M,
): number[] =>
  [
    ...new Set([
      ...screenings.flatMap((s) => s.screens.map((k) => k.aperture_mm / 1000)),
      ...setups.map((s) => s.stone_m),
    ]),
  ]
    .filter((m) => m >= finest_m && m <= coarsest_m)
    .sort((a, b) => a - b);
