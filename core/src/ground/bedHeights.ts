import { centreLine } from './centreLine.ts';
import type { Position } from './localPlane.ts';

/** Heights of a bed at evenly spaced distances: this many stretches. */
const STRETCHES = 120;

export interface BedOfGround {
  readonly length_m: number;
  readonly line: readonly Position[] | null;
  /** Heights by hand level, in any order; they beat what a receiver says. */
  readonly profile?: readonly { readonly distance_m: number; readonly height_m: number }[];
}

/**
 * Height of the bed above its foot at 121 evenly spaced distances up a ground, m: by hand level where two heights or more
 * were taken, else from the line's own heights; null when there are none. Level beyond the first and last height known.
 */
export function bedHeights_m({ length_m, line, profile = [] }: BedOfGround): number[] | null {
  const levelled = [...profile].sort((a, b) => a.distance_m - b.distance_m);
  if (levelled.length > 1)
    return evenly(
      levelled.map((p) => p.height_m),
      levelled.map((p) => p.distance_m),
      length_m,
    );
  const heights = line?.map(([, , z]) => z) ?? [];
  if (!line || heights.length < 2 || !heights.every((z): z is number => typeof z === 'number')) return null;
  const centre = centreLine(line);
  return evenly(heights, centre.distances_m, centre.length_m);
}

function evenly(heights: readonly number[], distances_m: readonly number[], length_m: number): number[] {
  const [height, distance] = [(i: number) => heights[i] as number, (i: number) => distances_m[i] as number];
  let k = 0;
  return Array.from({ length: STRETCHES + 1 }, (_, i) => {
    const d = (i / STRETCHES) * length_m;
    while (k < distances_m.length - 2 && distance(k + 1) < d) k++;
    const t = Math.min(1, Math.max(0, (d - distance(k)) / (distance(k + 1) - distance(k) || 1)));
    return height(k) + t * (height(k + 1) - height(k)) - height(0);
  });
}
