import { addCounts, COLOR_CLASSES } from './colorWeights.ts';
import type { SampleMeasure } from './sampleGrade.ts';

/**
 * Several samples of one spot as one measurement: volumes and counts add. Weighed gold stands only when every sample that
 * showed gold was weighed; otherwise the counts speak, so that a weighed pan is not added to an un-weighed one.
 */
export function poolSamples(samples: readonly SampleMeasure[]): SampleMeasure {
  const weighed = samples.every((s) => s.gold_mg !== undefined || COLOR_CLASSES.every((c) => s.counts[c] === 0));
  const gold_mg = samples.reduce((sum, s) => sum + (s.gold_mg ?? 0), 0);
  return {
    volumeBank_L: samples.reduce((sum, s) => sum + s.volumeBank_L, 0),
    counts: addCounts(samples.map((s) => s.counts)),
    ...(weighed && gold_mg > 0 && { gold_mg }),
  };
}
