import { countColors } from '../sample/colorWeights.ts';
import { measureOf, samplesBySpot, type SpotPan } from '../sample/groundColors.ts';
import type { TracePoint } from './trace.ts';

/** Spots that were panned, all pans of each taken together, in the order of the spots. */
export function triedSpots(
  spots: readonly { readonly id: string; readonly distance_m: number }[],
  samples: readonly SpotPan[],
  swell_percent: number,
): TracePoint[] {
  const bySpot = samplesBySpot(samples);
  return spots.flatMap(({ id, distance_m }) => {
    const pans = bySpot.get(id);
    if (!pans) return [];
    return [
      {
        id,
        distance_m,
        colors: pans.reduce((sum, s) => sum + countColors(s.counts), 0),
        volumeBank_L: pans.reduce((sum, s) => sum + measureOf(s, swell_percent).volumeBank_L, 0),
      },
    ];
  });
}
