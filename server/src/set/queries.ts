import { NewBoxTest, NewRig, NewSetup, StoredBoxTest, StoredRig, StoredSetup } from '@riffle/contract';
import { moment, recordKind } from '../db/recordKind.ts';

export const rigs = recordKind({
  path: 'rigs',
  table: 'rig',
  sent: NewRig,
  kept: StoredRig,
  fields: {
    name: 'name',
    sections: 'sections',
    leakPoints: 'leak_points',
    washer: 'washer',
    note: 'note',
  },
  added: {},
});

export const setups = recordKind({
  path: 'setups',
  table: 'setup',
  sent: NewSetup,
  kept: StoredSetup,
  fields: {
    groundId: 'ground_id',
    rigId: 'rig_id',
    spotId: 'spot_id',
    setAt: moment('set_at'),
    slope: 'slope',
    pitchEntered: 'pitch_entered',
    depth_m: 'depth_m',
    depthEntered: 'depth_entered',
    flow_m3_s: 'flow_m3_s',
    flowEntered: 'flow_entered',
    air: 'air',
    stone_m: 'stone_m',
    stoneEntered: 'stone_entered',
    temperature_C: 'temperature_c',
    scoop_L: 'scoop_l',
    scoopEntered: 'scoop_entered',
    bucket_L: 'bucket_l',
    bucketEntered: 'bucket_entered',
    note: 'note',
  },
  added: {},
});

export const boxTests = recordKind({
  path: 'box-tests',
  table: 'box_test',
  sent: NewBoxTest,
  kept: StoredBoxTest,
  fields: {
    groundId: 'ground_id',
    setupId: 'setup_id',
    testedAt: moment('tested_at'),
    tested: 'tested',
    note: 'note',
  },
  added: {},
});
