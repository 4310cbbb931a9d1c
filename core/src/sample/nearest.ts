import Flatbush from 'flatbush';
import type { PlaneValue } from './variogram.ts';

/** Finds the nearest of many points fast: answers their places in the list, nearest first. */
export function nearestOf(points: readonly PlaneValue[]): (x_m: number, y_m: number, count: number) => number[] {
  const index = new Flatbush(points.length);
  for (const p of points) index.add(p.x_m, p.y_m);
  index.finish();
  return (x_m, y_m, count) => index.neighbors(x_m, y_m, count);
}
