import Flatbush from 'flatbush';
import type { PlaneValue } from './variogram.ts';

/**
 * Finds the nearest of many points fast: answers their places in the list, nearest first. Asked place after place along a map, it remembers: of the points
 * about the last place it searched, wide enough, the nearest to a place close by are picked by hand.
 */
export function nearestOf(points: readonly PlaneValue[]): (x_m: number, y_m: number, count: number) => number[] {
  const index = new Flatbush(points.length);
  for (const p of points) index.add(p.x_m, p.y_m);
  index.finish();
  const [xs, ys] = [Float64Array.from(points, (p) => p.x_m), Float64Array.from(points, (p) => p.y_m)];
  /** The points about a place, all that lie within the reach, and how far. */
  let [about_x_m, about_y_m, reach_m]: [number, number, number] = [0, 0, -Infinity];
  let about: readonly number[] = [];
  let distances = new Float64Array(0);
  return (x_m, y_m, count) => {
    const wanted = Math.min(count, points.length);
    const found = new Array<number>(wanted).fill(-1);
    if (distances.length < wanted) distances = new Float64Array(wanted);
    const moved_m = apart_m(x_m, y_m, about_x_m, about_y_m);
    if (about.length >= wanted) {
      let full = 0;
      for (let n = 0; n < about.length; n++) {
        const i = about[n] as number;
        const far = apart_m(xs[i] as number, ys[i] as number, x_m, y_m);
        if (full === wanted && !(far < (distances[full - 1] as number))) continue;
        let at = full < wanted ? full++ : full - 1;
        for (; at > 0 && (distances[at - 1] as number) > far; at--) {
          distances[at] = distances[at - 1] as number;
          found[at] = found[at - 1] as number;
        }
        distances[at] = far;
        found[at] = i;
      }
      // A point that is not among them lies beyond the reach of that place, so at least what is left of it from here.
      if (wanted === 0 || (distances[wanted - 1] as number) < reach_m - moved_m) return found;
    }
    about = index.neighbors(x_m, y_m, 2 * count + 8);
    [about_x_m, about_y_m] = [x_m, y_m];
    const last = about[about.length - 1];
    reach_m =
      about.length === points.length || last === undefined
        ? Infinity
        : apart_m(xs[last] as number, ys[last] as number, x_m, y_m);
    return about.slice(0, wanted);
  };
}

/** Distance; `Math.hypot` guards against overflow that no ground knows, and takes ten times as long. */
const apart_m = (x: number, y: number, to_x: number, to_y: number): number =>
  Math.sqrt((x - to_x) * (x - to_x) + (y - to_y) * (y - to_y));
