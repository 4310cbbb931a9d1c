import { beforeAll, describe, expect, test } from '@jest/globals';
import type { ImportProgress, Problem, StoredLot, StoredSample, StoredSpot } from '@riffle/contract';
import {
  newContainer,
  newGround,
  newLot,
  newPit,
  newSample,
  newSamplePlan,
  newSpot,
  newSizeWord,
} from '../test/records.ts';
import { useTestServer } from '../test/testServer.ts';

const server = useTestServer();
let groundId = '';
beforeAll(async () => {
  const ground = newGround();
  groundId = ground.id;
  expect((await server.call('PUT', `/grounds/${ground.id}`, ground)).statusCode).toBe(201);
});
const listed = async <T>(kind: string): Promise<T[]> =>
  (await server.call('GET', `/grounds/${groundId}/${kind}?limit=1000`)).json<{ items: T[] }>().items;

describe('a plan laid out', () => {
  const laidOut = (tags: readonly string[]) => {
    const plan = newSamplePlan(groundId);
    const spots = ['Z 1', 'Z 2'].map((name) => newSpot(groundId, { name, samplePlanId: plan.id }));
    const lots = tags.map((tag, i) =>
      newLot(groundId, spots[i % 2]?.id ?? null, {
        tag,
        state: 'planned',
        samplePlanId: plan.id,
        fromDepth_m: 0,
        toDepth_m: 0.3,
      }),
    );
    return { plan, spots, lots };
  };
  test('is kept whole, once, however often it is sent', async () => {
    const whole = laidOut(['Z-1', 'Z-2', 'Z-3']);
    for (let i = 0; i < 2; i++)
      expect((await server.call('PUT', `/sample-plans/${whole.plan.id}/laid-out`, whole)).json()).toMatchObject({
        version: 1,
        name: 'Across the bar',
      });
    expect(
      (await listed<StoredLot>('lots'))
        .filter((l) => l.samplePlanId === whole.plan.id)
        .map((l) => l.tag)
        .sort(),
    ).toEqual(['Z-1', 'Z-2', 'Z-3']);
    expect((await listed<StoredSpot>('spots')).filter((s) => s.samplePlanId === whole.plan.id)).toHaveLength(2);
  });
  test('with a tag that another bag has is not kept at all', async () => {
    const taken = laidOut(['Z-9', 'Z-2']);
    expect((await server.call('PUT', `/sample-plans/${taken.plan.id}/laid-out`, taken)).json()).toMatchObject({
      status: 409,
      code: 'TAKEN',
      errors: [{ path: 'tag' }],
    });
    expect((await listed<StoredSpot>('spots')).filter((s) => s.samplePlanId === taken.plan.id)).toEqual([]);
  });
  test('whose bags belong to another plan is refused', async () => {
    const wrong = laidOut(['Z-20']);
    expect(
      (
        await server.call('PUT', `/sample-plans/${wrong.plan.id}/laid-out`, {
          ...wrong,
          lots: [newLot(groundId, null, { tag: 'Z-21' })],
        })
      ).json(),
    ).toMatchObject({ status: 400, errors: [{ path: 'lots' }] });
  });
  test('taken out takes along what nobody dug, and nothing else; put back, that and nothing else comes back', async () => {
    const whole = laidOut(['Z-31', 'Z-32', 'Z-33', 'Z-34']);
    await server.call('PUT', `/sample-plans/${whole.plan.id}/laid-out`, whole);
    const [first, , , last] = whole.lots;
    if (!first || !last) throw new Error('there are bags');
    await server.call('PUT', `/lots/${last.id}`, { ...last, deleted: true, baseVersion: 1 });
    await server.call('PUT', `/lots/${first.id}`, { ...first, state: 'waiting', baseVersion: 1 });
    expect(
      (await server.call('PUT', `/sample-plans/${whole.plan.id}`, { ...whole.plan, deleted: true, baseVersion: 1 }))
        .statusCode,
    ).toBe(200);
    const left = (await listed<StoredLot>('lots')).filter((l) => l.samplePlanId === whole.plan.id && !l.deleted);
    expect(left.map((l) => l.tag)).toEqual(['Z-31']);
    expect(
      (await listed<StoredSpot>('spots'))
        .filter((s) => s.samplePlanId === whole.plan.id && !s.deleted)
        .map((s) => s.name),
    ).toEqual(['Z 1']);
    // A stale copy brings nothing back; the right one brings back what the plan took along, not the bag taken out by itself before.
    expect(
      (await server.call('PUT', `/sample-plans/${whole.plan.id}`, { ...whole.plan, note: 'stale', baseVersion: 1 }))
        .statusCode,
    ).toBe(409);
    expect(
      (await listed<StoredLot>('lots')).filter((l) => l.samplePlanId === whole.plan.id && !l.deleted),
    ).toHaveLength(1);
    expect(
      (await server.call('PUT', `/sample-plans/${whole.plan.id}`, { ...whole.plan, baseVersion: 2 })).json(),
    ).toMatchObject({ deleted: false, version: 3 });
    expect(
      (await listed<StoredLot>('lots'))
        .filter((l) => l.samplePlanId === whole.plan.id && !l.deleted)
        .map((l) => l.tag)
        .sort(),
    ).toEqual(['Z-31', 'Z-32', 'Z-33']);
    expect(
      (await listed<StoredSpot>('spots'))
        .filter((s) => s.samplePlanId === whole.plan.id && !s.deleted)
        .map((s) => s.name)
        .sort(),
    ).toEqual(['Z 1', 'Z 2']);
  });
  test('is not put back while another bag has taken one of its tags', async () => {
    const whole = laidOut(['Z-41']);
    await server.call('PUT', `/sample-plans/${whole.plan.id}/laid-out`, whole);
    await server.call('PUT', `/sample-plans/${whole.plan.id}`, { ...whole.plan, deleted: true, baseVersion: 1 });
    const other = newLot(groundId, null, { tag: 'Z-41' });
    expect((await server.call('PUT', `/lots/${other.id}`, other)).statusCode).toBe(201);
    expect(
      (await server.call('PUT', `/sample-plans/${whole.plan.id}`, { ...whole.plan, baseVersion: 2 })).json(),
    ).toMatchObject({ status: 409, code: 'TAKEN', errors: [{ path: 'tag' }] });
    expect(
      (await listed<{ id: string; deleted: boolean }>('sample-plans')).find((p) => p.id === whole.plan.id)?.deleted,
    ).toBe(true);
  });
});

