import { COMPANIONS } from '@riffle/core';
import { z } from 'zod';
import { FINISH_WAYS, FLOOR_SEEN, JAR_STATES } from './kinds.ts';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import {
  Based,
  Entered,
  goldRounded,
  Id,
  neededText,
  Note,
  Stored,
  text,
  Timestamp,
  Whole,
  wholeWithin,
  within,
} from './shared.ts';

/** A floor the jar was washed over, and its pitch. */
const Floor = z.object({
  feature_m: within(NUMBERS.feature_m),
  featureEntered: Entered,
  width_m: within(NUMBERS.floorWidth_m),
  widthEntered: Entered,
  slope: within(NUMBERS.floorSlope),
  pitchEntered: Entered,
  /** What the black sand is for the most part. */
  companion: z.enum(COMPANIONS).default('magnetite'),
  saltWater: z.boolean().default(false),
});

/** A riffled finishing sluice it was run over, its water wide open, and how long that took where it was timed. */
const Sluice = z.object({
  riffle_m: within(NUMBERS.sluiceRiffle_m),
  riffleEntered: Entered,
  spacing_m: within(NUMBERS.sluiceSpacing_m),
  spacingEntered: Entered,
  riffles: wholeWithin(NUMBERS.sluiceRiffles),
  width_m: within(NUMBERS.sluiceWidth_m),
  widthEntered: Entered,
  slope: within(NUMBERS.floorSlope),
  pitchEntered: Entered,
  depth_m: within(NUMBERS.sluiceDepth_m),
  depthEntered: Entered,
  /** Of the concentrate, by volume. */
  blackShare: within(NUMBERS.blackShare),
  took_s: within(NUMBERS.sluice_s).nullable(),
});

/** One spoon over that floor: how deep the water stood, what was seen, how long it took where it was timed, and the mark of its flow. */
const SpoonSeen = z.object({
  depth_m: within(NUMBERS.film_m),
  depthEntered: Entered,
  saw: z.enum(FLOOR_SEEN),
  took_s: within(NUMBERS.spoon_s).nullable(),
  /** Where the level stood in a tube, or the tap: as they mark it. */
  level: text(TEXTS.level),
});

/** A jar of concentrate of one fraction on its way to gold. What it weighs is written in the clean-up it came from: here it is only followed. */
export const Jar = Whole.extend({
  groundId: Id,
  name: neededText(TEXTS.jar),
  madeAt: Timestamp,
  /** It passed the coarser of two screens and lies on the finer; 0: everything finer. */
  coarsest_mm: within(NUMBERS.aperture_mm),
  finest_mm: z.number().min(0, 'Not below 0.').max(NUMBERS.aperture_mm.most),
  volume_L: within(NUMBERS.jar_L),
  volumeEntered: Entered,
  way: z.enum(FINISH_WAYS),
  state: z.enum(JAR_STATES),
  floor: Floor.nullable(),
  sluice: Sluice.nullable().default(null),
  spoons: z.array(SpoonSeen).max(MOST.spoons, 'At most 60 spoons.').default([]),
  /** The magnetics, where part of them was washed: which share, what was found in it, and the colors in what stayed. */
  magnet: z
    .object({
      washedShare: within(NUMBERS.washedShare),
      found: wholeWithin(NUMBERS.colors, 'A whole number.'),
      elsewhere: wholeWithin(NUMBERS.colors, 'A whole number.'),
    })
    .nullable()
    .default(null),
  gold_mg: within(NUMBERS.sectionGold_mg).overwrite(goldRounded).nullable().default(null),
  goldEntered: Entered.nullable().default(null),
  note: Note,
});
export const NewJar = Jar.extend(Based.shape)
  .refine((j) => j.finest_mm < j.coarsest_mm, {
    error: 'It lies on a finer screen than it passed.',
    path: ['finest_mm'],
  })
  .meta({ id: 'NewJar' });
export const StoredJar = Jar.extend(Stored.shape).meta({ id: 'Jar' });
export type Jar = z.infer<typeof Jar>;
export type StoredJar = z.infer<typeof StoredJar>;
