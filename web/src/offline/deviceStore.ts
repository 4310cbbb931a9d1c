import type { Problem } from '@riffle/contract';
import { deleteDB, openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { listKeysOf, withAnswer, type Listed } from './landing.ts';
import type { QueuedWrite } from './writes.ts';

/** A write as it lies in the outbox, in the order of `place`, which this device counts: no clock decides what comes first. */
export interface Entry {
  readonly place: number;
  readonly write: QueuedWrite;
  /** How often the server came to a fault over it. */
  readonly faults: number;
  /** The server's reason, until the person decides. */
  readonly refused: Problem | null;
  /** The server has it. It stays until every list kept here holds the answer; `nth` counts what landed on this device. */
  readonly landed: { readonly nth: number; readonly answer: unknown } | null;
}

/** A list as it was last read, with the answers of what landed since. */
export interface KeptList {
  /** The hash of its query key. */
  readonly hash: string;
  readonly items: readonly Listed[];
  /** When the server gave it, milliseconds since 1970. */
  readonly readAt_ms: number;
}

interface Schema extends DBSchema {
  outbox: { key: number; value: Entry };
  lists: { key: string; value: KeptList };
  facts: { key: 'landed' | 'dropped' | 'crew'; value: number | string };
}

/** What lies on this device at one moment. */
export interface OnDevice {
  readonly entries: readonly Entry[];
  /** How many writes have landed, and up to which of them the entries are dropped: the lists hold those. */
  readonly landed: number;
  readonly dropped: number;
}

/**
 * All that Riffle keeps on a device lies in one database: what was read, and what is still to be sent. What moves from
 * the one to the other moves in one transaction, so that no page, however it ends, finds a write in neither.
 */
let opened: Promise<IDBPDatabase<Schema>> | null = null;
function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('riffle-device', 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { keyPath: 'place', autoIncrement: true });
      db.createObjectStore('lists', { keyPath: 'hash' });
      db.createObjectStore('facts');
    },
    // A later Riffle in another tab changes the database: this tab lets go of it, and opens it anew at the next call.
    blocking: (_now, _next, event) => {
      (event.target as IDBDatabase).close();
      opened = null;
    },
    terminated: () => {
      opened = null;
    },
  }).then(async (db) => {
    await takeOverEarlier(db);
    return db;
  });
  opened.catch(() => {
    opened = null;
  });
  return opened;
}

/** The crew that wrote last: whose writes the service worker sends when no page is open. */
export const crewOnDevice = async (): Promise<string> => String((await (await database()).get('facts', 'crew')) ?? '');

export async function addWrite(write: QueuedWrite): Promise<void> {
  const db = await database();
  const tx = db.transaction(['outbox', 'facts'], 'readwrite', { durability: 'strict' });
  const entry: Omit<Entry, 'place'> = { write, faults: 0, refused: null, landed: null };
  // All asked at once and committed by word: a page that closes in the next moment has kept it all the same.
  void tx
    .objectStore('outbox')
    .add(entry as Entry)
    .catch(() => undefined);
  void tx
    .objectStore('facts')
    .put(write.crewId, 'crew')
    .catch(() => undefined);
  tx.commit();
  await tx.done;
}

/** What lies here of a crew's, as of one moment. */
export async function readDevice(crewId: string): Promise<OnDevice> {
  const tx = (await database()).transaction(['outbox', 'facts'], 'readonly');
  const facts = tx.objectStore('facts');
  const [entries, landed, dropped] = await Promise.all([
    tx.objectStore('outbox').getAll(),
    facts.get('landed'),
    facts.get('dropped'),
  ]);
  await tx.done;
  return {
    entries: entries.filter(({ write }) => write.crewId === crewId),
    landed: Number(landed ?? 0),
    dropped: Number(dropped ?? 0),
  };
}

