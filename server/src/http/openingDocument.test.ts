import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import {
  FIRST_LISTS,
  listsOfPage,
  type PannedGround,
  type StoredGround,
  type StoredPit,
  type StoredSample,
  type StoredSpot,
} from '@riffle/contract';
import { gradeSpots, groundColors, readingVerdict, type ReadingVerdict, type WeightSchool } from '@riffle/core';
import type { FastifyInstance } from 'fastify';
import { newGround, newSample, newSign, newSpot } from '../../test/records.ts';
import { useTestServer } from '../../test/testServer.ts';
import { buildApp } from '../app.ts';

const server = useTestServer();
const webDir = mkdtempSync(join(tmpdir(), 'riffle-web-'));
writeFileSync(join(webDir, 'index.html'), '<html><head></head><body><!--opening--></body></html>');
writeFileSync(
  join(webDir, 'pages.json'),
  JSON.stringify([
    { at: 'day', files: ['assets/day.js', 'assets/common.js'] },
    { at: 'sample/*', files: ['assets/sample.js', 'assets/common.js'] },
    { at: 'sample', files: ['assets/pan.js', 'assets/common.js'] },
    { at: 'sample/bags', files: ['assets/bags.js'] },
  ]),
);
let app: FastifyInstance;
beforeAll(async () => {
  app = await buildApp({ pool: server.pool, crewOf: () => server.crewId, webDir });
});
afterAll(async () => {
  await app.close();
  rmSync(webDir, { recursive: true });
});

interface Opening {
  crewId: string;
  lists: { kind: string; groundId: string; items: { id: string; name?: string }[] }[];
  says: {
    groundId: string;
    today: string | null;
    pays_mg_L: number;
    school: WeightSchool;
    verdict: ReadingVerdict;
  } | null;
  panned: { groundId: string; school: WeightSchool; told: PannedGround } | null;
}
async function opening(url: string, cookie = ''): Promise<Opening> {
  const answer = await app.inject({ url, headers: { host: 'localhost', cookie } });
  expect([answer.statusCode, answer.headers['cache-control']]).toEqual([200, 'no-store']);
  const json = /<script id="opening" type="application\/json">([^]*?)<\/script>/.exec(answer.body)?.[1] ?? '';
  return JSON.parse(json) as Opening;
}
const FIRST = new Set<string>(['grounds', ...FIRST_LISTS]);
const put = (path: string, record: object) =>
  server.call('PUT', `/${path}/${(record as { readonly id: string }).id}`, record);
const brought = (o: Opening) => Object.fromEntries(o.lists.map((l) => [l.kind, l.groundId]));

