import { COLOR_CLASSES } from '@riffle/core';
import { z } from 'zod';
import { CONTAINER_WAYS } from './kinds.ts';
import { NUMBERS, TEXTS } from './limits.ts';
import { Based, Entered, Name, neededText, Note, Stored, Timestamp, Whole, wholeWithin, within } from './shared.ts';

/** A container of the crew's own, measured once: level full. It takes the place of the usual one of its name everywhere. */
export const Container = Whole.extend({
  /** "pan", "bucket", or a word of their own. */
  name: neededText(TEXTS.container).regex(/^[^\d,;]*$/, 'A name holds no figures: they would be read as an amount.'),
  volume_L: within(NUMBERS.containerVolume_L),
  volumeEntered: Entered,
  way: z.enum(CONTAINER_WAYS),
  note: Note,
});
export const NewContainer = Container.extend(Based.shape).meta({ id: 'NewContainer' });
export const StoredContainer = Container.extend(Stored.shape).meta({ id: 'Container' });
export type Container = z.infer<typeof Container>;
export type StoredContainer = z.infer<typeof StoredContainer>;

const Grains = wholeWithin(NUMBERS.grains, 'Count whole grains.');
/** A practice pan: grains of a known number put in, what came back. */
export const Seeding = Whole.extend({
  panner: Name,
  seededAt: Timestamp,
  size: z.enum(COLOR_CLASSES),
  putIn: Grains.min(1, 'Put in at least one.'),
  cameBack: Grains,
  /** In water, or dry: hands lose more of a dry pan. */
  way: z.enum(['wet', 'dry']).default('wet'),
  note: Note,
});
export const NewSeeding = Seeding.extend(Based.shape)
  .refine((s) => s.cameBack <= s.putIn, {
    error: 'More came back than went in: one was there before, or was counted twice.',
    path: ['cameBack'],
  })
  .meta({ id: 'NewSeeding' });
export const StoredSeeding = Seeding.extend(Stored.shape).meta({ id: 'Seeding' });
export type Seeding = z.infer<typeof Seeding>;
export type StoredSeeding = z.infer<typeof StoredSeeding>;

/** A word the crew has for gold of a size. No word is tied to two sizes. */
export const SizeWord = Whole.extend({
  word: neededText(TEXTS.sizeWord).regex(
    /^[^\d,;+&]*$/,
    'A word holds no figures, commas or plus signs: they would be read as a count.',
  ),
  size: z.enum(COLOR_CLASSES),
});
export const NewSizeWord = SizeWord.extend(Based.shape).meta({ id: 'NewSizeWord' });
export const StoredSizeWord = SizeWord.extend(Stored.shape).meta({ id: 'SizeWord' });
export type SizeWord = z.infer<typeof SizeWord>;
export type StoredSizeWord = z.infer<typeof StoredSizeWord>;
