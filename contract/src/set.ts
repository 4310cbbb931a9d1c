import { z } from 'zod';
import { LINING_IDS } from '@riffle/core';
import { Based, Entered, Id, Name, Note, positive, Stored, Timestamp, Whole } from './shared.ts';

export const Lining = z.enum(LINING_IDS as [(typeof LINING_IDS)[number], ...(typeof LINING_IDS)[number][]]);

/** A sluice box as built: the crew's, used on any ground. */
export const Rig = Whole.extend({
  name: Name,
  width_m: z.number().min(0.05, 'A box is at least 50 mm wide.').max(2, 'A box is at most 2 m wide.'),
  widthEntered: Entered,
  length_m: z.number().min(0.2, 'A box is at least 200 mm long.').max(10, 'A box is at most 10 m long.'),
  lengthEntered: Entered,
  lining: Lining,
  note: Note,
});
export const NewRig = Rig.extend(Based.shape).meta({ id: 'NewRig' });
export const StoredRig = Rig.extend(Stored.shape).meta({ id: 'Rig' });
export type Rig = z.infer<typeof Rig>;
export type StoredRig = z.infer<typeof StoredRig>;

/** A box set in water at a place. Exactly one of depth and flow is known. */
export const Setup = Whole.extend({
  groundId: Id,
  rigId: Id,
  spotId: Id.nullable(),
  setAt: Timestamp,
  slope: z.number().min(0.002, 'Flatter than 0.2 % is not a set box.').max(0.4, 'Steeper than 40 % is not a set box.'),
  pitchEntered: Entered,
  depth_m: positive(1, 'm').nullable(),
  depthEntered: Entered.nullable(),
  flow_m3_s: positive(5, 'm³/s').nullable(),
  flowEntered: Entered.nullable(),
  /** Largest stone fed: the screen used. */
  stone_m: positive(0.5, 'm'),
  stoneEntered: Entered,
  temperature_C: z.number().min(0, 'Water is at least 0 °C.').max(40, 'At most 40 °C.'),
  scoop_L: positive(50, 'L'),
  scoopEntered: Entered,
  bucket_L: positive(500, 'L'),
  bucketEntered: Entered,
  note: Note,
});
const oneKnown = { error: 'Give either the depth or the flow.', path: ['depth_m'] };
const knowsOne = (s: { depth_m: number | null; flow_m3_s: number | null }): boolean =>
  (s.depth_m === null) !== (s.flow_m3_s === null);
export const NewSetup = Setup.extend(Based.shape).refine(knowsOne, oneKnown).meta({ id: 'NewSetup' });
export const StoredSetup = Setup.extend(Stored.shape).meta({ id: 'Setup' });
export type Setup = z.infer<typeof Setup>;
export type StoredSetup = z.infer<typeof StoredSetup>;
