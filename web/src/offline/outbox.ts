import { createStore, del, delMany, entries, get, set } from 'idb-keyval';
import type { Problem } from '@riffle/contract';
import { CREW_ID } from '../api/opening.ts';
import type { QueuedWrite } from './writes.ts';

/** A write on its way, one the server refused (with its reason, until the person decides), or one that has landed and is not yet in the kept copy of what was read. */
export interface Kept {
  readonly write: QueuedWrite;
  readonly refused: Problem | null;
  readonly landed?: { readonly answer: unknown };
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
export const dropWrites = (writeIds: readonly string[]): Promise<void> =>
  writeIds.length === 1 ? del(writeIds[0] as string, store) : delMany([...writeIds], store);

/** What this crew's entries hold, in the order they were written (ids are UUIDs of version 7). */
export async function keptWrites(): Promise<Kept[]> {
  const all = await entries<string, Kept>(store);
  return all
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, kept]) => ({ ...kept, write: asWrittenNow(kept.write) }))
    .filter(({ write }) => write.crewId === CREW_ID);
}

/** Writes of an earlier Riffle: they named no crew, and called a day sheet a plan. */
function asWrittenNow(write: QueuedWrite): QueuedWrite {
  const kind = 'kind' in write && (write.kind as string) === 'plans' ? { kind: 'day-sheets' } : {};
  return { ...write, ...kind, crewId: (write as Partial<QueuedWrite>).crewId ?? CREW_ID } as QueuedWrite;
}

/**
 * Sends one write while no other tab does, and only if it still waits in the outbox: two tabs that both opened with the
 * same waiting writes send each of them once. Answers null when another tab has sent it meanwhile.
 * The entry stays as landed until what was read is kept with its answer in it: a page that closes between the two
 * would otherwise open again without what was done.
 */
export async function sendOnce(write: QueuedWrite, send: () => Promise<unknown>): Promise<unknown> {
  return navigator.locks.request('riffle-outbox', async () => {
    const kept = await get<Kept>(write.writeId, store);
    if (!kept || kept.landed) return null;
    const answer = await send();
    await set(write.writeId, { write, refused: null, landed: { answer } } satisfies Kept, store);
    return answer;
  });
}
