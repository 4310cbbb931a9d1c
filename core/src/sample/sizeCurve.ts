import { OutOfRange, requirePositive, requireWithin } from '../outOfRange.ts';

/** What stayed on one screen: its opening, and how much. The amount is a dry mass or a volume, the same all down the stack. */
export interface Kept {
  readonly aperture_mm: number;
  readonly kept: number;
}

/** A point of the size curve: percent of the whole finer than the opening. */
export interface CurvePoint {
  readonly aperture_mm: number;
  readonly passing_percent: number;
}

export interface SizeCurve {
  /** Fine first. */
  readonly points: readonly CurvePoint[];
  /** Everything found again: kept on the screens and through the last. */
  readonly foundAgain: number;
  /** Found again over what went in, percent; null when nobody measured what went in. 100 closes. */
  readonly closure_percent: number | null;
}

/**
 * Percent passing each screen of a stack. Definition: what lies on all finer screens and in the last pan, over the whole.
 * Source: ASTM C136 / D6913 practice.
 * @param through what passed the finest screen
 * @param wentIn measured before screening, null when not
 * @throws OutOfRange for a stack without a screen, two alike, a negative amount, or nothing found
 */
export function sizeCurve(stack: readonly Kept[], through: number, wentIn: number | null = null): SizeCurve {
  if (stack.length === 0) throw new OutOfRange('stack', 'empty', 'at least one screen');
  requireWithin('through', through, 0, 1e9);
  const fine = [...stack].sort((a, b) => a.aperture_mm - b.aperture_mm);
  fine.forEach((s, i) => {
    requirePositive('aperture_mm', s.aperture_mm, 'mm');
    requireWithin('kept', s.kept, 0, 1e9);
    if (s.aperture_mm === fine[i - 1]?.aperture_mm)
      throw new OutOfRange('aperture_mm', s.aperture_mm, 'each opening once');
  });
  const foundAgain = through + fine.reduce((sum, s) => sum + s.kept, 0);
  requirePositive('found again', foundAgain);
  if (wentIn !== null) requirePositive('wentIn', wentIn);
  let below = through;
  const points = fine.map(({ aperture_mm, kept }) => {
    const passing_percent = (100 * below) / foundAgain;
    below += kept;
    return { aperture_mm, passing_percent };
  });
  return { points, foundAgain, closure_percent: wentIn === null ? null : (100 * foundAgain) / wentIn };
}

/** Beyond these a split is weighed again: more came out than went in, or much was lost on the way. Common practice, no source. */
export const CLOSES_WITHIN_PERCENT = 3;

/**
 * The size that a share of the material is finer than (D10 at 10 ... D90 at 90), linear in percent against the logarithm of size between two screens.
 * Null below the finest or above the coarsest screen: nothing is made up beyond the stack.
 * Source: standard soil-mechanics practice (ASTM D6913, D2487).
 */
export function characteristicSize_mm(points: readonly CurvePoint[], percent: number): number | null {
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i] as CurvePoint, points[i + 1] as CurvePoint];
    if (percent < a.passing_percent || percent > b.passing_percent || b.passing_percent === a.passing_percent) continue;
    const share = (percent - a.passing_percent) / (b.passing_percent - a.passing_percent);
    return a.aperture_mm * (b.aperture_mm / a.aperture_mm) ** share;
  }
  return null;
}

/** Percent finer than any size, by the same interpolation; null beyond the stack. */
export function passingAt_percent(points: readonly CurvePoint[], size_mm: number): number | null {
  const exact = points.find((p) => p.aperture_mm === size_mm);
  if (exact) return exact.passing_percent;
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i] as CurvePoint, points[i + 1] as CurvePoint];
    if (size_mm < a.aperture_mm || size_mm > b.aperture_mm) continue;
    return (
      a.passing_percent +
      (b.passing_percent - a.passing_percent) *
        (Math.log(size_mm / a.aperture_mm) / Math.log(b.aperture_mm / a.aperture_mm))
    );
  }
  return null;
}

/** The size that half of what passes a screen is finer than; null where the stack does not reach so far up or down. */
export function medianThrough_mm(points: readonly CurvePoint[], screen_mm: number): number | null {
  const passing = passingAt_percent(points, screen_mm);
  return passing === null || passing <= 0 ? null : characteristicSize_mm(points, passing / 2);
}

/** Dry mass of a wet one. Definition: moisture is the water over the dry mass, percent (as in soil mechanics). */
export function dryMass(wet: number, moisture_percent: number): number {
  requireWithin('moisture_percent', moisture_percent, 0, 100, '%');
  return wet / (1 + moisture_percent / 100);
}
