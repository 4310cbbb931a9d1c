import { bankVolume_L } from '../measures/containers.ts';
import {
  addCounts,
  countColors,
  countedGold_mg,
  type ColorCounts,
  type ColorWeights,
  type WeighedClass,
  type WeightSchool,
} from './colorWeights.ts';
import { learnColorWeights, meansOf, weightLogVariance, type LearnedWeight } from './learnColorWeights.ts';
import { replicatesOf, type LeveledPan } from './levels.ts';
import {
  evidenceOf,
  goldColor_mg,
  goldOf,
  gradeFrom,
  meanColor_mg,
  type Evidence,
  type GradeOptions,
  type SampleGrade,
  type SampleMeasure,
} from './sampleGrade.ts';
import { betweenPanScatter, scatterVariance, USUAL_SCATTER_VARIANCE, type Scatter } from './scatter.ts';

/** A pan as it was taken: how much, in which state, what was counted and weighed. */
export interface PannedMeasure {
  readonly volume_L: number;
  readonly volumeState: 'loose' | 'bank';
  readonly counts: ColorCounts;
  readonly gold_mg: number | null;
}
/** A pan with the spot it is from, its layer or depth there, and, where anyone asks how long that is ago, when it was taken. */
export interface SpotPan extends PannedMeasure, LeveledPan {
  readonly spotId: string;
  readonly takenAt?: string;
  /** The same, milliseconds since 1970, where it need not be read from `takenAt`. */
  readonly takenAt_ms?: number;
}

/** A sample in the bank: loose volumes shrink by the ground's swell. */
export const measureOf = (s: PannedMeasure, swell_percent: number): SampleMeasure => ({
  volumeBank_L: s.volumeState === 'bank' ? s.volume_L : bankVolume_L(s.volume_L, swell_percent),
  counts: s.counts,
  ...(s.gold_mg !== null && { gold_mg: s.gold_mg }),
});

