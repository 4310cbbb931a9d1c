import type { Kind } from './kinds.ts';

/** What the document brought along: whose book it is, and the lists its first view needs, so that nothing waits for a second answer. */
interface Opening {
  readonly crewId: string;
  readonly lists: readonly {
    readonly kind: Kind;
    readonly groundId: string;
    readonly items: readonly { id: string }[];
  }[];
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
