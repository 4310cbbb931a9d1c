import { COLOR_CLASSES, NO_COLORS, type ColorCounts } from './colorWeights.ts';
import type { SampleMeasure } from './sampleGrade.ts';

/**
 * Several samples of one spot as one measurement: volumes and counts add. Weighed gold stands only when every sample that
 * showed gold was weighed; otherwise the counts speak, so that a weighed pan is not added to an un-weighed one.
 */
export function poolSamples(samples: readonly SampleMeasure[]): SampleMeasure {
  const counts = { ...NO_COLORS } as Record<keyof ColorCounts, number>;
  for (const s of samples) for (const c of COLOR_CLASSES) counts[c] += s.counts[c];
  const weighed = samples.every((s) => s.gold_mg !== undefined || COLOR_CLASSES.every((c) => s.counts[c] === 0));
  const gold_mg = samples.reduce((sum, s) => sum + (s.gold_mg ?? 0), 0);
  return {
    volumeBank_L: samples.reduce((sum, s) => sum + s.volumeBank_L, 0),
    counts,
    ...(weighed && gold_mg > 0 && { gold_mg }),
  };
}
