import { expect, test } from '@jest/globals';
import type { LoggedEvent } from '@riffle/contract';
import { v7 } from 'uuid';
import { madeAt_ms, mendsOfRun } from './mendsOfRun.ts';

const at = (minute: number): string => new Date(Date.UTC(2026, 4, 1, 9, minute)).toISOString();
const idAt = (minute: number): string => v7({ msecs: Date.parse(at(minute)) });
const RUN = idAt(0);
const PHONE = idAt(-600);

let count = 0;
const event = (some: Partial<LoggedEvent>): LoggedEvent => ({
  id: '',
  kind: 'bucket',
  at: '',
  spotId: 'bar',
  volume_L: 20,
  fullness: 'full',
  undoes: null,
  deviceId: PHONE,
  deviceCount: count++,
  by: null,
  ...some,
});
const tapped = (minute: number, some: Partial<LoggedEvent> = {}): LoggedEvent =>
  event({ id: idAt(minute), at: at(minute), ...some });
/** Told at one minute about another. */
const told = (toldAt: number, about: number, some: Partial<LoggedEvent> = {}): LoggedEvent =>
  event({ id: idAt(toldAt), at: at(about), deviceId: idAt(toldAt), deviceCount: 0, ...some });

test('an id of version 7 says when it was made (worked example of RFC 9562, A.6); another says nothing', () => {
  expect(madeAt_ms('017f22e2-79b0-7cc3-98c4-dc0c0c07398f')).toBe(Date.UTC(2022, 1, 22, 19, 22, 22));
  expect(madeAt_ms('919108f7-52d1-4320-9bac-f847db4148a8')).toBeNull();
});

test('taps are no mends; what was told afterwards is, the latest first', () => {
  const [first, second, third] = [tapped(5), tapped(9), tapped(14)];
  const undone = tapped(15, { kind: 'undo', undoes: third.id, volume_L: null });
  const missed = told(60, 11);
  const out = told(70, 5, { kind: 'undo', undoes: first.id, volume_L: null });
  const [away, anew] = [told(80, 9, { kind: 'undo', undoes: second.id }), told(80, 9, { fullness: '2/3' })];
  const stop = told(90, 20, { kind: 'stop', volume_L: null });
  const mends = mendsOfRun(RUN, [stop, first, away, second, third, undone, missed, out, anew]);
  expect(mends.map((m) => [m.what, m.toldAt_ms, m.at, m.was?.id ?? null, m.now?.id ?? null])).toEqual([
    ['stopped', Date.parse(at(90)), at(20), null, null],
    ['told anew', Date.parse(at(80)), at(9), second.id, anew.id],
    ['taken out', Date.parse(at(70)), at(5), first.id, null],
    ['added', Date.parse(at(60)), at(11), null, missed.id],
    ['taken out', Date.parse(at(15)), at(14), third.id, null],
  ]);
});

test('a run from paper is told in one go: only what is told later is a mend', () => {
  const paper = [told(0, -600), told(0, -590), told(0, -580, { kind: 'stop' })];
  expect(mendsOfRun(RUN, paper)).toEqual([]);
  expect(mendsOfRun(RUN, [...paper, told(3, -570)]).map((m) => m.what)).toEqual(['added']);
});

test('the first tap ever of a device is a tap', () => {
  const device = idAt(5);
  expect(mendsOfRun(RUN, [tapped(5, { deviceId: device, deviceCount: 0 })])).toEqual([]);
});

test('a busy phone takes its time between taking a bucket out and telling it anew, and a moment after it was tapped', () => {
  const ms = Date.parse(at(9));
  const own = (msecs: number, some: Partial<LoggedEvent>): LoggedEvent => {
    const id = v7({ msecs });
    return event({ id, deviceId: id, deviceCount: 0, at: at(9), ...some });
  };
  const first = tapped(9);
  const [away, anew] = [own(ms + 400, { kind: 'undo', undoes: first.id }), own(ms + 900, { spotId: 'ledge' })];
  const out = own(ms + 1100, { kind: 'undo', undoes: anew.id });
  expect(mendsOfRun(RUN, [first, away, anew]).map((m) => [m.what, m.was?.id, m.now?.id])).toEqual([
    ['told anew', first.id, anew.id],
  ]);
  // In either order.
  const before = own(ms + 100, { spotId: 'ledge' });
  expect(mendsOfRun(RUN, [first, before, away]).map((m) => [m.what, m.now?.id])).toEqual([['told anew', before.id]]);
  // Another is taken out within the same second.
  const [second, gone] = [tapped(8), own(ms + 950, { kind: 'undo', undoes: 'x' })];
  const other = { ...gone, undoes: second.id };
  expect(
    mendsOfRun(RUN, [first, second, before, own(ms + 101, { kind: 'undo', undoes: first.id }), other]).map(
      (m) => m.what,
    ),
  ).toEqual(['taken out', 'told anew']);
  // Taken out right after it, the bucket is still the one that was told anew.
  expect(mendsOfRun(RUN, [first, away, anew, out]).map((m) => [m.what, m.was?.id])).toEqual([
    ['taken out', anew.id],
    ['told anew', first.id],
  ]);
});
