import { afterAll, expect, test } from '@jest/globals';
import type { Problem } from '@riffle/contract';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newGround, newSpot } from '../../test/records.ts';
import { useTestServer } from '../../test/testServer.ts';
import { buildApp } from '../app.ts';
import { openDiary } from './diary.ts';

const server = useTestServer();
const dir = mkdtempSync(join(tmpdir(), 'riffle-diary-'));
afterAll(() => rmSync(dir, { recursive: true, force: true }));

test('tells what went wrong, by the number the answer bears, and nothing of what was sent', async () => {
  let broken = false;
  const app = await buildApp({
    pool: server.pool,
    diary: await openDiary(join(dir, 'riffle')),
    patience_ms: 30_000,
    crewOf: () => {
      if (broken) throw new Error('The secret bar of Mara lies at 46.512, -33.004');
      return server.crewId;
    },
  });
  const ask = (method: 'GET' | 'PUT', path: string, payload?: object) =>
    app.inject({ method, url: `/api/v1${path}`, headers: { host: 'localhost' }, ...(payload && { payload }) });
  const ground = newGround({ name: 'Secret Fork' });
  expect((await ask('PUT', `/grounds/${ground.id}`, ground)).statusCode).toBe(201);
  const wrong = { ...newSpot(ground.id, { name: 'Mara’s hole' }), distance_m: -1 };
  const refused = await ask('PUT', `/spots/${wrong.id}?note=secret`, wrong);
  const unknown = newSpot('019370a0-0000-7000-8000-0000000000aa', { name: 'Mara’s hole' });
  expect((await ask('PUT', `/spots/${unknown.id}`, unknown)).statusCode).toBe(422);
  broken = true;
  const fault = await ask('GET', `/grounds/${ground.id}/spots`);
  broken = false;
  expect(fault.json<Problem & { request: string }>()).toMatchObject({
    code: 'FAULT',
    request: fault.headers['x-request-id'],
  });
  await app.close();

  const written = readdirSync(dir)
    .map((name) => readFileSync(join(dir, name), 'utf8'))
    .join('');
  const lines = written
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
  expect(lines.filter((l) => l['status'] !== undefined)).toMatchObject([
    {
      level: 'info',
      reqId: refused.headers['x-request-id'],
      status: 400,
      code: 'INVALID',
      method: 'PUT',
      route: '/api/v1/spots/:id',
      ms: expect.any(Number),
    },
    { status: 422, code: 'UNKNOWN_REFERENCE' },
    { level: 'warn', reqId: fault.headers['x-request-id'], status: 500, code: 'FAULT' },
  ]);
  // Where it came from, not what it said.
  expect(lines.find((l) => l['level'] === 'error')).toMatchObject({
    reqId: fault.headers['x-request-id'],
    msg: 'A fault.',
    err: { type: 'Error', message: '', stack: expect.stringContaining('diary.test') },
  });
  expect(lines.at(-1)).toMatchObject({ msg: 'The server stops.' });
  expect(written).not.toMatch(/secret|Mara|46\.5|-33/i);
  for (const id of [ground.id, wrong.id, unknown.id, server.crewId]) expect(written).not.toContain(id);
});
