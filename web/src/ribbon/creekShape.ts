import type { StoredGround } from '@riffle/contract';
import { bedHeights_m, centreLine } from '@riffle/core';

/** The drawn shape of a straightened creek: how it bends and how high its bed is, by distance upstream. */
export interface CreekShape {
  readonly kind: StoredGround['kind'];
  readonly length_m: number;
  /** Its bends are those of a line, not made up. */
  readonly isSurveyed: boolean;
  /** Bend at a distance, -1 to 1; positive where the creek, going downstream, turns left, so that the inside of the bend is the left bank. */
  bend(distance_m: number): number;
  /** Ground that is read in its width too: how far out from its line places lie. Null where a drawing keeps to the banks. */
  readonly reach: Reach | null;
  /** Bed height above the foot at evenly spaced distances, m; null when the line carries no heights. */
  readonly heights_m: readonly number[] | null;
}

/** Metres out from the line, to either side. */
export interface Reach {
  readonly left_m: number;
  readonly right_m: number;
}

/** A bench or a hillside is no ribbon: pans stand beside each other across it. */
export const isBroad = (kind: StoredGround['kind']): boolean => kind === 'bench' || kind === 'hillside';
/** The least a side is drawn, m, and its share of the other: a tap beside the line is a place there. */
const [LEAST_M, LEAST_SHARE] = [8, 0.15];

/** How far out places lie, with room beyond the last; null on ground whose width is that of its banks. */
export function reachOf(
  kind: StoredGround['kind'],
  places: readonly { readonly bank: 'left' | 'right' | 'mid'; readonly offset_m: number }[],
): Reach | null {
  if (!isBroad(kind)) return null;
  const out = (side: 'left' | 'right'): number =>
    Math.max(LEAST_M, ...places.filter((p) => p.bank === side).map((p) => p.offset_m * 1.15));
  const [left, right] = [out('left'), out('right')];
  return { left_m: Math.max(left, right * LEAST_SHARE), right_m: Math.max(right, left * LEAST_SHARE) };
}

const STATIONS = 240;

export function creekShape(
  ground: Pick<StoredGround, 'kind' | 'line' | 'length_m'> & Partial<Pick<StoredGround, 'profile'>>,
  reach: Reach | null = reachOf(ground.kind, []),
): CreekShape {
  const { kind, line, length_m } = ground;
  const heights_m = bedHeights_m(ground);
  if (!line || line.length < 2) {
    // A typed ground has no known bends: it is drawn as a straight reach with a little life in it.
    return { kind, length_m, reach, isSurveyed: false, bend: (d) => 0.18 * Math.sin((d / length_m) * 34), heights_m };
  }
  const centre = centreLine(line);
  const span_m = Math.max(24, length_m / 24);
  const raw = Array.from({ length: STATIONS + 1 }, (_, i) => centre.bendAt((i / STATIONS) * centre.length_m, span_m));
  const smooth = raw.map((_, i) => (raw[Math.max(0, i - 2)]! + 2 * raw[i]! + raw[Math.min(STATIONS, i + 2)]!) / 4);
  const ordered = smooth.map(Math.abs).sort((a, b) => a - b);
  // Gentle bends are drawn gentle: the scale is never finer than a bend of 150 m radius.
  const scale = Math.max(ordered[Math.floor(0.85 * STATIONS)] ?? 0, 1 / 150);
  return {
    kind,
    length_m,
    reach,
    isSurveyed: true,
    bend: (d) => {
      const at = Math.min(STATIONS, Math.max(0, (d / length_m) * STATIONS));
      const i = Math.min(STATIONS - 1, Math.floor(at));
      const value = smooth[i]! + (at - i) * (smooth[i + 1]! - smooth[i]!);
      // Levels off instead of being cut, so that a sharp bend keeps a round inside.
      return Math.tanh((1.1 * value) / scale);
    },
    heights_m,
  };
}