describe('samples brought in', () => {
  const bring = async (
    lines: readonly unknown[],
    mode = 'only the good rows',
    ground = groundId,
  ): Promise<ImportProgress[]> => {
    const answer = await server.call(
      'POST',
      `/grounds/${ground}/samples/import?mode=${encodeURIComponent(mode)}`,
      lines.map((l) => (typeof l === 'string' ? l : JSON.stringify(l))).join('\n'),
      { 'content-type': 'application/x-ndjson' },
    );
    expect(answer.statusCode).toBe(200);
    return answer.body
      .trim()
      .split('\n')
      .map((l) => JSON.parse(l) as ImportProgress);
  };
  const row = (n: number, spotId: string, some: object = {}) => ({
    row: n,
    sample: { ...newSample(groundId, spotId), ...some },
  });
  const spot = () => newSpot(groundId, { name: 'Brought in' });

  test('the latest of them come first, whatever the order they were brought in; what was taken out does not', async () => {
    const own = newGround();
    await server.call('PUT', `/grounds/${own.id}`, own);
    const s = newSpot(own.id);
    await server.call('PUT', `/spots/${s.id}`, s);
    const taken = (minute: number) => ({
      ...newSample(own.id, s.id),
      takenAt: new Date(Date.UTC(2026, 4, 1, 8, minute)).toISOString(),
    });
    const [late, early, latest, out] = [taken(20), taken(10), taken(30), taken(40)];
    await bring(
      [late, early, latest, out].map((sample, i) => ({ row: i + 1, sample })),
      undefined,
      own.id,
    );
    await server.call('PUT', `/samples/${out.id}`, { ...out, baseVersion: 1, deleted: true });
    const answer = await server.call('GET', `/grounds/${own.id}/samples/latest`);
    expect(answer.json()).toMatchObject({
      items: [latest, late, early].map(({ id }) => ({ id, version: 1 })),
      next: null,
    });
  });

  test('only the good rows: each refused one is told with its row and field', async () => {
    const s = spot();
    const [end] = (
      await bring([
        { spot: s },
        row(2, s.id),
        row(3, s.id, { volume_L: -4 }),
        row(4, newSpot(groundId).id),
        'nonsense',
        row(6, s.id, { counts: { '+10': 0, '10-20': -1, '20-40': 0, '-40': 0 } }),
        row(7, s.id),
      ])
    ).slice(-1);
    expect(end).toMatchObject({ stored: 2, spots: 1, refusedRows: 4 });
    expect(end && 'refused' in end && end.refused.map((r) => [r.row, r.path])).toEqual([
      [3, 'volume_L'],
      [4, 'spotId'],
      [5, expect.any(String)],
      [6, 'counts.10-20'],
    ]);
    expect((await listed<StoredSample>('samples')).filter((x) => x.spotId === s.id)).toHaveLength(2);
  });
  test('all or nothing: one bad row keeps every row out, its spots too', async () => {
    const s = spot();
    const [end] = (await bring([{ spot: s }, row(2, s.id), row(3, s.id, { depth_m: -1 })], 'all or nothing')).slice(-1);
    expect(end).toMatchObject({ stored: 0, spots: 0, refusedRows: 1 });
    expect((await listed<StoredSpot>('spots')).filter((x) => x.id === s.id)).toEqual([]);
  });
  test('the same lines again change nothing; progress comes on the way', async () => {
    const s = spot();
    const lines = [{ spot: s }, ...Array.from({ length: 2500 }, (_, i) => row(i + 2, s.id))];
    const steps = await bring(lines, 'all or nothing');
    expect(steps.map((p) => ('read' in p ? p.read : p.stored))).toEqual([2001, 2500]);
    await bring(lines, 'all or nothing');
    const { rows } = await server.pool.query('select count(*)::int as n from sample where spot_id = $1', [s.id]);
    expect(rows).toEqual([{ n: 2500 }]);
  });
  test('a row of another ground is refused', async () => {
    const other = newGround();
    await server.call('PUT', `/grounds/${other.id}`, other);
    const s = spot();
    expect((await bring([{ spot: s }, row(2, s.id)], 'only the good rows', other.id)).at(-1)).toMatchObject({
      stored: 0,
      refusedRows: 2,
    });
  });
  test('taken back whole, but for what was changed since; and in again', async () => {
    const [s, kept] = [spot(), spot()];
    const lines = [row(2, s.id), row(3, s.id), row(4, kept.id)];
    expect((await bring([{ spot: s }, { spot: kept }, ...lines])).at(-1)).toMatchObject({ stored: 3, spots: 2 });
    const ids = { samples: lines.map((l) => l.sample.id), spots: [s.id, kept.id] };
    const changed = { ...lines[2]?.sample, note: 'mine', baseVersion: 1 };
    expect((await server.call('PUT', `/samples/${changed.id}`, changed)).statusCode).toBe(200);
    const move = async (path: string) =>
      (await server.call('POST', `/grounds/${groundId}/samples/${path}`, ids)).json<object>();
    const standing = async (): Promise<number | undefined> =>
      (
        await server.pool.query<{ n: number }>(
          'select count(*)::int as n from sample where id = any($1::uuid[]) and not deleted',
          [ids.samples],
        )
      ).rows[0]?.n;
    expect(await move('take-back')).toEqual({ samples: 2, spots: 1 });
    expect(await standing()).toBe(1);
    // Once more changes nothing; of another ground neither.
    expect(await move('take-back')).toEqual({ samples: 0, spots: 0 });
    const other = newGround();
    await server.call('PUT', `/grounds/${other.id}`, other);
    expect((await server.call('POST', `/grounds/${other.id}/samples/bring-again`, ids)).json()).toEqual({
      samples: 0,
      spots: 0,
    });
    expect(await move('bring-again')).toEqual({ samples: 2, spots: 1 });
    expect(await standing()).toBe(3);
    expect(
      (await server.call('POST', `/grounds/${groundId}/samples/take-back`, { samples: ['x'], spots: [] })).statusCode,
    ).toBe(400);
  });
  test('a mode there is not', async () =>
    expect(
      (
        await server.call('POST', `/grounds/${groundId}/samples/import?mode=some`, '{}', {
          'content-type': 'application/x-ndjson',
        })
      ).json<Problem>(),
    ).toMatchObject({ code: 'INVALID' }));
});

