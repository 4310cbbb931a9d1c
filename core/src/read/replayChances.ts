import type { ColorCounts, WeightSchool } from '../sample/colorWeights.ts';
import { groundColors, type SpotPan } from '../sample/groundColors.ts';
import type { HolePit } from '../sample/hole.ts';
import { gradeSpots } from '../sample/spotGrades.ts';
import type { SignSeen, SpotSeen } from './gatherPlaces.ts';
import type { JoiningGround } from './mouths.ts';
import { rankPlaces } from './rankPlaces.ts';
import type { RankingRules } from './worthAPan.ts';

/** What was said of a place before its first pan, and whether its pans then paid. */
export interface ReplayedChance {
  readonly spotId: string;
  readonly takenAt: string;
  readonly said: number;
  readonly paid: boolean;
}

export interface ReplayedGround<Pan extends SpotPan> {
  readonly spots: readonly (SpotSeen & { readonly samplePlanId: string | null })[];
  readonly signs: readonly (SignSeen & { readonly seenAt: string })[];
  readonly draws: readonly JoiningGround[];
  readonly samples: readonly (Pan & { readonly takenAt: string; readonly counts: ColorCounts })[];
  readonly pits: readonly HolePit[];
  readonly swell_percent: number;
  readonly school: WeightSchool;
}

/** The places panned last: more would take longer than anyone waits for a page. */
const MOST = 60;

/**
 * Goes through the book again, pan by pan: what would have been said of each place before its first pan, from the pans and signs there were by then,
 * and whether its own pans then reached what pays. By today's rules, not by those of that day.
 */
export function replayChances<Pan extends SpotPan>(
  { spots, signs, draws, samples, pits, swell_percent, school }: ReplayedGround<Pan>,
  rules: Pick<RankingRules, 'pays_mg_L' | 'reach_m' | 'priors'>,
): ReplayedChance[] {
  const order = [...samples].sort((a, b) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : 0));
  const first = new Map<string, string>();
  for (const s of order) if (!first.has(s.spotId)) first.set(s.spotId, s.takenAt);
  const now = gradeSpots(samples, swell_percent, groundColors(samples, swell_percent, school), pits).grades;
  return [...first]
    .filter(([spotId]) => spots.some((s) => s.id === spotId && s.samplePlanId === null))
    .slice(-MOST)
    .flatMap(([spotId, takenAt]): ReplayedChance[] => {
      const before = order.filter((s) => s.takenAt < takenAt);
      const { grades, ground } = gradeSpots(before, swell_percent, groundColors(before, swell_percent, school), pits);
      const { ranked } = rankPlaces(
        spots,
        signs.filter((s) => s.seenAt < takenAt),
        draws,
        grades,
        { ...rules, ...(ground && { spotCv: ground.cv }) },
        null,
        Date.parse(takenAt),
      );
      const at = ranked.find((r) => r.place.spotId === spotId);
      const grade = now.get(spotId)?.grade;
      if (!at || !grade || grade.kind === 'coarse only') return [];
      return [{ spotId, takenAt, said: at.chance, paid: grade.kind === 'band' && grade.grade_mg_L >= rules.pays_mg_L }];
    });
}
