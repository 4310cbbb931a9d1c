import { afterEach, expect, test } from '@jest/globals';
import { fetchAll, fetchOfGround } from './fetchLists.ts';

const trueFetch = globalThis.fetch;
afterEach(() => {
  globalThis.fetch = trueFetch;
});

/** A server that keeps these lists; what was asked of it is in the answer. */
function serverWith(lists: Readonly<Record<string, readonly string[]>>, atOnce = 1000): string[] {
  const asked: string[] = [];
  globalThis.fetch = (address) => {
    const { pathname, searchParams } = new URL(address as string, 'http://riffle');
    asked.push(pathname + (searchParams.get('after') ? ' after' : ''));
    const of = searchParams.get('grounds')?.split(',') ?? [pathname.split('/')[4] ?? ''];
    const after = searchParams.get('after') ?? '';
    const items = of
      .flatMap((groundId) => (lists[groundId] ?? []).map((id) => ({ id, groundId })))
      .sort((a, b) => (a.id < b.id ? -1 : 1))
      .filter((r) => r.id > after)
      .slice(0, atOnce);
    const next = items.length === atOnce ? items.at(-1)?.id : null;
    const headers = { 'content-type': 'application/json' };
    return Promise.resolve(
      new Response(JSON.stringify({ items, next }), { status: of.includes('z') ? 500 : 200, headers }),
    );
  };
  return asked;
}
const idsOf = (ground: string, kind = 'runs', tell: (count: number | null) => void = () => undefined) =>
  fetchOfGround<{ id: string }>(kind, ground, tell).then((list) => list.map((r) => r.id));

test('one list is asked for by itself', async () => {
  const asked = serverWith({ a: ['1', '2'] });
  expect([await idsOf('a'), asked]).toEqual([['1', '2'], ['/api/v1/grounds/a/runs']]);
});

test('lists of an instant come with one request a kind, each ground with its own, in the order of their ids', async () => {
  const asked = serverWith({ a: ['1', '4'], b: ['2', '3'] });
  expect(await Promise.all([idsOf('a'), idsOf('b'), idsOf('none'), idsOf('a', 'lots')])).toEqual([
    ['1', '4'],
    ['2', '3'],
    [],
    ['1', '4'],
  ]);
  expect(asked).toEqual(['/api/v1/runs', '/api/v1/grounds/a/lots']);
});

test('the same list asked for twice in an instant comes twice', async () => {
  serverWith({ a: ['1'] });
  expect(await Promise.all([idsOf('a'), idsOf('a')])).toEqual([['1'], ['1']]);
});

test('more than a page, and more grounds than one request may name', async () => {
  const grounds = Array.from({ length: 130 }, (_, i) => `g${i}`);
  const asked = serverWith(Object.fromEntries(grounds.map((g, i) => [g, [`${1000 + i}`]])), 60);
  expect(await Promise.all(grounds.map((g) => idsOf(g)))).toEqual(grounds.map((_, i) => [`${1000 + i}`]));
  expect(asked.sort()).toEqual(['/api/v1/runs', '/api/v1/runs', '/api/v1/runs after']);
});

test('what follows an id, however many pages it fills', async () => {
  const asked = serverWith({ a: ['1', '2', '3', '4', '5'] }, 2);
  expect((await fetchAll<{ id: string }>('/grounds/a/runs', undefined, '2')).map((r) => r.id)).toEqual(['3', '4', '5']);
  expect(asked).toEqual(['/api/v1/grounds/a/runs after', '/api/v1/grounds/a/runs after']);
});

test('what is refused is refused to each who asked, and the next instant asks anew', async () => {
  const asked = serverWith({ a: ['1'] });
  const both = await Promise.allSettled([idsOf('a'), idsOf('z')]);
  expect(both.map((r) => r.status)).toEqual(['rejected', 'rejected']);
  expect(await idsOf('a')).toEqual(['1']);
  expect(asked).toEqual(['/api/v1/runs', '/api/v1/grounds/a/runs']);
});

test('of a list by itself it is told how much has come, and that it is all here', async () => {
  serverWith({ a: ['1', '2', '3'] }, 2);
  const told: (number | null)[] = [];
  expect(await idsOf('a', 'runs', (count) => told.push(count))).toEqual(['1', '2', '3']);
  expect(told).toEqual([2, null]);
});
