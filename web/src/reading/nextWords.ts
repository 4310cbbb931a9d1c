import { signKind, type AnyKind, type NextPan, type RankedPlace } from '@riffle/core';
import { inTen } from './inTen.ts';

/** The pan, look or weighing that most changes where one digs, with the places it is about. */
export interface NextStep extends NextPan {
  readonly at: RankedPlace;
  /** Where one digs as things stand, and instead; null: nowhere. */
  readonly digsAt: string | null;
  readonly insteadAt: string | null;
  /** What it is for, with its chance: "3 in 10 that it beats Otter bar", "7 in 10 that it is there". */
  readonly hope: string;
  /** What to do, with how far along that is: "Pan Otter bar next, 410 m up the creek". */
  readonly stepAt: (far: string) => string;
}
type BareStep = Omit<NextStep, 'hope' | 'stepAt'>;

/** Under this chance no one walks back for a pan. Common practice, no source. */
const HARDLY = 0.05;

/** What one looks for, in a sentence. */
const LOOKS_FOR: Partial<Record<AnyKind, string>> = {
  'inside bend': 'the inside of a bend',
  step: 'the foot of a step',
  slack: 'a slack below fast water',
  narrows: 'a narrows',
};

/** What to do, without what it is for; `far`: how far along that is, where it is said. "Look for a slack below fast water at Otter bar, before you dig". */
export function stepWords({ does, looksFor, at }: BareStep, far = ''): string {
  const { place, panned } = at;
  if (does === 'weigh') return `Weigh the gold of a few counted pans first${far}`;
  if (does === 'pan') return `Pan ${place.name} ${panned ? 'once more' : 'next'}${far}`;
  const what = looksFor === null ? place.name : (LOOKS_FOR[looksFor] ?? signKind(looksFor).says);
  // What the line alone hints at has no name yet but what one looks for.
  const isNamed = place.spotId !== null || place.signIds.length > 0;
  return isNamed ? `Look for ${what} at ${place.name}${far}, before you dig` : `Look first for ${what}${far}`;
}

/** What it is for, with its chance: "3 in 10 that it beats Otter bar". */
export function hopeWords({ does, could, chance, digsAt, insteadAt, at }: BareStep): string {
  if (does === 'look') return `${inTen(chance)} that it is there`;
  // Of a first pan where nothing pays yet, what counts is whether the place pays.
  const opens = digsAt === null && at.panned === null;
  const said = inTen(opens ? at.chance : chance);
  if (could === 'fall')
    return insteadAt === null
      ? `${said} that ${does === 'weigh' ? at.place.name : 'it'} does not pay after all`
      : `${said} that it falls behind ${insteadAt}`;
  if (digsAt !== null) return `${said} that it beats ${digsAt}`;
  return `${said} that ${does === 'weigh' ? at.place.name : 'it'} pays${opens ? '' : ' after all'}`;
}

/** The one line on what to find out next, the same on every screen; `next` null: nothing would change where one digs. */
export function nextWords(next: NextStep | null): string {
  if (!next || (next.chance < HARDLY && next.digsAt !== null)) return 'No single pan would change where to dig.';
  return `${next.stepAt('')}: ${next.hope}.`;
}