describe('a pan of a pit comes from within it', () => {
  test('below the bottom is refused by field, at the bottom it is kept; the pit is then no shallower', async () => {
    const spot = newSpot(groundId, { name: 'Deep one' });
    await server.call('PUT', `/spots/${spot.id}`, spot);
    const pit = newPit(groundId, spot.id);
    expect((await server.call('PUT', `/pits/${pit.id}`, pit)).statusCode).toBe(201);
    const pan = (depth_m: number) =>
      newSample(groundId, spot.id, { pitId: pit.id, depth_m, depthEntered: { text: String(depth_m), unit: 'm' } });
    const [deep, bottom] = [pan(0.8), pan(0.7)];
    expect((await server.call('PUT', `/samples/${deep.id}`, deep)).json()).toMatchObject({
      code: 'INVALID',
      errors: [{ path: 'depth_m' }],
    });
    expect((await server.call('PUT', `/samples/${bottom.id}`, bottom)).statusCode).toBe(201);
    expect(
      (await server.call('PUT', `/samples/${bottom.id}`, { ...bottom, depth_m: 0.72, baseVersion: 1 })).json(),
    ).toMatchObject({ errors: [{ path: 'depth_m' }] });
    const shallower = { ...pit, layers: pit.layers.slice(0, 1), baseVersion: 1 };
    expect((await server.call('PUT', `/pits/${pit.id}`, shallower)).json()).toMatchObject({
      code: 'INVALID',
      errors: [{ path: 'layers' }],
    });
    // Taken out, the pan holds the pit no more.
    await server.call('PUT', `/samples/${bottom.id}`, { ...bottom, deleted: true, baseVersion: 1 });
    expect((await server.call('PUT', `/pits/${pit.id}`, shallower)).statusCode).toBe(200);
  });
  test('a crack is as deep as it was measured', async () => {
    const spot = newSpot(groundId, { name: 'Cracked one' });
    await server.call('PUT', `/spots/${spot.id}`, spot);
    const crack = newPit(groundId, spot.id, {
      layers: [],
      crevice: { width_m: 0.04, length_m: 2, depth_m: 0.3, strike: 'across the flow', rock: null, state: 'found' },
    });
    expect((await server.call('PUT', `/pits/${crack.id}`, crack)).statusCode).toBe(201);
    for (const [depth_m, status] of [
      [0.3, 201],
      [0.5, 400],
    ] as const) {
      const s = newSample(groundId, spot.id, { pitId: crack.id, depth_m });
      expect((await server.call('PUT', `/samples/${s.id}`, s)).statusCode).toBe(status);
    }
  });
});

