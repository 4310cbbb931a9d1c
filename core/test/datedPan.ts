import { NO_COLORS } from '../src/sample/colorWeights.ts';
import type { SpotPan } from '../src/sample/groundColors.ts';

/** A pan of 5 loose litres on a day of May, with so many fine colors in it. */
export const datedPan = (spotId: string, day: number, fine: number): SpotPan & { readonly takenAt: string } => ({
  spotId,
  takenAt: `2026-05-${String(day).padStart(2, '0')}T10:00:00.000Z`,
  depth_m: 0.3,
  layerId: null,
  volume_L: 5,
  volumeState: 'loose',
  counts: { ...NO_COLORS, '-40': fine },
  gold_mg: null,
});
