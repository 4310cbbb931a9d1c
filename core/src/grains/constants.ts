/** Standard acceleration of gravity, m/s2 (CGPM 1901, exact). */
export const GRAVITY_M_S2 = 9.80665;

/**
 * Densities in kg/m3. Minerals: handbook means (Deer, Howie & Zussman 1992, from memory);
 * placer gold 17 500 stands for about 900 fine (native gold runs 15 000-19 300).
 */
export const DENSITY_KG_M3 = {
  quartz: 2650,
  garnet: 4000,
  ilmenite: 4700,
  magnetite: 5180,
  hematite: 5260,
  cassiterite: 6900,
  placerGold: 17_500,
  fineGold: 19_300,
} as const;

/** Flatness most creek gold shows: Corey shape factor 0.3. Common practice, no source. */
export const USUAL_CSF = 0.3;
