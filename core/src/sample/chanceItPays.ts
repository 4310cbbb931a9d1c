import { requireWithin } from '../outOfRange.ts';
import type { GroundGrades } from './poolGround.ts';
import { normalCdf } from '../maths/normal.ts';

/**
 * Chance that a pan at a place reaches a cut-off, from a kriged grade and its standard deviation. Grades are skewed and never below nothing, so the place is
 * taken as lognormal with that mean and deviation: s^2 = ln(1 + (sd/mean)^2), mu = ln(mean) - s^2/2 (moments of the lognormal, any statistics text);
 * that it is lognormal is an assumption. Kriging's deviation is that of a point, so this speaks of a pan there, not of the mean of a whole cell.
 * @param grade_mg_L  from 0 up; 0 has no chance at any cut-off above 0
 * @param sd_mg_L     from 0 up
 * @param cutoff_mg_L from 0 up; all ground reaches 0
 * @param togetherLogSd  deviation of the logarithm by which all of the map may be off together, as likely up as down
 * @throws OutOfRange naming what lies below 0
 */
export function chanceItPays(grade_mg_L: number, sd_mg_L: number, cutoff_mg_L: number, togetherLogSd = 0): number {
  requireWithin('grade_mg_L', grade_mg_L, 0, Infinity, 'mg/L');
  requireWithin('sd_mg_L', sd_mg_L, 0, Infinity, 'mg/L');
  requireWithin('cutoff_mg_L', cutoff_mg_L, 0, Infinity, 'mg/L');
  if (cutoff_mg_L === 0) return 1;
  if (grade_mg_L === 0) return 0;
  if (sd_mg_L === 0 && togetherLogSd === 0) return grade_mg_L >= cutoff_mg_L ? 1 : 0;
  const variance = Math.log1p((sd_mg_L / grade_mg_L) ** 2);
  return normalCdf((Math.log(grade_mg_L / cutoff_mg_L) - variance / 2) / Math.sqrt(variance + togetherLogSd ** 2));
}

/** So many samples as the ground itself counts beside those that made a map. Stated assumption, from maps of simulated ground. */
const GROUND_COUNTS = 8;
const Z90 = 1.645;

/**
 * Chance that a place of a map pays. A map made of few samples is a guess of where the rich is: so far the belief stays with the ground as a whole, where a
 * place is log-normal with its mean and spread.
 * @param samples that made the map
 */
export function chanceOnMap(
  grade_mg_L: number,
  sd_mg_L: number,
  cutoff_mg_L: number,
  ground: GroundGrades,
  samples: number,
  commonLogSd: number,
): number {
  // Few samples may have missed what makes the ground rich, or happened on it: that moves all of the map together.
  const together = Math.hypot(commonLogSd, Math.log(ground.meanBand.high / ground.meanBand.low) / (2 * Z90));
  const here = chanceItPays(grade_mg_L, sd_mg_L, cutoff_mg_L, together);
  const anywhere = chanceItPays(ground.mean_mg_L, ground.cv * ground.mean_mg_L, cutoff_mg_L, together);
  return (samples * here + GROUND_COUNTS * anywhere) / (samples + GROUND_COUNTS);
}
