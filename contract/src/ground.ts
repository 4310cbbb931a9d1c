import { z } from 'zod';
import {
  CONSTITUENT_NAMES,
  DEFAULT_SWELL_PERCENT,
  FED_BY,
  GUESSED_KINDS,
  isTimeZone,
  USUAL_MARGIN_MIN,
} from '@riffle/core';
import { GROUND_KINDS, SPOT_KINDS } from './kinds.ts';
import { MOST, NUMBERS } from './limits.ts';
import { Along, Based, Entered, Id, Name, Note, Offset, Stored, Whole, within } from './shared.ts';

/** Longitude, latitude in degrees (WGS 84), height in metres where known. */
export const Position = z
  .tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)])
  .rest(z.number())
  .readonly();

/** A beach's tide as a table prints it: amplitudes and Greenwich phase lags about a mean level. */
const TideConstants = z.object({
  meanLevel_m: within(NUMBERS.tideLevel_m),
  /** The sand can be worked while the water stands lower than this. */
  workBelow_m: within(NUMBERS.tideLevel_m),
  /** The way off the beach is dry while the water stands lower than this; null where it never floods. */
  wayBelow_m: within(NUMBERS.tideLevel_m).nullable().default(null),
  /** What is left over before the water is back. */
  margin_min: within(NUMBERS.shoreMargin_min).default(USUAL_MARGIN_MIN),
  constituents: z
    .array(
      z.object({
        name: z.enum(
          CONSTITUENT_NAMES as [(typeof CONSTITUENT_NAMES)[number], ...(typeof CONSTITUENT_NAMES)[number][]],
        ),
        amplitude_m: within(NUMBERS.tideAmplitude_m),
        phase_deg: within(NUMBERS.tidePhase_deg),
      }),
    )
    .min(1, 'At least one constituent.')
    .max(20),
});

/** A height of the bed measured along the line, by hand level, and what the water does there. */
const ProfilePoint = z.object({
  distance_m: Along,
  height_m: within(NUMBERS.bedHeight_m),
  form: z.enum(['pool', 'riffle', 'step', 'run']),
});

/** IANA name of a time zone, as “Etc/GMT+2”. */
const TimeZone = z.string().min(1).max(64).refine(isTimeZone, 'No time zone of that name is known.');

const groundFields = {
  name: Name,
  kind: z.enum(GROUND_KINDS),
  /** Length of the centre line; a ground with a line keeps the line's own length. */
  length_m: within(NUMBERS.groundLength_m),
  /** Loose over bank volume less one. */
  swell_percent: within(NUMBERS.swell_percent).default(DEFAULT_SWELL_PERCENT),
  /** Whose clock its days and hours are told by; null: the clock of whoever looks. */
  timeZone: TimeZone.nullable().default(null),
  /** Where the gold of the district came from, as far as it is known: it decides which signs count. */
  fedBy: z.enum(FED_BY).nullable().default(null),
  /** Ground that drains into its foot, and as it was typed. */
  catchment_m2: within(NUMBERS.catchment_m2).nullable().default(null),
  catchmentEntered: Entered.nullable().default(null),
  note: Note,
  tide: TideConstants.nullable().default(null),
  /** Rise over run of a beach's face, and as it was typed. */
  faceSlope: within(NUMBERS.faceSlope).nullable().default(null),
  faceSlopeEntered: Entered.nullable().default(null),
  profile: z.array(ProfilePoint).max(MOST.profilePoints, 'At most 2,000 heights.').default([]),
  /** What was found where Riffle had guessed a sign from the line. */
  lookedAt: z
    .array(z.object({ kind: z.enum(GUESSED_KINDS), distance_m: Along, seen: z.boolean() }))
    .max(MOST.lookedAt, 'At most 500 guesses looked at.')
    .default([]),
  /** The creek a draw runs into, and where. */
  joins: z
    .object({ groundId: Id, distance_m: Along, bank: z.enum(['left', 'right']) })
    .nullable()
    .default(null),
};
export const Ground = Whole.extend(groundFields);
export const NewGround = Ground.extend(Based.shape).meta({ id: 'NewGround' });
export const StoredGround = Ground.extend(Stored.shape)
  .extend({
    /** Centre line from foot to head, thinned for drawing; null for a ground typed by name and length. */
    line: z.array(Position).nullable(),
    /** Points of the line as kept. */
    linePoints: z.int(),
  })
  .meta({ id: 'Ground' });
