import { afterEach, describe, expect, test } from '@jest/globals';
import { fetchChanges, noteRead } from './fetchChanges.ts';

const trueFetch = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = trueFetch;
});

interface Kept {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
  readonly tally?: { readonly taps: number };
}
const at = (second: number): string => new Date(Date.UTC(2026, 4, 1, 8, 0, second)).toISOString();
const record = (n: number, version = 1, second = 0): Kept => ({
  id: String(n).padStart(5, '0'),
  version,
  updatedAt: at(second),
});
const many = (count = 1200): Kept[] => [...Array(count).keys()].map((n) => record(n));

/** A server that keeps these records, and what it was asked. */
function serverWith(records: readonly Kept[]): string[] {
  const asked: string[] = [];
  globalThis.fetch = (address) => {
    const { pathname, searchParams } = new URL(address as string, 'http://riffle');
    const since = searchParams.get('since') ?? '';
    asked.push(`${pathname} ${since}`);
    const items = records.filter((r) => r.updatedAt > since);
    const edits = records.reduce((sum, r) => sum + r.version + (r.tally?.taps ?? 0), 0);
    return Promise.resolve(
      new Response(JSON.stringify({ items, whole: { records: records.length, edits } }), {
        headers: { 'content-type': 'application/json' },
      }),
    );
  };
  return asked;
}
const fetchFor = (hash: string, inHand: readonly Kept[], kind = 'samples') => fetchChanges(kind, 'g', hash, inHand);

test('one record of many comes alone, in its place, and the others are the very same', async () => {
  const inHand = many();
  const asked = serverWith(inHand.map((r, i) => (i === 700 ? record(700, 2, 9) : r)));
  const list = await fetchFor('one', inHand);
  expect(list).toHaveLength(1200);
  expect(list?.[700]).toEqual(record(700, 2, 9));
  expect(list?.filter((r, i) => r === inHand[i])).toHaveLength(1199);
  // From then on only what is later still.
  expect(await fetchFor('one', list ?? [])).toBe(list);
  expect(asked).toEqual([`/api/v1/grounds/g/samples/changes ${at(0)}`, `/api/v1/grounds/g/samples/changes ${at(9)}`]);
});

test('what this device wrote since it read does not hide what others wrote before that', async () => {
  const read = many();
  noteRead('two', read);
  const ours = record(9000, 1, 60);
  const asked = serverWith([...read, record(8000, 1, 30), ours]);
  expect((await fetchFor('two', [...read, ours]))?.map((r) => r.id).slice(1200)).toEqual(['09000', '08000']);
  expect(asked).toEqual([`/api/v1/grounds/g/samples/changes ${at(0)}`]);
});

describe('is read as a whole', () => {
  test('a short list, without a question', async () => {
    const asked = serverWith(many(999));
    expect([await fetchFor('short', many(999)), asked]).toEqual([null, []]);
  });
  test.each([
    ['another was written in the instant of the last one known', [...many(), record(5000)]],
    ['one is not in the book any more', many(1199)],
    ['a version was put back', many().map((r, i) => (i === 3 ? { ...r, version: 3, updatedAt: at(-90) } : r))],
    ['a tap came late', many().map((r, i) => (i === 3 ? { ...r, tally: { taps: 1 }, updatedAt: at(-90) } : r))],
  ])('%s', async (why, records) => {
    serverWith(records);
    expect(await fetchFor(why, many())).toBeNull();
  });
});

test('of runs the later tally stands', async () => {
  const runs = (taps: number, second: number) =>
    many().map((r, i) => ({
      ...r,
      tally: { taps: i === 5 ? taps : 2 },
      updatedAt: i === 5 ? at(second) : r.updatedAt,
    }));
  serverWith(runs(9, 4));
  expect((await fetchFor('runs', runs(7, 0), 'runs'))?.[5]?.tally).toEqual({ taps: 9 });
});
