import { describe, expect, test } from '@jest/globals';
import type { Problem, StoredGround, StoredSpot } from '@riffle/contract';
import { centreLine } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { newAttachment, newGround, newSpot } from '../test/records.ts';
import { useTestServer } from '../test/testServer.ts';

const server = useTestServer();
const put = (path: string, body: unknown, headers?: Record<string, string>): ReturnType<typeof server.call> =>
  server.call('PUT', path, body, headers);
const store = async <T extends { id: string }>(kind: string, record: T): Promise<T> => {
  expect((await put(`/${kind}/${record.id}`, record)).statusCode).toBe(201);
  return record;
};
/** The smallest PNG there is: one pixel. */
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
);

describe('files of attachments', () => {
  test('bytes come back as they went, once, and are not in the list', async () => {
    const ground = await store('grounds', newGround());
    const spot = await store('spots', newSpot(ground.id));
    const picture = await store('attachments', newAttachment(ground.id, spot.id));
    const address = `/attachments/${picture.id}/file`;
    expect((await server.call('GET', address)).statusCode).toBe(404);
    for (let twice = 0; twice < 2; twice++)
      expect((await put(address, PNG, { 'content-type': 'image/png' })).statusCode).toBe(204);
    const back = await server.call('GET', address);
    expect([back.statusCode, back.headers['content-type']]).toEqual([200, 'image/png']);
    expect(back.rawPayload.equals(PNG)).toBe(true);
    expect((await server.call('GET', `/grounds/${ground.id}/attachments`)).json<{ items: object[] }>().items).toEqual([
      expect.objectContaining({ name: 'bar.png', aboutId: spot.id }),
    ]);
  });
  test.each([
    ['a text that calls itself a picture', Buffer.from('hello'), 'image/png', 422, 'FILE_UNREADABLE'],
    ['a PNG sent for a PDF', PNG, 'application/pdf', 422, 'FILE_UNREADABLE'],
    ['more than the limit', Buffer.concat([PNG, Buffer.alloc(9 * 1024 * 1024)]), 'image/png', 413, 'TOO_LARGE'],
  ] as const)('%s is refused and nothing kept', async (_name, bytes, mime, status, code) => {
    const ground = await store('grounds', newGround());
    const picture = await store('attachments', newAttachment(ground.id, ground.id, { about: 'ground', mime }));
    const answer = await put(`/attachments/${picture.id}/file`, bytes, { 'content-type': mime });
    expect([answer.statusCode, answer.json<Problem>().code]).toEqual([status, code]);
    expect((await server.call('GET', `/attachments/${picture.id}/file`)).statusCode).toBe(404);
  });
  test('bytes of a record that is not there are refused', async () => {
    expect((await put(`/attachments/${uuidv7()}/file`, PNG, { 'content-type': 'image/png' })).json()).toMatchObject({
      code: 'NOT_FOUND',
    });
  });
});

describe('a line drawn anew', () => {
  const line = [
    [-33, 46.5],
    [-33, 46.505],
  ] as const;
  test('gives a typed ground its length; spots with a position find their distance, the others stay, held to the line', async () => {
    const ground = await store('grounds', newGround({ length_m: 5000 }));
    const seen = await store('spots', newSpot(ground.id, { position: [-33.0005, 46.502], distance_m: 9 }));
    const far = await store('spots', newSpot(ground.id, { distance_m: 4000 }));
    const drawn = (await put(`/grounds/${ground.id}/line`, { line, baseVersion: 1 })).json<StoredGround>();
    const length = centreLine(line).length_m;
    expect([drawn.version, drawn.linePoints]).toEqual([2, 2]);
    expect(drawn.length_m).toBeCloseTo(length, 6);
    const spots = (await server.call('GET', `/grounds/${ground.id}/spots`)).json<{ items: StoredSpot[] }>().items;
    const moved = spots.find((s) => s.id === seen.id);
    // The line runs north; 0.002 of its 0.005 degrees up, and west of it: the right bank looking downstream.
    expect(moved?.distance_m).toBeCloseTo(0.4 * length, 0);
    expect(moved?.bank).toBe('right');
    expect(spots.find((s) => s.id === far.id)?.distance_m).toBeCloseTo(length, 6);
  });
  test('an older version is answered with the stored one; a line of one point, or of no length, is refused', async () => {
    const ground = await store('grounds', newGround());
    expect((await put(`/grounds/${ground.id}/line`, { line, baseVersion: 7 })).json()).toMatchObject({
      code: 'CHANGED',
      current: { version: 1 },
    });
    expect((await put(`/grounds/${ground.id}/line`, { line: [line[0]], baseVersion: 1 })).json()).toMatchObject({
      code: 'INVALID',
      errors: [{ path: 'line' }],
    });
    expect(
      (await put(`/grounds/${ground.id}/line`, { line: [line[0], line[0]], baseVersion: 1 })).json(),
    ).toMatchObject({ code: 'INVALID', errors: [{ path: 'line' }] });
    expect((await put(`/grounds/${uuidv7()}/line`, { line, baseVersion: 1 })).json()).toMatchObject({
      code: 'NOT_FOUND',
    });
  });
});
