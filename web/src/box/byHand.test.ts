import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent } from '@riffle/contract';
import { asRunEvent, keepTally } from '@riffle/core';
import { fromPaper, missedBucket, stoppedAt, takenBack } from './byHand.ts';

const START = '2026-07-28T09:00:00.000Z';
const at = (minutes: number): string => new Date(Date.parse(START) + minutes * 60_000).toISOString();
/** Four buckets of 20 L, ten minutes apart, tapped on one phone. */
const taps = [10, 20, 30, 40].map((m, i): LoggedEvent => ({
  id: `019d8b01-0000-7000-8000-00000000000${i}`,
  kind: 'bucket',
  at: at(m),
  spotId: 'a',
  volume_L: 20,
  fullness: 'full',
  undoes: null,
  deviceId: '019d8b01-0000-7000-8000-0000000000ff',
  deviceCount: i,
  by: null,
}));
const tally = (...more: LoggedEvent[]) =>
  keepTally(
    START,
    [...taps, ...more].map((e) => e),
  );

describe('a run put right afterwards', () => {
  test('a missed bucket counts once at its time, and the clock is as it was', () => {
    const added = tally(missedBucket({ at: at(25), spotId: 'b', fullness: '1/2' }, 20));
    expect([added.buckets, added.volumeLoose_L, added.bySpot_L, added.running_s]).toEqual([
      5,
      90,
      { a: 80, b: 10 },
      40 * 60,
    ]);
  });
  test('one told anew is one bucket: the wrong one goes and the right one stands at the same moment', () => {
    const [, second] = taps;
    if (!second) throw new Error('there are four');
    const anew = tally(takenBack(second), missedBucket({ at: second.at, spotId: 'b', fullness: 'full' }, 20));
    expect([anew.buckets, anew.bySpot_L, anew.running_s]).toEqual([4, { a: 60, b: 20 }, 40 * 60]);
  });
  test('two missed in the same minute are two', () => {
    const one = { at: at(25), spotId: 'a', fullness: 'full' } as const;
    expect(tally(missedBucket(one, 20), missedBucket(one, 20)).buckets).toBe(6);
  });
  test('a stop that was forgotten ends the clock there, though Stop was pressed half an hour later', () => {
    const late = { ...stoppedAt(at(75)), id: '019d8b01-0000-7000-8000-0000000000aa' };
    expect(tally(late).running_s).toBe(75 * 60);
    const right = tally(late, stoppedAt(at(45)));
    expect([right.running_s, right.stopped, right.buckets]).toEqual([45 * 60, true, 4]);
  });
  test('in whatever order they arrive', () => {
    const some = [missedBucket({ at: at(25), spotId: 'b', fullness: '1/3' }, 20), stoppedAt(at(45)), ...taps];
    expect(keepTally(START, [...some].reverse())).toEqual(keepTally(START, some));
    expect(new Set(some.map((e) => asRunEvent(e).eventId)).size).toBe(6);
  });
  test('a run from paper: its buckets spread over its hours, source after source, and stopped', () => {
    const taps = fromPaper(
      at(0),
      at(120),
      [
        { spotId: 'a', count: 4 },
        { spotId: 'b', count: 8 },
      ],
      20,
    );
    const tallied = keepTally(at(0), taps);
    expect(tallied).toMatchObject({
      buckets: 12,
      volumeLoose_L: 240,
      bySpot_L: { a: 80, b: 160 },
      running_s: 120 * 60,
      brokenOff_s: 0,
      stopped: true,
    });
  });
});
