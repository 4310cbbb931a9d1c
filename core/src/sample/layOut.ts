import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';
import type { Bank } from '../ground/centreLine.ts';
import { MIDSTREAM_M } from '../ground/centreLine.ts';

/** A place along and across a ground: across is positive toward the left bank, m. */
export interface Across {
  readonly distance_m: number;
  readonly across_m: number;
}
/** A point of a plan: where, and one bag for each stretch of depth. */
export interface PlannedPoint extends Across {
  readonly bags: readonly { readonly from_m: number; readonly to_m: number; readonly layer: string }[];
}

/** How samples are laid out. Lengths in m. */
export type SamplePattern =
  | {
      readonly kind: 'traverse';
      readonly from: Across;
      readonly to: Across;
      readonly spacing_m: number;
      readonly depth_m: number;
    }
  | {
      readonly kind: 'grid';
      readonly from: Across;
      readonly to: Across;
      readonly spacing_m: number;
      readonly rowSpacing_m: number;
      readonly depth_m: number;
      readonly step_m: number;
    }
  | { readonly kind: 'test square'; readonly at: Across; readonly depth_m: number }
  | { readonly kind: 'crevice sweep'; readonly from: Across; readonly to: Across; readonly cracks: number }
  | {
      readonly kind: 'upstream series';
      readonly from_m: number;
      readonly to_m: number;
      readonly spacing_m: number;
      readonly mouths: readonly { readonly distance_m: number; readonly bank: Bank }[];
    };

/** Most points, and bags, of one plan. */
export const MOST_POINTS = 400;
export const MOST_BAGS = 1000;
/** One bag for each of these by depth, when a hillside or plain is loamed: 0.3 m (1 ft), to 2.4 m (8 ft). Common practice, no source. */
export const DEPTH_STEP_M = 0.3;
/** The last of the gravel that goes into a bag of its own with the clay it lies on, m. Common practice, no source. */
export const INTO_THE_CLAY_M = 0.05;
/** Above and below each draw mouth a sample is taken this far from it, m. Common practice, no source. */
const BESIDE_MOUTH_M = 8;

/**
 * The points of a plan with their bags, in the order they are walked. A depth of 0 is the surface skin: one bag a point.
 * @throws OutOfRange naming the field: a spacing that is not positive, a depth beyond 30 m, more points or bags than one plan takes
 */
export function layOut(pattern: SamplePattern): PlannedPoint[] {
  const points = pointsOf(pattern);
  if (points.length > MOST_POINTS)
    throw new OutOfRange('spacing_m', `${points.length} points`, `at most ${MOST_POINTS} points in one plan`);
  const bags = points.reduce((sum, p) => sum + p.bags.length, 0);
  if (bags > MOST_BAGS) throw new OutOfRange('step_m', `${bags} bags`, `at most ${MOST_BAGS} bags in one plan`);
  return points;
}

