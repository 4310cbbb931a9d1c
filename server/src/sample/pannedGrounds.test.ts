import { describe, expect, test } from '@jest/globals';
import { asPans, PannedGround, type Pans, type StoredGround, type StoredPit } from '@riffle/contract';
import { pannedGround, panningPace, type WeightSchool } from '@riffle/core';
import { newGround, newPit, newSample, newSpot } from '../../test/records.ts';
import { useTestServer } from '../../test/testServer.ts';
import type { WorkPool } from '../work/workPool.ts';
import { pannedGrounds } from './pannedGrounds.ts';

const server = useTestServer();
const put = (path: string, record: object) =>
  server.call('PUT', `/${path}/${(record as { readonly id: string }).id}`, record);
const told = async (groundId: string, school = 'geometry'): Promise<PannedGround> =>
  (await server.call('GET', `/grounds/${groundId}/panned?school=${school}`)).json();

describe('what the pans of a ground come to', () => {
  const ground = newGround({ swell_percent: 20 });
  const [rich, poor] = [newSpot(ground.id), newSpot(ground.id)];
  const pit = newPit(ground.id, rich.id);
  const extra = newSample(ground.id, poor.id, { counts: { '+10': 0, '10-20': 1, '20-40': 4, '-40': 9 }, gold_mg: 1.2 });

  /** The same from what a device can fetch, by `core`. */
  async function workedOut(school: WeightSchool, swell_percent = 20) {
    const pans = (await server.call('GET', `/grounds/${ground.id}/pans`)).json<Pans>();
    const { items } = (await server.call('GET', `/grounds/${ground.id}/pits`)).json<{ items: StoredPit[] }>();
    return pannedGround(
      asPans(pans),
      swell_percent,
      school,
      items.filter((p) => !p.deleted),
    );
  }

  test('is what the device would work out of the same pans, and all of it is in the contract', async () => {
    await put('grounds', ground);
    await put('spots', rich);
    await put('spots', poor);
    await put('pits', pit);
    for (let i = 0; i < 12; i++)
      await put(
        'samples',
        newSample(ground.id, i % 3 ? rich.id : poor.id, {
          takenAt: new Date(Date.UTC(2026, 4, 1, 8, 12 * i)).toISOString(),
          depth_m: 0.2 + 0.1 * (i % 2),
          counts: { '+10': 0, '10-20': 0, '20-40': i % 3, '-40': i },
        }),
      );
    const answer = await told(ground.id);
    expect(answer).toStrictEqual(PannedGround.parse(answer));
    expect(answer.panned).toEqual(await workedOut('geometry'));
    expect(answer.panned).toMatchObject({ samples: 12, grades: { length: 2 } });
    const pans = asPans((await server.call('GET', `/grounds/${ground.id}/pans`)).json<Pans>());
    expect(answer.pace).toEqual(panningPace({ ...ground, line: null }, [rich, poor], pans));
    expect(answer.pace.from).toBeGreaterThan(3);
    expect(Math.abs(Date.parse(answer.asOf) - Date.now())).toBeLessThan(60_000);
  });
  test('is said anew when a pan comes in or is taken out, a pit goes, or the swell is another', async () => {
    const before = await told(ground.id);
    await put('samples', extra);
    const more = await told(ground.id);
    expect(more.panned).toEqual(await workedOut('geometry'));
    expect(more.panned.samples).toBe(13);
    expect(more.panned.colors.learned['-40'].weighedColors).toBeGreaterThan(0);
    await put('samples', { ...extra, deleted: true, baseVersion: 1 });
    expect((await told(ground.id)).panned).toEqual(before.panned);
    await put('pits', { ...pit, deleted: true, baseVersion: 1 });
    expect((await told(ground.id)).panned).toEqual(await workedOut('geometry'));
    await put('grounds', { ...ground, swell_percent: 35, baseVersion: 1 });
    const swollen = await told(ground.id);
    expect(swollen.panned).toEqual(await workedOut('geometry', 35));
  });
  test('is worked out once for all who ask while nothing changes, and once for each school', async () => {
    let runs = 0;
    const work = { run: () => Promise.resolve(`said ${++runs}`) } as unknown as WorkPool;
    const held = pannedGrounds(server.pool, work);
    const asked = (school: WeightSchool) => held.of(server.crewId, ground.id, school);
    expect(await Promise.all([asked('geometry'), asked('geometry'), asked('geometry')])).toEqual(
      Array(3).fill('said 1'),
    );
    expect(await asked('handbook')).toBe('said 2');
    await put('samples', newSample(ground.id, poor.id));
    expect(await asked('geometry')).toBe('said 3');
    expect(runs).toBe(3);
  });
  test('is not held where it failed', async () => {
    let tries = 0;
    const work = {
      run: () => (++tries === 1 ? Promise.reject(new Error('busy')) : Promise.resolve('said')),
    } as unknown as WorkPool;
    const { of, atHand } = pannedGrounds(server.pool, work);
    await expect(of(server.crewId, ground.id, 'geometry')).rejects.toThrow('busy');
    expect(await of(server.crewId, ground.id, 'geometry')).toBe('said');
    expect(await atHand(server.crewId, ground.id, 'geometry')).toBe('said');
  });
  test('is not waited for where it need not be', async () => {
    let through: (said: string) => void = () => undefined;
    const work = { run: () => new Promise((done) => (through = done)) } as unknown as WorkPool;
    const { of, atHand } = pannedGrounds(server.pool, work);
    expect(await atHand(server.crewId, ground.id, 'geometry')).toBeNull();
    const all = of(server.crewId, ground.id, 'geometry');
    while (through.length === 0) await new Promise((resolve) => setTimeout(resolve, 20));
    through('said');
    expect([await all, await atHand(server.crewId, ground.id, 'geometry')]).toEqual(['said', 'said']);
  });
  test('is there from the start where the pans are very many', async () => {
    const [many, few] = [newGround(), newGround()];
    for (const place of [many, few]) {
      const spot = newSpot(place.id);
      await put('grounds', place);
      await put('spots', spot);
      await put('samples', newSample(place.id, spot.id));
    }
    await server.pool.query(
      `insert into sample select (jsonb_populate_record(s, jsonb_build_object('id', gen_random_uuid()))).*
       from sample s, generate_series(1, 5000) where s.crew_id = $1 and s.ground_id = $2`,
      [server.crewId, many.id],
    );
    const asked: string[] = [];
    const work = {
      run: (_: string, { ground: { id } }: { ground: StoredGround }) => {
        asked.push(id);
        return Promise.resolve('said');
      },
    } as unknown as WorkPool;
    const { ahead, atHand } = pannedGrounds(server.pool, work);
    await ahead(server.crewId);
    expect(asked.filter((id) => [many.id, few.id].includes(id))).toEqual([many.id]);
    expect(await atHand(server.crewId, many.id, 'geometry')).toBe('said');
  });
  test('a ground that is not in the book, or in another crew’s, and a school nobody keeps are refused', async () => {
    expect(await told('019370a0-0000-7000-8000-00000000ffff')).toMatchObject({ status: 404, code: 'NOT_FOUND' });
    expect(await told(ground.id, 'alchemy')).toMatchObject({ status: 400, code: 'INVALID' });
    const { of } = pannedGrounds(server.pool, { run: () => Promise.resolve('said') } as unknown as WorkPool);
    await expect(of('019370a0-0000-7000-8000-00000000ffff', ground.id, 'geometry')).rejects.toMatchObject({
      code: 'NOT_FOUND',
    });
  });
});

