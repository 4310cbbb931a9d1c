import type { StoredGround, StoredSample, StoredSeeding, StoredSpot } from '@riffle/contract';
import { chancesOfBest, gradeBelief, handsRecovery, type GradeBelief, type Recovery } from '@riffle/core';
import {
  groundColors,
  measureOf,
  samplesBySpot,
  spotGrades,
  type GroundColors,
  type SpotGrade,
} from '../../../ribbon/spotGrades.ts';

/** A spot with all that is believed of its grade. */
export interface SpotMeaning {
  readonly spot: StoredSpot;
  readonly samples: readonly StoredSample[];
  readonly grade: SpotGrade;
  readonly belief: GradeBelief;
  readonly volumeBank_L: number;
  /** What the panners of its samples keep, weighed by their volumes; null when one of them never seeded. */
  readonly hands: Recovery | null;
}
export interface Meaning {
  readonly colors: GroundColors;
  /** Best first: by the low end of the band, blanks last. */
  readonly spots: readonly SpotMeaning[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
}

/** Most spots compared at once. Of more, those with the best low end of their band stand in for all. */
const MOST_COMPARED = 200;

/** What the pans of a ground say of each sampled spot. */
export function meaningOf(
  ground: Pick<StoredGround, 'swell_percent'>,
  spots: readonly StoredSpot[],
  samples: readonly StoredSample[],
  seedings: readonly StoredSeeding[],
): Meaning {
  const colors = groundColors(samples, ground.swell_percent);
  const grades = spotGrades(samples, ground.swell_percent, colors);
  const bySpot = samplesBySpot(samples);
  const meant = spots.flatMap((spot): SpotMeaning[] => {
    const grade = grades.get(spot.id);
    const mine = bySpot.get(spot.id);
    if (!grade || !mine) return [];
    const panners = [...new Set(mine.map((s) => s.panner))];
    const seeded = panners.map((p) => seedings.filter((s) => p !== '' && s.panner === p));
    return [
      {
        spot,
        samples: mine,
        grade,
        volumeBank_L: grade.volumeBank_L,
        belief: gradeBelief(
          mine.map((s) => measureOf(s, ground.swell_percent)),
          { meanColor_mg: colors.blankColor_mg, weights_mg: colors.weights_mg, scatter_cv: colors.scatter?.cv ?? 0 },
        ),
        hands: seeded.every((s) => s.length > 0) ? handsRecovery(seeded.flat()) : null,
      },
    ];
  });
  const rank = (m: SpotMeaning): number => (m.grade.grade.kind === 'band' ? m.grade.grade.low_mg_L : -1);
  return { colors, grades, spots: meant.sort((a, b) => rank(b) - rank(a)) };
}

/** The spots that are compared, with the chance of each to be the best of them. */
export function bestOf(spots: readonly SpotMeaning[]): { readonly meant: SpotMeaning; readonly chance: number }[] {
  const compared = spots.slice(0, MOST_COMPARED);
  const chances = chancesOfBest(compared.map((m) => m.belief));
  return compared.map((meant, i) => ({ meant, chance: chances[i] ?? 0 })).sort((a, b) => b.chance - a.chance);
}
