import type { NextPan, RankedPlace } from '@riffle/core';
import { inTen } from './inTen.ts';

/** The pan, or the weighing, that most changes where one digs, with the places it is about. */
export interface NextStep extends NextPan {
  readonly at: RankedPlace;
  /** Where one digs as things stand, and instead; null: nowhere. */
  readonly digsAt: string | null;
  readonly insteadAt: string | null;
  /** What it is for, with its chance: "3 in 10 that it beats Otter bar". */
  readonly hope: string;
}

/** Under this chance no one walks back for a pan. Common practice, no source. */
const HARDLY = 0.05;

/** What it is for, with its chance: "3 in 10 that it beats Otter bar". */
export function hopeWords({ does, could, chance, digsAt, insteadAt, at }: Omit<NextStep, 'hope'>): string {
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
  const { at, does } = next;
  if (does === 'weigh') return `Weigh the gold of a few counted pans first: ${next.hope}.`;
  return `Pan ${at.place.name} ${at.panned ? 'once more' : 'next'}: ${next.hope}.`;
}
