import { z } from 'zod';
import { LINING_IDS } from '@riffle/core';
import { MOST, NUMBERS } from './limits.ts';
import { Based, Entered, Id, Name, Note, Stored, Timestamp, Whole, within } from './shared.ts';

export const Lining = z.enum(LINING_IDS as [(typeof LINING_IDS)[number], ...(typeof LINING_IDS)[number][]]);

/** A stretch of a box with one lining. */
const RigSection = z.object({
  lining: Lining,
  width_m: within(NUMBERS.boxWidth_m),
  widthEntered: Entered,
  length_m: within(NUMBERS.sectionLength_m),
  lengthEntered: Entered,
  /** Drop at its head below the section before. */
  step_m: within(NUMBERS.step_m),
  stepEntered: Entered.nullable(),
});
export type RigSection = z.infer<typeof RigSection>;

/** A sluice box as built: the crew's, used on any ground. */
export const Rig = Whole.extend({
  name: Name,
  /** From the head down. */
  sections: z.array(RigSection).min(1, 'A box has at least one section.').max(MOST.boxSections, 'At most 8 sections.'),
  note: Note,
});
const lengthOf = (r: { sections: readonly { length_m: number }[] }): number =>
  r.sections.reduce((sum, s) => sum + s.length_m, 0);
export const NewRig = Rig.extend(Based.shape)
  .refine((r) => r.sections.length === 0 || lengthOf(r) >= NUMBERS.boxLength_m.least, {
    error: NUMBERS.boxLength_m.tooLittle,
    path: ['sections'],
  })
  .refine((r) => lengthOf(r) <= NUMBERS.boxLength_m.most + 1e-9, {
    error: NUMBERS.boxLength_m.tooMuch,
    path: ['sections'],
  })
  .meta({ id: 'NewRig' });
export const StoredRig = Rig.extend(Stored.shape).meta({ id: 'Rig' });
export type Rig = z.infer<typeof Rig>;
export type StoredRig = z.infer<typeof StoredRig>;

/** A box set in water at a place. Exactly one of depth and flow is known. */
export const Setup = Whole.extend({
  groundId: Id,
  rigId: Id,
  spotId: Id.nullable(),
  setAt: Timestamp,
  slope: within(NUMBERS.slope),
  pitchEntered: Entered,
  depth_m: within(NUMBERS.waterDepth_m).nullable(),
  depthEntered: Entered.nullable(),
  flow_m3_s: within(NUMBERS.flow_m3_s).nullable(),
  flowEntered: Entered.nullable(),
  /** Largest stone fed: the screen used. */
  stone_m: within(NUMBERS.stone_m),
  stoneEntered: Entered,
  temperature_C: within(NUMBERS.temperature_C),
  scoop_L: within(NUMBERS.scoop_L),
  scoopEntered: Entered,
  bucket_L: within(NUMBERS.bucket_L),
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
