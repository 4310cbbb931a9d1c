import { describe, expect, test } from '@jest/globals';
import type { StoredRig, StoredSetup } from '@riffle/contract';
import { changedSetup } from './changedSetup.ts';

const ENTERED = { text: '1', unit: '' };
const RIG = {
  id: 'rig',
  sections: [{ lining: 'carpet', own: null, width_m: 0.25, length_m: 1.2, step_m: 0 }],
} as unknown as StoredRig;
const SETUP: StoredSetup = {
  id: 'setup',
  version: 4,
  updatedAt: '2026-06-01T09:00:00.000Z',
  deleted: false,
  groundId: 'ground',
  rigId: 'rig',
  spotId: 'spot',
  setAt: '2026-06-01T09:00:00.000Z',
  slope: 1 / 24,
  pitchEntered: { text: '1/2', unit: 'in/ft' },
  depth_m: 0.02,
  depthEntered: { text: '20', unit: 'mm' },
  flow_m3_s: null,
  flowEntered: null,
  air: null,
  stone_m: 0.0127,
  stoneEntered: ENTERED,
  temperature_C: 10,
  scoop_L: 1,
  scoopEntered: ENTERED,
  bucket_L: 20,
  bucketEntered: ENTERED,
  note: 'low water',
};

describe('a lever moved while it runs', () => {
  test('ten millimetres under the head of a 1.2 m box, written in the unit the pitch stood in', () => {
    const up = changedSetup(SETUP, RIG, 'head up', 'metric');
    // 50 mm of drop become 60: 0.6 in/ft.
    expect(up?.slope).toBeCloseTo(0.05, 9);
    expect(up?.pitchEntered).toEqual({ text: '0.600', unit: 'in/ft' });
    // A new setting: without the note, the version and the hour of the old one.
    expect(up).not.toHaveProperty('version');
    expect(up).toMatchObject({ note: '', rigId: 'rig', depth_m: 0.02 });
    expect(changedSetup({ ...SETUP, slope: 0.009 }, RIG, 'head down', 'metric')).toBeNull();
  });
  test('water by its depth in millimetres or inches, by its flow in tenths', () => {
    expect(changedSetup(SETUP, RIG, 'more water', 'metric')).toMatchObject({
      depth_m: expect.closeTo(0.025, 9),
      depthEntered: { text: '25', unit: 'mm' },
    });
    const inches = { ...SETUP, depth_m: 0.01905, depthEntered: { text: '3/4', unit: 'in' } };
    expect(changedSetup(inches, RIG, 'less water', 'US')?.depthEntered).toEqual({ text: '0.50', unit: 'in' });
    const flow = { ...SETUP, depth_m: null, depthEntered: null, flow_m3_s: 0.003 };
    expect(
      changedSetup({ ...flow, flowEntered: { text: '180', unit: 'L/min' } }, RIG, 'less water', 'US'),
    ).toMatchObject({ flow_m3_s: expect.closeTo(0.0027, 9), flowEntered: { text: '162', unit: 'L/min' } });
    expect(changedSetup({ ...SETUP, depth_m: 0.006 }, RIG, 'less water', 'metric')).toBeNull();
  });
});
