import type { StoredSample } from '@riffle/contract';
import { bankVolume_L, COLOR_MG, countColors, heaviestColor_mg, meanColor_mg, poolSamples, sampleGrade, type SampleGrade, type SampleMeasure } from '@riffle/core';

/** What the pans of one spot said, taken together. */
export interface SpotGrade {
  readonly spotId: string;
  readonly grade: SampleGrade;
  readonly samples: number;
  readonly volumeBank_L: number;
  readonly blanks: number;
}

/** A sample in the bank: loose volumes shrink by the ground's swell. */
export const measureOf = (s: Pick<StoredSample, 'volume_L' | 'volumeState' | 'counts' | 'gold_mg'>, swell_percent: number): SampleMeasure => ({
  volumeBank_L: s.volumeState === 'bank' ? s.volume_L : bankVolume_L(s.volume_L, swell_percent),
  counts: s.counts,
  ...(s.gold_mg !== null && { gold_mg: s.gold_mg }),
});

/** What a ground's own colors say about one that was not seen: its mean weight for a blank, the heaviest class for the band. */
export function groundColors(samples: readonly StoredSample[]): { blankColor_mg: number; oneMoreColor_mg: number } {
  const counts = samples.map((s) => s.counts);
  return { blankColor_mg: meanColor_mg(counts) ?? COLOR_MG['20-40'], oneMoreColor_mg: heaviestColor_mg(counts) ?? COLOR_MG['20-40'] };
}

/** Grade of every sampled spot of a ground. */
export function spotGrades(samples: readonly StoredSample[], swell_percent: number): Map<string, SpotGrade> {
  const colors = groundColors(samples);
  const bySpot = new Map<string, StoredSample[]>();
  for (const s of samples) bySpot.set(s.spotId, [...(bySpot.get(s.spotId) ?? []), s]);
  return new Map([...bySpot].map(([spotId, some]) => {
    const pooled = poolSamples(some.map((s) => measureOf(s, swell_percent)));
    return [spotId, { spotId, grade: sampleGrade(pooled, colors), samples: some.length, volumeBank_L: pooled.volumeBank_L, blanks: some.filter((s) => countColors(s.counts) === 0 && s.gold_mg === null).length }];
  }));
}

/** The best spot: highest low end of its band, so that one lucky pan does not outrank four good ones. */
export function bestSpot(grades: Iterable<SpotGrade>): (SpotGrade & { grade: SampleGrade & { kind: 'band' } }) | null {
  const banded = [...grades].flatMap((g) => (g.grade.kind === 'band' ? [{ ...g, grade: g.grade }] : []));
  return banded.sort((a, b) => b.grade.low_mg_L - a.grade.low_mg_L)[0] ?? null;
}
