import { centreLine } from './centreLine.ts';
import type { Position } from './localPlane.ts';

/**
 * Gives a line that was bent by hand the heights of the line it was before: a point left where it was keeps its own, a moved or new one
 * takes the old line's height at the place nearest to it. Without heights on every old point the new line has none.
 * @param before the old line with heights, at least two points
 * @param points corners of the new line, longitude and latitude
 */
export function reshapeLine(
  before: readonly Position[],
  points: readonly (readonly [lon: number, lat: number])[],
): Position[] {
  const heights = before.map(([, , z]) => z);
  if (!heights.every((z): z is number => typeof z === 'number')) return points.map(([lon, lat]) => [lon, lat]);
  const old = centreLine(before);
  return points.map(([lon, lat]) => {
    const same = before.findIndex((p) => Math.abs(p[0] - lon) < 1e-9 && Math.abs(p[1] - lat) < 1e-9);
    if (same >= 0) return [lon, lat, heights[same] as number];
    const { distance_m } = old.locate([lon, lat]);
    let i = 0;
    while (i < old.distances_m.length - 2 && (old.distances_m[i + 1] as number) < distance_m) i++;
    const [from, to] = [old.distances_m[i] as number, old.distances_m[i + 1] as number];
    const t = to > from ? (distance_m - from) / (to - from) : 0;
    return [lon, lat, (heights[i] as number) + t * ((heights[i + 1] as number) - (heights[i] as number))];
  });
}
