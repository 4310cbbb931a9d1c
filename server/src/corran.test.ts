import { describe, expect, test } from '@jest/globals';
import {
  asPans,
  Book,
  LoggedEvent,
  Pans,
  type Pan,
  type StoredCleanup,
  type StoredGround,
  type StoredLift,
  type StoredRun,
  type StoredSample,
  type StoredSetup,
} from '@riffle/contract';
import { keepBook, weighedCleanups } from '@riffle/core';
import { corranWrites, CORRAN, RUNS } from '@riffle/demo';
import { EVERY_KIND } from './db/everyKind.ts';
import { useTestServer } from '../test/testServer.ts';

describe('the demo island', () => {
  const server = useTestServer();

  test('is the same every time', () => expect(corranWrites()).toEqual(corranWrites()));

  test('passes every rule of the API, and its book stands near the simulated truth', async () => {
    for (const { method, url, body, type } of corranWrites()) {
      const answer = await server.call(method, url, body, { 'content-type': type });
      expect([url, answer.statusCode, answer.statusCode >= 300 ? answer.body : '']).toEqual([
        url,
        expect.any(Number),
        '',
      ]);
    }
    const { items } = (await server.call('GET', '/grounds')).json<{ items: StoredGround[] }>();
    expect(items.map((g) => g.name)).toEqual(CORRAN.map((g) => g.name));

    const halloway = items[0] as StoredGround;
    expect(halloway.length_m).toBeGreaterThan(1195);
    const book = Book.parse((await server.call('GET', `/grounds/${halloway.id}/book`)).json());
    expect(book.unweighed.runs).toBe(1);
    expect(book.total.cleanups).toBe(RUNS.filter((r) => r.ground === 'halloway' && r.weighed).length);
    // Otter bar truly holds 0.42 g/m3; the box kept 55-92 % of it, and a lossy overfed day is among them.
    const otter = book.lines.find((l) => l.spotIds.length === 1 && l.buckets === 9 + 16 + 34 + 13);
    expect(otter && otter.gold_mg / otter.volumeBank_L).toBeGreaterThan(0.42 * 0.6);
    expect(otter && otter.gold_mg / otter.volumeBank_L).toBeLessThan(0.42);
    // The mix stays a mix, and the day after the box was left unrinsed is marked.
    expect(book.lines.find((l) => l.spotIds.length === 2)).toMatchObject({ buckets: 13, mayHoldOldGold: true });
  });

  test('every list is what its schema makes of it: no field left out, none added, no moment written another way', async () => {
    const { items: grounds } = (await server.call('GET', '/grounds')).json<{ items: StoredGround[] }>();
    const counted = new Map<string, number>();
    for (const kind of EVERY_KIND)
      for (const of of kind.ofGround ? grounds.map((g) => `/grounds/${g.id}`) : ['']) {
        const { items } = (await server.call('GET', `${of}/${kind.path}?limit=1000`)).json<{ items: unknown[] }>();
        for (const item of items) expect(item).toStrictEqual(kind.kept.parse(item));
        counted.set(kind.path, (counted.get(kind.path) ?? 0) + items.length);
      }
    expect([...counted.values()].filter((n) => n > 0).length).toBeGreaterThan(15);
    const runId = (await server.call('GET', `/grounds/${grounds[0]?.id}/runs`)).json<{ items: StoredRun[] }>().items[0]
      ?.id;
    const { items: taps } = (await server.call('GET', `/runs/${runId}/events`)).json<{ items: unknown[] }>();
    expect(taps.length).toBeGreaterThan(5);
    for (const tap of taps) expect(tap).toStrictEqual(LoggedEvent.parse(tap));
  });

  test('the pans of a ground in columns are its samples', async () => {
    const { items } = (await server.call('GET', '/grounds')).json<{ items: StoredGround[] }>();
    let pans = 0;
    for (const { id } of items) {
      const samples = (await server.call('GET', `/grounds/${id}/samples?limit=1000`)).json<{ items: StoredSample[] }>();
      const answer = Pans.parse((await server.call('GET', `/grounds/${id}/pans`)).json());
      expect(Math.abs(Date.parse(answer.asOf) - Date.now())).toBeLessThan(60_000);
      const inOrder = (some: readonly Pan[]): string[] =>
        some
          .map(({ spotId, takenAt, depth_m, layerId, volume_L, volumeState, counts, gold_mg }) =>
            JSON.stringify([spotId, takenAt, depth_m, layerId, volume_L, volumeState, counts, gold_mg]),
          )
          .sort();
      expect(inOrder(asPans(answer))).toEqual(inOrder(samples.items.filter((s) => !s.deleted)));
      pans += samples.items.length;
    }
    expect(pans).toBeGreaterThan(50);
    expect((await server.call('GET', '/grounds/019370a0-0000-7000-8000-00000000ffff/pans')).json()).toMatchObject({
      spots: [],
    });
  });

  test('the book added up from the records, as a device without signal does it, is the server’s', async () => {
    const all = async <T>(kind: string): Promise<T[]> => {
      const { items } = (await server.call('GET', '/grounds')).json<{ items: StoredGround[] }>();
      const lists = await Promise.all(
        items.map(async (g) =>
          (await server.call('GET', `/grounds/${g.id}/${kind}?limit=1000`)).json<{
            items: (T & { deleted: boolean })[];
          }>(),
        ),
      );
      return lists.flatMap((l) => l.items.filter((r) => !r.deleted));
    };
    const [cleanups, lifts, runs, setups] = [
      await all<StoredCleanup>('cleanups'),
      await all<StoredLift>('lifts'),
      await all<StoredRun>('runs'),
      await all<StoredSetup>('setups'),
    ];
    const { items } = (await server.call('GET', '/grounds')).json<{ items: StoredGround[] }>();
    for (const ground of items) {
      const weighed = weighedCleanups(ground.id, cleanups, lifts, runs, setups, ground.timeZone ?? 'UTC');
      const book = keepBook(ground.id, ground.swell_percent, weighed.cleanups, weighed.unweighed);
      expect(book).toEqual((await server.call('GET', `/grounds/${ground.id}/book`)).json());
    }
  });
});
