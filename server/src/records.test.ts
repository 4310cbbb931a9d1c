import { readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import { describe, expect, test } from '@jest/globals';
import type { Book, LoggedEvent, Problem, RunAfterTaps, StoredGround, StoredRun } from '@riffle/contract';
import { keepTally } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { buildApp } from './app.ts';
import { PROBLEMS } from './http/problems.ts';
import {
  bucketAt,
  newCleanup,
  newGround,
  newRig,
  newRun,
  newSample,
  newSection,
  newSetup,
  newSpot,
  newAir,
  newWasher,
} from '../test/records.ts';
import { useTestServer } from '../test/testServer.ts';

const server = useTestServer();
async function stored<T extends { id: string }>(path: string, record: T): Promise<T> {
  const answer = await server.call('PUT', `/${path}/${record.id}`, record);
  expect([answer.statusCode, answer.statusCode === 201 ? '' : answer.body]).toEqual([201, '']);
  return record;
}

/** Ground, two spots, box, set-up and an open run. */
async function aRun(
  bucket_L = 20,
): Promise<{ groundId: string; spots: [string, string]; runId: string; setupId: string; rigId: string }> {
  const ground = await stored('grounds', newGround());
  const a = await stored('spots', newSpot(ground.id, { name: 'A' }));
  const b = await stored('spots', newSpot(ground.id, { name: 'B' }));
  const rig = await stored('rigs', newRig());
  const setup = await stored('setups', newSetup(ground.id, rig.id, { spotId: a.id, bucket_L }));
  const run = await stored('runs', newRun(ground.id, setup.id, a.id, { bucket_L }));
  return { groundId: ground.id, spots: [a.id, b.id], runId: run.id, setupId: setup.id, rigId: rig.id };
}

describe('records', () => {
  test('a write sent twice is one write; an older one is answered with both copies', async () => {
    const ground = await stored('grounds', newGround());
    expect((await server.call('PUT', `/grounds/${ground.id}`, ground)).statusCode).toBe(200);
    const renamed = { ...ground, name: 'New name', baseVersion: 1 };
    expect((await server.call('PUT', `/grounds/${ground.id}`, renamed)).json()).toMatchObject({
      version: 2,
      name: 'New name',
    });
    expect((await server.call('PUT', `/grounds/${ground.id}`, renamed)).json()).toMatchObject({ version: 2 });
    const late = await server.call('PUT', `/grounds/${ground.id}`, { ...ground, name: 'Other name', baseVersion: 1 });
    expect(late.statusCode).toBe(409);
    expect(late.headers['content-type']).toMatch(/application\/problem\+json/);
    expect(late.json()).toMatchObject({ code: 'CHANGED', current: { name: 'New name' }, sent: { name: 'Other name' } });
  });

  describe('what changed of a list', () => {
    interface Changed {
      items: { id: string; version: number; updatedAt: string }[];
      whole: { records: number; edits: number };
    }
    const changedOf = async (groundId: string, kind: string, since: string): Promise<Changed> =>
      (await server.call('GET', `/grounds/${groundId}/${kind}/changes?since=${since}`)).json();
    const START = '0001-01-01T00:00:00.000Z';

    test('after a moment, and what the whole comes to, what was taken out among it', async () => {
      const ground = await stored('grounds', newGround());
      const a = await stored('spots', newSpot(ground.id, { name: 'A' }));
      await sleep(5);
      const b = await stored('spots', newSpot(ground.id, { name: 'B' }));
      const all = await changedOf(ground.id, 'spots', START);
      expect([all.items.map((s) => s.id).sort(), all.whole]).toEqual([[a.id, b.id].sort(), { records: 2, edits: 2 }]);
      const since = all.items.find((s) => s.id === a.id)?.updatedAt ?? '';
      expect((await changedOf(ground.id, 'spots', since)).items.map((s) => s.id)).toEqual([b.id]);
      const last = all.items.find((s) => s.id === b.id)?.updatedAt ?? '';
      expect((await changedOf(ground.id, 'spots', last)).items).toEqual([]);
      await server.call('PUT', `/spots/${a.id}`, { ...a, baseVersion: 1, deleted: true });
      expect(await changedOf(ground.id, 'spots', last)).toMatchObject({
        items: [{ id: a.id, version: 2, deleted: true }],
        whole: { records: 2, edits: 3 },
      });
    });
    test('a run changes with its taps', async () => {
      const { groundId, runId } = await aRun();
      const before = await changedOf(groundId, 'runs', START);
      expect(before.whole).toEqual({ records: 1, edits: 1 });
      await sleep(5);
      await server.call('POST', `/runs/${runId}/events`, { events: [bucketAt(1, null)] });
      const after = await changedOf(groundId, 'runs', before.items[0]?.updatedAt ?? '');
      expect(after).toMatchObject({ items: [{ id: runId, tally: { taps: 1 } }], whole: { records: 1, edits: 2 } });
    });
    test('of a ground nobody has, or of no moment', async () => {
      expect((await changedOf(uuidv7(), 'samples', START)).whole).toEqual({ records: 0, edits: 0 });
      const answer = await server.call('GET', `/grounds/${uuidv7()}/samples/changes?since=yesterday`);
      expect([answer.statusCode, answer.json<Problem>().errors?.[0]?.path]).toEqual([400, 'since']);
    });
  });

  test('two writers at once: one wins, the other is told', async () => {
    const ground = await stored('grounds', newGround());
    const answers = await Promise.all(
      ['One', 'Two', 'Three'].map((name) =>
        server.call('PUT', `/grounds/${ground.id}`, { ...ground, name, baseVersion: 1 }),
      ),
    );
    expect(answers.map((a) => a.statusCode).sort()).toEqual([200, 409, 409]);
  });

  test('lists of several grounds come as one, by pages; grounds that are not the crew’s add nothing', async () => {
    const [a, b, c] = await Promise.all([1, 2, 3].map(() => stored('grounds', newGround())));
    if (!a || !b || !c) throw new Error('three grounds were asked for');
    for (const [ground, name] of [
      [a, 'one'],
      [b, 'two'],
      [c, 'three'],
      [a, 'four'],
    ] as const)
      await stored('spots', newSpot(ground.id, { name }));
    const asked = async (grounds: readonly string[], more = '') =>
      (await server.call('GET', `/spots?grounds=${grounds.join()}${more}`)).json<{
        items: { id: string; name: string; groundId: string }[];
        next: string | null;
      }>();
    const whole = await asked([a.id, b.id, uuidv7()]);
    expect([whole.items.map((s) => s.name).sort(), whole.next]).toEqual([['four', 'one', 'two'], null]);
    const first = await asked([a.id, b.id], '&limit=2');
    const rest = await asked([a.id, b.id], `&limit=2&after=${first.next}`);
    expect([...first.items, ...rest.items].map((s) => s.id)).toEqual(whole.items.map((s) => s.id));
    const bad = await server.call('GET', '/spots?grounds=elsewhere');
    expect([bad.statusCode, bad.json<Problem>().code]).toEqual([400, 'INVALID']);
    expect((await server.call('GET', '/spots')).statusCode).toBe(400);
  });

  test('bad fields are named, nothing is stored', async () => {
    const bad = { ...newGround(), name: ' ', length_m: -3, kind: 'ocean' };
    const answer = await server.call('PUT', `/grounds/${bad.id}`, bad);
    expect(answer.statusCode).toBe(400);
    expect(
      answer
        .json<Problem>()
        .errors?.map((e) => e.path)
        .sort(),
    ).toEqual(['kind', 'length_m', 'name']);
    expect((await server.call('GET', `/grounds/${bad.id}/book`)).statusCode).toBe(404);
  });

  test('a sample at a spot of another ground is refused by field', async () => {
    const one = await stored('grounds', newGround());
    const other = await stored('grounds', newGround());
    const spot = await stored('spots', newSpot(other.id));
    const sample = newSample(one.id, spot.id);
    expect((await server.call('PUT', `/samples/${sample.id}`, sample)).json()).toMatchObject({
      code: 'UNKNOWN_REFERENCE',
      errors: [{ path: 'spotId' }],
    });
    const negative = await server.call('PUT', `/samples/${sample.id}`, {
      ...sample,
      volume_L: -1,
      counts: { ...sample.counts, '-40': 1.5 },
    });
    expect(
      negative
        .json<Problem>()
        .errors?.map((e) => e.path)
        .sort(),
    ).toEqual(['counts.-40', 'volume_L']);
  });

  test('lists come in pages', async () => {
    const ground = await stored('grounds', newGround());
    for (const name of ['1', '2', '3']) await stored('spots', newSpot(ground.id, { name }));
    const first = (await server.call('GET', `/grounds/${ground.id}/spots?limit=2`)).json<{
      items: { name: string }[];
      next: string;
    }>();
    expect(first.items.map((s) => s.name)).toEqual(['1', '2']);
    const rest = (await server.call('GET', `/grounds/${ground.id}/spots?limit=2&after=${first.next}`)).json<{
      items: { name: string }[];
      next: null;
    }>();
    expect(rest.items.map((s) => s.name)).toEqual(['3']);
    expect(rest.next).toBeNull();
  });

  test('a record sent with another ground is told that it stays where it is', async () => {
    const [here, there] = [await stored('grounds', newGround()), await stored('grounds', newGround())];
    const spot = await stored('spots', newSpot(here.id));
    const moved = await server.call('PUT', `/spots/${spot.id}`, { ...spot, groundId: there.id, baseVersion: 1 });
    expect([moved.statusCode, moved.json<Problem>()]).toMatchObject([
      400,
      { code: 'INVALID', errors: [{ path: 'groundId', message: expect.stringMatching(/stays there/) }] },
    ]);
    // Changed by another meanwhile, that comes first: it may be they who know better.
    await server.call('PUT', `/spots/${spot.id}`, { ...spot, name: 'Renamed', baseVersion: 1 });
    expect(
      (await server.call('PUT', `/spots/${spot.id}`, { ...spot, groundId: there.id, baseVersion: 1 })).json(),
    ).toMatchObject({ code: 'CHANGED', current: { name: 'Renamed', groundId: here.id } });
  });

  test('the crew comes with the request: one neither sees nor points into another', async () => {
    const ground = await stored('grounds', newGround());
    const otherCrew = uuidv7();
    await server.pool.query('insert into crew (id, name) values ($1, $2)', [otherCrew, 'Others']);
    const both = await buildApp({
      pool: server.pool,
      crewOf: (request) => (request.headers['x-test-crew'] === 'others' ? otherCrew : server.crewId),
    });
    const as = (crew: string, method: 'GET' | 'PUT', path: string, payload?: object) =>
      both.inject({
        method,
        url: `/api/v1${path}`,
        headers: { host: 'localhost', 'x-test-crew': crew },
        ...(payload && { payload }),
      });
    const idsOf = async (crew: string): Promise<string[]> =>
      (await as(crew, 'GET', '/grounds?limit=1000')).json<{ items: { id: string }[] }>().items.map((g) => g.id);
    expect(await idsOf('ours')).toContain(ground.id);
    expect(await idsOf('others')).toEqual([]);
    const spot = newSpot(ground.id);
    expect((await as('others', 'PUT', `/spots/${spot.id}`, spot)).statusCode).toBe(422);
    expect((await as('others', 'GET', `/grounds/${ground.id}/book`)).statusCode).toBe(404);
    expect((await as('others', 'PUT', `/grounds/${ground.id}`, { ...ground, baseVersion: 1 })).statusCode).toBe(404);
    expect((await as('ours', 'PUT', `/spots/${spot.id}`, spot)).statusCode).toBe(201);
    await both.close();
  });
});

describe('runs', () => {
  test('events sent twice, in pieces and out of order count once', async () => {
    const { runId, spots } = await aRun();
    const events = [1, 11, 21].map((m) => bucketAt(m, spots[0]));
    const undo = {
      id: uuidv7(),
      kind: 'undo',
      at: '2026-05-01T09:22:00.000Z',
      spotId: null,
      volume_L: null,
      fullness: null,
      undoes: events[2]?.id,
      deviceId: null,
      deviceCount: null,
    };
    await server.call('POST', `/runs/${runId}/events`, { events: [undo, events[2]] });
    await Promise.all([1, 2, 3].map(() => server.call('POST', `/runs/${runId}/events`, { events })));
    const run = (await server.call('GET', `/runs/${runId}`)).json<StoredRun>();
    const kept = (await server.call('GET', `/runs/${runId}/events`)).json<{ items: LoggedEvent[] }>().items;
    expect(kept.map((e) => e.id).sort()).toEqual([...events.map((e) => e.id), undo.id].sort());
    expect(run.tally).toMatchObject({ buckets: 2, volumeLoose_L: 40, bySpot_L: { [spots[0]]: 40 }, stopped: false });
  });
  test('many phones at one run at once: each tap counts once, and the sum is that of all', async () => {
    const { runId, spots } = await aRun();
    const phones = Array.from({ length: 24 }, (_, i) => ({
      deviceId: uuidv7(),
      bucket: bucketAt(2 + i, spots[i % 2 === 0 ? 0 : 1]),
    }));
    const taps = phones.map(({ deviceId, bucket }) => ({ ...bucket, deviceId, deviceCount: 1 }));
    // Every third is taken back by the phone that logged it, with the same post; and each post is sent twice.
    const posts = taps.map((tap, i) =>
      i % 3 === 0
        ? [tap, { ...tap, id: uuidv7(), kind: 'undo', volume_L: null, undoes: tap.id, deviceCount: 2 }].map((t, n) => ({
            ...t,
            at: new Date(Date.parse(t.at) + n * 1000).toISOString(),
          }))
        : [tap],
    );
    const answers = await Promise.all(
      [...posts, ...posts].map((events) => server.call('POST', `/runs/${runId}/events`, { events })),
    );
    expect([...new Set(answers.map((a) => a.statusCode))]).toEqual([200]);
    // Of the two posts of the same taps exactly one brought something new.
    expect(answers.map((a) => a.json<RunAfterTaps>().events.length).reduce((sum, n) => sum + n)).toBe(32);
    const { tally, startedAt } = (await server.call('GET', `/runs/${runId}`)).json<StoredRun>();
    const { items } = (await server.call('GET', `/runs/${runId}/events`)).json<{ items: LoggedEvent[] }>();
    expect([items.length, tally.buckets, tally.taps]).toEqual([32, 16, 32]);
    expect(tally).toEqual(keepTally(startedAt, items));
  });
  test('taps and a mended start at the same time: the run is timed from its start, whoever came first', async () => {
    const { runId, spots } = await aRun();
    const {
      version,
      updatedAt: _at,
      tally: _tally,
      ...run
    } = (await server.call('GET', `/runs/${runId}`)).json<StoredRun>();
    const earlier = {
      ...run,
      startedAt: new Date(Date.parse(run.startedAt) - 600_000).toISOString(),
      baseVersion: version,
    };
    const log = (minute: number) =>
      server.call('POST', `/runs/${runId}/events`, { events: [bucketAt(minute, spots[0])] });
    await log(1);
    const answers = await Promise.all([log(10), server.call('PUT', `/runs/${runId}`, earlier), log(20), log(30)]);
    expect(answers.map((a) => a.statusCode)).toEqual([200, 200, 200, 200]);
    const kept = (await server.call('GET', `/runs/${runId}`)).json<StoredRun>();
    const { items } = (await server.call('GET', `/runs/${runId}/events`)).json<{ items: LoggedEvent[] }>();
    expect([kept.tally.buckets, kept.tally]).toEqual([4, keepTally(earlier.startedAt, items)]);
  });
  test('a double tap is one bucket', async () => {
    const { runId, spots } = await aRun();
    const twice = [0, 120].map((ms) => ({
      ...bucketAt(1, spots[0]),
      at: new Date(Date.UTC(2026, 4, 1, 9, 1) + ms).toISOString(),
    }));
    expect(
      (await server.call('POST', `/runs/${runId}/events`, { events: twice })).json<RunAfterTaps>().tally.buckets,
    ).toBe(1);
  });
  test('the answer to a tap holds what was new, and what all come to; pages bring the rest', async () => {
    const { runId, spots } = await aRun();
    const deviceId = uuidv7();
    const taps = [1, 2, 3, 4].map((m, i) => ({ ...bucketAt(m, spots[0]), deviceId, deviceCount: i }));
    const post = async (events: unknown[]): Promise<RunAfterTaps> =>
      (await server.call('POST', `/runs/${runId}/events`, { events })).json<RunAfterTaps>();
    await post(taps.slice(0, 3));
    expect((await post(taps)).events).toEqual(taps.slice(3));
    const undo = {
      ...bucketAt(5, spots[0]),
      kind: 'undo',
      volume_L: null,
      undoes: taps[3]?.id,
      deviceId,
      deviceCount: 4,
    };
    expect((await post([undo])).tally).toMatchObject({ buckets: 3, volumeLoose_L: 60, running_s: 300 });
    // The same bucket taken back by another device makes no difference.
    const again = { ...undo, id: uuidv7(), at: '2026-05-01T09:06:00.000Z', deviceId: uuidv7() };
    expect((await post([again])).tally).toMatchObject({ buckets: 3, volumeLoose_L: 60, running_s: 360 });
    const first = (await server.call('GET', `/runs/${runId}/events?limit=4`)).json<{ items: object[]; next: string }>();
    expect(first.items).toHaveLength(4);
    const rest = (await server.call('GET', `/runs/${runId}/events?after=${first.next}`)).json<{ items: object[] }>();
    expect(rest.items).toHaveLength(2);
    expect((await server.call('GET', `/runs/${uuidv7()}/events`)).statusCode).toBe(404);
  });
  test('what a device counted before is in its place, however late it comes', async () => {
    const { runId, spots } = await aRun();
    const deviceId = uuidv7();
    const bare = { ...bucketAt(1, spots[0]), volume_L: null, spotId: null, deviceId };
    const at = (minute: number): string => new Date(Date.UTC(2026, 4, 1, 9, minute)).toISOString();
    // Its clock is put back by ten minutes between the stop and going on.
    const stop = { ...bare, id: uuidv7(), kind: 'stop', at: at(20), deviceCount: 1 };
    const resume = { ...bare, id: uuidv7(), kind: 'resume', at: at(12), deviceCount: 2 };
    const bucket = { ...bucketAt(14, spots[0]), deviceId, deviceCount: 3 };
    for (const tap of [bucket, stop, resume]) await server.call('POST', `/runs/${runId}/events`, { events: [tap] });
    const { tally } = (await server.call('GET', `/runs/${runId}`)).json<StoredRun>();
    expect(tally).toMatchObject({ buckets: 1, stopped: false, running_s: 22 * 60, timesInOrder: false });
  });
  test('a run that began earlier than was thought is timed anew; its buckets stay', async () => {
    const { runId, spots } = await aRun();
    await server.call('POST', `/runs/${runId}/events`, { events: [5, 15].map((m) => bucketAt(m, spots[0])) });
    const before = (await server.call('GET', `/runs/${runId}`)).json<StoredRun>();
    const { version, updatedAt: _at, tally, ...content } = before;
    const startedAt = new Date(Date.parse(before.startedAt) - 20 * 60_000).toISOString();
    const moved = await server.call('PUT', `/runs/${runId}`, { ...content, startedAt, baseVersion: version });
    expect(moved.json<StoredRun>().tally).toEqual({ ...tally, running_s: tally.running_s + 20 * 60 });
    // A note alone changes nothing of it.
    const noted = { ...content, startedAt, note: 'from paper', baseVersion: version + 1 };
    expect((await server.call('PUT', `/runs/${runId}`, noted)).json<StoredRun>().tally.running_s).toBe(
      tally.running_s + 20 * 60,
    );
  });
  test('runs counted before breaks were known are timed anew, once, as they are counted today', async () => {
    const { runId, spots } = await aRun();
    const bare = { ...bucketAt(1, spots[0]), volume_L: null, spotId: null };
    const at = (minute: number): string => new Date(Date.UTC(2026, 4, 1, 9, minute)).toISOString();
    const events = [
      ...[10, 20, 80, 90].map((m) => bucketAt(m, spots[0])),
      { ...bare, id: uuidv7(), kind: 'stop', at: at(95) },
      { ...bare, id: uuidv7(), kind: 'resume', at: at(200) },
      bucketAt(290, spots[0]),
    ];
    await server.call('POST', `/runs/${runId}/events`, { events });
    const counted = (await server.call('GET', `/runs/${runId}`)).json<StoredRun>().tally;
    // 0 to 20, 80 to 95; an hour and an hour and a half were broken off, and from 95 to 200 it was stopped.
    expect(counted).toMatchObject({ running_s: 35 * 60, brokenOff_s: 150 * 60 });
    await server.pool.query(`update run set tally = (tally - 'brokenOff_s') || '{"running_s": 11100}' where id = $1`, [
      runId,
    ]);
    const sql = readFileSync(new URL('../migrations/025_true-clock.sql', import.meta.url), 'utf8');
    const update = sql.slice(0, sql.indexOf('alter table'));
    await server.pool.query(
      update.replace('where r.crew_id = b.crew_id', `where r.id = '${runId}' and r.crew_id = b.crew_id`),
    );
    expect((await server.call('GET', `/runs/${runId}`)).json<StoredRun>().tally).toEqual(counted);
  });
  test('a bucket without a volume, an undo of nothing and a run that is not there are refused', async () => {
    const { runId, spots } = await aRun();
    expect(
      (
        await server.call('POST', `/runs/${runId}/events`, { events: [{ ...bucketAt(1, spots[0]), volume_L: null }] })
      ).json(),
    ).toMatchObject({ code: 'INVALID' });
    expect(
      (
        await server.call('POST', `/runs/${runId}/events`, {
          events: [{ ...bucketAt(1, spots[0]), kind: 'undo', volume_L: null }],
        })
      ).json(),
    ).toMatchObject({ code: 'INVALID' });
    expect(
      (await server.call('POST', `/runs/${uuidv7()}/events`, { events: [bucketAt(1, spots[0])] })).statusCode,
    ).toBe(404);
  });
});

describe('clean-ups and the book', () => {
  test('the book adds up, by hand: 5 buckets of 20 L loose at 25 % swell are 80 L in the bank', async () => {
    const { groundId, runId, setupId, spots } = await aRun();
    await server.call('POST', `/runs/${runId}/events`, {
      events: [0, 10, 20]
        .map((m) => bucketAt(m, spots[0]))
        .concat({ ...bucketAt(30, spots[0]), kind: 'stop', volume_L: null } as never),
    });
    await stored(
      'cleanups',
      newCleanup(groundId, [runId], [newSection(0, 0.2, 0.1), newSection(0.2, 1.2, 0.2)], { rinsedClean: 'no' }),
    );
    const second = await stored('runs', newRun(groundId, setupId, spots[0], { startedAt: '2026-05-01T10:00:00.000Z' }));
    await server.call('POST', `/runs/${second.id}/events`, {
      events: [bucketAt(70, spots[0]), bucketAt(80, spots[1])],
    });
    const mixed = newCleanup(groundId, [second.id], [newSection(0, 1.2, 7)]);
    await stored('cleanups', { ...mixed, cleanedAt: '2026-05-01T18:00:00.000Z' });

    const book = (await server.call('GET', `/grounds/${groundId}/book`)).json<Book>();
    // 0.1 + 0.2 mg is 0.3 mg, not 0.30000000000000004; 3 x 20 / 1.25 = 48 L; 2 x 20 / 1.25 = 32 L.
    expect(book.total).toEqual({
      gold_mg: 7.3,
      volumeBank_L: 80,
      running_s: 30 * 60 + 20 * 60,
      person_s: null,
      buckets: 5,
      cleanups: 2,
    });
    expect(book.lines).toEqual([
      {
        spotIds: [...spots].sort(),
        gold_mg: 7,
        volumeBank_L: 32,
        running_s: 20 * 60,
        person_s: null,
        buckets: 2,
        cleanups: 1,
        mayHoldOldGold: true,
      },
      {
        spotIds: [spots[0]],
        gold_mg: 0.3,
        volumeBank_L: 48,
        running_s: 30 * 60,
        person_s: null,
        buckets: 3,
        cleanups: 1,
        mayHoldOldGold: false,
      },
    ]);
    const csv = (await server.call('GET', `/grounds/${groundId}/book.csv`)).body;
    expect(csv.split('\r\n')).toEqual([
      'ground,source,clean-ups,buckets,volume (m3 bank),time (h),person time (h),gold (mg),grade (g/m3 bank),note',
      'Test creek,A + B,1,2,0.032,0.3333,,7,0.21875,"mixed sources, not shared out; box was not rinsed clean before"',
      'Test creek,A,1,3,0.048,0.5,,0.3,0.00625,',
      'Test creek,total,2,5,0.08,0.8333,,7.3,0.09125,',
      '',
    ]);
  });

  test('tailings run again bring gold and hours, and are no gravel once more', async () => {
    const { groundId, runId, spots } = await aRun();
    const fed = (run: string) =>
      server.call('POST', `/runs/${run}/events`, { events: [0, 10, 20].map((m) => bucketAt(m, spots[0])) });
    await fed(runId);
    const rig = await stored('rigs', newRig({ washer: newWasher() }));
    const dry = newSetup(groundId, rig.id, {
      flow_m3_s: null,
      flowEntered: null,
      temperature_C: 44,
      air: newAir({ pass: 2 }),
    });
    await stored('setups', dry);
    const again = await stored('runs', newRun(groundId, dry.id, spots[0], { startedAt: '2026-05-01T09:00:00.000Z' }));
    await fed(again.id);
    const waiting = (await server.call('GET', `/grounds/${groundId}/book`)).json<Book>().unweighed;
    expect(waiting).toMatchObject({ volumeBank_L: 48, buckets: 6, runs: 2, running_s: 2 * 20 * 60 });
    await stored('cleanups', newCleanup(groundId, [runId], [newSection(0, 1.2, 40)]));
    await stored('cleanups', newCleanup(groundId, [again.id], [newSection(0, 0.7, 8)]));
    const book = (await server.call('GET', `/grounds/${groundId}/book`)).json<Book>();
    expect(book.total).toMatchObject({ gold_mg: 48, volumeBank_L: 48, buckets: 6, cleanups: 2 });
    // Both are of the one spot.
    expect(book.lines).toMatchObject([{ spotIds: [spots[0]], gold_mg: 48, volumeBank_L: 48 }]);
  });

  test('a run is credited once', async () => {
    const { groundId, runId } = await aRun();
    const first = await stored('cleanups', newCleanup(groundId, [runId], [newSection(0, 1.2, 5)]));
    const again = newCleanup(groundId, [runId], [newSection(0, 1.2, 5)]);
    expect((await server.call('PUT', `/cleanups/${again.id}`, again)).json()).toMatchObject({
      code: 'TAKEN',
      errors: [{ path: 'runIds' }],
    });
    await server.call('PUT', `/cleanups/${first.id}`, { ...first, deleted: true, baseVersion: 1 });
    expect((await server.call('PUT', `/cleanups/${again.id}`, again)).statusCode).toBe(201);
  });

  test('overlapping sections are refused and nothing is half-written', async () => {
    const { groundId, runId } = await aRun();
    const bad = newCleanup(groundId, [runId], [newSection(0, 0.3, 5), newSection(0.2, 0.6, 5)]);
    expect((await server.call('PUT', `/cleanups/${bad.id}`, bad)).json()).toMatchObject({
      code: 'INVALID',
      errors: [{ path: 'sections' }],
    });
    const foreign = newCleanup(groundId, [runId, uuidv7()], [newSection(0, 0.3, 5)]);
    expect((await server.call('PUT', `/cleanups/${foreign.id}`, foreign)).statusCode).toBe(422);
    expect((await server.call('GET', `/grounds/${groundId}/cleanups`)).json()).toEqual({ items: [], next: null });
  });

  test('a name that looks like a formula is made harmless', async () => {
    const ground = await stored('grounds', newGround({ name: '=HYPERLINK("x")' }));
    expect((await server.call('GET', `/grounds/${ground.id}/book.csv`)).body).toContain(`"'=HYPERLINK(""x"")"`);
  });
});

describe('files', () => {
  const file = JSON.stringify({
    type: 'FeatureCollection',
    features: [
      {
        type: 'Feature',
        properties: { name: 'Creek' },
        geometry: {
          type: 'LineString',
          coordinates: [
            [-33, 46.5, 10],
            [-33.001, 46.503, 16],
            [-33, 46.506, 22],
            [-33.001, 46.509, 28],
            [-33, 46.512, 34],
          ],
        },
      },
      {
        type: 'Feature',
        properties: { name: 'Bend, “left”' },
        geometry: { type: 'Point', coordinates: [-33.0012, 46.503] },
      },
    ],
  });
  const type = { 'content-type': 'application/geo+json' };
  const bring = (id: string, body: string): ReturnType<typeof server.call> =>
    server.call('PUT', `/grounds/${id}/from-file?name=Creek&kind=creek&flow=against`, body, type);

  test('export and import give the same ground', async () => {
    const id = uuidv7();
    expect((await bring(id, file)).statusCode).toBe(201);
    expect((await bring(id, file)).statusCode).toBe(200);
    const exported = (await server.call('GET', `/grounds/${id}/ground.geojson`)).body;
    expect((await server.call('POST', '/ground-files', exported, type)).json()).toMatchObject({
      name: 'Creek',
      flow: 'against',
    });
    const again = uuidv7();
    expect((await bring(again, exported)).statusCode).toBe(201);
    const both = await Promise.all(
      [id, again].map(async (g) => {
        const spots = (await server.call('GET', `/grounds/${g}/spots`)).json<{ items: Record<string, unknown>[] }>()
          .items;
        return spots.map(({ name, kind, distance_m, bank, offset_m, position }) => ({
          name,
          kind,
          distance_m,
          bank,
          offset_m,
          position,
        }));
      }),
    );
    expect(both[1]).toEqual(both[0]);
    const grounds = (await server.call('GET', '/grounds'))
      .json<{ items: StoredGround[] }>()
      .items.filter((g) => g.id === id || g.id === again);
    expect(grounds[1]?.line).toEqual(grounds[0]?.line);
    expect(grounds[1]?.length_m).toBe(grounds[0]?.length_m);
  });
  test('a wrong file changes nothing; one too large is told so', async () => {
    const id = uuidv7();
    expect((await bring(id, '{"type":"Nonsense"}')).json()).toMatchObject({ status: 422, code: 'FILE_UNREADABLE' });
    expect((await server.call('GET', `/grounds/${id}/book`)).statusCode).toBe(404);
    expect((await bring(id, `{"x":"${'a'.repeat(33 * 1024 * 1024)}"}`)).json()).toMatchObject({
      status: 413,
      code: 'TOO_LARGE',
    });
  });
  test('a typed ground has no line to export', async () => {
    const ground = await stored('grounds', newGround());
    expect((await server.call('GET', `/grounds/${ground.id}/ground.geojson`)).json()).toMatchObject({
      code: 'NO_LINE',
    });
  });
});

describe('at the door', () => {
  test.each([
    ['another host name', { host: 'evil.example' }],
    ['another origin', { origin: 'https://evil.example' }],
    ['a sandboxed page', { origin: 'null' }],
    ['a cross-site fetch', { 'sec-fetch-site': 'cross-site' }],
  ])('%s is turned away', async (_name, headers) =>
    expect((await server.call('GET', '/grounds', undefined, headers)).json()).toMatchObject({
      status: 403,
      code: 'FOREIGN_SITE',
    }),
  );
  test('health, an unknown address, and the document of every call', async () => {
    expect((await server.call('GET', '/health')).json()).toEqual({ status: 'up' });
    expect((await server.call('GET', '/nowhere')).json()).toMatchObject({ code: 'NOT_FOUND' });
    const { paths } = (await server.call('GET', '/openapi.json')).json<{ paths: Record<string, unknown> }>();
    for (const path of [
      '/api/v1/samples/{id}',
      '/api/v1/runs/{id}/events',
      '/api/v1/grounds/{groundId}/book',
      '/api/v1/sums/box',
    ])
      expect(Object.keys(paths)).toContain(path);
  });
  test('without its database the server says so and recovers', async () => {
    await server.pool.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and pid <> pg_backend_pid()`,
    );
    // Each connection that lay ready may be found dead once, and the one that watches asks anew.
    const health = async (): Promise<number> => (await server.call('GET', '/health')).statusCode;
    let answer = await health();
    for (let i = 0; i < 100 && answer !== 200; i++) {
      await sleep(50);
      answer = await health();
    }
    expect(answer).toBe(200);
  });
  test('every problem code is documented, and no other', () => {
    const listed = [
      ...readFileSync(new URL('../../docs/http.md', import.meta.url), 'utf8').matchAll(/^\| `([A-Z_]+)`/gm),
    ].map((m) => m[1]);
    expect(listed.sort()).toEqual(Object.keys(PROBLEMS).sort());
  });
});
