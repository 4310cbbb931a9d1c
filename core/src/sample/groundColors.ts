import { bankVolume_L } from '../measures/containers.ts';
import { countColors, type ColorCounts, type ColorWeights } from './colorWeights.ts';
import { learnColorWeights, meansOf, type LearnedWeight, type WeighedClass } from './learnColorWeights.ts';
import { poolSamples } from './poolSamples.ts';
import { goldColor_mg, meanColor_mg, sampleGrade, type SampleGrade, type SampleMeasure } from './sampleGrade.ts';
import { betweenPanScatter, scatterVariance, type Scatter } from './scatter.ts';

/** A pan as it was taken: how much, in which state, what was counted and weighed. */
export interface PannedMeasure {
  readonly volume_L: number;
  readonly volumeState: 'loose' | 'bank';
  readonly counts: ColorCounts;
  readonly gold_mg: number | null;
}
/** A pan with the spot it is from. */
export interface SpotPan extends PannedMeasure {
  readonly spotId: string;
}

/** A sample in the bank: loose volumes shrink by the ground's swell. */
export const measureOf = (s: PannedMeasure, swell_percent: number): SampleMeasure => ({
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

/** Samples gathered by spot, in their order. */
export function samplesBySpot<S extends { readonly spotId: string }>(samples: readonly S[]): Map<string, S[]> {
  const bySpot = new Map<string, S[]>();
  for (const s of samples) {
    const mine = bySpot.get(s.spotId);
    if (mine) mine.push(s);
    else bySpot.set(s.spotId, [s]);
  }
  return bySpot;
}

export function groundColors(samples: readonly SpotPan[], swell_percent: number): GroundColors {
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
export function gradeOf(samples: readonly SpotPan[], swell_percent: number, colors: GroundColors): SampleGrade {
  const measured = samples.map((s) => measureOf(s, swell_percent));
  return sampleGrade(
    poolSamples(measured),
    gradeOptions(
      colors,
      measured.map((m) => m.volumeBank_L),
    ),
  );
}