/** Changes an entry that is still to be sent; one that landed or was given up meanwhile is left as it is. */
export async function changeEntry(place: number, some: Partial<Omit<Entry, 'place' | 'landed'>>): Promise<void> {
  const tx = (await database()).transaction('outbox', 'readwrite');
  const entry = await tx.store.get(place);
  if (entry && !entry.landed) await tx.store.put({ ...entry, ...some });
  await tx.done;
}

export async function giveUpEntry(place: number): Promise<void> {
  const tx = (await database()).transaction('outbox', 'readwrite');
  const entry = await tx.store.get(place);
  if (entry && !entry.landed) await tx.store.delete(place);
  await tx.done;
}

export async function landEntry(place: number, answer: unknown): Promise<void> {
  const tx = (await database()).transaction(['outbox', 'facts'], 'readwrite', { durability: 'strict' });
  const outbox = tx.objectStore('outbox');
  const facts = tx.objectStore('facts');
  const entry = await outbox.get(place);
  if (entry && !entry.landed) {
    const nth = Number((await facts.get('landed')) ?? 0) + 1;
    await facts.put(nth, 'landed');
    await outbox.put({ ...entry, landed: { nth, answer } });
  }
  await tx.done;
}

export const isListKept = async (hash: string): Promise<boolean> =>
  (await (await database()).getKey('lists', hash)) !== undefined;

export const keptList = async (hash: string): Promise<KeptList | undefined> => (await database()).get('lists', hash);

/**
 * Keeps lists as this page has them, with the answers of all that landed up to the `seen`-th, and drops from the outbox
 * what every list it belongs to now holds. A page that has not seen all that was dropped keeps nothing (false): its
 * lists would lack what is no longer in the outbox.
 */
export async function keepLists(lists: readonly KeptList[], seen: number): Promise<boolean> {
  const tx = (await database()).transaction(['lists', 'outbox', 'facts'], 'readwrite');
  const store = tx.objectStore('lists');
  const facts = tx.objectStore('facts');
  if (Number((await facts.get('dropped')) ?? 0) > seen) return false;
  await Promise.all(lists.map((list) => store.put(list)));
  const kept = new Set(lists.map((list) => list.hash));
  let dropped = 0;
  for (const entry of await tx.objectStore('outbox').getAll()) {
    if (!entry.landed || entry.landed.nth > seen) continue;
    let everywhere = true;
    for (const { hash, key } of listKeysOf(entry.write)) {
      if (kept.has(hash)) continue;
      const list = await store.get(hash);
      if (!list) everywhere = false;
      else await store.put({ ...list, items: withAnswer(key, list.items, entry.write, entry.landed.answer) });
    }
    if (!everywhere) continue;
    await tx.objectStore('outbox').delete(entry.place);
    dropped = Math.max(dropped, entry.landed.nth);
  }
  if (dropped > Number((await facts.get('dropped')) ?? 0)) await facts.put(dropped, 'dropped');
  await tx.done;
  return true;
}

/** What a Riffle before this one had still to send; what it had read is read anew. */
async function takeOverEarlier(db: IDBPDatabase<Schema>): Promise<void> {
  const names = (await indexedDB.databases()).map((d) => d.name);
  if (!names.includes('riffle-outbox')) return;
  interface Earlier {
    readonly write: QueuedWrite;
    readonly refused: Problem | null;
    readonly landed?: unknown;
  }
  const earlier = await openDB('riffle-outbox');
  const kept = earlier.objectStoreNames.contains('writes') ? ((await earlier.getAll('writes')) as Earlier[]) : [];
  const tx = db.transaction(['outbox', 'facts'], 'readwrite');
  // In the order they were written: their ids are UUIDs of version 7.
  for (const { write, refused, landed } of kept.sort((a, b) => (a.write.writeId < b.write.writeId ? -1 : 1))) {
    if (landed) continue;
    await tx.objectStore('outbox').add({ write, faults: 0, refused, landed: null } as Omit<Entry, 'place'> as Entry);
    await tx.objectStore('facts').put(write.crewId, 'crew');
  }
  await tx.done;
  earlier.close();
  await Promise.all([deleteDB('riffle-outbox'), deleteDB('riffle')]);
}
