import { describe, expect, test } from '@jest/globals';
import type { StoredRig, StoredSetup, Washer } from '@riffle/contract';
import { CLOTHS_PA_S_M, SQUEEZES_PERCENT, USUAL_MIX } from '@riffle/core';
import { driveAsSet, washerAsBuilt, washerAsSet } from './washerSetting.ts';

type Drive = Washer['drive'];
const bellows = { kind: 'bellows', stroke_L: 6.5, motor: null } as unknown as Drive;
const blower = { kind: 'blower', shutoff_Pa: 800, freeFlow_m3_s: 0.05 } as unknown as Drive;
const rig = (drive: Drive = bellows): StoredRig =>
  ({
    id: 'w',
    sections: [{ lining: 'riffles', own: null, width_m: 0.3, length_m: 0.76, step_m: 0 }],
    washer: { riffle_m: 0.012, spacing_m: 0.09, cloth: 'usual', drive, battery: null },
  }) as unknown as StoredRig;
const setup = (drive: object = { kind: 'bellows', puffs_min: 260 }): StoredSetup =>
  ({
    slope: 0.15,
    stone_m: 0.006,
    temperature_C: 30,
    air: { drive, altitude_m: 900, squeeze: 'dusts', isClayey: true, pass: 1 },
  }) as unknown as StoredSetup;

describe('the drive of a dry washer as it is set', () => {
  test('bellows give their stroke at each puff, L in the rig and m3 in the sums', () => {
    expect(driveAsSet({ drive: bellows } as Washer, { kind: 'bellows', puffs_min: 260 })).toEqual({
      kind: 'bellows',
      puffs_min: 260,
      stroke_m3: 0.0065,
    });
  });
  // The affinity laws of fans: flow as the speed, pressure as its square (ISO 13348, fan laws; any handbook of fans).
  test.each([
    [1, 800, 0.05],
    [0.5, 200, 0.025],
    [0.8, 512, 0.04],
  ])('a blower at %s of its speed shuts off at %s Pa and blows %s m3/s into the open', (speed, shutoff_Pa, free) => {
    const set = driveAsSet({ drive: blower } as Washer, { kind: 'blower', speed });
    expect(set?.kind).toBe('blower');
    if (set?.kind !== 'blower') return;
    expect(set.shutoff_Pa).toBeCloseTo(shutoff_Pa, 9);
    expect(set.freeFlow_m3_s).toBeCloseTo(free, 9);
  });
  test('a setting made with another drive sets nothing', () => {
    expect(driveAsSet({ drive: bellows } as Washer, { kind: 'blower', speed: 1 })).toBeNull();
    expect(driveAsSet({ drive: blower } as Washer, { kind: 'bellows', puffs_min: 200 })).toBeNull();
    expect(washerAsSet(setup({ kind: 'blower', speed: 1 }), rig(bellows), USUAL_MIX)).toBeNull();
  });
});

describe('a washer and its setting as the sums take them', () => {
  test('what is built comes from the rig, what is set from the set-up', () => {
    expect(washerAsSet(setup(), rig(), USUAL_MIX, 2e-4)).toMatchObject({
      width_m: 0.3,
      length_m: 0.76,
      riffle_m: 0.012,
      spacing_m: 0.09,
      cloth_Pa_s_m: CLOTHS_PA_S_M.usual,
      slope: 0.15,
      screen_m: 0.006,
      altitude_m: 900,
      temperature_C: 30,
      moisture_percent: SQUEEZES_PERCENT.dusts,
      isClayey: true,
      feed_m3_s: 2e-4,
      gold: USUAL_MIX,
    });
  });
  test('a sluice box is no washer, nor is a rig kept before there were any', () => {
    const box = { ...rig(), washer: null } as StoredRig;
    const { washer: _, ...older } = rig();
    for (const each of [box, older as StoredRig]) {
      expect(washerAsBuilt(each)).toBeNull();
      expect(washerAsSet(setup(), each, USUAL_MIX)).toBeNull();
    }
  });
  test('a set-up of water sets no washer', () => {
    expect(washerAsSet({ ...setup(), air: null }, rig(), USUAL_MIX)).toBeNull();
  });
});
