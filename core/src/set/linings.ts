/** What stands in the floor of a box. All figures are stated assumptions until a box is calibrated by its own clean-ups. */
export interface Lining {
  readonly name: string;
  /** Manning's n, effective, of the lined box. */
  readonly manningN: number;
  /** Share of the grains touching the floor that are kept. */
  readonly keep: number;
  /** How sharply suspension takes a grain out of reach. */
  readonly sharpness: number;
  /** Size of the trap, m: a piece this large is kept half as often, a larger one rolls on. */
  readonly trap_m: number;
}

/** Common practice, no source: effective roughness and trap sizes of small river boxes. */
export const LININGS = {
  riffles: { name: 'raised riffles on carpet', manningN: 0.03, keep: 0.85, sharpness: 1, trap_m: 0.015 },
  expanded: { name: 'expanded metal on carpet', manningN: 0.027, keep: 0.9, sharpness: 1, trap_m: 0.008 },
  cells: { name: 'vortex-cell mat', manningN: 0.024, keep: 0.95, sharpness: 1, trap_m: 0.006 },
  ribbed: { name: 'ribbed rubber mat', manningN: 0.02, keep: 0.7, sharpness: 1, trap_m: 0.003 },
  carpet: { name: 'bare carpet', manningN: 0.022, keep: 0.8, sharpness: 1, trap_m: 0.002 },
} as const satisfies Record<string, Lining>;
export type LiningId = keyof typeof LININGS;
export const LINING_IDS = Object.keys(LININGS) as LiningId[];
