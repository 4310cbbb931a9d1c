import { expect, test } from '@jest/globals';
import type { LoggedEvent } from '@riffle/contract';
import { countPartly } from './countPartly.ts';

const tally = {
  buckets: 10,
  volumeLoose_L: 190,
  bySpot_L: {},
  running_s: 600,
  brokenOff_s: 0,
  stopped: false,
  lastEventAt: '2026-05-01T10:00:00.000Z',
  taps: 10,
  timesInOrder: true,
};
const tap = (n: number, some: Partial<LoggedEvent> = {}): LoggedEvent => ({
  id: `tap-${n}`,
  kind: 'bucket',
  // The clock was put back by an hour: before anything the tally knows of.
  at: `2026-05-01T09:0${n}:00.000Z`,
  spotId: null,
  volume_L: 20,
  fullness: 'full',
  undoes: null,
  deviceId: 'phone',
  deviceCount: 10 + n,
  ...some,
});
const count = (...taps: LoggedEvent[]) => countPartly(tally, '2026-05-01T09:00:00.000Z', taps);

test('what is in the tally, and what was tapped here since, whatever the clock says', () => {
  expect(count()).toEqual({ count: 10, volumeLoose_L: 190 });
  expect(count(tap(1), tap(2))).toEqual({ count: 12, volumeLoose_L: 230 });
});
test('a bucket taken back counts off, its own or one that is not here', () => {
  const undo = (n: number, undoes: string) => tap(n, { kind: 'undo', volume_L: null, undoes });
  expect(count(tap(1), undo(2, 'tap-1'))).toEqual({ count: 10, volumeLoose_L: 190 });
  expect(count(undo(1, 'earlier'))).toEqual({ count: 9, volumeLoose_L: 171 });
});
