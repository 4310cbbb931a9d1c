import { EYES, PAN_FINISHES, PAN_LIGHTS, PAN_SAYS } from '@riffle/core';
import { z } from 'zod';
import { PAN_WAYS } from './kinds.ts';
import { NewSpot } from './ground.ts';
import { NUMBERS, TEXTS } from './limits.ts';
import {
  Based,
  Entered,
  goldRounded,
  Id,
  Note,
  Stored,
  text,
  Timestamp,
  Whole,
  wholeWithin,
  within,
} from './shared.ts';

const Count = wholeWithin(NUMBERS.colors, 'Count whole colors.');

/** What the colors were seen with: it sets the smallest one that is counted. */
export const SeenWith = z.object({ pan: z.enum(PAN_FINISHES), light: z.enum(PAN_LIGHTS), eyes: z.enum(EYES) });

export const Sample = Whole.extend({
  groundId: Id,
  spotId: Id,
  takenAt: Timestamp,
  /** Depth below the surface. */
  depth_m: within(NUMBERS.depth_m),
  depthEntered: Entered,
  /** Volume panned, in the state it was measured in. */
  volume_L: within(NUMBERS.sampleVolume_L),
  volumeEntered: Entered,
  volumeState: z.enum(['loose', 'bank']),
  counts: z.object({ '+10': Count, '10-20': Count, '20-40': Count, '-40': Count }),
  /** 0 none, 1 a trace, 2 some, 3 much, 4 a panful. */
  blackSand: wholeWithin(NUMBERS.blackSand),
  gold_mg: within(NUMBERS.sampleGold_mg).overwrite(goldRounded).nullable(),
  goldEntered: Entered.nullable(),
  /** The pit it came from and which of its layers; the layer in words, as said; the bag it was carried in. */
  pitId: Id.nullable().default(null),
  layerId: Id.nullable().default(null),
  layer: text(TEXTS.layer).default(''),
  lotId: Id.nullable().default(null),
  /** Which pan of a bucket it is, counted from the top, and of how many. */
  bucket: z
    .object({
      nth: wholeWithin(NUMBERS.pansOfABucket, 'Count whole pans.'),
      of: wholeWithin(NUMBERS.pansOfABucket, 'Count whole pans.'),
    })
    .nullable()
    .default(null),
  way: z.enum(PAN_WAYS).default('quick test'),
  panner: text(TEXTS.panner).default(''),
  took_min: within(NUMBERS.took_min).nullable().default(null),
  /** Colors grown into quartz or ironstone: in the count, lighter than their size says. */
  grownIn: Count.default(0),
  /** Colors found when the safety pan was panned again; in the count already. */
  fromSafetyPan: Count.default(0),
  seenWith: SeenWith.nullable().default(null),
  /** What the panner said of it before it was panned, and what Riffle would have said at that moment. */
  saidBefore: z.enum(PAN_SAYS).nullable().default(null),
  riffleSaid: z.enum(PAN_SAYS).nullable().default(null),
  note: Note,
});
const counted = (s: { counts: Record<string, number>; grownIn: number; fromSafetyPan: number }): number =>
  Object.values(s.counts).reduce((a, b) => a + b, 0);
export const NewSample = Sample.extend(Based.shape)
  .refine((s) => s.bucket === null || s.bucket.nth <= s.bucket.of, {
    error: 'The bucket does not hold that many pans.',
    path: ['bucket.nth'],
  })
  .refine((s) => s.grownIn <= counted(s), { error: 'More are grown in than were counted.', path: ['grownIn'] })
  .refine((s) => s.fromSafetyPan <= counted(s), {
    error: 'More came from the safety pan than were counted.',
    path: ['fromSafetyPan'],
  })
  .refine((s) => s.layerId === null || s.pitId !== null, { error: 'A layer is of a pit.', path: ['layerId'] })
  .meta({ id: 'NewSample' });
export const StoredSample = Sample.extend(Stored.shape).meta({ id: 'Sample' });
export type Sample = z.infer<typeof Sample>;
export type StoredSample = z.infer<typeof StoredSample>;

/** How the rows of an import are taken. */
export const ImportMode = z.enum(['all or nothing', 'only the good rows']);
/** One line of an import: a spot to be made, or a sample with the row it stands on in the person's table. */
export const ImportLine = z.union([z.object({ spot: NewSpot }), z.object({ row: z.int().min(1), sample: NewSample })]);
/** What an import made, by its ids. */
export const ImportedIds = z.object({
  samples: z.array(Id).max(100_000, 'At most 100,000 samples.'),
  spots: z.array(Id).max(20_000, 'At most 20,000 spots.'),
});
export const ImportMoved = z.object({ samples: z.int(), spots: z.int() });
export const RefusedRow = z.object({ row: z.int(), path: z.string(), message: z.string() });
export type RefusedRow = z.infer<typeof RefusedRow>;
/** What comes back line by line: how far it is, and at last what came of it. */
export type ImportProgress =
  | { readonly read: number }
  | {
      readonly stored: number;
      readonly spots: number;
      readonly refused: readonly RefusedRow[];
      readonly refusedRows: number;
    };
