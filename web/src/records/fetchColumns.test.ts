import { afterEach, expect, test } from '@jest/globals';
import type { Pans } from '@riffle/contract';
import { fetchColumns } from './fetchColumns.ts';

const trueFetch = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = trueFetch;
});

test('a sample of this device counts once: by when it was written, by name where it was written of late, and while it waits', async () => {
  const answer: Pans = { asOf: '2026-05-01T08:00:10.000Z', later: ['seen'], spots: [] };
  globalThis.fetch = () =>
    Promise.resolve(new Response(JSON.stringify(answer), { headers: { 'content-type': 'application/json' } }));
  const { holds } = await fetchColumns('g');
  const written = (id: string, second: number, version = 1) => ({
    id,
    version,
    updatedAt: new Date(Date.UTC(2026, 4, 1, 8, 0, second)).toISOString(),
  });
  expect(holds(written('before', 9))).toBe(true);
  expect(holds(written('at the moment', 10))).toBe(true);
  // Written while the columns were read: some of them were seen, some not yet.
  expect(holds(written('seen', 11))).toBe(true);
  expect(holds(written('not seen', 11))).toBe(false);
  expect(holds(written('changed', 12, 2))).toBe(true);
  // What waits has no time yet, and may have reached the server all the same.
  const waiting = { version: 1, updatedAt: new Date(0).toISOString() };
  expect([holds({ id: 'waits', ...waiting }), holds({ id: 'seen', ...waiting })]).toEqual([false, true]);
});
