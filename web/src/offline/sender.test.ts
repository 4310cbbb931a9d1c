import 'fake-indexeddb/auto';
import { afterAll, beforeEach, describe, expect, test } from '@jest/globals';
import { addWrite, changeEntry, giveUpEntry, readDevice } from './deviceStore.ts';
import { sendWaiting } from './sender.ts';
import type { QueuedWrite } from './write.ts';

const CREW = 'crew';
/** A page is what something on the way answers, never the server. */
type Answer = { readonly status: number; readonly body?: object; readonly isPage?: true } | 'no signal';
/** What came to the server, and what it says next: by record, else 200. */
let came: { readonly path: string; readonly body: Record<string, unknown> }[] = [];
let says: (id: string, body: Record<string, unknown>) => Answer = () => ({ status: 200 });

const problem = (status: number, code: string, some: object = {}) => ({
  status,
  body: { type: 'about:blank', title: code, status, code, detail: `It is ${code}.`, ...some },
});
const own = { fetch: globalThis.fetch, navigator: Object.getOwnPropertyDescriptor(globalThis, 'navigator') };
globalThis.fetch = ((path: string, { body }: { body: string }) => {
  const sent = JSON.parse(body) as Record<string, unknown>;
  came.push({ path, body: sent });
  const answer = says(String(sent.id), sent);
  if (answer === 'no signal') return Promise.reject(new TypeError('Failed to fetch'));
  if (answer.isPage)
    return Promise.resolve(new Response('<html>', { status: answer.status, headers: { 'content-type': 'text/html' } }));
  return Promise.resolve(Response.json({ ...sent, version: 1, ...answer.body }, { status: answer.status }));
}) as never;
Object.defineProperty(globalThis, 'navigator', {
  value: { locks: { request: <T>(_name: string, work: () => Promise<T>) => work() } },
  configurable: true,
});
afterAll(() => {
  globalThis.fetch = own.fetch;
  if (own.navigator) Object.defineProperty(globalThis, 'navigator', own.navigator);
});

const write = (id: string, some: object = {}, base?: object): QueuedWrite =>
  ({
    what: 'record',
    kind: 'spots',
    record: { id, groundId: 'g', baseVersion: 0, name: id, note: '', ...some },
    ...(base && { base }),
    writeId: `write of ${id}`,
    crewId: CREW,
  }) as unknown as QueuedWrite;
const send = () => sendWaiting(CREW, () => undefined);
const ids = (): unknown[] => came.map((c) => c.body.id);
const lying = async () =>
  Object.fromEntries(
    (await readDevice(CREW)).entries.map((e) => [
      e.write.writeId.replace('write of ', ''),
      e.landed ? 'landed' : (e.refused?.code ?? 'waits'),
    ]),
  );
const placeOf = async (id: string): Promise<number> =>
  (await readDevice(CREW)).entries.find((e) => e.write.writeId === `write of ${id}`)?.place ?? NaN;

beforeEach(async () => {
  for (const { place, landed } of (await readDevice(CREW)).entries) if (!landed) await giveUpEntry(place);
  came = [];
  says = () => ({ status: 200 });
});

describe('what waits is sent', () => {
  test('in the order in which it was written, each once', async () => {
    for (const id of ['c1', 'a1', 'b1']) await addWrite(write(id));
    expect(await send()).toBe(true);
    expect(ids()).toEqual(['c1', 'a1', 'b1']);
    expect(await lying()).toMatchObject({ a1: 'landed', b1: 'landed', c1: 'landed' });
    expect(await send()).toBe(true);
    expect(came).toHaveLength(3);
  });
  test.each<[string, Answer]>([
    ['no signal', 'no signal'],
    ['a server that starts', problem(503, 'STARTING')],
    ['a gateway without its server', { status: 502 }],
    ['too much at once', problem(429, 'BUSY')],
    ['a network that wants one to sign in first', { status: 403, isPage: true }],
    ['and says so with every courtesy', { status: 200, isPage: true }],
  ])('%s: it waits as it lies, and nothing overtakes it', async (_, answer) => {
    says = () => answer;
    await addWrite(write('a2'));
    await addWrite(write('b2'));
    for (let i = 0; i < 5; i++) expect(await send()).toBe(false);
    expect(new Set(ids())).toEqual(new Set(['a2']));
    expect(await lying()).toMatchObject({ a2: 'waits', b2: 'waits' });
    says = () => ({ status: 200 });
    expect(await send()).toBe(true);
    expect(await lying()).toMatchObject({ a2: 'landed', b2: 'landed' });
  });
});

