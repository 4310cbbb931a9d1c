import type { Problem } from '@riffle/contract';
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction } from 'idb';
import { listKeysOf, withAnswer, type Listed } from './landing.ts';
import { cut, gather, piecesOf, rememberPieces, shapeOf, type LyingList, type Piece } from './listPieces.ts';
import { forget, left, note } from './notes.ts';
import type { QueuedWrite } from './write.ts';

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
  /** Which of this device's changes to entries changed it last; missing while it lies as it was written. */
  readonly changed?: number;
}

type NewEntry = Omit<Entry, 'place'>;

/** A list as it was last read, with the answers of what landed since. */
export interface KeptList {
  /** The hash of its query key. */
  readonly hash: string;
  readonly items: readonly Listed[];
  /** When the server gave it, milliseconds since 1970. */
  readonly readAt_ms: number;
}

interface Schema extends DBSchema {
  outbox: { key: number; value: Entry; indexes: { changed: number; landed: number } };
  lists: { key: string; value: LyingList };
  pieces: { key: [hash: string, mark: number]; value: Piece };
  facts: { key: 'landed' | 'dropped' | 'changes' | 'crew'; value: number | string };
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
  opened ??= openDB<Schema>('riffle-device', 3, {
    upgrade(db, before, _after, tx) {
      if (before < 1) {
        db.createObjectStore('outbox', { keyPath: 'place', autoIncrement: true });
        db.createObjectStore('lists', { keyPath: 'hash' });
        db.createObjectStore('facts');
      }
      if (before < 2) {
        const outbox = tx.objectStore('outbox');
        outbox.createIndex('changed', 'changed');
        outbox.createIndex('landed', 'landed.nth');
      }
      if (before < 3) db.createObjectStore('pieces', { keyPath: ['hash', 'mark'] });
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
    known = nothingRead();
    const names = (await indexedDB.databases()).map((d) => d.name);
    if (names.includes('riffle-outbox')) {
      const { handOverEarlier } = await import('./earlierWrites.ts');
      await handOverEarlier((earlier) => takeOver(db, earlier));
    }
    if (left.length > 0) await (await import('./cutOff.ts')).handOverNoted((noted) => takeOver(db, noted));
    return db;
  });
  opened.catch(() => {
    opened = null;
  });
  return opened;
}

type Stores = IDBPTransaction<Schema, ('outbox' | 'facts')[], 'readwrite'>;

/** Lays a write at the end of the outbox; both are asked at once. */
const lay = (tx: Stores, write: QueuedWrite, refused: Problem | null = null): Promise<unknown> => {
  const entry: NewEntry = { write, faults: 0, refused, landed: null };
  return Promise.all([tx.objectStore('outbox').add(entry as Entry), tx.objectStore('facts').put(write.crewId, 'crew')]);
};

/** Lays what was written elsewhere at the end of the outbox, in this order, each once. */
async function takeOver(
  db: IDBPDatabase<Schema>,
  elsewhere: readonly Pick<Entry, 'write' | 'refused'>[],
): Promise<void> {
  const tx = db.transaction(['outbox', 'facts'], 'readwrite', { durability: 'strict' });
  // Another page may have been at it still: its turn here was before this one.
  const lying = new Set((await tx.objectStore('outbox').getAll()).map((e) => e.write.writeId));
  for (const { write, refused } of elsewhere) if (!lying.has(write.writeId)) await lay(tx, write, refused);
  await tx.done;
}

/** The crew that wrote last: whose writes the service worker sends when no page is open. */
export const crewOnDevice = async (): Promise<string> => String((await (await database()).get('facts', 'crew')) ?? '');

export async function addWrite(write: QueuedWrite): Promise<void> {
  note(write);
  try {
    const db = await database();
    const tx = db.transaction(['outbox', 'facts'], 'readwrite', { durability: 'strict' });
    // All asked at once and committed by word: a page that closes in the next moment has kept it all the same, unless the store was busy.
    lay(tx, write).catch(() => undefined);
    tx.commit();
    await tx.done;
  } finally {
    forget(write.writeId);
  }
}

/** The outbox as this page read it last. Thousands of writes may wait, and it is read at every tap: only what came or changed since is read again. */
interface Read {
  readonly entries: Map<number, Entry>;
  place: number;
  changes: number;
}
const nothingRead = (): Read => ({ entries: new Map(), place: 0, changes: 0 });
let known = nothingRead();
let reading: Promise<unknown> = Promise.resolve();

/** What lies here of a crew's, as of one moment. */
export function readDevice(crewId: string): Promise<OnDevice> {
  // One after another: what was read later is never laid over by what was read before.
  const read = reading.then(() => readOn(crewId));
  reading = read.catch(() => undefined);
  return read;
}

async function readOn(crewId: string): Promise<OnDevice> {
  const tx = (await database()).transaction(['outbox', 'facts'], 'readonly');
  const facts = tx.objectStore('facts');
  const outbox = tx.objectStore('outbox');
  const [count, added, changed, landed, dropped, changes] = await Promise.all([
    outbox.count(),
    outbox.getAll(IDBKeyRange.lowerBound(known.place, true)),
    outbox.index('changed').getAll(IDBKeyRange.lowerBound(known.changes, true)),
    facts.get('landed'),
    facts.get('dropped'),
    facts.get('changes'),
  ]);
  for (const entry of [...added, ...changed]) known.entries.set(entry.place, entry);
  // As many as are known: none is gone.
  if (count < known.entries.size) {
    const lying = new Set(await outbox.getAllKeys());
    for (const place of known.entries.keys()) if (!lying.has(place)) known.entries.delete(place);
  }
  await tx.done;
  known.place = Math.max(known.place, added.at(-1)?.place ?? 0);
  known.changes = Number(changes ?? 0);
  return {
    entries: [...known.entries.values()].filter((entry) => entry.write.crewId === crewId),
    landed: Number(landed ?? 0),
    dropped: Number(dropped ?? 0),
  };
}

/** An entry that is still to be sent; one that landed or was given up meanwhile is left as it is. */
async function unlanded(tx: Stores, place: number): Promise<Entry | undefined> {
  const entry = await tx.objectStore('outbox').get(place);
  return entry?.landed ? undefined : entry;
}

async function putChanged(tx: Stores, entry: Entry): Promise<void> {
  const facts = tx.objectStore('facts');
  const changed = Number((await facts.get('changes')) ?? 0) + 1;
  await facts.put(changed, 'changes');
  await tx.objectStore('outbox').put({ ...entry, changed });
}

/** Changes an entry that is still to be sent. */
export async function changeEntry(place: number, some: Partial<Omit<Entry, 'place' | 'landed'>>): Promise<void> {
  const tx = (await database()).transaction(['outbox', 'facts'], 'readwrite');
  const entry = await unlanded(tx, place);
  if (entry) await putChanged(tx, { ...entry, ...some });
  await tx.done;
}

export async function giveUpEntry(place: number): Promise<void> {
  const tx = (await database()).transaction(['outbox', 'facts'], 'readwrite');
  if (await unlanded(tx, place)) await tx.objectStore('outbox').delete(place);
  await tx.done;
}

export async function landEntry(place: number, answer: unknown): Promise<void> {
  const tx = (await database()).transaction(['outbox', 'facts'], 'readwrite', { durability: 'strict' });
  const facts = tx.objectStore('facts');
  const entry = await unlanded(tx, place);
  if (entry) {
    const nth = Number((await facts.get('landed')) ?? 0) + 1;
    await facts.put(nth, 'landed');
    await putChanged(tx, { ...entry, landed: { nth, answer } });
  }
  await tx.done;
}

/** How much had landed of what is dropped: what is read from now on holds it, here and at the server. */
export const droppedSoFar = async (): Promise<number> =>
  Number((await (await database()).get('facts', 'dropped')) ?? 0);

export const isListKept = async (hash: string): Promise<boolean> =>
  (await (await database()).getKey('lists', hash)) !== undefined;

export const keptList = async (hash: string): Promise<KeptList | undefined> => (await keptLists([hash]))[0];

/** Several of them, in their order, as they were at one moment. */
export async function keptLists(hashes: readonly string[]): Promise<(KeptList | undefined)[]> {
  const tx = (await database()).transaction(['lists', 'pieces']);
  return Promise.all(hashes.map((hash) => listIn(tx, hash)));
}

async function listIn(
  tx: IDBPTransaction<Schema, ('lists' | 'pieces' | 'outbox' | 'facts')[], IDBTransactionMode>,
  hash: string,
): Promise<KeptList | undefined> {
  const lying = await tx.objectStore('lists').get(hash);
  if (!lying) return undefined;
  const items = await gather(lying, (mark) => tx.objectStore('pieces').get([hash, mark]));
  return items && { hash, items, readAt_ms: lying.readAt_ms };
}

type ListStores = IDBPTransaction<Schema, ('lists' | 'pieces' | 'outbox' | 'facts')[], 'readwrite'>;

/** Puts a list where its pieces lie already, or puts these first; pieces it no longer has go. */
async function putList(tx: ListStores, { hash, items, readAt_ms }: KeptList, { first, pieces } = cut(hash, items)) {
  const store = tx.objectStore('pieces');
  const lying = new Set((await store.getAllKeys(piecesOf(hash))).map(([, mark]) => mark));
  for (const piece of pieces) if (!lying.delete(piece.mark)) await store.put(piece);
  for (const mark of lying) await store.delete([hash, mark]);
  const more = pieces.map((piece) => piece.mark);
  await tx
    .objectStore('lists')
    .put({ hash, items: first, readAt_ms, shape: shapeOf(hash), ...(more.length > 0 && { more }) });
  rememberPieces(hash, items, more);
}

/**
 * Writes pieces that no list names yet, each by itself: what a person taps meanwhile is kept in between. A page that
 * closes here leaves them behind; the next to keep their list takes them away.
 */
async function putAhead(pieces: readonly Piece[]): Promise<void> {
  const db = await database();
  for (const piece of pieces) await db.put('pieces', piece);
}

/**
 * Keeps lists as this page has them, with the answers of all that landed up to the `seen`-th, and drops from the outbox
 * what every list it belongs to now holds. A page that has not seen all that was dropped keeps nothing (false): its
 * lists would lack what is no longer in the outbox.
 */
export async function keepLists(lists: readonly KeptList[], seen: number): Promise<boolean> {
  const inPieces = lists.map((list) => ({ list, ...cut(list.hash, list.items) }));
  for (const { fresh } of inPieces) await putAhead(fresh);
  const tx = (await database()).transaction(['lists', 'pieces', 'outbox', 'facts'], 'readwrite');
  const facts = tx.objectStore('facts');
  if (Number((await facts.get('dropped')) ?? 0) > seen) return false;
  await Promise.all(inPieces.map(({ list, ...cutUp }) => putList(tx, list, cutUp)));
  const kept = new Set(lists.map((list) => list.hash));
  let dropped = 0;
  for (const entry of await tx.objectStore('outbox').index('landed').getAll(IDBKeyRange.upperBound(seen))) {
    if (!entry.landed) continue;
    let everywhere = true;
    for (const { hash, key } of listKeysOf(entry.write)) {
      if (kept.has(hash)) continue;
      const list = await listIn(tx, hash);
      if (!list) everywhere = false;
      else await putList(tx, { ...list, items: withAnswer(key, list.items, entry.write, entry.landed.answer) });
    }
    if (!everywhere) continue;
    await tx.objectStore('outbox').delete(entry.place);
    dropped = Math.max(dropped, entry.landed.nth);
  }
  if (dropped > Number((await facts.get('dropped')) ?? 0)) await facts.put(dropped, 'dropped');
  await tx.done;
  return true;
}
