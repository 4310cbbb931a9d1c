import { beliefMean_mg_L, type GradeBelief } from './gradeBelief.ts';
import { groundColors, samplesBySpot, type GroundColors, type SpotPan } from './groundColors.ts';
import { handsForSizes, type SizedSeeding } from './handsOf.ts';
import { levelHole, type HolePit, type LeveledHole } from './hole.ts';
import type { Recovery } from './handsRecovery.ts';
import type { GroundGrades } from './poolGround.ts';
import { chancesOfBest } from './bestOfAll.ts';
import type { WeightSchool } from './colorWeights.ts';
import { gradeSpots, type SpotGrade } from './spotGrades.ts';

/** A spot with all that is believed of its grade. */
export interface SpotMeaning<Spot extends { readonly id: string }, Pan extends SpotPan> {
  readonly spot: Spot;
  readonly samples: readonly Pan[];
  readonly grade: SpotGrade;
  /** Its levels with their pans, for whoever asks how deep to go (`holeByHour`). */
  readonly leveled: LeveledHole<Pan>;
  /** Its grade with its ground in mind (`SpotGrade.pooled`). */
  readonly belief: GradeBelief;
  readonly volumeBank_L: number;
  /** What the panners of its samples keep of gold of its sizes; null when one of them never seeded such. */
  readonly hands: Recovery | null;
}
export interface Meaning<Spot extends { readonly id: string }, Pan extends SpotPan> {
  readonly colors: GroundColors;
  /** Richest first by what is believed of them. */
  readonly spots: readonly SpotMeaning<Spot, Pan>[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  /** What spots of this ground are like together; null before anything was panned. */
  readonly ground: GroundGrades | null;
}

/** Most spots compared at once. Of more, those of which most is believed stand in for all. */
const MOST_COMPARED = 200;

/** What the pans of a ground say of each sampled spot. */
export function meaningOf<Spot extends { readonly id: string }, Pan extends SpotPan & { readonly panner: string }>(
  {
    swell_percent,
    pits = [],
    school,
  }: { readonly swell_percent: number; readonly pits?: readonly HolePit[]; readonly school?: WeightSchool },
  spots: readonly Spot[],
  samples: readonly Pan[],
  seedings: readonly SizedSeeding[],
): Meaning<Spot, Pan> {
  const colors = groundColors(samples, swell_percent, school);
  const { grades, ground } = gradeSpots(samples, swell_percent, colors, pits);
  const bySpot = samplesBySpot(samples);
  const pitsBySpot = samplesBySpot(pits);
  const meant = spots.flatMap((spot): SpotMeaning<Spot, Pan>[] => {
    const grade = grades.get(spot.id);
    const mine = bySpot.get(spot.id);
    if (!grade || !mine) return [];
    return [
      {
        spot,
        samples: mine,
        grade,
        leveled: levelHole(mine, pitsBySpot.get(spot.id) ?? [], swell_percent, colors),
        volumeBank_L: grade.volumeBank_L,
        belief: grade.pooled,
        hands: handsForSizes(mine, seedings, colors.weights_mg),
      },
    ];
  });
  return {
    colors,
    grades,
    ground,
    spots: meant.sort((a, b) => beliefMean_mg_L(b.belief) - beliefMean_mg_L(a.belief)),
  };
}

/** The spots that are compared, with the chance of each to be the best of them. */
export function bestOf<M extends { readonly belief: GradeBelief }>(
  spots: readonly M[],
): { readonly meant: M; readonly chance: number }[] {
  const compared = spots.slice(0, MOST_COMPARED);
  const chances = chancesOfBest(compared.map((m) => m.belief));
  return compared.map((meant, i) => ({ meant, chance: chances[i] ?? 0 })).sort((a, b) => b.chance - a.chance);
}
