import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { tallyRun, type RunEvent } from './tallyRun.ts';

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
    expect(tallyRun(0, steady, 9e6).pace_ms).toBe(600_000);
    expect(tallyRun(0, [], 5).pace_ms).toBeNull();
  });
});
