import { createStore, del, entries, get, set } from 'idb-keyval';
import type { Problem } from '@riffle/contract';
import type { QueuedWrite } from './writes.ts';

/** A write on its way, or one the server refused, with its reason, until the person decides. */
export interface Kept {
  readonly write: QueuedWrite;
  readonly refused: Problem | null;
}

/**
 * Writes not landed yet, one entry each, shared by all tabs of this device. Kept apart from the cache of what was read:
 * a tab that saves its cache must never overwrite what another tab has still to send.
 */
const store = createStore('riffle-outbox', 'writes');

export const keepWrite = (write: QueuedWrite): Promise<void> =>
  set(write.writeId, { write, refused: null } satisfies Kept, store);
export const keepRefused = (write: QueuedWrite, refused: Problem): Promise<void> =>
  set(write.writeId, { write, refused } satisfies Kept, store);
export const dropWrite = (writeId: string): Promise<void> => del(writeId, store);

/** Everything kept, in the order it was written (ids are UUIDs of version 7). */
export async function keptWrites(): Promise<Kept[]> {
  const all = await entries<string, Kept>(store);
  return all.sort(([a], [b]) => (a < b ? -1 : 1)).map(([, kept]) => kept);
}

/**
 * Sends one write while no other tab does, and only if it still lies in the outbox: two tabs that both opened with the
 * same waiting writes send each of them once. Answers null when another tab has sent it meanwhile.
 */
export async function sendOnce(write: QueuedWrite, send: () => Promise<unknown>): Promise<unknown> {
  return navigator.locks.request('riffle-outbox', async () => {
    if (!(await get<Kept>(write.writeId, store))) return null;
    const answer = await send();
    await dropWrite(write.writeId);
    return answer;
  });
}
