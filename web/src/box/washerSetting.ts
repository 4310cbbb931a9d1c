import type { StoredRig, StoredSetup, Washer, WasherAir } from '@riffle/contract';
import {
  CLOTHS_PA_S_M,
  SQUEEZES_PERCENT,
  USUAL_WASHER_CREW_M3_S,
  type AirDrive,
  type GoldShare,
  type WasherSetting,
} from '@riffle/core';
import { rigSections } from '../api/rigSections.ts';

/** The drive as built, at the speed it is set to. */
export function driveAsSet({ drive }: Washer, set: WasherAir['drive']): AirDrive | null {
  if (drive.kind === 'bellows' && set.kind === 'bellows')
    return { kind: 'bellows', puffs_min: set.puffs_min, stroke_m3: drive.stroke_L / 1000 };
  if (drive.kind === 'blower' && set.kind === 'blower')
    // A fan's pressure goes with the square of its speed.
    return {
      kind: 'blower',
      shutoff_Pa: drive.shutoff_Pa * set.speed ** 2,
      freeFlow_m3_s: drive.freeFlow_m3_s * set.speed,
    };
  return null;
}

/** How a dry washer is built, as the sums take it; null of a sluice box. */
export function washerAsBuilt(rig: StoredRig) {
  const [tray] = rigSections(rig);
  // A rig kept here by an earlier Riffle knows nothing of washers.
  if (!rig.washer || !tray) return null;
  const { riffle_m, spacing_m, cloth } = rig.washer;
  return {
    width_m: tray.width_m,
    length_m: tray.length_m,
    riffle_m,
    spacing_m,
    cloth_Pa_s_m: CLOTHS_PA_S_M[cloth],
  };
}

/** A kept setting of a dry washer as the sums take it; null of a sluice box. */
export function washerAsSet(
  setup: StoredSetup,
  rig: StoredRig,
  gold: readonly GoldShare[],
  feed_m3_s: number | null = null,
): WasherSetting | null {
  const built = washerAsBuilt(rig);
  const { air } = setup;
  const drive = air && rig.washer ? driveAsSet(rig.washer, air.drive) : null;
  if (!built || !air || !drive) return null;
  return {
    ...built,
    drive,
    slope: setup.slope,
    screen_m: setup.stone_m,
    feedSize_m: null,
    altitude_m: air.altitude_m,
    temperature_C: setup.temperature_C,
    moisture_percent: SQUEEZES_PERCENT[air.squeeze],
    isClayey: air.isClayey,
    crew_m3_s: USUAL_WASHER_CREW_M3_S,
    feed_m3_s,
    gold,
  };
}