function pointsOf(p: SamplePattern): PlannedPoint[] {
  switch (p.kind) {
    case 'traverse': {
      requirePositive('spacing_m', p.spacing_m, 'm');
      requireWithin('depth_m', p.depth_m, 0, 30, 'm');
      return between(p.from, p.to, p.spacing_m).map((at) => ({
        ...at,
        bags: [{ from_m: 0, to_m: p.depth_m, layer: '' }],
      }));
    }
    case 'grid': {
      requirePositive('spacing_m', p.spacing_m, 'm');
      requirePositive('rowSpacing_m', p.rowSpacing_m, 'm');
      requireWithin('depth_m', p.depth_m, 0, 30, 'm');
      const rows = stops(p.from.distance_m, p.to.distance_m, p.rowSpacing_m);
      const columns = stops(p.from.across_m, p.to.across_m, p.spacing_m);
      const bags = depths(p.depth_m, p.step_m).map(([from_m, to_m]) => ({ from_m, to_m, layer: '' }));
      // Every other row is walked back, so that nobody crosses the ground empty-handed.
      return rows.flatMap((distance_m, i) =>
        (i % 2 === 0 ? columns : [...columns].reverse()).map((across_m) => ({ distance_m, across_m, bags })),
      );
    }
    case 'test square': {
      requireWithin('depth_m', p.depth_m, 2 * INTO_THE_CLAY_M, 30, 'm');
      const cover = p.depth_m / 3;
      return [
        {
          ...p.at,
          bags: [
            { from_m: 0, to_m: cover, layer: 'cover' },
            { from_m: cover, to_m: p.depth_m - INTO_THE_CLAY_M, layer: 'gravel' },
            { from_m: p.depth_m - INTO_THE_CLAY_M, to_m: p.depth_m, layer: 'firm layer, into the clay' },
          ],
        },
      ];
    }
    case 'crevice sweep': {
      requireWithin('cracks', p.cracks, 1, 60);
      const n = Math.round(p.cracks);
      return Array.from({ length: n }, (_, i) => ({
        ...mix(p.from, p.to, n === 1 ? 0 : i / (n - 1)),
        bags: [{ from_m: 0, to_m: 0, layer: `crack ${i + 1}` }],
      }));
    }
    case 'upstream series': {
      requirePositive('spacing_m', p.spacing_m, 'm');
      const [low, high] = [Math.min(p.from_m, p.to_m), Math.max(p.from_m, p.to_m)];
      const mouths = p.mouths.filter((m) => m.distance_m >= low && m.distance_m <= high);
      const places: Across[] = [
        ...stops(p.from_m, p.to_m, p.spacing_m)
          .filter((d) => !mouths.some((m) => Math.abs(m.distance_m - d) < BESIDE_MOUTH_M))
          .map((distance_m) => ({ distance_m, across_m: 0 })),
        ...mouths.flatMap((m) => [
          { distance_m: Math.max(0, m.distance_m - BESIDE_MOUTH_M), across_m: 0 },
          {
            distance_m: m.distance_m,
            across_m: m.bank === 'left' ? 2 * MIDSTREAM_M : m.bank === 'right' ? -2 * MIDSTREAM_M : 0,
          },
          { distance_m: m.distance_m + BESIDE_MOUTH_M, across_m: 0 },
        ]),
      ];
      const up = p.to_m >= p.from_m ? 1 : -1;
      return places
        .sort((a, b) => up * (a.distance_m - b.distance_m))
        .map((at) => ({ ...at, bags: [{ from_m: 0, to_m: 0, layer: '' }] }));
    }
  }
}

const mix = (a: Across, b: Across, share: number): Across => ({
  distance_m: a.distance_m + share * (b.distance_m - a.distance_m),
  across_m: a.across_m + share * (b.across_m - a.across_m),
});

/** Evenly from one end to the other, both ends in, steps no longer than the spacing. */
function stops(from: number, to: number, spacing: number): number[] {
  const steps = Math.max(1, Math.ceil(Math.abs(to - from) / spacing - 1e-9));
  if (steps > MOST_POINTS) throw new OutOfRange('spacing_m', spacing, `wide enough for at most ${MOST_POINTS} points`);
  return from === to ? [from] : Array.from({ length: steps + 1 }, (_, i) => from + ((to - from) * i) / steps);
}
function between(a: Across, b: Across, spacing: number): Across[] {
  const length = Math.hypot(b.distance_m - a.distance_m, b.across_m - a.across_m);
  return stops(0, length, spacing).map((at) => mix(a, b, length === 0 ? 0 : at / length));
}
/** Depth in steps; the last may be short. */
function depths(depth_m: number, step_m: number): [number, number][] {
  if (depth_m === 0) return [[0, 0]];
  requirePositive('step_m', step_m, 'm');
  const n = Math.ceil(depth_m / step_m - 1e-9);
  if (n > MOST_BAGS) throw new OutOfRange('step_m', step_m, 'a longer step');
  return Array.from({ length: n }, (_, i) => [i * step_m, Math.min(depth_m, (i + 1) * step_m)]);
}

/** Bank and offset of a place given across the line. */
export const bankOf = (across_m: number): { bank: Bank; offset_m: number } => ({
  bank: Math.abs(across_m) < MIDSTREAM_M ? 'mid' : across_m > 0 ? 'left' : 'right',
  offset_m: Math.abs(across_m),
});
/** Across the line, positive to the left, of a bank and an offset. */
export const acrossOf = (bank: Bank, offset_m: number): number => (bank === 'right' ? -offset_m : offset_m);
