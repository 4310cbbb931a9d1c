import { localPlane, type PlanePoint, type Position } from './localPlane.ts';

/** Points looked at together: bounds the work, which Douglas & Peucker leave quadratic for a wavy line. */
const CHUNK = 512;

/**
 * Fewer points for drawing: drops points within half of `tolerance_m` of the one before, then keeps every point that stands
 * off the thinned line by more than `tolerance_m` (Douglas & Peucker 1973, Cartographica 10, 112-122), and doubles the
 * tolerance until at most `most` (4 or more) remain. Ends are always kept. Works in chunks and without recursion, since a line
 * may have 500 000 points.
 */
export function thinLine(line: readonly Position[], tolerance_m: number, most: number): Position[] {
  const origin = line[0];
  if (!origin || line.length <= 2) return [...line];
  const points = line.map(localPlane(origin).toPlane);
  let kept = [...points.keys()];
  for (let tolerance = tolerance_m; ; tolerance *= 2) {
    kept = standOff(points, spaced(points, kept, tolerance / 2), tolerance);
    if (kept.length <= most) return kept.map((i) => line[i] as Position);
  }
}

/** Indices at least `gap_m` from the one kept before; the last always. */
function spaced(points: readonly PlanePoint[], indices: readonly number[], gap_m: number): number[] {
  const kept: number[] = [];
  const last = indices.at(-1);
  for (const i of indices) {
    const p = points[i] as PlanePoint;
    const before = points[kept.at(-1) ?? -1];
    if (!before || Math.hypot(p.x_m - before.x_m, p.y_m - before.y_m) >= gap_m) kept.push(i);
  }
  if (last !== undefined && kept.at(-1) !== last) kept.push(last);
  return kept;
}

function standOff(points: readonly PlanePoint[], indices: readonly number[], tolerance_m: number): number[] {
  const at = (k: number): PlanePoint => points[indices[k] as number] as PlanePoint;
  const keep = new Uint8Array(indices.length);
  const open: [number, number][] = [];
  for (let first = 0; first < indices.length - 1; first += CHUNK) {
    const last = Math.min(first + CHUNK, indices.length - 1);
    keep[first] = keep[last] = 1;
    open.push([first, last]);
  }
  for (let pair = open.pop(); pair; pair = open.pop()) {
    const [first, last] = pair;
    let farthest = -1;
    let far_m = tolerance_m;
    for (let k = first + 1; k < last; k++) {
      const d = distanceToSegment(at(k), at(first), at(last));
      if (d > far_m) {
        far_m = d;
        farthest = k;
      }
    }
    if (farthest > 0) {
      keep[farthest] = 1;
      open.push([first, farthest], [farthest, last]);
    }
  }
  return indices.filter((_, k) => keep[k] === 1);
}

function distanceToSegment(p: PlanePoint, a: PlanePoint, b: PlanePoint): number {
  const dx = b.x_m - a.x_m;
  const dy = b.y_m - a.y_m;
  const long2 = dx * dx + dy * dy;
  const t = long2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x_m - a.x_m) * dx + (p.y_m - a.y_m) * dy) / long2));
  return Math.hypot(p.x_m - a.x_m - t * dx, p.y_m - a.y_m - t * dy);
}
