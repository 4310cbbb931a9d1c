import { countColors } from './colorWeights.ts';
import { gradeOf, groundColors, measureOf, samplesBySpot, type SpotPan } from './groundColors.ts';
import type { SampleGrade } from './sampleGrade.ts';

/** What the pans of one spot said, taken together. */
export interface SpotGrade {
  readonly spotId: string;
  readonly grade: SampleGrade;
  readonly samples: number;
  readonly volumeBank_L: number;
  readonly blanks: number;
}

/** Grade of every sampled spot of a ground. */
export function spotGrades(
  samples: readonly SpotPan[],
  swell_percent: number,
  colors = groundColors(samples, swell_percent),
): Map<string, SpotGrade> {
  return new Map(
    [...samplesBySpot(samples)].map(([spotId, some]) => [
      spotId,
      {
        spotId,
        grade: gradeOf(some, swell_percent, colors),
        samples: some.length,
        volumeBank_L: some.reduce((sum, s) => sum + measureOf(s, swell_percent).volumeBank_L, 0),
        blanks: some.filter((s) => countColors(s.counts) === 0 && s.gold_mg === null).length,
      },
    ]),
  );
}

/** The best spot: highest low end of its band, so that one lucky pan does not outrank four good ones. */
export function bestSpot(grades: Iterable<SpotGrade>): (SpotGrade & { grade: SampleGrade & { kind: 'band' } }) | null {
  const banded = [...grades].flatMap((g) => (g.grade.kind === 'band' ? [{ ...g, grade: g.grade }] : []));
  return banded.sort((a, b) => b.grade.low_mg_L - a.grade.low_mg_L)[0] ?? null;
}

/** What stands for a spot when proven ones are listed first: the low end of its band; then coarse pieces, blanks, and what was never panned. */
export const provenRank = (g: SpotGrade | undefined): number => {
  if (!g) return -2;
  if (g.grade.kind === 'band') return g.grade.low_mg_L;
  return g.grade.kind === 'coarse only' ? 0 : -1;
};
