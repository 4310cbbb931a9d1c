import { z } from 'zod';
import { OWN_KIND, SIGN_KIND_NAMES, SIGN_TRAITS, type OwnKind } from '@riffle/core';
import { NUMBERS, TEXTS } from './limits.ts';
import {
  Along,
  Based,
  Day,
  Entered,
  Id,
  Name,
  Note,
  Offset,
  Stored,
  text,
  Timestamp,
  Whole,
  within,
} from './shared.ts';

/** Kinds of sign, kinds the crew named itself (`own: name`), and `own word`: what the person holds of a place, whatever the signs say. */
export const SignKindOrWord = z.union([
  z.enum(['own word', ...SIGN_KIND_NAMES]),
  z
    .string()
    .regex(OWN_KIND, 'An own kind is "own: " and a name of 1 to 30 characters.')
    .transform((k) => k as OwnKind),
]);

/** Something seen on a ground that speaks for or against a place. */
export const Sign = Whole.extend({
  groundId: Id,
  kind: SignKindOrWord,
  /** Distance along the line, as of a spot. */
  distance_m: Along,
  bank: z.enum(['left', 'right', 'mid']),
  offset_m: Offset.default(0),
  position: z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]).nullable(),
  seenAt: Timestamp,
  /** Size of a float stone; of a flood mark its height above the water. */
  size_mm: within(NUMBERS.signSize_mm).nullable(),
  sizeEntered: Entered.nullable(),
  /** Of a beach's sign: how high it lies above the tide table's zero. */
  height_m: within(NUMBERS.tideLevel_m).nullable().default(null),
  heightEntered: Entered.nullable().default(null),
  /** Overburden down to what one wants to pan. */
  cover_m: within(NUMBERS.cover_m).nullable(),
  coverEntered: Entered.nullable(),
  /** Log odds of an own word. */
  weight: within(NUMBERS.ownWeight).nullable(),
  /** What was seen more closely, by trait: which way a crack runs, how float is worn. */
  traits: z
    .record(text(TEXTS.trait), text(TEXTS.trait))
    .refine((t) => Object.keys(t).length <= 10, 'At most ten traits.')
    .default({}),
  /** Passed by: what it needs to be worked; empty for a sign that is not on the return list. */
  comeBackWith: text(TEXTS.comeBackWith).default(''),
  note: Note,
});
const weighed = { error: 'An own word has a weight; other signs have none.', path: ['weight'] };
const known = { error: 'This kind of sign has no such trait.', path: ['traits'] };
const knownTraits = (s: { kind: string; traits: Record<string, string> }): boolean =>
  Object.entries(s.traits).every(([name, value]) =>
    SIGN_TRAITS.some(
      (t) =>
        t.name === name && (t.of as readonly string[]).includes(s.kind) && t.choices.some((c) => c.value === value),
    ),
  );
export const NewSign = Sign.extend(Based.shape)
  .refine((s) => (s.kind === 'own word') === (s.weight !== null), weighed)
  .refine(knownTraits, known)
  .meta({ id: 'NewSign' });
export const StoredSign = Sign.extend(Stored.shape).meta({ id: 'Sign' });
/** The river's level at the ground's stake, read by hand; a flood is its peak, read from the mark it left. */
export const GaugeReading = Whole.extend({
  groundId: Id,
  readAt: Timestamp,
  level_m: within(NUMBERS.level_m),
  levelEntered: Entered,
  isFlood: z.boolean(),
  note: Note,
});
export const NewGaugeReading = GaugeReading.extend(Based.shape).meta({ id: 'NewGaugeReading' });
export const StoredGaugeReading = GaugeReading.extend(Stored.shape).meta({ id: 'GaugeReading' });
export type GaugeReading = z.infer<typeof GaugeReading>;
export type StoredGaugeReading = z.infer<typeof StoredGaugeReading>;

/** The sea off a beach: its significant height and the time from crest to crest; a storm is read at its height. */
export const SwellReading = Whole.extend({
  groundId: Id,
  readAt: Timestamp,
  height_m: within(NUMBERS.waveHeight_m),
  heightEntered: Entered,
  period_s: within(NUMBERS.wavePeriod_s),
  isStorm: z.boolean(),
  /** How much of the berm the storm took, as seen afterwards; null where nobody looked. */
  cut_m: within(NUMBERS.bermCut_m).nullable().default(null),
  cutEntered: Entered.nullable().default(null),
  note: Note,
});
export const NewSwellReading = SwellReading.extend(Based.shape).meta({ id: 'NewSwellReading' });
export const StoredSwellReading = SwellReading.extend(Stored.shape).meta({ id: 'SwellReading' });
export type SwellReading = z.infer<typeof SwellReading>;
export type StoredSwellReading = z.infer<typeof StoredSwellReading>;

/** A claim, a permit or a closed season of a ground, as the crew wrote it down. */
export const Permission = Whole.extend({
  groundId: Id,
  name: Name,
  kind: z.enum(['claim', 'permit', 'closed season']),
  from: Day.nullable(),
  to: Day.nullable(),
  everyYear: z.boolean(),
  note: Note,
});
export const NewPermission = Permission.extend(Based.shape)
  .refine((p) => p.everyYear || p.from === null || p.to === null || p.from <= p.to, {
    error: 'It ends before it begins.',
    path: ['to'],
  })
  .refine((p) => !p.everyYear || (p.from !== null && p.to !== null), {
    error: 'What comes every year needs its first and last day.',
    path: ['from'],
  })
  .meta({ id: 'NewPermission' });
export const StoredPermission = Permission.extend(Stored.shape).meta({ id: 'Permission' });
export type Permission = z.infer<typeof Permission>;
export type StoredPermission = z.infer<typeof StoredPermission>;

export type Sign = z.infer<typeof Sign>;
export type StoredSign = z.infer<typeof StoredSign>;
