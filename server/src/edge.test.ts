import { request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { beforeAll, describe, expect, test } from '@jest/globals';
import type { Problem } from '@riffle/contract';
import { newGround, newSetup, newSpot, newRig, newDaySheet } from '../test/records.ts';
import { useTestServer } from '../test/testServer.ts';

const server = useTestServer();
const kept = newGround();
beforeAll(async () => {
  expect((await server.call('PUT', `/grounds/${kept.id}`, kept)).statusCode).toBe(201);
});

describe('what the database cannot hold is refused at the edge, by its field', () => {
  test.each([
    ['NUL', 'Otter\0bar'],
    ['half a sign', 'Otter \ud83d bar'],
  ])('%s in a name, a note, a nested text', async (_what, text) => {
    for (const [record, path] of [
      [{ ...newGround(), name: text }, 'name'],
      [{ ...newGround(), note: text }, 'note'],
      [{ ...newSetup(kept.id, newRig().id), pitchEntered: { text, unit: '%' } }, 'pitchEntered.text'],
    ] as const) {
      const kind = 'pitchEntered' in record ? 'setups' : 'grounds';
      const answer = await server.call('PUT', `/${kind}/${record.id}`, record);
      expect(answer.statusCode).toBe(400);
      expect(answer.json<Problem>()).toMatchObject({ code: 'INVALID', errors: [{ path }] });
    }
  });
  test('in the address too', async () => {
    const answer = await server.call(
      'PUT',
      `/grounds/${newGround().id}/from-file?name=a%00b&kind=creek&flow=with`,
      '{}',
      {
        'content-type': 'application/geo+json',
      },
    );
    expect(answer.json<Problem>()).toMatchObject({ status: 400, errors: [{ path: 'name' }] });
  });
  test.each(['0000-05-01', '10000-05-01'])('the day %s', async (day) => {
    const sheet = { ...newDaySheet(kept.id), day };
    expect((await server.call('PUT', `/day-sheets/${sheet.id}`, sheet)).statusCode).toBe(400);
  });
  test('an instant that an offset carries out of the years', async () => {
    for (const readAt of ['9999-12-31T23:30:00-05:00', '0001-01-01T00:30:00+05:00', '0000-01-01T00:00:00Z']) {
      const id = newGround().id;
      const answer = await server.call('PUT', `/gauge-readings/${id}`, {
        id,
        groundId: kept.id,
        readAt,
        level_m: 1,
        levelEntered: null,
        note: '',
        baseVersion: 0,
      });
      expect([readAt, answer.statusCode]).toEqual([readAt, 400]);
    }
  });
  test('a version over 32 bits', async () => {
    const ground = { ...kept, baseVersion: 2 ** 31 };
    expect((await server.call('PUT', `/grounds/${kept.id}`, ground)).json<Problem>()).toMatchObject({
      status: 400,
      errors: [{ path: 'baseVersion' }],
    });
  });
  test('ids in capitals are the same ids', async () => {
    const spot = newSpot(kept.id.toUpperCase());
    const answer = await server.call('PUT', `/spots/${spot.id.toUpperCase()}`, { ...spot, id: spot.id.toUpperCase() });
    expect(answer.statusCode).toBe(201);
    expect(answer.json()).toMatchObject({ id: spot.id, groundId: kept.id });
    expect((await server.call('GET', `/grounds/${kept.id.toUpperCase()}/spots`)).json()).toMatchObject({
      items: [{ id: spot.id }],
    });
  });
});

describe('who may write', () => {
  const ground = newGround();
  const write = (headers: Record<string, string>) => server.call('PUT', `/grounds/${ground.id}`, ground, headers);
  test.each([
    ['another port of this machine', { origin: 'http://localhost:4201' }],
    ['another name of it', { origin: 'http://127.0.0.1:4200' }],
    ['another site', { origin: 'https://example.org' }],
    ['a page without an origin', { origin: 'null' }],
    ['a same-site page by its fetch site', { 'sec-fetch-site': 'same-site' }],
    ['a same-site form', { 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'navigate' }],
  ])('%s may not', async (_who, headers) => {
    const answer = await write(headers);
    expect(answer.statusCode).toBe(403);
    expect(answer.json<Problem>().code).toBe('FOREIGN_SITE');
  });
  test.each([
    ['Riffle’s own page', { origin: 'http://localhost:4200', 'sec-fetch-site': 'same-origin' }],
    ['a script', {}],
  ])('%s may', async (_who, headers) => expect((await write(headers)).statusCode).toBeLessThan(300));
  test('a link on another page of this machine opens Riffle, and reads nothing for that page', async () => {
    const get = (headers: Record<string, string>) => server.call('GET', '/grounds', undefined, headers);
    expect((await get({ 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'navigate' })).statusCode).toBe(200);
    expect((await get({ 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'no-cors' })).statusCode).toBe(403);
  });
  test.each(['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x'])(
    'what a form can send (%s) is read nowhere',
    async (type) => {
      for (const path of [
        `/grounds/${kept.id}/samples/import?mode=all%20or%20nothing`,
        '/sums/pitch',
        '/ground-files',
      ]) {
        const answer = await server.call('POST', path, '{}', { 'content-type': type });
        expect([path, answer.statusCode]).toEqual([path, 415]);
        expect(answer.json<Problem>().code).toBe('UNKNOWN_TYPE');
      }
    },
  );
});

describe('refusals before a route', () => {
  test.each([
    ['a broken escape', '/api/v1/grounds/%ff/spots', 400],
    ['an endless id', `/api/v1/grounds/${'a'.repeat(300)}/spots`, 400],
    ['no such address', '/api/v1/nothing', 404],
  ])('%s', async (_what, url, status) => {
    const answer = await server.app.inject({ method: 'GET', url, headers: { host: 'localhost:4200' } });
    expect(answer.statusCode).toBe(status);
    expect(answer.headers['content-type']).toMatch(/problem\+json/);
  });
  test('a sender that is still at it gets to read that it is too much', async () => {
    await server.app.listen({ host: '127.0.0.1', port: 0 });
    const { port } = server.app.server.address() as AddressInfo;
    const status = await new Promise<number | undefined>((resolve, reject) => {
      const sending = httpRequest(
        {
          port,
          method: 'POST',
          path: '/api/v1/sums/pitch',
          headers: { host: `localhost:${port}`, 'content-type': 'application/json' },
        },
        (answer) => {
          answer.resume();
          answer.on('end', () => resolve(answer.statusCode));
        },
      ).on('error', reject);
      // 12 MB where 1 MB is taken, without saying beforehand how much it will be.
      const chunk = Buffer.alloc(1024 * 1024, 'x');
      for (let i = 0; i < 12; i++) sending.write(chunk);
      sending.end();
    });
    expect(status).toBe(413);
  });
});
