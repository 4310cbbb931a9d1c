import 'fake-indexeddb/auto';
import { afterAll, beforeAll, beforeEach, describe, expect, jest, test } from '@jest/globals';
import fc from 'fast-check';
import { openDB } from 'idb';
import {
  addWrite,
  changeEntry,
  crewOnDevice,
  giveUpEntry,
  isListKept,
  keepLists,
  keptList,
  landEntry,
  readDevice,
} from './deviceStore.ts';
import { hashOf, listKey } from './landing.ts';
import { isOfThisShape, readAsWhole } from './listPieces.ts';
import type { QueuedWrite } from './write.ts';

const CREW = 'crew';
const spots = hashOf(listKey('spots', 'g', CREW));
const change = (id: string, crewId = CREW): QueuedWrite =>
  ({
    what: 'record',
    kind: 'spots',
    record: { id, groundId: 'g', baseVersion: 0 },
    writeId: `write of ${id}`,
    crewId,
  }) as unknown as QueuedWrite;
const list = (...ids: string[]) => ({ hash: spots, items: ids.map((id) => ({ id, version: 1 })), readAt_ms: 5 });
const lying = async (): Promise<string[]> => (await readDevice(CREW)).entries.map((e) => e.write.writeId);
const placeOf = async (id: string): Promise<number> =>
  (await readDevice(CREW)).entries.find((e) => e.write.writeId === `write of ${id}`)?.place ?? NaN;
const itemsKept = async (): Promise<string[] | undefined> => (await keptList(spots))?.items.map((i) => i.id);

beforeEach(async () => {
  const { entries } = await readDevice(CREW);
  // Its counters go on, as on a device.
  for (const { place } of entries) await giveUpEntry(place);
  const { landed } = await readDevice(CREW);
  await keepLists([list()], landed);
});

describe('the outbox', () => {
  test('keeps the order in which was written, whatever the clock said', async () => {
    await addWrite({ ...change('later id first'), writeId: 'write of z' });
    await addWrite({ ...change('earlier id second'), writeId: 'write of a' });
    expect(await lying()).toEqual(['write of z', 'write of a']);
  });
  test('holds each crew its own, and knows which wrote last', async () => {
    await addWrite(change('ours'));
    await addWrite(change('theirs', 'another crew'));
    expect(await lying()).toEqual(['write of ours']);
    expect(await crewOnDevice()).toBe('another crew');
    expect((await readDevice('another crew')).entries).toHaveLength(1);
  });
  test('a landed write is neither changed nor given up any more, and lands once', async () => {
    await addWrite(change('a'));
    const place = await placeOf('a');
    const before = (await readDevice(CREW)).landed;
    await landEntry(place, { id: 'a', version: 1 });
    await landEntry(place, { id: 'a', version: 9 });
    await changeEntry(place, { faults: 3 });
    await giveUpEntry(place);
    const { entries, landed } = await readDevice(CREW);
    expect(landed).toBe(before + 1);
    expect(entries).toMatchObject([{ faults: 0, landed: { nth: before + 1, answer: { version: 1 } } }]);
  });
});

describe('what landed and the lists', () => {
  test('an entry is dropped in the same moment in which its answer lies in the list', async () => {
    await addWrite(change('a'));
    await landEntry(await placeOf('a'), { id: 'a', version: 1 });
    const { landed } = await readDevice(CREW);
    // Kept by a page that shows another list: the answer goes into this one where it lies.
    expect(await keepLists([], landed)).toBe(true);
    expect(await lying()).toEqual([]);
    expect(await itemsKept()).toEqual(['a']);
    expect((await readDevice(CREW)).dropped).toBe(landed);
  });
  test('a page that has not seen what landed neither drops it nor overwrites what others kept', async () => {
    const { landed: seenEarly } = await readDevice(CREW);
    await addWrite(change('b'));
    await landEntry(await placeOf('b'), { id: 'b', version: 1 });
    expect(await keepLists([list()], seenEarly)).toBe(true);
    expect(await lying()).toEqual(['write of b']);
    expect(await keepLists([list('b')], seenEarly + 1)).toBe(true);
    expect(await lying()).toEqual([]);
    // Its list lacks b, which lies in no outbox any more.
    expect(await keepLists([list()], seenEarly)).toBe(false);
    expect(await itemsKept()).toEqual(['b']);
  });
  test('an entry stays as long as a list it belongs to has never been kept', async () => {
    const sample = { ...change('s'), kind: 'samples' } as unknown as QueuedWrite;
    await addWrite(sample);
    await landEntry(await placeOf('s'), { id: 's', version: 1 });
    const { landed } = await readDevice(CREW);
    await keepLists([], landed);
    expect(await lying()).toEqual(['write of s']);
    const samples = hashOf(listKey('samples', 'g', CREW));
    expect(await isListKept(samples)).toBe(false);
    await keepLists([{ hash: samples, items: [{ id: 's', version: 1 }], readAt_ms: 5 }], landed);
    expect(await lying()).toEqual([]);
    expect(await isListKept(samples)).toBe(true);
  });
});

