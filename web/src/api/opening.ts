import type { PannedGround } from '@riffle/contract';
import type { ReadingVerdict, WeightSchool } from '@riffle/core';
import type { Kind } from './kinds.ts';

/** What the ground's pans say, worked out with the document: only of what its lists bring, by this grade that pays and this school. */
export interface FirstWord {
  readonly groundId: string;
  /** The day it is there; null where the ground has no time zone of its own. */
  readonly today: string | null;
  readonly pays_mg_L: number;
  readonly school: WeightSchool;
  readonly verdict: ReadingVerdict;
}

/** What the document brought along: whose book it is, the lists its first view needs, so that nothing waits for a second answer, and its first word. */
interface Opening {
  readonly crewId: string;
  readonly lists: readonly {
    readonly kind: Kind;
    readonly groundId: string;
    readonly items: readonly { id: string }[];
  }[];
  readonly says: FirstWord | null;
  /** What the pans of a ground come to whose samples are too many to be brought. */
  readonly panned: { readonly groundId: string; readonly school: WeightSchool; readonly told: PannedGround } | null;
}

const CREW = 'riffle-crew';

function readOpening(): Partial<Opening> {
  try {
    return JSON.parse(document.getElementById('opening')?.textContent ?? '{}') as Partial<Opening>;
  } catch {
    return {};
  }
}

const brought: Partial<Opening> = typeof document === 'undefined' ? {} : readOpening();

/**
 * The crew whose book this page shows. It is told by the document and remembered on this device: a page opened without a
 * signal comes from the device's own copy, which tells nothing. Empty until a document has told it once.
 */
export const CREW_ID: string =
  brought.crewId ?? (typeof localStorage === 'undefined' ? '' : (localStorage.getItem(CREW) ?? ''));
if (brought.crewId) localStorage.setItem(CREW, brought.crewId);

export const broughtLists = brought.lists ?? [];

export const firstWord = brought.says ?? null;

export const broughtPanned = brought.panned ?? null;
