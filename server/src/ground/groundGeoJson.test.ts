import { beforeAll, describe, expect, test } from '@jest/globals';
import type { Problem, StoredGround, StoredSign, StoredSpot } from '@riffle/contract';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { newSpot } from '../../test/records.ts';
import { loadCorran, useTestServer, type TestServer } from '../../test/testServer.ts';

interface Feature {
  readonly id?: string;
  readonly geometry: { readonly type: string } | null;
  readonly properties: Record<string, unknown>;
}
const book = useTestServer();
const other = useTestServer();
let grounds: StoredGround[];

const exported = async (server: TestServer, id: string): Promise<string> =>
  (await server.call('GET', `/grounds/${id}/ground.geojson`)).body;
const featuresOf = (text: string): Feature[] => (JSON.parse(text) as { features: Feature[] }).features;
const bring = (server: TestServer, id: string, text: string, ground: StoredGround, flow = 'against') =>
  server.call(
    'PUT',
    `/grounds/${id}/from-file?${new URLSearchParams({ name: ground.name, kind: ground.kind, flow }).toString()}`,
    text,
    { 'content-type': 'application/geo+json' },
  );

beforeAll(async () => {
  await loadCorran(book);
  const { items } = (await book.call('GET', '/grounds')).json<{ items: StoredGround[] }>();
  grounds = items.filter((g) => g.line !== null);
  // A spot off the ribbon whose samples stay, and one that closes with the river.
  const [first] = grounds;
  const { items: spots } = (await book.call('GET', `/grounds/${first?.id}/spots`)).json<{ items: StoredSpot[] }>();
  const { items: samples } = (await book.call('GET', `/grounds/${first?.id}/samples`)).json<{
    items: { spotId: string }[];
  }>();
  const sampled = spots.find((s) => samples.some((p) => p.spotId === s.id)) as StoredSpot;
  const { version, updatedAt: _at, ...spot } = sampled;
  await book.call('PUT', `/spots/${spot.id}`, { ...spot, deleted: true, baseVersion: version });
  const closes = newSpot(first?.id ?? '', {
    worksBelow_m: 0.6,
    worksBelowEntered: { text: '60', unit: 'cm' },
    position: null,
  });
  expect((await book.call('PUT', `/spots/${closes.id}`, closes)).statusCode).toBe(201);
});

describe('a ground as a file', () => {
  test('holds every kind of record that makes up a ground', async () => {
    const kinds = new Set<unknown>();
    for (const g of grounds) for (const f of featuresOf(await exported(book, g.id))) kinds.add(f.properties['riffle']);
    expect([...kinds].sort()).toEqual(
      expect.arrayContaining(['ground', 'outlines', 'permissions', 'samples', 'signs', 'spots']),
    );
  });

  test('brought into another book it is the same ground: the file that leaves there is the same to the byte', async () => {
    // A creek before the draws that run into it.
    for (const g of [...grounds].sort((a, b) => Number(a.joins !== null) - Number(b.joins !== null))) {
      const text = await exported(book, g.id);
      const answer = await bring(other, g.id, text, g);
      expect([g.name, answer.statusCode, answer.statusCode > 201 ? answer.body : '']).toEqual([g.name, 201, '']);
      expect(await exported(other, g.id)).toBe(text);
      const { version: _v, updatedAt: _at, ...back } = answer.json<StoredGround>();
      const { version: _v2, updatedAt: _at2, ...was } = g;
      expect(back).toEqual(was);
    }
  });

  test('brought into its own book it is a second one: everything anew, nothing of the first touched', async () => {
    const ground = grounds[0] as StoredGround;
    const text = await exported(book, ground.id);
    const id = uuidv7();
    expect((await bring(book, id, text, ground)).statusCode).toBe(201);
    expect(await exported(book, ground.id)).toBe(text);
    const [was, is] = [featuresOf(text), featuresOf(await exported(book, id))];
    expect(is).toHaveLength(was.length);
    const ids = new Set(was.map((f) => f.id).filter(Boolean));
    expect(is.some((f) => f.id && ids.has(f.id))).toBe(false);
    const spotNames = (all: Feature[]): Map<unknown, unknown> =>
      new Map(all.filter((f) => f.properties['riffle'] === 'spots').map((f) => [f.id, f.properties['name']]));
    const panned = (all: Feature[]): string[] =>
      all
        .filter((f) => f.properties['riffle'] === 'samples')
        .map((f) => `${String(spotNames(all).get(f.properties['spotId']))} ${String(f.properties['takenAt'])}`)
        .sort();
    expect(panned(is)).toEqual(panned(was));
    expect(panned(is).length).toBeGreaterThan(10);
  });

  test('with the water said to run the other way, distances count from the other end and banks change sides', async () => {
    const ground = grounds[0] as StoredGround;
    const id = uuidv7();
    expect((await bring(book, id, await exported(book, ground.id), ground, 'as drawn')).statusCode).toBe(201);
    const listed = async (g: string, kind: string): Promise<(StoredSpot | StoredSign)[]> =>
      (await book.call('GET', `/grounds/${g}/${kind}?limit=1000`)).json<{ items: (StoredSpot | StoredSign)[] }>().items;
    for (const kind of ['spots', 'signs']) {
      const was = (await listed(ground.id, kind)).map((s) => [ground.length_m - s.distance_m, s.bank] as const);
      const is = (await listed(id, kind)).map((s) => [s.distance_m, s.bank] as const);
      const byDistance = (a: readonly [number, string], b: readonly [number, string]): number => a[0] - b[0];
      was.sort(byDistance);
      is.sort(byDistance);
      expect(is.map(([d]) => d)).toEqual(was.map(([d]) => expect.closeTo(d, 6)));
      const turned: Record<string, string> = { left: 'right', right: 'left', mid: 'mid' };
      expect(is.map(([, bank]) => bank).filter((b) => b === 'left')).toHaveLength(
        was.filter(([, bank]) => turned[bank] === 'left').length,
      );
    }
  });

  test.each([
    ['a sample Riffle cannot keep', { riffle: 'samples', spotId: 'nowhere' }, /samples record .* cannot be kept/],
    ['a kind Riffle does not know', { riffle: 'dreams' }, /knows no such records/],
  ])('%s is named, and nothing is kept', async (_name, properties, says) => {
    const ground = grounds[0] as StoredGround;
    const file = JSON.parse(await exported(book, ground.id)) as { features: unknown[] };
    file.features.push({ type: 'Feature', id: uuidv7(), geometry: null, properties });
    const id = uuidv7();
    const answer = await bring(book, id, JSON.stringify(file), ground);
    expect([answer.statusCode, answer.json<Problem>().detail]).toEqual([422, expect.stringMatching(says)]);
    expect((await book.call('GET', `/grounds/${id}/ground.geojson`)).statusCode).toBe(404);
  });

  test('opens in an outside reader, with its points, outlines and line', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'riffle-geojson-'));
    const path = join(dir, 'ground.geojson');
    const text = await exported(book, grounds[0]?.id ?? '');
    writeFileSync(path, text);
    const read = spawnSync('ogrinfo', ['-ro', '-al', '-so', path], { encoding: 'utf8' });
    rmSync(dir, { recursive: true });
    if (read.error) return; // Not on every machine; where changes are checked it is.
    expect([read.status, read.stdout]).toEqual([
      0,
      expect.stringContaining(`Feature Count: ${featuresOf(text).length}`),
    ]);
    expect(read.stderr).toBe('');
  });
});