describe('the document brings what its first view needs', () => {
  const [a, b] = [newGround({ name: 'A</script><b>' }), newGround()];
  const spot = newSpot(b.id);
  beforeAll(async () => {
    await put('grounds', a);
    await put('grounds', b);
    await put('spots', spot);
    await put('samples', newSample(b.id, spot.id));
    await put('signs', newSign(b.id));
  });
  test('of the ground in the address, of the one worked last, else of the first', async () => {
    const all = (groundId: string) => ({
      grounds: '',
      spots: groundId,
      samples: groundId,
      pits: groundId,
      signs: groundId,
      'gauge-readings': groundId,
      'swell-readings': groundId,
      permissions: groundId,
    });
    expect(brought(await opening(`/g/${b.id}/read?spot=${spot.id}`))).toEqual(all(b.id));
    expect(brought(await opening('/', `other=1; riffle-ground=${b.id}`))).toEqual(all(b.id));
    expect(brought(await opening('/', "riffle-ground=' or 1=1"))).toEqual(all(a.id));
    expect((await opening(`/g/${b.id}/read`)).lists.find((l) => l.kind === 'spots')?.items[0]?.id).toBe(spot.id);
  });
  test('with the lists that its page begins with, those of the crew as the crew’s', async () => {
    const more = async (page: string) => {
      const lists = brought(await opening(`/g/${b.id}/${page}`));
      return Object.fromEntries(Object.entries(lists).filter(([kind]) => !FIRST.has(kind)));
    };
    expect(await more('read')).toEqual({});
    expect(await more('day?from=walk')).toEqual({ 'day-sheets': b.id, outlines: b.id, lots: b.id });
    expect(await more('sample/hands')).toEqual({ containers: '', seedings: '', 'size-words': '' });
    // Every kind that is named is one there is.
    for (const page of ['walk', 'sample', 'sample/bags', 'sample/meaning', 'set', 'run/crew', 'clean', 'books/gold'])
      expect(Object.keys(await more(page)).sort()).toEqual([...listsOfPage(page)].sort());
  });
  test('and the scripts of its page, each once, with its head', async () => {
    const links = async (url: string) => {
      const page = (await app.inject({ url, headers: { host: 'localhost' } })).body;
      const [head = ''] = page.split('</head>');
      return [...head.matchAll(/<link rel="modulepreload" crossorigin href="\/assets\/(\w+)\.js">/g)].map((m) => m[1]);
    };
    expect(await links(`/g/${b.id}/day?from=walk`)).toEqual(['day', 'common']);
    expect(await links(`/g/${b.id}/sample/bags/`)).toEqual(['sample', 'common', 'bags']);
    expect(await links(`/g/${b.id}/sample`)).toEqual(['sample', 'common', 'pan']);
    expect(await links(`/g/${b.id}/samples`)).toEqual([]);
    expect(await links('/')).toEqual([]);
  });
  test('with what its pans say, as the page works it out itself from what it brings', async () => {
    const [rich, poor] = [newSpot(b.id), newSpot(b.id)];
    await put('spots', rich);
    await put('spots', poor);
    for (const spot of [rich, rich, poor])
      await put(
        'samples',
        newSample(b.id, spot.id, { counts: { '+10': 0, '10-20': 0, '20-40': spot === rich ? 9 : 0, '-40': 4 } }),
      );
    const workedOut = async () => {
      const { says, lists } = await opening(`/g/${b.id}/read`);
      const of = (kind: string): unknown =>
        lists.find((l) => l.kind === kind)?.items.filter((r) => !(r as { deleted?: boolean }).deleted);
      const ground = (of('grounds') as StoredGround[]).find((g) => g.id === b.id) as StoredGround;
      const samples = of('samples') as StoredSample[];
      const colors = groundColors(samples, ground.swell_percent, says?.school);
      const { grades } = gradeSpots(samples, ground.swell_percent, colors, of('pits') as StoredPit[]);
      const marked = new Set((of('spots') as StoredSpot[]).map((s) => s.id));
      return { says, itself: readingVerdict(grades, marked, null, says?.pays_mg_L ?? NaN, true) };
    };
    const first = await workedOut();
    expect(first.says).toMatchObject({
      groundId: b.id,
      pays_mg_L: 0.15,
      verdict: { kind: 'work', best: { spotId: rich.id } },
    });
    expect(first.says?.verdict).toEqual(first.itself);
    // What was said of it before is not said again once more was panned.
    const lucky = newSample(b.id, poor.id, { counts: { '+10': 0, '10-20': 0, '20-40': 200, '-40': 0 } });
    await put('samples', lucky);
    const second = await workedOut();
    expect(second.says).toMatchObject({ verdict: { kind: 'work', best: { spotId: poor.id } } });
    expect(second.says?.verdict).toEqual(second.itself);
    // Nor does what was taken out speak, which the lists still bring.
    await put('samples', { ...lucky, deleted: true, baseVersion: 1 });
    const third = await workedOut();
    expect(third.says).toEqual(first.says);
    expect((await opening(`/g/${a.id}/read`)).says?.verdict).toEqual({ kind: 'nothing marked', lookFirst: null });
  });
  test('and the day it is there, where the ground has a time zone of its own', async () => {
    const [east, anywhere] = [newGround({ timeZone: 'Etc/GMT-14' }), newGround({ timeZone: null })];
    await put('grounds', east);
    await put('grounds', anywhere);
    const at = new Date(Date.now() + 14 * 3_600_000).toISOString().slice(0, 10);
    expect((await opening(`/g/${east.id}/read`)).says?.today).toBe(at);
    expect((await opening(`/g/${anywhere.id}/read`)).says?.today).toBeNull();
  });
  test('a name cannot end the script it stands in', async () => {
    const page = (await app.inject({ url: '/', headers: { host: 'localhost' } })).body;
    expect(page).not.toContain('A</script>');
    expect((await opening('/')).lists[0]?.items[0]?.name).toBe('A</script><b>');
  });
  test('the bare page, as the worker keeps it, brings nothing', async () =>
    expect((await app.inject({ url: '/index.html', headers: { host: 'localhost' } })).body).toContain(
      '<!--opening-->',
    ));
  test('of more samples than it brings it says what they come to, once that was worked out', async () => {
    const [many, spot] = [newGround(), newSpot('')];
    await put('grounds', many);
    await put('spots', { ...spot, groundId: many.id });
    await put('samples', newSample(many.id, spot.id));
    expect((await opening(`/g/${many.id}/read`)).panned).toBeNull();
    await server.pool.query(
      `insert into sample select (jsonb_populate_record(s, jsonb_build_object('id', gen_random_uuid()))).*
       from sample s, generate_series(1, 400) where s.crew_id = $1 and s.ground_id = $2`,
      [server.crewId, many.id],
    );
    await opening(`/g/${many.id}/read`);
    const told = (await app.inject({ url: `/api/v1/grounds/${many.id}/panned?school=geometry` })).json<PannedGround>();
    expect(told.panned.samples).toBe(401);
    const { panned, lists, says } = await opening(`/g/${many.id}/read`);
    expect(panned).toEqual({ groundId: many.id, school: 'geometry', told });
    expect([lists.some((l) => l.kind === 'samples'), says]).toEqual([false, null]);
  });
  test('a long list is left for the page to ask for', async () => {
    await server.pool.query(
      `insert into spot (crew_id, id, ground_id, name, kind, distance_m, bank, offset_m)
       select $1, gen_random_uuid(), $2, 'many', 'bar', n, 'mid', 0 from generate_series(1, 500) n`,
      [server.crewId, b.id],
    );
    expect(Object.keys(brought(await opening(`/g/${b.id}/read`)))).not.toContain('spots');
  });
  test('without a database the page still opens, and says whose it is', async () => {
    const away = await buildApp({
      pool: { query: () => Promise.reject(new Error('away')) } as never,
      crewOf: () => server.crewId,
      webDir,
    });
    const page = (await away.inject({ url: '/', headers: { host: 'localhost' } })).body;
    expect(page).toContain(`{"crewId":"${server.crewId}","lists":[],"says":null,"panned":null}`);
    await away.close();
  });
});
