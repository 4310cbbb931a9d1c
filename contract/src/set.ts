import { z } from 'zod';
import { LINING_IDS } from '@riffle/core';
import { BOX_EVENTS, WASHER_EVENTS } from './kinds.ts';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Washer, WasherAir } from './washer.ts';
import { Based, Entered, Id, Name, neededText, Note, Stored, Timestamp, Whole, wholeWithin, within } from './shared.ts';

export const Lining = z.enum(LINING_IDS as [(typeof LINING_IDS)[number], ...(typeof LINING_IDS)[number][]]);

/** A stretch of a box with one lining. */
const RigSection = z.object({
  lining: Lining,
  /** The crew's own, like that one but so high. */
  own: z
    .object({ name: Name, height_m: within(NUMBERS.liningHeight_m), heightEntered: Entered })
    .nullable()
    .default(null),
  width_m: within(NUMBERS.boxWidth_m),
  widthEntered: Entered,
  length_m: within(NUMBERS.sectionLength_m),
  lengthEntered: Entered,
  /** Drop at its head below the section before. */
  step_m: within(NUMBERS.step_m),
  stepEntered: Entered.nullable(),
});
export type RigSection = z.infer<typeof RigSection>;

/** A sluice box or a dry washer as built: the crew's, used on any ground. */
export const Rig = Whole.extend({
  name: Name,
  /** From the head down. */
  sections: z.array(RigSection).min(1, 'A box has at least one section.').max(MOST.boxSections, 'At most 8 sections.'),
  /** Where it hides gold, washed out at every clean-up. Empty: the usual places. */
  leakPoints: z.array(neededText(TEXTS.leak)).max(MOST.leaks, 'At most 12 places.').default([]),
  /** What makes it a dry washer, its tray being the one section; null: a sluice box. */
  washer: Washer.nullable().default(null),
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
  .refine((r) => r.washer === null || r.sections.length === 1, {
    error: 'A dry washer has one tray.',
    path: ['sections'],
  })
  .meta({ id: 'NewRig' });
export const StoredRig = Rig.extend(Stored.shape).meta({ id: 'Rig' });
export type Rig = z.infer<typeof Rig>;
export type StoredRig = z.infer<typeof StoredRig>;

/** A box set in water at a place, or a dry washer. Exactly one of depth and flow is known, or its air. */
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
  /** Of a dry washer. */
  air: WasherAir.nullable().default(null),
  /** Largest stone fed: the screen used. */
  stone_m: within(NUMBERS.stone_m),
  stoneEntered: Entered,
  /** Of the water; of a dry washer, of the air. */
  temperature_C: within(NUMBERS.anyTemperature_C),
  scoop_L: within(NUMBERS.scoop_L),
  scoopEntered: Entered,
  bucket_L: within(NUMBERS.bucket_L),
  bucketEntered: Entered,
  note: Note,
});
const oneKnown = { error: 'Give either the depth or the flow; of a dry washer its air.', path: ['depth_m'] };
const knowsOne = ({ depth_m, flow_m3_s, air }: Pick<Setup, 'depth_m' | 'flow_m3_s' | 'air'>): boolean =>
  [depth_m, flow_m3_s, air].filter((known) => known !== null).length === 1;
const { least: coldest, most: warmest } = NUMBERS.temperature_C;
export const NewSetup = Setup.extend(Based.shape)
  .refine(knowsOne, oneKnown)
  .refine(({ air, temperature_C: t }) => air !== null || (t >= coldest && t <= warmest), {
    error: 'Water is between 0 and 40 °C.',
    path: ['temperature_C'],
  })
  .meta({ id: 'NewSetup' });
export const StoredSetup = Setup.extend(Stored.shape).meta({ id: 'Setup' });
export type Setup = z.infer<typeof Setup>;
export type StoredSetup = z.infer<typeof StoredSetup>;

/** Colors found in a pan of tailings, as one says it beside the box. */
export const TAIL_COLORS = ['0', '1-2', '3+'] as const;

/** What was found of a box as it stood: one of these. */
const Tested = z.discriminatedUnion('kind', [
  /** One bucket fed as fast as the box clears it. */
  z.object({
    kind: z.literal('timed bucket'),
    took_s: within(NUMBERS.cleared_s),
    volume_L: within(NUMBERS.bucket_L),
    volumeEntered: Entered,
  }),
  /** So much of what came out at the end, panned. */
  z.object({
    kind: z.literal('tail pan'),
    colors: z.enum(TAIL_COLORS),
    volume_L: within(NUMBERS.sampleVolume_L),
    volumeEntered: Entered,
  }),
  /** Flakes of one size fed on purpose, or lead shot, and of them those found in the box. */
  z.object({
    kind: z.literal('tracers'),
    of: z.enum(['gold', 'lead']).default('gold'),
    size_mm: within(NUMBERS.aperture_mm),
    sizeEntered: Entered,
    fed: wholeWithin(NUMBERS.tracers, 'A whole number.'),
    held: wholeWithin(NUMBERS.tracersHeld, 'A whole number.'),
  }),
  /** Depth over the lining and the flow, both measured. */
  z.object({
    kind: z.literal('water'),
    depth_m: within(NUMBERS.waterDepth_m),
    depthEntered: Entered,
    flow_m3_s: within(NUMBERS.flow_m3_s),
    flowEntered: Entered,
  }),
  /** Something that happened while it ran: it moves nothing, and stands in the log. */
  z.object({ kind: z.literal('event'), what: z.enum([...BOX_EVENTS, ...WASHER_EVENTS]) }),
]);
export type Tested = z.infer<typeof Tested>;
/** A test that measures something. */
export type Measurement = Exclude<Tested, { kind: 'event' }>;

/** A test of a box as it was set up: it moves what is believed of that box. */
export const BoxTest = Whole.extend({
  groundId: Id,
  setupId: Id,
  testedAt: Timestamp,
  tested: Tested,
  note: Note,
});
export const NewBoxTest = BoxTest.extend(Based.shape)
  .refine(({ tested: t }) => t.kind !== 'tracers' || t.held <= t.fed, {
    error: 'No more can be found than were fed.',
    path: ['tested', 'held'],
  })
  .meta({ id: 'NewBoxTest' });
export const StoredBoxTest = BoxTest.extend(Stored.shape).meta({ id: 'BoxTest' });
export type BoxTest = z.infer<typeof BoxTest>;
export type StoredBoxTest = z.infer<typeof StoredBoxTest>;
