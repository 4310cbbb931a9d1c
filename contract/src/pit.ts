import { MATERIAL_NAMES } from '@riffle/core';
import { z } from 'zod';
import { CREVICE_STATES, CREVICE_STRIKES, FIRMNESS, MOISTURE, PIT_BOTTOMS } from './kinds.ts';
import { Based, Entered, Id, Name, Note, notNegative, positive, Stored, Timestamp, Whole } from './shared.ts';

const Layer = z.object({
  id: Id,
  thickness_m: positive(30, 'm'),
  thicknessEntered: Entered,
  material: z.enum(MATERIAL_NAMES),
  color: z.string().max(40, 'At most 40 characters.').default(''),
  firmness: z.enum(FIRMNESS),
  moisture: z.enum(MOISTURE),
  /** 0 none, 1 some, 2 much, 3 sticks to everything. */
  clay: z.int().min(0).max(3),
  iron: z.boolean(),
  cobbles_percent: notNegative(100, '%'),
  /** What is dug for; the rest is stripped. */
  pay: z.boolean(),
  note: z.string().max(400, 'At most 400 characters.').default(''),
});
export type Layer = z.infer<typeof Layer>;

/** A crack cleaned out: a job of its own. */
const Crevice = z.object({
  width_m: positive(5, 'm'),
  length_m: positive(200, 'm'),
  depth_m: positive(10, 'm'),
  strike: z.enum(CREVICE_STRIKES),
  state: z.enum(CREVICE_STATES),
});

/** A hole with its layers from the top down, or a crevice. Measured as dug, not as planned. */
export const Pit = Whole.extend({
  groundId: Id,
  spotId: Id,
  name: Name,
  dugAt: Timestamp,
  /** What was meant to be dug, as said ("1 m square"). */
  planned: z.string().max(60, 'At most 60 characters.').default(''),
  length_m: positive(100, 'm'),
  lengthEntered: Entered,
  width_m: positive(100, 'm'),
  widthEntered: Entered,
  /** How far each wall leans in for each metre down. */
  batter: notNegative(3, 'm a metre'),
  layers: z.array(Layer).max(20, 'At most 20 layers.'),
  bottom: z.enum(PIT_BOTTOMS),
  /** Where water stands, below the surface. */
  waterAt_m: notNegative(30, 'm').nullable(),
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
  .refine((p) => depth(p) <= 30, { error: 'Layers of more than 30 m together are no hand-dug hole.', path: ['layers'] })
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