describe('what cannot be taken', () => {
  test('a fault of the server over one write is tried three times; then it steps aside with its reason, and the others pass', async () => {
    says = (id) => (id === 'bad' ? problem(500, 'FAULT') : { status: 200 });
    await addWrite(write('bad'));
    await addWrite(write('good'));
    expect([await send(), await send()]).toEqual([false, false]);
    expect(await lying()).toMatchObject({ bad: 'waits', good: 'waits' });
    expect(await send()).toBe(true);
    expect(await lying()).toMatchObject({ bad: 'FAULT', good: 'landed' });
    expect(ids().filter((id) => id === 'bad')).toHaveLength(3);
  });
  test('what is too large for something on the way steps aside: it would be so for ever', async () => {
    says = (id) => (id === 'large' ? { status: 413, isPage: true } : { status: 200 });
    await addWrite(write('large'));
    await addWrite(write('small'));
    expect(await send()).toBe(true);
    expect(await lying()).toMatchObject({ large: 'FAULT', small: 'landed' });
  });
  test('a refusal steps aside at once; what names it goes along, and comes along when it is mended', async () => {
    says = (id) => (id === 'spot3' ? problem(422, 'INVALID') : { status: 200 });
    await addWrite(write('spot3'));
    await addWrite(write('sign3', { spotId: 'spot3' }));
    await addWrite(write('other3'));
    expect(await send()).toBe(true);
    expect(await lying()).toMatchObject({ spot3: 'INVALID', sign3: 'HANGS_ON', other3: 'landed' });
    expect(ids()).toEqual(['spot3', 'other3']);
    says = () => ({ status: 200 });
    await changeEntry(await placeOf('spot3'), { refused: null });
    expect(await send()).toBe(true);
    expect(ids().slice(2)).toEqual(['spot3', 'sign3']);
    expect(await lying()).toMatchObject({ spot3: 'landed', sign3: 'landed' });
  });
  test('given up, it lets go of what hung on it', async () => {
    says = (id) => (id === 'spot4' ? problem(422, 'INVALID') : { status: 200 });
    await addWrite(write('spot4'));
    await addWrite(write('sign4', { spotId: 'spot4' }));
    await send();
    await giveUpEntry(await placeOf('spot4'));
    expect(await send()).toBe(true);
    // The server says what it thinks of one that names nothing.
    expect(ids()).toEqual(['spot4', 'sign4']);
  });
});

describe('what another changed meanwhile', () => {
  const base = { id: 'm', groundId: 'g', name: 'Ford', note: '', version: 1 };
  const changed = (theirs: object) => (_id: string, body: Record<string, unknown>) =>
    body.baseVersion === 1 ? problem(409, 'CHANGED', { current: { ...base, version: 2, ...theirs } }) : { status: 200 };

  test('in other things: both stand, on top of theirs', async () => {
    says = changed({ name: 'Upper ford' });
    await addWrite(write('m', { ...base, id: 'm', note: 'two boulders', baseVersion: 1 }, base));
    expect(await send()).toBe(true);
    expect(came.at(-1)?.body).toMatchObject({ name: 'Upper ford', note: 'two boulders', baseVersion: 2 });
    expect(await lying()).toMatchObject({ m: 'landed' });
  });
  test('in the same thing: it is for a person, with both copies', async () => {
    says = changed({ note: 'three boulders' });
    await addWrite(write('m', { ...base, id: 'm', note: 'two boulders', baseVersion: 1 }, base));
    expect(await send()).toBe(true);
    expect(came).toHaveLength(1);
    const entry = (await readDevice(CREW)).entries.find((e) => e.refused?.code === 'CHANGED');
    expect(entry?.refused).toMatchObject({ current: { note: 'three boulders' } });
    expect(entry?.write).toMatchObject({ record: { note: 'two boulders' } });
  });
});
