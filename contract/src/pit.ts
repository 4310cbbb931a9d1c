import { MATERIAL_NAMES } from '@riffle/core';
import { z } from 'zod';
import { CREVICE_ROCKS, CREVICE_STATES, CREVICE_STRIKES, FIRMNESS, MOISTURE, PIT_BOTTOMS } from './kinds.ts';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Based, Entered, Id, Name, Note, Stored, text, Timestamp, Whole, wholeWithin, within } from './shared.ts';

const Layer = z.object({
  id: Id,
  thickness_m: within(NUMBERS.layerThickness_m),
  thicknessEntered: Entered,
  material: z.enum(MATERIAL_NAMES),
  color: text(TEXTS.color).default(''),
  firmness: z.enum(FIRMNESS),
  moisture: z.enum(MOISTURE),
  /** 0 none, 1 some, 2 much, 3 sticks to everything. */
  clay: wholeWithin(NUMBERS.clay),
  iron: z.boolean(),
  /** Share of black sand by volume, where it was panned down; null where nobody looked. */
  blackSand_percent: within(NUMBERS.percent).nullable().default(null),
  cobbles_percent: within(NUMBERS.percent),
  /** What is dug for; the rest is stripped. */
  pay: z.boolean(),
  note: text(TEXTS.layerNote).default(''),
});
export type Layer = z.infer<typeof Layer>;

/** A crack cleaned out: a job of its own. */
const Crevice = z.object({
  width_m: within(NUMBERS.creviceWidth_m),
  length_m: within(NUMBERS.creviceLength_m),
  depth_m: within(NUMBERS.creviceDepth_m),
  strike: z.enum(CREVICE_STRIKES),
  /** As it sounds; null where nobody knocked. */
  rock: z.enum(CREVICE_ROCKS).nullable().default(null),
  state: z.enum(CREVICE_STATES),
});

/** A hole with its layers from the top down, or a crevice. Measured as dug, not as planned. */
export const Pit = Whole.extend({
  groundId: Id,
  spotId: Id,
  name: Name,
  dugAt: Timestamp,
  /** What was meant to be dug, as said ("1 m square"). */
  planned: text(TEXTS.planned).default(''),
  length_m: within(NUMBERS.pitSide_m),
  lengthEntered: Entered,
  width_m: within(NUMBERS.pitSide_m),
  widthEntered: Entered,
  /** How far each wall leans in for each metre down. */
  batter: within(NUMBERS.batter),
  layers: z.array(Layer).max(MOST.layers, 'At most 20 layers.'),
  bottom: z.enum(PIT_BOTTOMS),
  /** Where water stands, below the surface. */
  waterAt_m: within(NUMBERS.depth_m).nullable(),
  crevice: Crevice.nullable(),
  /** Filled in; turf back on top, looking as before. */
  filledIn: z.boolean(),
  putBack: z.boolean(),
  note: Note,
});
const depth = (p: { layers: readonly { thickness_m: number }[] }): number =>
  p.layers.reduce((sum, l) => sum + l.thickness_m, 0);
export const NewPit = Pit.extend(Based.shape)
  .refine((p) => p.crevice !== null || p.layers.length > 0, {
    error: 'A pit has at least one layer.',
    path: ['layers'],
  })
  .refine((p) => depth(p) <= NUMBERS.depth_m.most, {
    error: 'Layers of more than 30 m together are no hand-dug hole.',
    path: ['layers'],
  })
  .refine((p) => p.waterAt_m === null || p.layers.length === 0 || p.waterAt_m <= depth(p) + 1e-9, {
    error: 'Water stands below the bottom of the pit.',
    path: ['waterAt_m'],
  })
  .refine((p) => p.layers.length === 0 || Math.min(p.length_m, p.width_m) - 2 * p.batter * depth(p) >= 0, {
    error: 'The walls meet before the bottom.',
    path: ['batter'],
  })
  .meta({ id: 'NewPit' });
export const StoredPit = Pit.extend(Stored.shape).meta({ id: 'Pit' });
export type Pit = z.infer<typeof Pit>;
export type StoredPit = z.infer<typeof StoredPit>;
