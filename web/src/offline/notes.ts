import type { QueuedWrite } from './write.ts';

/**
 * What is written down at once, beside the store. A page that closes while its store is busy with something else takes
 * what stood in line there with it, word of its being kept or not: a bucket tapped in the moment of a reload was lost.
 * Where there is no such place (in the service worker, in tests) nothing is noted.
 */
export const notes = globalThis.localStorage as Storage | undefined;
const NOTE = 'riffle-write-';

/** Of the pages before this one: what this page notes itself is on its way. */
export const left = Object.keys(notes ?? {}).filter((key) => key.startsWith(NOTE));

/** Notes a write. The bytes of a file have no room there. */
export function note(write: QueuedWrite): void {
  if (write.what === 'file') return;
  try {
    notes?.setItem(NOTE + write.writeId, JSON.stringify(write));
  } catch {
    // No room: it is in the store in a moment.
  }
}

/** Lets go of a note once the store has the write, or has refused it. */
export const forget = (writeId: string): void => notes?.removeItem(NOTE + writeId);
