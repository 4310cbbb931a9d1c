import { localPlane, type PlanePoint, type Position } from './localPlane.ts';

/**
 * Fewer points for drawing: keeps every point that stands off the thinned line by more than `tolerance_m`
 * (Douglas & Peucker 1973, Cartographica 10, 112-122), doubling the tolerance until at most `most` remain.
 * Ends are always kept. Written without recursion, since a line may have 100 000 points.
 */
export function thinLine(line: readonly Position[], tolerance_m: number, most: number): Position[] {
  const origin = line[0];
  if (!origin || line.length <= 2) return [...line];
  const points = line.map(localPlane(origin).toPlane);
  for (let tolerance = tolerance_m; ; tolerance *= 2) {
    const kept = keptPoints(points, tolerance);
    if (kept.length <= most) return kept.map((i) => line[i] as Position);
  }
}

function keptPoints(points: readonly PlanePoint[], tolerance_m: number): number[] {
  const keep = new Uint8Array(points.length);
  keep[0] = keep[points.length - 1] = 1;
  const open: [number, number][] = [[0, points.length - 1]];
  for (let pair = open.pop(); pair; pair = open.pop()) {
    const [first, last] = pair;
    let farthest = -1;
    let far_m = tolerance_m;
    for (let i = first + 1; i < last; i++) {
      const d = distanceToSegment(points[i] as PlanePoint, points[first] as PlanePoint, points[last] as PlanePoint);
      if (d > far_m) {
        far_m = d;
        farthest = i;
      }
    }
    if (farthest > 0) {
      keep[farthest] = 1;
      open.push([first, farthest], [farthest, last]);
    }
  }
  return [...keep.keys()].filter((i) => keep[i] === 1);
}

function distanceToSegment(p: PlanePoint, a: PlanePoint, b: PlanePoint): number {
  const dx = b.x_m - a.x_m;
  const dy = b.y_m - a.y_m;
  const long2 = dx * dx + dy * dy;
  const t = long2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x_m - a.x_m) * dx + (p.y_m - a.y_m) * dy) / long2));
  return Math.hypot(p.x_m - a.x_m - t * dx, p.y_m - a.y_m - t * dy);
}
