import { expect, test } from '@jest/globals';
import type { LoggedEvent } from '@riffle/contract';
import { withTaps } from './waitingTaps.ts';

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
  by: null,
  ...some,
});
const STARTED = '2026-05-01T09:00:00.000Z';
const count = (...taps: LoggedEvent[]) => {
  const { buckets, volumeLoose_L } = withTaps(STARTED, tally, taps);
  return { count: buckets, volumeLoose_L };
};

test('what is in the tally, and what was tapped here since, whatever the clock says', () => {
  expect(count(tap(1), tap(2))).toEqual({ count: 12, volumeLoose_L: 230 });
});
test('a bucket taken back counts off, its own or one that is not here', () => {
  const undo = (n: number, undoes: string) => tap(n, { kind: 'undo', volume_L: null, undoes });
  expect(count(tap(1), undo(2, 'tap-1'))).toEqual({ count: 10, volumeLoose_L: 190 });
  expect(count(undo(1, 'earlier'))).toEqual({ count: 9, volumeLoose_L: 171 });
});
test('where clocks ran right the count is the one the server comes to, work and source too', () => {
  const at = (time: string) => `2026-05-01T10:${time}:00.000Z`;
  const taps = [
    tap(1, { at: at('05'), spotId: 'bar' }),
    tap(2, { at: at('09'), spotId: 'bar', volume_L: 10 }),
    tap(3, { at: at('12'), kind: 'stop', volume_L: null }),
    tap(4, { at: at('40'), kind: 'resume', volume_L: null }),
    tap(5, { at: at('44') }),
  ];
  expect(withTaps(STARTED, tally, taps)).toEqual({
    ...tally,
    buckets: 13,
    volumeLoose_L: 240,
    bySpot_L: { bar: 30, '': 20 },
    // 12 min to the stop and 4 after it.
    running_s: 600 + 16 * 60,
    lastEventAt: at('44'),
    taps: 15,
  });
});
