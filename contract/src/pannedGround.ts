import { COLOR_CLASSES, WEIGHED_CLASSES, WEIGHT_SCHOOLS } from '@riffle/core';
import { z } from 'zod';
import { Id, Timestamp } from './shared.ts';

const figure = z.number();
const Band = z.object({ low: figure, high: figure });

const GradeBelief = z.object({ shape: figure, rate_L_mg: figure, commonLogSd: figure.optional() });

const SampleGrade = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('band'),
    grade_mg_L: figure,
    low_mg_L: figure,
    high_mg_L: figure,
    colors: figure,
    restsOn: z.enum(['counts', 'weight']),
    unweighedCoarse: figure,
  }),
  z.object({ kind: z.literal('blank'), lessThan_mg_L: figure, confidence: figure, blankColor_mg: figure }),
  z.object({ kind: z.literal('coarse only'), unweighedCoarse: figure }),
]);

const SpotGrade = z.object({
  spotId: Id,
  grade: SampleGrade,
  own: GradeBelief,
  pooled: GradeBelief,
  hole: z.object({
    levels: z
      .array(z.object({ from_m: figure, to_m: figure, samples: figure, grade: SampleGrade.nullable() }))
      .readonly(),
    stop: z.object({ level: figure, depth_m: figure }).nullable(),
    grade: SampleGrade,
    belief: GradeBelief,
    evidence: z.object({
      grade_mg_L: figure,
      oneColor_mg_L: figure,
      scatterVariance: figure,
      commonLogSd: figure,
    }),
  }),
  samples: figure,
  volumeBank_L: figure,
  blanks: figure,
  colors: figure,
  counted: figure,
  lastTaken_ms: figure,
});

const GroundColors = z.object({
  weights_mg: z.record(z.enum(WEIGHED_CLASSES), figure),
  learned: z.record(
    z.enum(WEIGHED_CLASSES),
    z.object({ mg: figure, low_mg: figure, high_mg: figure, usual_mg: figure, weighedColors: figure }),
  ),
  logCovariance: z.array(figure).readonly(),
  school: z.enum(WEIGHT_SCHOOLS),
  blankColor_mg: figure,
  blankLogSd: figure,
  oneMoreColor_mg: figure,
  luckColor_mg: figure,
  scatter: z
    .object({ cv: figure, low: figure, high: figure, variance: figure, spots: figure, pans: figure })
    .nullable(),
  panVariance: figure,
});

/** What all the pans of a ground come to: `pannedGround` of `core` of what is kept of it, and the crew's pace by `panningPace`. */
export const PannedGround = z.object({
  /** What was written up to this moment is in it; of what was written later some may be. */
  asOf: Timestamp,
  panned: z.object({
    samples: figure,
    counts: z.record(z.enum(COLOR_CLASSES), figure),
    colors: GroundColors,
    grades: z.array(SpotGrade).readonly(),
    together: z.object({ mean_mg_L: figure, cv: figure, meanBand: Band }).nullable(),
  }),
  pace: z.object({ pan_min: figure, from: figure }),
});
export type PannedGround = z.infer<typeof PannedGround>;
