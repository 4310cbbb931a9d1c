import { z } from 'zod';
import { DEFAULT_SWELL_PERCENT } from '@riffle/core';
import { GROUND_KINDS, SPOT_KINDS } from './kinds.ts';
import { Based, Id, Name, Note, notNegative, positive, Stored, Whole } from './shared.ts';


/** Longitude, latitude in degrees (WGS 84), height in metres where known. */
export const Position = z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]).rest(z.number()).readonly();

const groundFields = {
  name: Name,
  kind: z.enum(GROUND_KINDS),
  /** Length of the centre line; a ground with a line keeps the line's own length. */
  length_m: positive(1_000_000, 'm'),
  /** Loose over bank volume less one. */
  swell_percent: notNegative(80, '%').default(DEFAULT_SWELL_PERCENT),
  note: Note,
};
export const Ground = Whole.extend(groundFields);
export const NewGround = Ground.extend(Based.shape).meta({ id: 'NewGround' });
export const StoredGround = Ground.extend(Stored.shape).extend({
  /** Centre line from foot to head, thinned for drawing; null for a ground typed by name and length. */
  line: z.array(Position).nullable(),
  /** Points of the line as kept. */
  linePoints: z.int(),
}).meta({ id: 'Ground' });
export type Ground = z.infer<typeof Ground>;
export type StoredGround = z.infer<typeof StoredGround>;

export const Spot = Whole.extend({
  groundId: Id,
  name: Name,
  kind: z.enum(SPOT_KINDS),
  /** Distance upstream of the foot of the line. */
  distance_m: notNegative(1_000_000, 'm'),
  /** Bank looking downstream. */
  bank: z.enum(['left', 'right', 'mid']),
  offset_m: notNegative(5000, 'm').default(0),
  position: z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]).nullable(),
  note: Note,
});
export const NewSpot = Spot.extend(Based.shape).meta({ id: 'NewSpot' });
export const StoredSpot = Spot.extend(Stored.shape).meta({ id: 'Spot' });
export type Spot = z.infer<typeof Spot>;
export type StoredSpot = z.infer<typeof StoredSpot>;

export const FLOW_DIRECTIONS = ['as drawn', 'against', 'unknown'] as const;

/** What a GPX or GeoJSON file holds, before anything is stored. */
export const GroundFile = z.object({
  format: z.enum(['GPX', 'GeoJSON']),
  name: z.string(),
  kind: z.enum(GROUND_KINDS),
  length_m: z.number(),
  linePoints: z.int(),
  /** The line as drawn, thinned. */
  line: z.array(Position),
  flow: z.enum(FLOW_DIRECTIONS),
  spots: z.array(z.object({ name: z.string(), position: Position, distanceAlong_m: z.number(), offset_m: z.number() })),
  warnings: z.array(z.string()),
}).meta({ id: 'GroundFile' });
export type GroundFile = z.infer<typeof GroundFile>;

/** What the person decided about a file. `flow` must be known by then. */
export const FileDecisions = z.object({ name: Name, kind: z.enum(GROUND_KINDS), flow: z.enum(['as drawn', 'against']) });
export type FileDecisions = z.infer<typeof FileDecisions>;
