import { PACE_FROM_S } from './keepBook.ts';

/** A run as far as fuel and water go. */
export interface TookRun {
  readonly running_s: number;
  /** Burnt by pump, blower or motor, L; null: nobody said. Zero is said too: by hand, or by the creek. */
  readonly fuel_L: number | null;
  /** Water through the box, m3/s; null where it is not known. */
  readonly flow_m3_s: number | null;
}

/** What runs took besides hands and hours. */
export interface Took {
  /** Of the runs that tell it, L; null where none does. */
  readonly fuel_L: number | null;
  /** Of those for each hour of running, L; null where too little was run to say. */
  readonly fuelAnHour_L: number | null;
  /** For each gram of gold, L; null unless every run tells its fuel. */
  readonly fuelAGram_L: number | null;
  /** Through the box in the runs whose flow is known, m3; null where none is. */
  readonly water_m3: number | null;
  /** Some of the runs tell no fuel; some no flow. */
  readonly fuelPartly: boolean;
  readonly waterPartly: boolean;
}

/** Adds up fuel and water of runs, what was not told left out and said to be. A run that fed nothing is left out. @param gold_mg weighed of these runs */
export function whatItTook(runs: readonly TookRun[], gold_mg: number): Took {
  const ran = runs.filter((r) => r.running_s > 0);
  const told = ran.filter((r) => r.fuel_L !== null);
  const wet = ran.filter((r) => r.flow_m3_s !== null);
  const fuel_L = told.length > 0 ? told.reduce((sum, r) => sum + (r.fuel_L ?? 0), 0) : null;
  const told_s = told.reduce((sum, r) => sum + r.running_s, 0);
  return {
    fuel_L,
    fuelAnHour_L: fuel_L !== null && told_s >= PACE_FROM_S ? (3600 * fuel_L) / told_s : null,
    fuelAGram_L: fuel_L !== null && told.length === ran.length && gold_mg > 0 ? (1000 * fuel_L) / gold_mg : null,
    water_m3: wet.length > 0 ? wet.reduce((sum, r) => sum + (r.flow_m3_s ?? 0) * r.running_s, 0) : null,
    fuelPartly: told.length < ran.length,
    waterPartly: wet.length < ran.length,
  };
}