describe('the pans in columns', () => {
  test('a pan whose writing is under way as they are read is told from those in them, before and after', async () => {
    const ground = newGround();
    const spot = newSpot(ground.id);
    await put('grounds', ground);
    await put('spots', spot);
    await put('samples', newSample(ground.id, spot.id));
    const columns = async () => {
      const pans = (await server.call('GET', `/grounds/${ground.id}/pans`)).json<Pans>();
      return { ...pans, count: asPans(pans).length };
    };
    const writer = await server.pool.connect();
    await writer.query('begin');
    const { rows } = await writer.query<{ id: string; updatedAt: string }>(
      `insert into sample
       select (jsonb_populate_record(s, jsonb_build_object('id', gen_random_uuid(), 'updated_at', now()))).*
       from sample s where s.crew_id = $1 and s.ground_id = $2
       returning id, updated_at as "updatedAt"`,
      [server.crewId, ground.id],
    );
    const { id = '', updatedAt = '' } = rows[0] ?? {};
    const meanwhile = await columns();
    await writer.query('commit');
    writer.release();
    expect(meanwhile.count).toBe(1);
    expect(meanwhile.later).not.toContain(id);
    expect(updatedAt > meanwhile.asOf).toBe(true);

    const after = await columns();
    expect(after.count).toBe(2);
    expect(updatedAt <= after.asOf || after.later.includes(id)).toBe(true);
  });
});
