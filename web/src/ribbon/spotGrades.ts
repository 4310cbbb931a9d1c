import type { StoredSample } from '@riffle/contract';
import {
  bankVolume_L,
  betweenPanScatter,
  countColors,
  goldColor_mg,
  learnColorWeights,
  meanColor_mg,
  meansOf,
  poolSamples,
  sampleGrade,
  scatterVariance,
  type ColorCounts,
  type ColorWeights,
  type LearnedWeight,
  type SampleGrade,
  type SampleMeasure,
  type Scatter,
  type WeighedClass,
} from '@riffle/core';

/** What the pans of one spot said, taken together. */
export interface SpotGrade {
  readonly spotId: string;
  readonly grade: SampleGrade;
  readonly samples: number;
  readonly volumeBank_L: number;
  readonly blanks: number;
}

/** A sample in the bank: loose volumes shrink by the ground's swell. */
export const measureOf = (
  s: Pick<StoredSample, 'volume_L' | 'volumeState' | 'counts' | 'gold_mg'>,
  swell_percent: number,
): SampleMeasure => ({
  volumeBank_L: s.volumeState === 'bank' ? s.volume_L : bankVolume_L(s.volume_L, swell_percent),
  counts: s.counts,
  ...(s.gold_mg !== null && { gold_mg: s.gold_mg }),
});

/** What a ground's own pans teach about its colors: what they weigh, and how much pans of one spot differ. */
export interface GroundColors {
  readonly weights_mg: ColorWeights;
  readonly learned: Readonly<Record<WeighedClass, LearnedWeight>>;
  /** Mean weight of a color: what one would weigh where a blank was panned. */
  readonly blankColor_mg: number;
  /** The color its gold sits in: what one more could have weighed. */
  readonly oneMoreColor_mg: number;
  /** Null until some spot has two pans with color. */
  readonly scatter: Scatter | null;
}

type Panned = Pick<StoredSample, 'spotId' | 'volume_L' | 'volumeState' | 'counts' | 'gold_mg'>;

/** Samples gathered by spot, in their order. */
export function samplesBySpot<S extends Pick<StoredSample, 'spotId'>>(samples: readonly S[]): Map<string, S[]> {
  const bySpot = new Map<string, S[]>();
  for (const s of samples) {
    const mine = bySpot.get(s.spotId);
    if (mine) mine.push(s);
    else bySpot.set(s.spotId, [s]);
  }
  return bySpot;
}

export function groundColors(samples: readonly Panned[], swell_percent: number): GroundColors {
  const counts = samples.map((s) => s.counts);
  const learned = learnColorWeights(
    samples.flatMap((s) =>
      s.gold_mg !== null && countColors(s.counts) > s.counts['+10'] ? [{ counts: s.counts, gold_mg: s.gold_mg }] : [],
    ),
  );
  const weights_mg = meansOf(learned);
  const bySpot = samplesBySpot(samples);
  return {
    weights_mg,
    learned,
    blankColor_mg: meanColor_mg(counts, weights_mg) ?? weights_mg['20-40'],
    oneMoreColor_mg: goldColor_mg(counts, weights_mg) ?? weights_mg['20-40'],
    scatter: betweenPanScatter(
      [...bySpot.values()].map((pans) =>
        pans.map((s) => ({ colors: countColors(s.counts), volumeBank_L: measureOf(s, swell_percent).volumeBank_L })),
      ),
    ),
  };
}

/** The same knowledge with other counts to say what a color weighs and the heaviest that may come. */
export const withCounts = (known: GroundColors, counts: readonly ColorCounts[]): GroundColors => ({
  ...known,
  blankColor_mg: meanColor_mg(counts, known.weights_mg) ?? known.weights_mg['20-40'],
  oneMoreColor_mg: goldColor_mg(counts, known.weights_mg) ?? known.weights_mg['20-40'],
});

/** How some pans of one place are graded on this ground. */
export const gradeOptions = (
  { weights_mg, blankColor_mg, oneMoreColor_mg, scatter }: GroundColors,
  volumes_L: readonly number[],
) => ({ weights_mg, blankColor_mg, oneMoreColor_mg, scatterVariance: scatterVariance(volumes_L, scatter?.cv ?? 0) });

/** Grade of some pans taken together. */
export function gradeOf(samples: readonly Panned[], swell_percent: number, colors: GroundColors): SampleGrade {
  const measured = samples.map((s) => measureOf(s, swell_percent));
  return sampleGrade(
    poolSamples(measured),
    gradeOptions(
      colors,
      measured.map((m) => m.volumeBank_L),
    ),
  );
}

/** Grade of every sampled spot of a ground. */
export function spotGrades(
  samples: readonly StoredSample[],
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