test('a word of two sizes is refused by field, in capitals too; taken out it is free again', async () => {
  const [a, b] = [newSizeWord({ word: 'fly speck' }), newSizeWord({ word: 'Fly Speck', size: '-40' })];
  expect((await server.call('PUT', `/size-words/${a.id}`, a)).statusCode).toBe(201);
  expect((await server.call('PUT', `/size-words/${b.id}`, b)).json()).toMatchObject({
    code: 'TAKEN',
    errors: [{ path: 'word' }],
  });
  await server.call('PUT', `/size-words/${a.id}`, { ...a, deleted: true, baseVersion: 1 });
  expect((await server.call('PUT', `/size-words/${b.id}`, b)).statusCode).toBe(201);
  expect(
    (await server.call('GET', '/size-words'))
      .json<{ items: { word: string; deleted: boolean }[] }>()
      .items.filter((w) => !w.deleted)
      .map((w) => w.word),
  ).toContain('Fly Speck');
});

test('two containers of one name are refused by field', async () => {
  const [a, b] = [newContainer({ name: 'green pan' }), newContainer({ name: 'green pan' })];
  expect((await server.call('PUT', `/containers/${a.id}`, a)).statusCode).toBe(201);
  expect((await server.call('PUT', `/containers/${b.id}`, b)).json()).toMatchObject({
    code: 'TAKEN',
    errors: [{ path: 'name' }],
  });
});