/** What a ground's own pans teach about its colors: what they weigh, and how much pans of one place differ. */
export interface GroundColors {
  readonly weights_mg: ColorWeights;
  readonly learned: Readonly<Record<WeighedClass, LearnedWeight>>;
  /** How unsure the weights are together (see `learnColorWeights`). */
  readonly logCovariance: readonly number[];
  readonly school: WeightSchool;
  /** Mean weight of a color: what one would weigh where a blank was panned. */
  readonly blankColor_mg: number;
  /** Deviation of the logarithm of that weight. */
  readonly blankLogSd: number;
  /** The color its gold sits in: what one more could have weighed. */
  readonly oneMoreColor_mg: number;
  /**
   * The color whose luck a count of this ground has, coarse pieces and the spread of weights in weighed pans included: the gold of a spot over this is
   * its count when spots are compared. One for the whole ground: a spot that happened on a picker is not less sure than one that happened on none.
   */
  readonly luckColor_mg: number;
  /** Null until some place has two pans with color of one layer and depth. */
  readonly scatter: Scatter | null;
  /** What a band takes for it: the ground's own, or what gravel usually has. */
  readonly panVariance: number;
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

/** The one place where it is settled what a color weighs on a ground: everything that turns counts into gold takes it from here. */
export function groundColors(
  samples: readonly SpotPan[],
  swell_percent: number,
  school: WeightSchool = 'geometry',
): GroundColors {
  const { classes, logCovariance } = learnColorWeights(
    samples.flatMap((s) =>
      s.gold_mg !== null && countColors(s.counts) > s.counts['+10'] ? [{ counts: s.counts, gold_mg: s.gold_mg }] : [],
    ),
    school,
    addCounts(samples.map((s) => s.counts)),
  );
  const scatter = betweenPanScatter(
    [...samplesBySpot(samples).values()].flatMap((pans) =>
      replicatesOf(pans).map((same) =>
        same.map((s) => ({ colors: countColors(s.counts), volumeBank_L: measureOf(s, swell_percent).volumeBank_L })),
      ),
    ),
  );
  const weights_mg = meansOf({ classes, logCovariance });
  const known = withCounts(
    {
      weights_mg,
      learned: classes,
      logCovariance,
      school,
      scatter,
      panVariance: scatter?.variance ?? USUAL_SCATTER_VARIANCE,
    },
    samples.map((s) => s.counts),
  );
  let [gold_mg, variance_mg2] = [0, 0];
  for (const s of samples) {
    const of = goldOf({ counts: s.counts, gold_mg: s.gold_mg ?? undefined }, weights_mg, known.oneMoreColor_mg);
    gold_mg += of?.gold_mg ?? 0;
    variance_mg2 += of?.variance_mg2 ?? 0;
  }
  return { ...known, luckColor_mg: gold_mg > 0 ? variance_mg2 / gold_mg : known.oneMoreColor_mg };
}

/** The same knowledge with other counts to say what a color weighs and the heaviest that may come. */
export function withCounts(
  known: Omit<GroundColors, 'blankColor_mg' | 'blankLogSd' | 'oneMoreColor_mg' | 'luckColor_mg'>,
  counts: readonly ColorCounts[],
): GroundColors {
  const { weights_mg, logCovariance } = known;
  const all = addCounts(counts);
  const usual = { ...all, '20-40': 1 };
  const counted = weightLogVariance(all, weights_mg, logCovariance);
  const oneMoreColor_mg = goldColor_mg([all], weights_mg) ?? weights_mg['20-40'];
  return {
    luckColor_mg: oneMoreColor_mg,
    ...known,
    blankColor_mg: meanColor_mg([all], weights_mg) ?? weights_mg['20-40'],
    blankLogSd: Math.sqrt(counted > 0 ? counted : weightLogVariance(usual, weights_mg, logCovariance)),
    oneMoreColor_mg,
  };
}

/** How well the swell of a ground is known, as the deviation of its logarithm: 12 % and 25 % are both gravel. Common practice, no source. */
const SWELL_LOG_SD = 0.05;

/** Deviation of the logarithm of what some pans share: the weight of a color where it was counted and not weighed, and the swell of loose volumes. */
export function commonLogSd(samples: readonly PannedMeasure[], colors: GroundColors): number {
  const byCount = samples.filter((s) => s.gold_mg === null);
  const counts = addCounts(byCount.map((s) => s.counts));
  const gold = (some: readonly PannedMeasure[]): number =>
    some.reduce((sum, s) => sum + (s.gold_mg ?? countedGold_mg(s.counts, colors.weights_mg)), 0);
  const [counted, all] = [gold(byCount), gold(samples)];
  const ofWeights =
    all > 0
      ? weightLogVariance(counts, colors.weights_mg, colors.logCovariance) * (counted / all) ** 2
      : colors.blankLogSd ** 2;
  return Math.sqrt(ofWeights + (samples.some((s) => s.volumeState === 'loose') ? SWELL_LOG_SD ** 2 : 0));
}

/** How some pans of one level are graded on this ground. */
export const gradeOptions = (
  samples: readonly PannedMeasure[],
  volumes_L: readonly number[],
  colors: GroundColors,
): GradeOptions => ({
  weights_mg: colors.weights_mg,
  blankColor_mg: colors.blankColor_mg,
  oneMoreColor_mg: colors.oneMoreColor_mg,
  scatterVariance: scatterVariance(volumes_L, colors.panVariance),
  commonLogSd: commonLogSd(samples, colors),
});

/** Evidence and grade of some pans of one level taken together. */
export function gradeOfLevel(
  samples: readonly PannedMeasure[],
  swell_percent: number,
  colors: GroundColors,
): { readonly evidence: Evidence; readonly options: GradeOptions; readonly grade: SampleGrade } {
  const measured = samples.map((s) => measureOf(s, swell_percent));
  const evidence = evidenceOf(measured, colors.weights_mg, colors.oneMoreColor_mg);
  const options = gradeOptions(
    samples,
    measured.map((m) => m.volumeBank_L),
    colors,
  );
  return { evidence, options, grade: gradeFrom(evidence, options) };
}

/** Grade of some pans of one level taken together. */
export const gradeOf = (samples: readonly PannedMeasure[], swell_percent: number, colors: GroundColors): SampleGrade =>
  gradeOfLevel(samples, swell_percent, colors).grade;
