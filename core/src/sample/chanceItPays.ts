import { requireWithin } from '../outOfRange.ts';
import { normalCdf } from '../maths/normal.ts';

/**
 * Chance that a pan at a place reaches a cut-off, from a kriged grade and its standard deviation. Grades are skewed and never below nothing, so the place is
 * taken as lognormal with that mean and deviation: s^2 = ln(1 + (sd/mean)^2), mu = ln(mean) - s^2/2 (moments of the lognormal, any statistics text);
 * that it is lognormal is an assumption. Kriging's deviation is that of a point, so this speaks of a pan there, not of the mean of a whole cell.
 * @param grade_mg_L  from 0 up; 0 has no chance at any cut-off above 0
 * @param sd_mg_L     from 0 up
 * @param cutoff_mg_L from 0 up; all ground reaches 0
 * @throws OutOfRange naming what lies below 0
 */
export function chanceItPays(grade_mg_L: number, sd_mg_L: number, cutoff_mg_L: number): number {
  requireWithin('grade_mg_L', grade_mg_L, 0, Infinity, 'mg/L');
  requireWithin('sd_mg_L', sd_mg_L, 0, Infinity, 'mg/L');
  requireWithin('cutoff_mg_L', cutoff_mg_L, 0, Infinity, 'mg/L');
  if (cutoff_mg_L === 0) return 1;
  if (grade_mg_L === 0) return 0;
  if (sd_mg_L === 0) return grade_mg_L >= cutoff_mg_L ? 1 : 0;
  const variance = Math.log1p((sd_mg_L / grade_mg_L) ** 2);
  return normalCdf((Math.log(grade_mg_L / cutoff_mg_L) - variance / 2) / Math.sqrt(variance));
}
