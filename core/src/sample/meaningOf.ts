import { groundColors, measureOf, samplesBySpot, type GroundColors, type SpotPan } from './groundColors.ts';
import { handsRecovery, type Recovery } from './handsRecovery.ts';
import type { PannerSeeding } from './handsOf.ts';
import { chancesOfBest, gradeBelief, type GradeBelief } from './richer.ts';
import { spotGrades, type SpotGrade } from './spotGrades.ts';

/** A spot with all that is believed of its grade. */
export interface SpotMeaning<Spot extends { readonly id: string }, Pan extends SpotPan> {
  readonly spot: Spot;
  readonly samples: readonly Pan[];
  readonly grade: SpotGrade;
  readonly belief: GradeBelief;
  readonly volumeBank_L: number;
  /** What the panners of its samples keep, weighed by their volumes; null when one of them never seeded. */
  readonly hands: Recovery | null;
}
export interface Meaning<Spot extends { readonly id: string }, Pan extends SpotPan> {
  readonly colors: GroundColors;
  /** Best first: by the low end of the band, blanks last. */
  readonly spots: readonly SpotMeaning<Spot, Pan>[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
}

/** Most spots compared at once. Of more, those with the best low end of their band stand in for all. */
const MOST_COMPARED = 200;

/** What the pans of a ground say of each sampled spot. */
export function meaningOf<Spot extends { readonly id: string }, Pan extends SpotPan & { readonly panner: string }>(
  ground: { readonly swell_percent: number },
  spots: readonly Spot[],
  samples: readonly Pan[],
  seedings: readonly PannerSeeding[],
): Meaning<Spot, Pan> {
  const colors = groundColors(samples, ground.swell_percent);
  const grades = spotGrades(samples, ground.swell_percent, colors);
  const bySpot = samplesBySpot(samples);
  const meant = spots.flatMap((spot): SpotMeaning<Spot, Pan>[] => {
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
  const rank = (m: SpotMeaning<Spot, Pan>): number => (m.grade.grade.kind === 'band' ? m.grade.grade.low_mg_L : -1);
  return { colors, grades, spots: meant.sort((a, b) => rank(b) - rank(a)) };
}

/** The spots that are compared, with the chance of each to be the best of them. */
export function bestOf<M extends { readonly belief: GradeBelief }>(
  spots: readonly M[],
): { readonly meant: M; readonly chance: number }[] {
  const compared = spots.slice(0, MOST_COMPARED);
  const chances = chancesOfBest(compared.map((m) => m.belief));
  return compared.map((meant, i) => ({ meant, chance: chances[i] ?? 0 })).sort((a, b) => b.chance - a.chance);
}
