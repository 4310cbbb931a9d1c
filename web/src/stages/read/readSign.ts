import { NUMBERS, numberProblem, textProblems, TEXTS, type StoredGround, type StoredSign } from '@riffle/contract';
import { centreLine, OWN_KIND, type Entered, type OwnKind } from '@riffle/core';
import type { RibbonPlace } from '../../ribbon/placeAt.ts';
import { enterLength } from '../../units/enterLength.ts';
import type { LocalTime } from '../../when/localTime.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { readEntered, readHeight, type Reading } from '../../units/readEntered.ts';

export type SignKind = StoredSign['kind'];

export const isOwnKind = (kind: SignKind): kind is OwnKind => OWN_KIND.test(kind);

/** What can be added to a sign once it is kept, as it is typed. */
export interface SignDraft {
  readonly size: Entered;
  /** On a beach: above the tide table's zero. */
  readonly height: Entered;
  readonly cover: Entered;
  readonly distance: Entered;
  readonly bank: StoredSign['bank'];
  /** When it was seen, as the field writes it. */
  readonly seen: string;
  readonly weight: string;
  readonly comeBackWith: string;
  readonly note: string;
  readonly traits: Record<string, string>;
}

export const signAsDraft = (sign: StoredSign, US: boolean, local: LocalTime): SignDraft => ({
  size: sign.sizeEntered ?? { text: '', unit: US ? 'in' : 'mm' },
  height: sign.heightEntered ?? { text: '', unit: US ? 'ft' : 'm' },
  cover: sign.coverEntered ?? { text: '', unit: US ? 'ft' : 'm' },
  distance: enterLength(sign.distance_m, US ? 'ft' : 'm'),
  bank: sign.bank,
  seen: local.isoMoment(sign.seenAt),
  weight: String(sign.weight ?? 1),
  comeBackWith: sign.comeBackWith,
  note: sign.note,
  traits: sign.traits,
});

/** What the size of a sign is the size of; null where it has none. */
export function sizeOf(kind: SignKind): string | null {
  if (kind === 'float' || kind === 'stained float') return 'Size of the stone';
  return kind === 'flood mark' ? 'Height above the water now' : null;
}

/**
 * The fields in numbers, what is wrong beside each, and what of the sign they change (null while something is wrong).
 * @param ground_m how long the ground is; `tooFar` says so in the person's unit
 */
export function readSign(draft: SignDraft, kind: SignKind, ground_m: number, tooFar: string, local: LocalTime) {
  const optional = (e: Entered): Reading | null => (e.text.trim() === '' ? null : readEntered('length', e));
  const [size, cover, distance] = [optional(draft.size), optional(draft.cover), readEntered('length', draft.distance)];
  const height = draft.height.text.trim() === '' ? null : readHeight(draft.height);
  const unread = (r: Reading | null): string | null => (r?.ok === false ? r.problem : null);
  const problems = {
    size: size?.ok ? numberProblem(NUMBERS.signSize_mm, size.value * 1000) : unread(size),
    cover: cover?.ok ? numberProblem(NUMBERS.cover_m, cover.value) : unread(cover),
    height: height?.ok ? numberProblem(NUMBERS.tideLevel_m, height.value) : unread(height),
    seen: draft.seen === '' ? 'A day and an hour.' : whenProblem(draft.seen, local),
    distance: distance.ok && distance.value > ground_m + 0.5 ? tooFar : null,
    ...textProblems({ comeBackWith: TEXTS.comeBackWith, note: TEXTS.note }, draft),
  };
  const fits = distance.ok && Object.values(problems).every((p) => !p);
  return {
    size,
    height,
    cover,
    distance,
    problems,
    change: fits
      ? {
          distance_m: distance.value,
          bank: draft.bank,
          seenAt: local.at(draft.seen).toISOString(),
          comeBackWith: draft.comeBackWith.trim(),
          note: draft.note,
          traits: draft.traits,
          weight: kind === 'own word' ? Number(draft.weight) : null,
          size_mm: size?.ok ? size.value * 1000 : null,
          sizeEntered: size ? draft.size : null,
          height_m: height?.ok ? height.value : null,
          heightEntered: height ? draft.height : null,
          cover_m: cover?.ok ? cover.value : null,
          coverEntered: cover ? draft.cover : null,
        }
      : null,
  };
}

/** A sign as a single tap keeps it: its kind and place, nothing measured. */
export const bareSign = (ground: StoredGround, kind: SignKind, at: RibbonPlace, weight: number | null = null) => ({
  groundId: ground.id,
  kind,
  distance_m: at.distance_m,
  bank: at.bank,
  offset_m: at.offset_m,
  position: ground.line ? centreLine(ground.line).positionAt(at.distance_m, at.offset_m, at.bank) : null,
  seenAt: new Date().toISOString(),
  size_mm: null,
  sizeEntered: null,
  height_m: null,
  heightEntered: null,
  cover_m: null,
  coverEntered: null,
  weight,
  traits: {},
  comeBackWith: '',
  note: '',
});
