import { beliefMean_mg_L } from '../sample/gradeBelief.ts';
import { groundColors } from '../sample/groundColors.ts';
import { chanceRicher } from '../sample/richer.ts';
import { bestSpot, gradeSpots } from '../sample/spotGrades.ts';
import type { SpotPan } from '../sample/groundColors.ts';
import type { ReplayedGround } from './replayChances.ts';

/** A place that was the best of those panned until then, what was said of it, and what pans taken there on later days made of it. */
export interface ReplayedBest {
  readonly spotId: string;
  /** The day whose pans made it the best, YYYY-MM-DD by Greenwich. */
  readonly namedOn: string;
  readonly said_mg_L: number;
  readonly low_mg_L: number;
  readonly high_mg_L: number;
  readonly came_mg_L: number;
  readonly laterPans: number;
  /** Said and came are no further apart than the luck of both makes them in nine of ten. */
  readonly held: boolean;
}

/** The days panned last: more would take longer than anyone waits for a page. */
const MOST_DAYS = 60;
/** Said and came part where one is above the other with a chance of more than this: nine in ten lie between, were both one grade. */
const PART = 0.95;

/**
 * Goes through the book again, day by day: each time another place became the best, what would have been said of its grade, by today's rules, and what the
 * pans taken there on later days say by themselves. A place never panned again makes no record. Said and came each have their own luck: they part only
 * where `chanceRicher` is sure which of them is the larger. Latest first.
 */
export function replayBest<Pan extends SpotPan>({
  samples,
  pits,
  swell_percent,
  school,
}: Pick<ReplayedGround<Pan>, 'samples' | 'pits' | 'swell_percent' | 'school'>): ReplayedBest[] {
  const dayOf = (s: { readonly takenAt: string }): string => s.takenAt.slice(0, 10);
  const days = [...new Set(samples.map(dayOf))].sort().slice(-MOST_DAYS);
  const colorsOf = (some: readonly Pan[]) => groundColors(some, swell_percent, school);
  // What a color weighs and how pans of one place differ is known best from the whole book: what came is graded by that.
  const colors = colorsOf(samples);
  const named: ReplayedBest[] = [];
  let before: string | null = null;
  for (const namedOn of days) {
    const until = samples.filter((s) => dayOf(s) <= namedOn);
    const best = bestSpot(gradeSpots(until, swell_percent, colorsOf(until), pits).grades.values());
    if (!best || best.spotId === before) continue;
    before = best.spotId;
    const later = samples.filter((s) => s.spotId === best.spotId && dayOf(s) > namedOn);
    const came = gradeSpots(later, swell_percent, colors, pits).grades.get(best.spotId)?.own;
    if (!came) continue;
    const saidAbove = chanceRicher(best.pooled, came);
    named.push({
      spotId: best.spotId,
      namedOn,
      said_mg_L: best.pulled.grade_mg_L,
      low_mg_L: best.pulled.low_mg_L,
      high_mg_L: best.pulled.high_mg_L,
      came_mg_L: beliefMean_mg_L(came),
      laterPans: later.length,
      held: saidAbove <= PART && saidAbove >= 1 - PART,
    });
  }
  return named.reverse();
}
