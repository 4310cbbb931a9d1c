import type { Setup, StoredRig, StoredSetup } from '@riffle/contract';
import { boxLength_m, UNITS, type Entered } from '@riffle/core';
import { rigSections } from '../../api/rigSections.ts';
import { pitchText } from '../../box/pitchText.ts';

/** What a hand changes at a box while it runs. */
export type Lever = 'head up' | 'head down' | 'more water' | 'less water' | 'more air' | 'less air';
/** What can be moved at a box, and at a dry washer. */
export const BOX_LEVERS = ['head up', 'head down', 'more water', 'less water'] as const satisfies readonly Lever[];
export const WASHER_LEVERS = ['head up', 'head down', 'more air', 'less air'] as const satisfies readonly Lever[];

/** By how much: what a wedge or a stone in the intake does. Common practice, no source. */
const STEP = {
  metric: { head_m: 0.01, depth_m: 0.005 },
  US: { head_m: 0.5 * UNITS.length.in, depth_m: 0.25 * UNITS.length.in },
} as const;
/** Where the water is known by its flow. */
const FLOW_STEP = 0.1;

/** A tray is lifted by more: a peg of its legs. Common practice, no source. */
const TRAY_STEP = { metric: 0.02, US: 0.75 * UNITS.length.in } as const;
/** From one pulley to the next. Common practice, no source. */
export const AIR_STEP = 1.15;

export const stepOf = (system: 'metric' | 'US', rig: Pick<StoredRig, 'washer'>) =>
  rig.washer ? { ...STEP[system], head_m: TRAY_STEP[system] } : STEP[system];

/** The setting after one lever was moved a step; null where that is no box any more (level, or dry). */
export function changedSetup(
  setup: StoredSetup,
  rig: StoredRig,
  lever: Lever,
  system: 'metric' | 'US',
): Omit<Setup, 'id' | 'deleted' | 'setAt'> | null {
  const { head_m, depth_m: step_m } = stepOf(system, rig);
  const { id: _id, deleted: _deleted, version: _version, updatedAt: _at, setAt: _setAt, ...before } = setup;
  const same = { ...before, note: '' };
  if (lever === 'head up' || lever === 'head down') {
    const length_m = boxLength_m(rigSections(rig));
    const slope = setup.slope + ((lever === 'head up' ? 1 : -1) * head_m) / length_m;
    const { unit } = setup.pitchEntered;
    return slope < LEAST_SLOPE || slope > MOST_SLOPE
      ? null
      : { ...same, slope, pitchEntered: { text: pitchText(slope, unit, length_m), unit: unit || 'in/ft' } };
  }
  if (lever === 'more air' || lever === 'less air') return blown(same, lever === 'more air' ? AIR_STEP : 1 / AIR_STEP);
  const sign = lever === 'more water' ? 1 : -1;
  if (setup.depth_m !== null) {
    const depth_m = setup.depth_m + sign * step_m;
    return depth_m < step_m / 2 ? null : { ...same, depth_m, depthEntered: depthText(depth_m, setup.depthEntered) };
  }
  if (setup.flow_m3_s === null || !setup.flowEntered) return null;
  const times = 1 + sign * FLOW_STEP;
  const typed = Number(setup.flowEntered.text);
  return {
    ...same,
    flow_m3_s: setup.flow_m3_s * times,
    flowEntered: Number.isFinite(typed)
      ? { ...setup.flowEntered, text: String(Number((typed * times).toPrecision(3))) }
      : { text: (setup.flow_m3_s * times * 1000).toFixed(2), unit: 'L/s' },
  };
}

/** Another pulley, or the blower turned; null of a box. */
function blown<S extends Pick<Setup, 'air'>>(setup: S, times: number): S | null {
  if (!setup.air) return null;
  const { drive } = setup.air;
  const changed =
    drive.kind === 'bellows'
      ? { ...drive, puffs_min: Math.round(drive.puffs_min * times) }
      : { ...drive, speed: Number((drive.speed * times).toFixed(2)) };
  const typed = changed.kind === 'bellows' ? changed.puffs_min : Math.round(100 * changed.speed);
  return { ...setup, air: { ...setup.air, drive: changed, driveEntered: String(typed) } };
}

/** A set box is pitched between these; as the book holds. */
const LEAST_SLOPE = 0.002;
const MOST_SLOPE = 0.4;

const depthText = (depth_m: number, before: Entered | null): Entered =>
  before?.unit === 'in'
    ? { text: (depth_m / UNITS.length.in).toFixed(2), unit: 'in' }
    : { text: (depth_m * 1000).toFixed(0), unit: 'mm' };
