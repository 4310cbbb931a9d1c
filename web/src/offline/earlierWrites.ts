import type { Problem } from '@riffle/contract';
import { deleteDB, openDB } from 'idb';
import type { QueuedWrite } from './write.ts';

interface Earlier {
  readonly write: QueuedWrite;
  readonly refused: Problem | null;
  readonly landed?: unknown;
}

/** Hands over what a Riffle before this one had still to send, in the order it was written, and lets go of where it lay. What it had read is read anew. */
export async function handOverEarlier(takeOver: (earlier: readonly Earlier[]) => Promise<void>): Promise<void> {
  const db = await openDB('riffle-outbox');
  const kept = db.objectStoreNames.contains('writes') ? ((await db.getAll('writes')) as Earlier[]) : [];
  // Their ids are UUIDs of version 7.
  await takeOver(kept.filter((e) => !e.landed).sort((a, b) => (a.write.writeId < b.write.writeId ? -1 : 1)));
  db.close();
  await Promise.all([deleteDB('riffle-outbox'), deleteDB('riffle')]);
}
