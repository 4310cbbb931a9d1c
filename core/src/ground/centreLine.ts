import { OutOfRange } from '../outOfRange.ts';
import { localPlane, type PlanePoint, type Position } from './localPlane.ts';

/** Bank a place lies on, looking downstream. */
export type Bank = 'left' | 'right' | 'mid';

/** Where a place stands against the centre line. */
export interface OnLine {
  /** Distance upstream of the foot of the line, m. */
  readonly distance_m: number;
  /** Distance from the line, m, never negative. */
  readonly offset_m: number;
  readonly bank: Bank;
}

/** A creek's centre line, its points in order from the foot (downstream end) to the head. */
export interface CentreLine {
  readonly length_m: number;
  /** Distance upstream of each point, m. */
  readonly distances_m: readonly number[];
  /** Foot of the perpendicular from a place to the line, and the side it is on. */
  locate(place: Position): OnLine;
  /** Point on the line at a distance (held to the line's ends), shifted to a bank. */
  positionAt(distance_m: number, offset_m?: number, bank?: Bank): [number, number];
  /** Bend of the line at a distance, 1/m: positive where the creek, going downstream, turns left. Over a window of `span_m`. */
  bendAt(distance_m: number, span_m: number): number;
}

/** Nearer the line than this a place counts as in the stream: about what a hand GPS can tell. Common practice, no source. */
export const MIDSTREAM_M = 1;

/**
 * @param line from foot to head, at least two distinct points
 * @throws OutOfRange when the line has no length
 */
export function centreLine(line: readonly Position[]): CentreLine {
  const origin = line[Math.floor(line.length / 2)];
  if (!origin) throw new OutOfRange('line', 'empty', 'at least two points');
  const plane = localPlane(origin);
  const points = line.map(plane.toPlane);
  const distances_m = [0];
  for (let i = 1; i < points.length; i++) {
    const a = points[i - 1] as PlanePoint;
    const b = points[i] as PlanePoint;
    distances_m.push((distances_m[i - 1] as number) + Math.hypot(b.x_m - a.x_m, b.y_m - a.y_m));
  }
  const length_m = distances_m.at(-1) ?? 0;
  if (!(length_m > 0)) throw new OutOfRange('line', `${line.length} points of no length`, 'a line with some length');

  const segmentAt = (distance_m: number): number => {
    let low = 0;
    let high = points.length - 2;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((distances_m[middle] as number) <= distance_m) low = middle;
      else high = middle - 1;
    }
    return low;
  };
  const pointAt = (distance_m: number): PlanePoint & { ux: number; uy: number } => {
    const d = Math.min(length_m, Math.max(0, distance_m));
    const i = segmentAt(d);
    const a = points[i] as PlanePoint;
    const b = points[i + 1] as PlanePoint;
    const long = (distances_m[i + 1] as number) - (distances_m[i] as number) || 1;
    const t = (d - (distances_m[i] as number)) / long;
    return {
      x_m: a.x_m + t * (b.x_m - a.x_m),
      y_m: a.y_m + t * (b.y_m - a.y_m),
      ux: (b.x_m - a.x_m) / long,
      uy: (b.y_m - a.y_m) / long,
    };
  };

  return {
    length_m,
    distances_m,
    locate(place) {
      const p = plane.toPlane(place);
      let best = { offset_m: Infinity, distance_m: 0, side: 0 };
      for (let i = 0; i + 1 < points.length; i++) {
        const a = points[i] as PlanePoint;
        const b = points[i + 1] as PlanePoint;
        const dx = b.x_m - a.x_m;
        const dy = b.y_m - a.y_m;
        const long2 = dx * dx + dy * dy;
        if (long2 === 0) continue;
        const t = Math.min(1, Math.max(0, ((p.x_m - a.x_m) * dx + (p.y_m - a.y_m) * dy) / long2));
        const offset_m = Math.hypot(p.x_m - a.x_m - t * dx, p.y_m - a.y_m - t * dy);
        if (offset_m < best.offset_m) {
          best = {
            offset_m,
            distance_m: (distances_m[i] as number) + t * Math.sqrt(long2),
            side: dx * (p.y_m - a.y_m) - dy * (p.x_m - a.x_m),
          };
        }
      }
      // The line is walked upstream, so what lies to its left is on the right bank of the water coming down.
      const bank = best.offset_m < MIDSTREAM_M ? 'mid' : best.side > 0 ? 'right' : 'left';
      return { distance_m: best.distance_m, offset_m: best.offset_m, bank };
    },
    positionAt(distance_m, offset_m = 0, bank = 'mid') {
      const at = pointAt(distance_m);
      const out = bank === 'right' ? offset_m : bank === 'left' ? -offset_m : 0;
      return plane.toPosition({ x_m: at.x_m - at.uy * out, y_m: at.y_m + at.ux * out });
    },
    bendAt(distance_m, span_m) {
      const below = pointAt(distance_m - span_m / 2);
      const above = pointAt(distance_m + span_m / 2);
      const turn = Math.atan2(above.ux * below.uy - above.uy * below.ux, above.ux * below.ux + above.uy * below.uy);
      return turn / span_m;
    },
  };
}