describe('a long list', () => {
  const samples = hashOf(listKey('samples', 'long', CREW));
  const record = (n: number, version = 1) => ({ id: `s${String(n).padStart(6, '0')}`, version });
  const many = (count: number) => [...Array(count).keys()].map((n) => record(n));
  const asKept = (items: readonly object[]) => ({
    hash: samples,
    items: items as ReturnType<typeof many>,
    readAt_ms: 5,
  });
  const marks = async (): Promise<number[]> => {
    const db = await openDB('riffle-device');
    const keys = await db.getAllKeys('pieces');
    db.close();
    return keys.map((key) => (key as [string, number])[1]);
  };
  const keep = async (items: readonly object[], page: { keepLists: typeof keepLists } = here) =>
    page.keepLists([asKept(items)], (await readDevice(CREW)).landed);
  const here = { keepLists };

  test('comes back as it was, from whichever page', async () => {
    for (const count of [499, 500, 501, 2345, 1000, 3]) {
      await keep(many(count));
      expect((await keptList(samples))?.items).toEqual(many(count));
      expect((await (await anotherPage()).keptList(samples))?.items).toEqual(many(count));
      // Nothing lies there that no list names.
      expect(await marks()).toHaveLength(Math.max(0, Math.ceil(count / 500) - 1));
    }
  });
  test('with one record changed is one piece written', async () => {
    const list = many(5000);
    await keep(list);
    const before = await marks();
    const changed = list.map((r, i) => (i === 2700 ? record(2700, 2) : r));
    await keep(changed);
    const after = await marks();
    expect(after).toHaveLength(before.length);
    expect(after.filter((m) => !before.includes(m))).toHaveLength(1);
    expect((await keptList(samples))?.items).toEqual(changed);
    // One more at the end is one more piece, and the rest stays.
    await keep([...changed, record(5000)]);
    expect(await marks()).toHaveLength(before.length + 1);
    expect((await keptList(samples))?.items).toHaveLength(5001);
  });
  test('that another page kept meanwhile is written where it differs', async () => {
    const list = many(1600);
    await keep(list);
    const there = await anotherPage();
    await keep(
      many(1600).map((r, i) => (i === 900 ? record(900, 2) : r)),
      there,
    );
    // As this page has it, piece by piece unchanged since it wrote it: the other's pieces are not taken for its own.
    await keep(list);
    expect((await keptList(samples))?.items).toEqual(list);
    expect(await marks()).toHaveLength(3);
  });
  test('takes the answer of a write where it lies, though no page has it in hand', async () => {
    await keep(many(1200));
    await addWrite({
      what: 'record',
      kind: 'samples',
      record: { id: record(700).id, groundId: 'long', baseVersion: 1 },
      writeId: 'of 700',
      crewId: CREW,
    } as unknown as QueuedWrite);
    const place = (await readDevice(CREW)).entries.at(-1)?.place ?? NaN;
    await landEntry(place, record(700, 2));
    await keepLists([], (await readDevice(CREW)).landed);
    expect((await readDevice(CREW)).entries).toEqual([]);
    expect((await keptList(samples))?.items[700]).toEqual(record(700, 2));
  });
  test('kept by another build is known as such until it is read as a whole', async () => {
    await keep(many(600));
    await keptList(samples);
    expect(isOfThisShape(samples)).toBe(true);
    const db = await openDB('riffle-device');
    const lying = (await db.get('lists', samples)) as object;
    await db.put('lists', { ...lying, shape: 'earlier' });
    db.close();
    await keptList(samples);
    expect(isOfThisShape(samples)).toBe(false);
    // Kept again as it is, it is of that build still.
    await keep(many(600));
    await keptList(samples);
    expect(isOfThisShape(samples)).toBe(false);
    readAsWhole(samples);
    await keep(many(600));
    await keptList(samples);
    expect(isOfThisShape(samples)).toBe(true);
  });
  test('of which a piece is gone is taken for not kept', async () => {
    await keep(many(1200));
    const db = await openDB('riffle-device');
    await db.delete('pieces', [samples, (await marks())[0] ?? NaN]);
    db.close();
    expect(await keptList(samples)).toBeUndefined();
    await keep(many(1200));
    expect((await keptList(samples))?.items).toEqual(many(1200));
  });
});

/** A page of its own on the same device: it has read nothing yet. */
async function anotherPage() {
  jest.resetModules();
  return import('./deviceStore.ts');
}

test('a page that reads only what came or changed since sees what one sees that reads all of it', async () => {
  const [here, there] = [await anotherPage(), await anotherPage()];
  const doing = fc.record({
    what: fc.constantFrom('add', 'refuse', 'land', 'give up', 'keep', 'look'),
    page: fc.constantFrom(here, there),
    nth: fc.nat(5),
  });
  let made = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(doing, { maxLength: 25 }), async (steps) => {
      for (const { what, page, nth } of steps) {
        const { entries, landed } = await page.readDevice(CREW);
        const place = entries[nth % Math.max(1, entries.length)]?.place ?? -1;
        if (what === 'add') await page.addWrite(change(`${made++}`));
        if (what === 'refuse') await page.changeEntry(place, { faults: nth, refused: null });
        if (what === 'land') await page.landEntry(place, { id: 'x', version: 1 });
        if (what === 'give up') await page.giveUpEntry(place);
        if (what === 'keep') await page.keepLists([list()], landed);
      }
      const fresh = await (await anotherPage()).readDevice(CREW);
      expect(await here.readDevice(CREW)).toEqual(fresh);
      expect(await there.readDevice(CREW)).toEqual(fresh);
    }),
    { numRuns: 30, seed: 14 },
  );
});

