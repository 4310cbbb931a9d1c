import { centreLine } from './centreLine.ts';
import type { Position } from './localPlane.ts';

/** Which way the water runs along a line as drawn. `unknown` must be asked. */
export type FlowDirection = 'as drawn' | 'against' | 'unknown';

/** A least-squares fall smaller than this over the line is lost in the scatter of a hand GPS. Common practice, no source. */
const LEAST_FALL_M = 2;

/**
 * Direction of flow from heights along the line: least-squares trend, and it must fall by more than both 2 m and twice
 * the standard error of the trend. Fewer than five heights, or too flat: unknown.
 */
export function flowDirection(line: readonly Position[]): FlowDirection {
  const { distances_m, length_m } = centreLine(line);
  const known = line.flatMap(([, , z], i) =>
    typeof z === 'number' && Number.isFinite(z) ? [{ x: distances_m[i] as number, z }] : [],
  );
  if (known.length < 5) return 'unknown';
  const n = known.length;
  const mx = known.reduce((s, k) => s + k.x, 0) / n;
  const mz = known.reduce((s, k) => s + k.z, 0) / n;
  const sxx = known.reduce((s, k) => s + (k.x - mx) ** 2, 0);
  const sxz = known.reduce((s, k) => s + (k.x - mx) * (k.z - mz), 0);
  const slope = sxz / sxx;
  const residual = known.reduce((s, k) => s + (k.z - mz - slope * (k.x - mx)) ** 2, 0);
  const standardError = Math.sqrt(residual / Math.max(1, n - 2) / sxx);
  const fall_m = Math.abs(slope) * length_m;
  if (!(fall_m > LEAST_FALL_M && Math.abs(slope) > 2 * standardError)) return 'unknown';
  return slope < 0 ? 'as drawn' : 'against';
}
