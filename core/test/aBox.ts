import { USUAL_CREW_M3_S, type BoxSetting } from '../src/set/solveBox.ts';
import { USUAL_MIX } from '../src/set/goldMix.ts';
import type { LiningId } from '../src/set/linings.ts';

/** The box every practitioner sets: 10 in by 3 ft of riffles, 1/2 in/ft, 20 mm of water, half-inch gravel; some of it otherwise. */
export interface SomeBox {
  readonly lining?: LiningId;
  readonly width_in?: number;
  readonly length_m?: number;
  readonly pitch_in_ft?: number;
  readonly depth_mm?: number;
  readonly stone_in?: number;
}
export const aBox = (some: SomeBox = {}, more: Partial<BoxSetting> = {}): BoxSetting => ({
  sections: [
    {
      lining: some.lining ?? 'riffles',
      width_m: (some.width_in ?? 10) * 0.0254,
      length_m: some.length_m ?? 0.9144,
      step_m: 0,
    },
  ],
  slope: (some.pitch_in_ft ?? 0.5) / 12,
  water: { known: 'depth', depth_m: (some.depth_mm ?? 20) / 1000 },
  stone_m: (some.stone_in ?? 0.5) * 0.0254,
  crossFall_m: 0,
  temperature_C: 10,
  feed_m3_s: null,
  crew_m3_s: USUAL_CREW_M3_S,
  median_m: null,
  gold: USUAL_MIX,
  ...more,
});

/** Three linings in a row: something to see gold on, a trap, a carpet a little wider. */
export const THREE_SECTIONS: BoxSetting['sections'] = [
  { lining: 'indicator', width_m: 0.254, length_m: 0.2, step_m: 0 },
  { lining: 'riffles', width_m: 0.254, length_m: 0.6, step_m: 0.01 },
  { lining: 'carpet', width_m: 0.3, length_m: 0.5, step_m: 0.01 },
];
