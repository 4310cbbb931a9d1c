import { requireWithin } from '../outOfRange.ts';
import { localPlane, type Position } from './localPlane.ts';

/** What a file gives away of where something is. */
export type PlaceGiven =
  | { readonly way: 'exact' }
  /** Only which square of a fixed net it lies in, so many metres wide. */
  | { readonly way: 'blurred'; readonly size_m: number }
  /** Moved to the sea off Africa and turned, all of it together: what lies where to each other stays. */
  | { readonly way: 'shifted'; readonly turn_rad: number }
  | { readonly way: 'none' };

/** The net blurred places fall into, degrees of latitude a metre: a sphere as long around as the Earth's meridian (40 007 863 m, WGS 84). */
const DEGREES_PER_M = 360 / 40_007_863;

/**
 * Positions as they are given away: longitude and latitude without height, or null where none is.
 *
 * Blurred: the middle of the square a position lies in. The net is the same for every file, so that many files of one place tell no more than one; how far a
 * place lies from what is given is at most 0.71 of the size. Shifted: turned about the middle of `all` and laid at 0 N 0 E.
 * @param all every position of the file: what is shifted together
 * @throws OutOfRange where a square is not between 10 m and 100 km
 */
export function hidePlace(given: PlaceGiven, all: readonly Position[]): (at: Position) => [number, number] | null {
  if (given.way === 'none') return () => null;
  if (given.way === 'exact') return ([lon, lat]) => [lon, lat];
  if (given.way === 'blurred') {
    requireWithin('size_m', given.size_m, 10, 100_000, 'm');
    const high = given.size_m * DEGREES_PER_M;
    return ([lon, lat]) => {
      const midLat = (Math.floor(lat / high) + 0.5) * high;
      const wide = high / Math.max(0.01, Math.cos((midLat * Math.PI) / 180));
      return [(Math.floor(lon / wide) + 0.5) * wide, midLat];
    };
  }
  const first = all[0];
  if (!first) return () => [0, 0];
  const there = localPlane(first);
  const points = all.map((p) => there.toPlane(p));
  const mean = (of: 'x_m' | 'y_m'): number => points.reduce((sum, p) => sum + p[of], 0) / points.length;
  const [x0, y0] = [mean('x_m'), mean('y_m')];
  const sea = localPlane([0, 0]);
  const [cos, sin] = [Math.cos(given.turn_rad), Math.sin(given.turn_rad)];
  return (at) => {
    const p = there.toPlane(at);
    const [x, y] = [p.x_m - x0, p.y_m - y0];
    return sea.toPosition({ x_m: cos * x - sin * y, y_m: sin * x + cos * y });
  };
}
