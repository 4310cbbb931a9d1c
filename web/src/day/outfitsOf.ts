import type { StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import type { Outfit, Unsure } from '@riffle/core';
import { rigSections } from '../api/rigSections.ts';

/** What a rig weighs where nobody said, kg: a box by the square metre of its floor, a washer with its motor and battery. Common practice, no source. */
const BOX_KG_M2 = 24;
const WASHER_KG = 38;
/** Buckets an hour through a box and a washer, pans an hour, where nobody timed them. Common practice, no source. */
const [BOX_BUCKETS_H, WASHER_BUCKETS_H, PANS_H] = [8, 4, 8] as const;
/** What each loses, and how unsure that is. Stated assumptions. */
const LOST: Readonly<Record<'box' | 'washer' | 'pan' | 'dry pan', Unsure>> = {
  box: { middle: 0.15, logSd: 0.5 },
  washer: { middle: 0.27, logSd: 0.4 },
  pan: { middle: 0.1, logSd: 0.4 },
  'dry pan': { middle: 0.25, logSd: 0.4 },
};
const [USUAL_SD, OWN_SD] = [0.35, 0.15] as const;
/** Set-up takes about five minutes when it goes well, and several tries when not. Common practice, no source. */
const SETUP_H = { box: 0.4, washer: 0.6 } as const;
/** Less than this through a rig says nothing of its pace. */
const LEAST_H = 0.5;

export const PANS = 'pans';

/** What a rig weighs, by its size where nobody said. */
export const usualWeight_kg = (rig: StoredRig): number =>
  rig.washer ? WASHER_KG : Math.round(BOX_KG_M2 * rigSections(rig).reduce((sum, s) => sum + s.length_m * s.width_m, 0));

/** The crew's outfits: each box and washer at its own pace where it was run, and the pans. */
export function outfitsOf(
  rigs: readonly StoredRig[],
  runs: readonly StoredRun[],
  setups: readonly StoredSetup[],
  weights_kg: Readonly<Record<string, number>>,
  bucket_L: number,
  pan_L: number,
  hasWater: boolean,
): Outfit[] {
  const rigOf = new Map(setups.filter((s) => (s.air?.pass ?? 1) === 1).map((s) => [s.id, s.rigId]));
  return [
    ...rigs.map((rig): Outfit => {
      const mine = runs.filter((r) => rigOf.get(r.setupId) === rig.id);
      const hours = mine.reduce((sum, r) => sum + r.tally.running_s, 0) / 3600;
      const volume_m3 = mine.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0) / 1000;
      const kind = rig.washer ? 'washer' : 'box';
      const usual = ((kind === 'washer' ? WASHER_BUCKETS_H : BOX_BUCKETS_H) * bucket_L) / 1000;
      return {
        id: rig.id,
        pace_m3_h:
          hours >= LEAST_H && volume_m3 > 0
            ? { middle: volume_m3 / hours, logSd: OWN_SD }
            : { middle: usual, logSd: USUAL_SD },
        lost: LOST[kind],
        weight_kg: weights_kg[rig.id] ?? usualWeight_kg(rig),
        setUp_h: SETUP_H[kind],
        needsWater: kind === 'box',
      };
    }),
    {
      id: PANS,
      pace_m3_h: { middle: (PANS_H * pan_L) / 1000, logSd: USUAL_SD },
      lost: LOST[hasWater ? 'pan' : 'dry pan'],
      weight_kg: 0,
      setUp_h: 0,
      needsWater: false,
    },
  ];
}
