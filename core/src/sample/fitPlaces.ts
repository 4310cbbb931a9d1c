import { OutOfRange } from '../outOfRange.ts';
import type { GroundGrades } from './poolGround.ts';
import { empiricalVariogram, fitVariogram, type Variogram, type VariogramBin } from './variogram.ts';

/** Fewer places than these show no variogram. */
const LEAST_PLACES = 4;
const BINS = 12;

/**
 * The empirical variogram of graded places out to half their spread in twelve bins, and the model fitted to it.
 * `streak`: how many times farther places are alike along x than across; distances along are shortened by it first.
 * Grades that are pulled toward their ground differ less than the ground does: `together` says how much it does, and bins and model are raised to that.
 * No fit where there are too few places, no spread, or nothing that differs.
 */
export function fitPlaces(
  all: readonly { readonly x_m: number; readonly y_m: number; readonly grade_mg_L: number }[],
  model: Variogram['model'],
  streak: number,
  together: GroundGrades | null = null,
): { readonly bins: VariogramBin[]; readonly fitted: Variogram | null } {
  if (all.length < LEAST_PLACES) return { bins: [], fitted: null };
  const points = all.map((p) => ({ x_m: p.x_m / streak, y_m: p.y_m, value: p.grade_mg_L }));
  const spread = (values: readonly number[]): number => Math.max(...values) - Math.min(...values);
  const span_m = Math.hypot(spread(points.map((p) => p.x_m)), spread(points.map((p) => p.y_m)));
  if (!(span_m > 0)) return { bins: [], fitted: null };
  const found = empiricalVariogram(points, span_m / 2, span_m / 2 / BINS);
  const mean = points.reduce((sum, p) => sum + p.value, 0) / points.length;
  const seen = points.reduce((sum, p) => sum + (p.value - mean) ** 2, 0) / points.length;
  const wider = together && seen > 0 ? Math.max(1, (together.cv * together.mean_mg_L) ** 2 / seen) : 1;
  const bins = found.map((b) => ({ ...b, gamma: b.gamma * wider }));
  try {
    const fit = fitVariogram(bins, model);
    return { bins, fitted: fit.nugget + fit.partialSill > 0 ? fit : null };
  } catch (error) {
    if (!(error instanceof OutOfRange)) throw error;
    return { bins, fitted: null };
  }
}
