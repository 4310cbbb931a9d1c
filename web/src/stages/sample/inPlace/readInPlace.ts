import type { EstimateMethod, Variogram } from '@riffle/core';
import { readEntered } from '../../../units/readEntered.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

/** How the ground is to be mapped, as it stands in the fields. */
export interface InPlaceDraft {
  readonly outlineId: string;
  readonly method: EstimateMethod['kind'];
  readonly fine: boolean;
  /** How many times farther samples are alike along than across, as typed. */
  readonly streak: string;
  readonly pay: { text: string; unit: string };
  readonly cover: { text: string; unit: string };
  readonly from: { text: string; unit: string };
  readonly to: { text: string; unit: string };
  readonly model: Variogram['model'];
  /** The person's own variogram; null: the fitted one. */
  readonly own: OwnVariogram | null;
}
export interface OwnVariogram {
  readonly nugget: string;
  readonly partialSill: string;
  readonly range_m: string;
}

/** Gold of running water lies in streaks along it: alike this many times farther along than across. Common practice, no source. */
const STREAK = '4';
/** Samples are taken from the surface to no deeper than this where the field is left empty, m. */
const DEEPEST_M = 30;

/** How a ground is mapped before anything is said. */
export function emptyInPlace(kind: string, feet: boolean): InPlaceDraft {
  const unit = feet ? 'ft' : 'm';
  return {
    outlineId: '',
    method: 'kriging',
    fine: false,
    streak: kind === 'hillside' ? '1' : STREAK,
    pay: { text: '', unit },
    cover: { text: '', unit },
    from: { text: '', unit },
    to: { text: '', unit },
    model: 'spherical',
    own: null,
  };
}

/** The fields in numbers, with what is wrong beside each. */
export function readInPlace(draft: InPlaceDraft) {
  const fields = {
    pay: readEntered('length', draft.pay),
    cover: readEntered('length', draft.cover),
    from: readEntered('length', draft.from),
    to: readEntered('length', draft.to),
  };
  const { pay, cover, from, to } = fields;
  const isSaid = (typed: { text: string }): boolean => typed.text.trim() !== '';
  const typedStreak = numberTyped(draft.streak);
  const streakFits = typedStreak >= 1 && typedStreak <= 20;
  const own = draft.own && readVariogram(draft.model, draft.own);
  const windowSaid = draft.from.text.trim() !== '' || draft.to.text.trim() !== '';
  return {
    fields,
    /** Null where nobody said: then the ground's pits do, or nothing does. */
    pay_m: isSaid(draft.pay) && pay.ok && pay.value > 0 ? pay.value : null,
    cover_m: isSaid(draft.cover) && cover.ok ? cover.value : null,
    /** The depths samples count from and to; null where neither was said. */
    from_m: windowSaid ? (from.ok ? from.value : 0) : null,
    to_m: windowSaid ? (to.ok ? to.value : DEEPEST_M) : null,
    streak: streakFits ? typedStreak : 1,
    own,
    problems: {
      pay: isSaid(draft.pay) && pay.ok && !(pay.value > 0) ? 'More than nothing.' : null,
      to: from.ok && to.ok && to.value < from.value ? 'Above where it begins.' : null,
      streak: streakFits ? null : 'From 1 to 20; 1 is used.',
      own: draft.own && !own ? 'Nugget and sill from 0 up, not both 0; the range above 0.' : null,
    },
  };
}

/** The person's own variogram, or null where its numbers make none. */
function readVariogram(model: Variogram['model'], typed: OwnVariogram): Variogram | null {
  const [nugget, partialSill, range_m] = [typed.nugget, typed.partialSill, typed.range_m].map(numberTyped) as [
    number,
    number,
    number,
  ];
  const fits = nugget >= 0 && partialSill >= 0 && nugget + partialSill > 0 && range_m > 0;
  return fits ? { model, nugget, partialSill, range_m } : null;
}

/** A fitted variogram as the fields show it, to be changed from. */
export const asTyped = (v: Variogram | null | undefined): OwnVariogram => ({
  nugget: String(Number((v?.nugget ?? 0).toPrecision(3))),
  partialSill: String(Number((v?.partialSill ?? 0).toPrecision(3))),
  range_m: String(Number((v?.range_m ?? 1).toPrecision(3))),
});
