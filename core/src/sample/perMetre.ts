import { requirePositive, requireWithin } from '../outOfRange.ts';

/** A crack in rock, m. */
export interface Crack {
  readonly width_m: number;
  readonly length_m: number;
  readonly depth_m: number;
}
/** A figure with its ends. */
export interface Band {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

/** Of the box of its length, width and depth a crack holds all where its walls are straight, half where it closes like a wedge. Stated assumption. */
const SHAPE: Band = { low: 0.5, middle: 0.7, high: 1 };

/** What a crack holds, L. @throws OutOfRange for lengths that are none */
export function crackVolume_L({ width_m, length_m, depth_m }: Crack): Band {
  for (const [name, m] of Object.entries({ width_m, length_m, depth_m })) requirePositive(name, m, 'm');
  const box_L = 1000 * width_m * length_m * depth_m;
  return { low: SHAPE.low * box_L, middle: SHAPE.middle * box_L, high: SHAPE.high * box_L };
}

/** Gold of a metre of crack, mg: its fill by what its pans say, mg/L; the ends of both taken together. */
export function crackGold_mg_m(crack: Crack, grade_mg_L: Band): Band {
  const fill = crackVolume_L({ ...crack, length_m: 1 });
  return {
    low: fill.low * grade_mg_L.low,
    middle: fill.middle * grade_mg_L.middle,
    high: fill.high * grade_mg_L.high,
  };
}

/** A cleaned crack with what a metre of it held, and what kind of crack it was. */
export interface PaidCrack {
  readonly length_m: number;
  readonly gold_mg_m: Band;
  /** Its strike, its rock: by what cracks are chosen; null where it was not told. */
  readonly kind: string | null;
}

/** What cracks of each kind held, mg a metre over all their length, richest first. Ends are taken together. */
export function paidByKind(
  cracks: readonly PaidCrack[],
): { readonly kind: string; readonly cracks: number; readonly gold_mg_m: Band }[] {
  const kinds = [...new Set(cracks.flatMap((c) => c.kind ?? []))];
  return kinds
    .map((kind) => {
      const mine = cracks.filter((c) => c.kind === kind);
      const length_m = mine.reduce((sum, c) => sum + c.length_m, 0);
      const mean = (of: (b: Band) => number): number =>
        mine.reduce((sum, c) => sum + c.length_m * of(c.gold_mg_m), 0) / length_m;
      return {
        kind,
        cracks: mine.length,
        gold_mg_m: { low: mean((b) => b.low), middle: mean((b) => b.middle), high: mean((b) => b.high) },
      };
    })
    .sort((a, b) => b.gold_mg_m.middle - a.gold_mg_m.middle);
}

/** A layer of a beach or a bench as it lies: how thick, and its grade where it was panned. */
export interface Bed {
  readonly thickness_m: number;
  readonly grade_mg_L: Band | null;
  /** Share of black sand by volume; null where nobody looked. */
  readonly blackShare?: number | null;
}

/** What lies under a square metre: gold of its panned layers, mg, how thick those are, and the cover over the first of them. */
export interface SquareMetre {
  readonly gold_mg: Band;
  readonly seam_m: number;
  readonly cover_m: number;
  /** Black sand in them; null where nobody looked. */
  readonly blackSand_kg: number | null;
}

/** A cubic metre of black sand as it lies. Stated assumption: 0.55 of it is grains of magnetite and its like. */
const BLACK_SAND_KG_M3 = 2800;

/** Adds up a square metre from the top down; null where no layer was panned. A litre is a millimetre over it. */
export function squareMetre(beds: readonly Bed[]): SquareMetre | null {
  for (const { thickness_m } of beds) requireWithin('thickness_m', thickness_m, 0, 1000, 'm');
  const first = beds.findIndex((b) => b.grade_mg_L !== null);
  if (first < 0) return null;
  const panned = beds.filter((b): b is Bed & { grade_mg_L: Band } => b.grade_mg_L !== null);
  const gold = (of: (b: Band) => number): number =>
    panned.reduce((sum, b) => sum + 1000 * b.thickness_m * of(b.grade_mg_L), 0);
  const looked = panned.filter((b) => typeof b.blackShare === 'number');
  return {
    blackSand_kg:
      looked.length === 0
        ? null
        : looked.reduce((sum, b) => sum + BLACK_SAND_KG_M3 * b.thickness_m * (b.blackShare ?? 0), 0),
    gold_mg: { low: gold((b) => b.low), middle: gold((b) => b.middle), high: gold((b) => b.high) },
    seam_m: panned.reduce((sum, b) => sum + b.thickness_m, 0),
    cover_m: beds.slice(0, first).reduce((sum, b) => sum + b.thickness_m, 0),
  };
}