test('what the outbox held before its entries counted their changes is in it still', async () => {
  indexedDB = new (indexedDB.constructor as new () => IDBFactory)();
  const before = await openDB('riffle-device', 1, {
    upgrade(db) {
      db.createObjectStore('outbox', { keyPath: 'place', autoIncrement: true });
      db.createObjectStore('lists', { keyPath: 'hash' });
      db.createObjectStore('facts');
    },
  });
  await before.put('lists', list('as it lay whole'));
  await before.add('outbox', { write: change('a'), faults: 0, refused: null, landed: null });
  await before.add('outbox', { write: change('b'), faults: 0, refused: null, landed: { nth: 1, answer: { id: 'b' } } });
  await before.put('facts', 1, 'landed');
  before.close();
  const anew = await anotherPage();
  expect((await anew.readDevice(CREW)).entries.map((e) => e.write.writeId)).toEqual(['write of a', 'write of b']);
  expect(await anew.keptList(spots)).toEqual(list('as it lay whole'));
  await anew.keepLists([list()], 1);
  expect((await anew.readDevice(CREW)).entries.map((e) => e.write.writeId)).toEqual(['write of a']);
});

test('what a Riffle before this one had still to send is taken over, in order, once', async () => {
  indexedDB = new (indexedDB.constructor as new () => IDBFactory)();
  const earlier = await openDB('riffle-outbox', 1, { upgrade: (db) => void db.createObjectStore('writes') });
  await earlier.put('writes', { write: change('2'), refused: null }, 'write of 2');
  await earlier.put('writes', { write: change('1'), refused: null }, 'write of 1');
  await earlier.put('writes', { write: change('0'), refused: null, landed: { answer: {} } }, 'write of 0');
  earlier.close();
  const anew = await anotherPage();
  const { entries } = await anew.readDevice(CREW);
  expect(entries.map((e) => e.write.writeId)).toEqual(['write of 1', 'write of 2']);
  expect((await indexedDB.databases()).map((d) => d.name)).toEqual(['riffle-device']);
});

describe('what stood in line at the store of a page that closed', () => {
  const notes = new Map<string, string>();
  const storage = {
    getItem: (key: string) => notes.get(key) ?? null,
    setItem: (key: string, text: string) => {
      Object.assign(storage, { [key]: text });
      notes.set(key, text);
    },
    removeItem: (key: string) => {
      Reflect.deleteProperty(storage, key);
      notes.delete(key);
    },
  };
  beforeAll(() => {
    globalThis.localStorage = storage as unknown as Storage;
  });
  beforeEach(() => {
    indexedDB = new (indexedDB.constructor as new () => IDBFactory)();
  });
  afterAll(() => {
    Reflect.deleteProperty(globalThis, 'localStorage');
  });
  const NOTE = 'riffle-write-';
  const noteAsLeft = (id: string): void => storage.setItem(`${NOTE}write of ${id}`, JSON.stringify(change(id)));
  const outboxOf = async (page: Awaited<ReturnType<typeof anotherPage>>): Promise<string[]> =>
    (await page.readDevice(CREW)).entries.map((e) => e.write.writeId);

  test('is in the outbox of the next, in the order it was written, once', async () => {
    noteAsLeft('2');
    noteAsLeft('1');
    expect(await outboxOf(await anotherPage())).toEqual(['write of 1', 'write of 2']);
    expect(notes.size).toBe(0);
    expect(await outboxOf(await anotherPage())).toEqual(['write of 1', 'write of 2']);
  });

  test('is not taken twice where the store had it after all', async () => {
    await (await anotherPage()).addWrite(change('3'));
    noteAsLeft('3');
    expect(await outboxOf(await anotherPage())).toEqual(['write of 3']);
    expect(notes.size).toBe(0);
  });

  test('what a page writes itself is noted until the store has it, and taken up by no one', async () => {
    const page = await anotherPage();
    const adding = page.addWrite(change('4'));
    expect([...notes.keys()]).toEqual([`${NOTE}write of 4`]);
    await adding;
    expect(notes.size).toBe(0);
    expect(await outboxOf(page)).toEqual(['write of 4']);
  });

  test('the bytes of a file are not noted, nor is anything where there is no room', async () => {
    const page = await anotherPage();
    await page.addWrite({
      what: 'file',
      groundId: 'g',
      attachmentId: 'a',
      bytes: new Blob(['x']),
      writeId: 'f',
      crewId: CREW,
    });
    const room = storage.setItem;
    storage.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    await page.addWrite(change('5'));
    storage.setItem = room;
    expect(notes.size).toBe(0);
    expect(await outboxOf(page)).toEqual(['f', 'write of 5']);
  });
});
