import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { RunEvent } from './inOrder.ts';
import { goOnTo, tallyRun } from './tallyRun.ts';

const bucket = (eventId: string, at_ms: number, volume_L = 18, spotId = 'H-22'): RunEvent => ({
  eventId,
  kind: 'bucket',
  at_ms,
  volume_L,
  spotId,
});

describe('a run’s tally', () => {
  const events: RunEvent[] = [
    bucket('a', 60_000),
    bucket('b', 660_000),
    bucket('c', 660_300),
    bucket('d', 1_260_000, 12, 'H-17'),
    { eventId: 'e', kind: 'undo', at_ms: 1_270_000, undoes: 'b' },
    { eventId: 'f', kind: 'stop', at_ms: 1_300_000 },
    { eventId: 'g', kind: 'resume', at_ms: 2_000_000 },
    bucket('h', 2_100_000),
  ];
  test('undone and doubled taps do not count; stops are left out of the clock', () => {
    const tally = tallyRun(0, events, 2_200_000);
    expect(tally.buckets.map((b) => b.eventId)).toEqual(['a', 'd', 'h']);
    expect(tally.volumeLoose_L).toBe(48);
    expect(tally.bySpot_L).toEqual({ 'H-22': 36, 'H-17': 12 });
    expect(tally.running_ms).toBe(1_300_000 + 200_000);
    expect(tally.stopped).toBe(false);
  });
  test('without a tap only the clock goes on, as if all were counted again', () => {
    fc.assert(
      fc.property(fc.nat(events.length), fc.nat(6_000_000), fc.nat(6_000_000), (taps, first_ms, second_ms) => {
        const some = events.slice(0, taps);
        const last_ms = some.at(-1)?.at_ms ?? 0;
        const early = tallyRun(0, some, last_ms);
        expect(goOnTo(early, last_ms + first_ms)).toEqual(tallyRun(0, some, last_ms + first_ms));
        expect(goOnTo(early, last_ms - second_ms)).toBe(early);
      }),
    );
  });
  test('order and repeats make no difference', () => {
    const straight = tallyRun(0, events, 2_200_000);
    fc.assert(
      fc.property(fc.shuffledSubarray([...events, ...events], { minLength: events.length * 2 }), (mixed) => {
        expect(tallyRun(0, mixed, 2_200_000)).toEqual(straight);
      }),
    );
  });
  test('the pace is the mean of the last five gaps', () => {
    const steady = [0, 1, 2, 3, 4, 5, 6].map((i) => bucket(String(i), i === 0 ? 0 : 1_000_000 + i * 600_000));
    expect(tallyRun(0, steady, 9e6).pace_ms_L).toBe(600_000 / 18);
    expect(tallyRun(0, [], 5).pace_ms_L).toBeNull();
  });
});

describe('what is no feeding', () => {
  const min = (m: number): number => m * 60_000;
  test('a forgotten stop: fed from 9 to 10:30, stopped at 23:42, and an hour and a half it was', () => {
    // Buckets every ten minutes from 9:10 on, the last at 10:30.
    const day = [...Array(9).keys()].map((i) => bucket(`${i}`, min(10 * (i + 1))));
    const tally = tallyRun(0, [...day, { eventId: 'late', kind: 'stop', at_ms: min(14.7 * 60) }], min(20 * 60));
    expect(tally.running_ms).toBe(min(90));
    expect(tally.brokenOff_ms).toBe(min(14.7 * 60 - 90));
  });
  test('an hour of dinner without a tap is left out, forty minutes are not', () => {
    const fed = [bucket('a', min(10)), bucket('b', min(70)), bucket('c', min(110))];
    const tally = tallyRun(0, fed, min(110));
    expect(tally).toMatchObject({ running_ms: min(50), brokenOff_ms: min(60) });
    // The one gap of work: 18 L in forty minutes.
    expect(tally.pace_ms_L).toBe(min(40) / 18);
  });
  test('the pace is by litres: half a bucket in half the time is the same pace, and a stop between is none of it', () => {
    const halves = [bucket('a', 0, 20), bucket('b', min(6), 10), bucket('c', min(9), 20), bucket('d', min(15), 20)];
    expect(tallyRun(0, halves, min(15)).pace_ms_L).toBe(min(0.3));
    const rested: RunEvent[] = [
      ...halves,
      { eventId: 'stop', kind: 'stop', at_ms: min(16) },
      { eventId: 'on', kind: 'resume', at_ms: min(46) },
      bucket('e', min(47), 20),
    ];
    expect(tallyRun(0, rested, min(47)).pace_ms_L).toBe(min(0.3));
  });
});

describe('a clock put back or forward', () => {
  const tapped = (deviceCount: number, at_ms: number, some: Partial<RunEvent> = {}): RunEvent => ({
    ...bucket(`${deviceCount}`, at_ms),
    deviceId: 'phone',
    deviceCount,
    ...some,
  });
  test('a tap at the very time of an earlier one counts when the device counted it', () => {
    // Ten minutes of taps, then the clock goes back by ten minutes and every tap falls on an earlier one.
    const taps = [...Array(10).keys()].map((i) => tapped(i, i * 60_000));
    const again = [...Array(10).keys()].map((i) => tapped(10 + i, i * 60_000 + 200));
    expect(tallyRun(0, [...again, ...taps], 600_000).buckets.map((b) => b.deviceCount)).toEqual([...Array(20).keys()]);
    expect(tallyRun(0, [bucket('a', 0), bucket('b', 200)], 600_000).buckets).toHaveLength(1);
  });
  test('a stop and going on after it keep their order; the gap of the step counts as none', () => {
    const events = [
      tapped(0, 100_000),
      tapped(1, 200_000, { kind: 'stop' }),
      tapped(2, 50_000, { kind: 'resume' }),
      tapped(3, 90_000),
    ];
    const tally = tallyRun(0, events, 100_000);
    expect(tally.stopped).toBe(false);
    expect(tally.running_ms).toBe(200_000 + 50_000);
    expect(tally.pace_ms_L).toBeNull();
  });
  test('taps of two devices lie by their times', () => {
    const other = { ...bucket('x', 150_000), deviceId: 'other', deviceCount: 7 };
    const order = tallyRun(0, [other, tapped(1, 200_000), tapped(0, 100_000)], 300_000).buckets;
    expect(order.map((b) => b.eventId)).toEqual(['0', 'x', '1']);
  });
});
