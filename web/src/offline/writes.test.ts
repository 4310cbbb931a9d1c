import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent, Spot, StoredRun, StoredSpot } from '@riffle/contract';
import { keepTally } from '@riffle/core';
import type { Write } from './write.ts';
import { eventsWithWaiting } from './eventsWithWaiting.ts';
import { sendWrite } from './sendWrite.ts';
import { withWaiting } from './writes.ts';

const ground = '01900000-0000-7000-8000-000000000001';
const spot = (n: number, some: Partial<StoredSpot> = {}): StoredSpot => ({
  id: `01900000-0000-7000-8000-0000000000${10 + n}`,
  deleted: false,
  groundId: ground,
  name: `Spot ${n}`,
  kind: 'bar',
  distance_m: n,
  bank: 'left',
  offset_m: 0,
  position: null,
  worksBelow_m: null,
  worksBelowEntered: null,
  samplePlanId: null,
  note: '',
  version: 1,
  updatedAt: '2026-05-01T09:00:00.000Z',
  ...some,
});
const write = (s: StoredSpot, baseVersion: number, some: Partial<Spot> = {}): Write => {
  const { version, updatedAt, ...record } = s;
  return { what: 'record', kind: 'spots', record: { ...record, ...some, baseVersion } };
};

describe('what waits is laid over what was read', () => {
  test('a new record is there at once, in id order', () => {
    expect(withWaiting('spots', ground, [spot(2)], [write(spot(1), 0)]).map((s) => [s.name, s.version])).toEqual([
      ['Spot 1', 1],
      ['Spot 2', 1],
    ]);
  });
  test('a change shows, one version on', () => {
    expect(withWaiting('spots', ground, [spot(1)], [write(spot(1), 1, { name: 'Renamed' })])).toMatchObject([
      { name: 'Renamed', version: 2 },
    ]);
  });
  test('a hidden record is gone, and back when its undo waits too', () => {
    expect(withWaiting('spots', ground, [spot(1)], [write(spot(1), 1, { deleted: true })])).toEqual([]);
    expect(
      withWaiting('spots', ground, [spot(1)], [write(spot(1), 1, { deleted: true }), write(spot(1), 2)]),
    ).toHaveLength(1);
  });
  test('a write that has landed meanwhile does not hide what came after it', () => {
    expect(
      withWaiting('spots', ground, [spot(1, { name: 'Later', version: 3 })], [write(spot(1), 1, { name: 'Earlier' })]),
    ).toMatchObject([{ name: 'Later', version: 3 }]);
  });
  test('another ground and another kind are left alone', () => {
    expect(withWaiting('spots', 'another', [], [write(spot(1), 0)])).toEqual([]);
    expect(withWaiting('samples', ground, [], [write(spot(1), 0)])).toEqual([]);
  });
});

test('a plan laid out waits as its plan, its points and its bags', () => {
  const plan = {
    id: 'p',
    deleted: false,
    groundId: ground,
    name: 'Across',
    pattern: 'traverse' as const,
    madeAt: '2026-05-01T09:00:00.000Z',
    bag_L: 9.5,
    bagEntered: { text: '2', unit: 'pan' },
    note: '',
    baseVersion: 0,
  };
  const { version, updatedAt, ...point } = spot(5, { samplePlanId: 'p' });
  const lot = {
    id: 'l',
    deleted: false,
    groundId: ground,
    spotId: point.id,
    tag: 'A-1',
    layer: '',
    volume_L: 9.5,
    volumeEntered: { text: '2', unit: 'pan' },
    screen: '',
    takenAt: plan.madeAt,
    state: 'planned' as const,
    place: '',
    holder: '',
    samplePlanId: 'p',
    fromDepth_m: 0,
    toDepth_m: 0.3,
    note: '',
    baseVersion: 0,
  };
  const waiting: Write[] = [
    { what: 'laid out', groundId: ground, whole: { plan, spots: [{ ...point, baseVersion: 0 }], lots: [lot] } },
    { what: 'record', kind: 'lots', record: { ...lot, state: 'waiting', baseVersion: 1 } },
  ];
  expect(withWaiting('sample-plans', ground, [], waiting).map((p) => p.name)).toEqual(['Across']);
  expect(withWaiting('spots', ground, [spot(1)], waiting).map((s) => s.name)).toEqual(['Spot 1', 'Spot 5']);
  // Dug before the plan itself has landed.
  expect(withWaiting('lots', ground, [], waiting)).toMatchObject([{ tag: 'A-1', state: 'waiting', version: 2 }]);
});

test('a run that was tapped, stopped or went on without a signal is so at once', () => {
  const startedAt = '2026-05-01T08:00:00.000Z';
  const run = {
    id: 'run',
    version: 1,
    deleted: false,
    startedAt,
    tally: keepTally(startedAt, []),
  } as unknown as StoredRun;
  const tapped = (kind: LoggedEvent['kind'], n: number): Write => ({
    what: 'events',
    runId: 'run',
    groundId: ground,
    events: [{ ...waitingTap(n), kind, volume_L: kind === 'bucket' ? 20 : null }],
  });
  const after = (...kinds: LoggedEvent['kind'][]): unknown[] =>
    withWaiting('runs', ground, [run], kinds.map(tapped)).map(({ tally }) => [tally.stopped, tally.volumeLoose_L]);
  expect(after('bucket')).toEqual([[false, 20]]);
  expect(after('bucket', 'bucket', 'stop')).toEqual([[true, 40]]);
  expect(after('stop', 'bucket')).toEqual([[true, 20]]);
  expect(after('stop', 'resume')).toEqual([[false, 0]]);
});

/** A bucket of 20 L that no device counted, minutes apart. */
const waitingTap = (n: number): LoggedEvent => ({
  id: `tap-${n}`,
  kind: 'bucket',
  at: `2026-05-01T09:0${n}:00.000Z`,
  spotId: null,
  volume_L: 20,
  fullness: 'full',
  undoes: null,
  deviceId: null,
  deviceCount: null,
  by: null,
});

test('taps of a run: those waiting are added, those landed are not doubled', () => {
  const waiting: Write[] = [
    { what: 'events', runId: 'run', groundId: ground, events: [waitingTap(1), waitingTap(2)] },
    { what: 'events', runId: 'other', groundId: ground, events: [waitingTap(3)] },
  ];
  expect(eventsWithWaiting('run', [waitingTap(1)], waiting).map((e) => e.id)).toEqual(['tap-1', 'tap-2']);
});

describe('what is sent', () => {
  test('a box that an earlier Riffle left in the outbox goes as the one section it has', async () => {
    const sent: unknown[] = [];
    const before = globalThis.fetch;
    globalThis.fetch = (_address, init) => {
      sent.push(JSON.parse(init?.body as string));
      return Promise.resolve(new Response('{}', { status: 200, headers: { 'content-type': 'application/json' } }));
    };
    const old = { id: 'r', name: 'Short', lining: 'riffles', width_m: 0.25, length_m: 1.2, note: '', baseVersion: 0 };
    await sendWrite({ what: 'record', kind: 'rigs', record: old } as unknown as Write);
    globalThis.fetch = before;
    expect(sent).toEqual([
      expect.objectContaining({
        name: 'Short',
        sections: [expect.objectContaining({ lining: 'riffles', length_m: 1.2, step_m: 0 })],
      }),
    ]);
  });
});
