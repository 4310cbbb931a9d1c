import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';

/** What the ground is made of: swell when dug, percent, and wet weight in the bank, kg/L. Handbook figures from memory; a crew's own ground says better. */
export const MATERIALS = {
  sod: { says: 'sod and roots', swell_percent: 25, bank_kg_L: 1.3 },
  silt: { says: 'silt', swell_percent: 22, bank_kg_L: 1.75 },
  sand: { says: 'sand', swell_percent: 12, bank_kg_L: 1.9 },
  gravel: { says: 'gravel', swell_percent: 18, bank_kg_L: 2 },
  'iron gravel': { says: 'iron-stained gravel', swell_percent: 18, bank_kg_L: 2.05 },
  cobbles: { says: 'cobbles and boulders', swell_percent: 22, bank_kg_L: 2.1 },
  clay: { says: 'clay', swell_percent: 30, bank_kg_L: 1.9 },
  hardpan: { says: 'hardpan or caliche', swell_percent: 35, bank_kg_L: 2.1 },
  'black sand': { says: 'black sand', swell_percent: 12, bank_kg_L: 2.6 },
} as const;
export type Material = keyof typeof MATERIALS;
export const MATERIAL_NAMES = Object.keys(MATERIALS) as [Material, ...Material[]];

/** From this depth an unshored hole is not entered: local rules say 1.2 m (4 ft) to 1.5 m. Common practice; local law decides. */
export const UNSHORED_M = 1.2;

/** A layer of a pit, from the top down. */
export interface PitLayer {
  readonly thickness_m: number;
  readonly material: Material;
  /** What is dug for; the rest is stripped. */
  readonly pay: boolean;
}
/** A hole with a rectangular mouth. `batter` is how far each wall leans in for each metre down: 0 upright, 0.5 one in two. */
export interface PitShape {
  readonly length_m: number;
  readonly width_m: number;
  readonly batter: number;
}

export interface LayerSum {
  readonly top_m: number;
  readonly bottom_m: number;
  readonly bank_L: number;
  readonly loose_L: number;
  readonly weight_kg: number;
}
export interface PitSum {
  readonly layers: readonly LayerSum[];
  readonly depth_m: number;
  readonly bank_L: number;
  readonly pay_L: number;
  /** Volume stripped above the lowest pay, over the volume of pay; null without pay. */
  readonly strippingRatio: number | null;
}

/**
 * Volumes of a pit's layers in the bank and dug, and their weight. Between two depths a hole with leaning walls is a frustum:
 * the integral of (L - 2 s z)(W - 2 s z) over the layer. Stripped is what lies above the bottom of the lowest pay and is not pay itself.
 * Source: geometry (prismoid); loose = bank x (1 + swell).
 * @throws OutOfRange for a layer of no thickness, or walls that meet before the bottom
 */
export function pitSum(shape: PitShape, layers: readonly PitLayer[], swell_percent?: number): PitSum {
  requirePositive('length_m', shape.length_m, 'm');
  requirePositive('width_m', shape.width_m, 'm');
  requireWithin('batter', shape.batter, 0, 3);
  if (layers.length === 0) throw new OutOfRange('layers', 'none', 'at least one layer');
  const depth_m = layers.reduce((sum, l) => sum + requirePositiveThickness(l.thickness_m), 0);
  const narrow_m = Math.min(shape.length_m, shape.width_m);
  if (narrow_m - 2 * shape.batter * depth_m < 0)
    throw new OutOfRange(
      'batter',
      shape.batter,
      `at most ${(narrow_m / 2 / depth_m).toFixed(2)}, or the walls meet before ${depth_m.toFixed(2)} m`,
    );
  const { length_m: L, width_m: W, batter: s } = shape;
  const above = (z: number): number => L * W * z - s * (L + W) * z ** 2 + (4 / 3) * s ** 2 * z ** 3;
  let top_m = 0;
  const sums = layers.map((l): LayerSum => {
    const bottom_m = top_m + l.thickness_m;
    const bank_L = 1000 * (above(bottom_m) - above(top_m));
    const material = MATERIALS[l.material];
    const sum = {
      top_m,
      bottom_m,
      bank_L,
      loose_L: bank_L * (1 + (swell_percent ?? material.swell_percent) / 100),
      weight_kg: bank_L * material.bank_kg_L,
    };
    top_m = bottom_m;
    return sum;
  });
  const lowestPay = layers.findLastIndex((l) => l.pay);
  const pay_L = sums.reduce((sum, l, i) => sum + (layers[i]?.pay ? l.bank_L : 0), 0);
  const stripped_L = sums.reduce((sum, l, i) => sum + (i < lowestPay && !layers[i]?.pay ? l.bank_L : 0), 0);
  return {
    layers: sums,
    depth_m,
    bank_L: sums.reduce((sum, l) => sum + l.bank_L, 0),
    pay_L,
    strippingRatio: pay_L > 0 ? stripped_L / pay_L : null,
  };
}

function requirePositiveThickness(thickness_m: number): number {
  requirePositive('thickness_m', thickness_m, 'm');
  requireWithin('thickness_m', thickness_m, 0, 30, 'm');
  return thickness_m;
}

/**
 * The layers of a pit that together pay best: the run of neighboring layers with the most gold above the cut-off, thin barren partings taken along.
 * Answers their first and last place, thickness and mean grade; null when no layer reaches the cut-off.
 * Riffle's own, by the greatest sum of (grade - cut-off) x thickness over neighbors (Kadane's algorithm: Bentley 1984).
 */
export function payLayers(
  layers: readonly { readonly thickness_m: number; readonly grade_mg_L: number }[],
  cutoff_mg_L: number,
): { first: number; last: number; thickness_m: number; grade_mg_L: number } | null {
  let best = { gain: 0, first: -1, last: -1 };
  let from = 0;
  let gain = 0;
  layers.forEach((l, i) => {
    if (gain <= 0) {
      from = i;
      gain = 0;
    }
    gain += (l.grade_mg_L - cutoff_mg_L) * l.thickness_m;
    if (gain > best.gain) best = { gain, first: from, last: i };
  });
  if (best.first < 0) return null;
  const run = layers.slice(best.first, best.last + 1);
  const thickness_m = run.reduce((sum, l) => sum + l.thickness_m, 0);
  return {
    first: best.first,
    last: best.last,
    thickness_m,
    grade_mg_L: run.reduce((sum, l) => sum + l.grade_mg_L * l.thickness_m, 0) / thickness_m,
  };
}

/** A pit or a crack as deep as it was measured. */
export interface Dug {
  readonly layers: readonly { readonly thickness_m: number }[];
  readonly crevice: { readonly depth_m: number } | null;
}
/** How deep a pit or a crack is, m. */
export const pitDepth_m = ({ layers, crevice }: Dug): number =>
  Math.max(
    layers.reduce((sum, l) => sum + l.thickness_m, 0),
    crevice?.depth_m ?? 0,
  );
/** Left for rounding in feet when a pan is held against its pit. */
const ROUNDING_M = 0.005;
/** Whether a pan can come from that depth of a pit: nothing of it comes from below its bottom. */
export const liesInPit = (depth_m: number, pit: Dug): boolean => depth_m <= pitDepth_m(pit) + ROUNDING_M;