export type Ground = z.infer<typeof Ground>;
export type StoredGround = z.infer<typeof StoredGround>;

export const Spot = Whole.extend({
  groundId: Id,
  name: Name,
  kind: z.enum(SPOT_KINDS),
  /** Distance upstream of the foot of the line. */
  distance_m: Along,
  /** Bank looking downstream. */
  bank: z.enum(['left', 'right', 'mid']),
  offset_m: Offset.default(0),
  position: z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]).nullable(),
  /** River level at the stake above which nobody can work there; null: it never closes. */
  worksBelow_m: within(NUMBERS.level_m).nullable().default(null),
  worksBelowEntered: Entered.nullable().default(null),
  /** The plan of samples it is a point of. */
  samplePlanId: Id.nullable().default(null),
  note: Note,
});
export const NewSpot = Spot.extend(Based.shape).meta({ id: 'NewSpot' });
export const StoredSpot = Spot.extend(Stored.shape).meta({ id: 'Spot' });
export type Spot = z.infer<typeof Spot>;
export type StoredSpot = z.infer<typeof StoredSpot>;

/** A ground's line drawn anew, foot first. Spots with a position find their new distance; the others keep theirs, held to the line. */
export const NewLine = Based.extend({
  line: z.array(Position).min(2, 'A line has at least two points.').max(MOST.linePoints, 'At most 20,000 points.'),
}).meta({ id: 'NewLine' });
export type NewLine = z.infer<typeof NewLine>;

export const FLOW_DIRECTIONS = ['as drawn', 'against', 'unknown'] as const;

/** What a GPX or GeoJSON file holds, before anything is stored. */
export const GroundFile = z
  .object({
    format: z.enum(['GPX', 'KML', 'GeoJSON', 'NMEA', 'CSV']),
    name: z.string(),
    kind: z.enum(GROUND_KINDS),
    length_m: z.number(),
    linePoints: z.int(),
    /** The line as drawn, thinned. */
    line: z.array(Position),
    flow: z.enum(FLOW_DIRECTIONS),
    spots: z.array(
      z.object({
        name: z.string(),
        /** What it seems to be: by the file, else by its name. */
        kind: z.enum(SPOT_KINDS),
        position: Position,
        distanceAlong_m: z.number(),
        offset_m: z.number(),
      }),
    ),
    /** Lines that lie apart, the longest first, each in as many points as a sketch needs; one of them is told of above. */
    stretches: z.array(z.object({ name: z.string(), length_m: z.number(), line: z.array(Position) })),
    stretch: z.int(),
    /** Records the file holds (Riffle's own exports), by the path of their kind. */
    holds: z.record(z.string(), z.int()),
    /** Of a table: its columns and which were taken. */
    columns: z
      .object({ all: z.array(z.string()), latitude: z.string(), longitude: z.string(), name: z.string().nullable() })
      .nullable(),
    warnings: z.array(z.string()),
  })
  .meta({ id: 'GroundFile' });
export type GroundFile = z.infer<typeof GroundFile>;

const column = z.string().max(200);
/** How a file is to be read: which of its stretches, which of its columns. An empty `nameColumn`: no column names places. */
export const FileChoices = z.object({
  stretch: z.coerce.number().int().min(0).default(0),
  latitude: column.optional(),
  longitude: column.optional(),
  nameColumn: column.optional(),
});
export type FileChoices = z.infer<typeof FileChoices>;

/** What the person decided about a file. `flow` must be known by then. */
export const FileDecisions = FileChoices.extend({
  name: Name,
  kind: z.enum(GROUND_KINDS),
  flow: z.enum(['as drawn', 'against']),
  timeZone: TimeZone.optional(),
  /** What each way point is, in the order of the file, by commas; where nothing stands, as its name has it. */
  spotKinds: z.string().max(20_000).default(''),
});
export type FileDecisions = z.infer<typeof FileDecisions>;
