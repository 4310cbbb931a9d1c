import { z } from 'zod';
import { CLAIM_HOLDERS } from '@riffle/core';
import { OUTLINE_KINDS } from './kinds.ts';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Based, Id, Name, neededText, Note, Stored, Timestamp, Whole, wholeWithin, within } from './shared.ts';

const LonLat = z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]);

/** A shape drawn on the map: the edge of a bar, a bench, a claim or old workings, or a path as a line. */
export const Outline = Whole.extend({
  groundId: Id,
  name: Name,
  kind: z.enum(OUTLINE_KINDS),
  /** Corners in order, the first not repeated; of a path its points. */
  points: z.array(LonLat).min(2, 'Draw at least two points.').max(MOST.outlinePoints, 'At most 2,000 points.'),
  /** Height above the water, where it matters. */
  height_m: within(NUMBERS.outlineHeight_m).nullable(),
  /** Whose a claim is; null where nobody said, and for every other shape. */
  holder: z.enum(CLAIM_HOLDERS).nullable().default(null),
  /** The permission note a claim goes by: its days are the claim's. */
  permissionId: Id.nullable().default(null),
  note: Note,
});
const onlyClaims = { error: 'Only a claim is somebody’s.', path: ['holder'] };
const corners = { error: 'A shape has at least three corners.', path: ['points'] };
export const NewOutline = Outline.extend(Based.shape)
  .refine((o) => o.kind === 'path' || o.points.length >= 3, corners)
  .refine((o) => o.kind === 'claim' || (o.holder === null && o.permissionId === null), onlyClaims)
  .meta({ id: 'NewOutline' });
export const StoredOutline = Outline.extend(Stored.shape).meta({ id: 'Outline' });
export type Outline = z.infer<typeof Outline>;
export type StoredOutline = z.infer<typeof StoredOutline>;

/** A picture or a paper kept with what it is about. Its bytes go by a call of their own. */
export const Attachment = Whole.extend({
  groundId: Id,
  about: z.enum(['ground', 'spot', 'sign', 'permission', 'pit']),
  aboutId: Id,
  name: neededText(TEXTS.fileName),
  mime: z.enum(['image/jpeg', 'image/png', 'image/webp', 'application/pdf']),
  /** When and where the picture was taken, as the camera wrote it down. */
  takenAt: Timestamp.nullable(),
  position: LonLat.nullable(),
  width_px: wholeWithin(NUMBERS.picture_px).nullable(),
  height_px: wholeWithin(NUMBERS.picture_px).nullable(),
  note: Note,
});
export const NewAttachment = Attachment.extend(Based.shape).meta({ id: 'NewAttachment' });
export const StoredAttachment = Attachment.extend(Stored.shape).meta({ id: 'Attachment' });
export type Attachment = z.infer<typeof Attachment>;
export type StoredAttachment = z.infer<typeof StoredAttachment>;
