import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { addTaps, type LoggedTap } from './addTaps.ts';
import { keepTally } from './keepTally.ts';

const START = '2026-05-01T09:00:00.000Z';
const SPOTS = ['lower', 'upper', null] as const;

/** A run as it might be tapped: what is tapped, how long after the last, by which device. Clocks step in some. */
const tapped = (steps: boolean): fc.Arbitrary<LoggedTap[]> =>
  fc
    .array(
      fc.record({
        kind: fc.constantFrom('bucket', 'bucket', 'bucket', 'undo', 'stop', 'resume'),
        gap_ms: fc.oneof(
          { arbitrary: fc.integer({ min: 0, max: 900_000 }), weight: 9 },
          { arbitrary: fc.integer({ min: 2_600_000, max: 2_800_000 }), weight: 1 },
          { arbitrary: fc.integer({ min: steps ? -600_000 : 0, max: 300 }), weight: 1 },
        ),
        volume_L: fc.constantFrom(20, 40 / 3, 10),
        spot: fc.nat(2),
        device: fc.nat(1),
        undoes: fc.nat(),
      }),
      { maxLength: 40 },
    )
    .map((taps) => {
      let at_ms = Date.parse(START);
      const ids = taps.map((_, i) => `tap-${String(i).padStart(3, '0')}`);
      return taps.map((t, i) => {
        at_ms += t.gap_ms;
        const kind = i === 0 && t.kind === 'undo' ? 'bucket' : t.kind;
        return {
          id: ids[i],
          kind,
          at: new Date(at_ms).toISOString(),
          spotId: kind === 'bucket' ? (SPOTS[t.spot] ?? null) : null,
          volume_L: kind === 'bucket' ? t.volume_L : null,
          undoes: kind === 'undo' ? ids[t.undoes % i] : null,
          deviceId: `phone-${t.device}`,
          deviceCount: i,
        };
      });
    });

describe('taps added to a tally', () => {
  const grown = (taps: readonly LoggedTap[]): { counted: number; tally: ReturnType<typeof keepTally> } => {
    let counted = 0;
    let tally = keepTally(START, []);
    taps.forEach((tap, i) => {
      const before = taps.slice(0, i);
      const standing = before.filter(
        (b) => b.kind === 'bucket' && b.id === tap.undoes && !before.some((u) => u.undoes === b.id),
      );
      const added = addTaps(START, tally, [tap], new Map(standing.map((b) => [b.id, b])));
      if (!added) counted++;
      tally = added ?? keepTally(START, taps.slice(0, i + 1));
    });
    return { counted, tally };
  };
  const roughly = (tally: ReturnType<typeof keepTally>) => ({
    ...tally,
    volumeLoose_L: expect.closeTo(tally.volumeLoose_L, 9),
    running_s: expect.closeTo(tally.running_s, 6),
    brokenOff_s: expect.closeTo(tally.brokenOff_s, 6),
    bySpot_L: Object.fromEntries(Object.entries(tally.bySpot_L).map(([spot, L]) => [spot, expect.closeTo(L, 9)])),
  });

  test('come to what counting all of them comes to', () => {
    fc.assert(
      fc.property(tapped(false), (taps) => {
        expect(grown(taps).tally).toEqual(roughly(keepTally(START, taps)));
      }),
      { numRuns: 300 },
    );
  });
  test('also where clocks were put back', () => {
    fc.assert(
      fc.property(tapped(true), (taps) => {
        expect(grown(taps).tally).toEqual(roughly(keepTally(START, taps)));
      }),
      { numRuns: 300 },
    );
  });
  test('a stop and a resume of two devices at one instant are counted again together', () => {
    const tap = (id: string, kind: 'stop' | 'resume', device: string): LoggedTap => ({
      id,
      kind,
      at: START,
      spotId: null,
      volume_L: null,
      undoes: null,
      deviceId: device,
      deviceCount: Number(id),
    });
    const [stop, resume] = [tap('0', 'stop', 'phone-1'), tap('1', 'resume', 'phone-0')];
    expect(addTaps(START, keepTally(START, [stop]), [resume], new Map())).toBeNull();
    expect(grown([stop, resume]).tally).toEqual(keepTally(START, [stop, resume]));
  });
  test('buckets, stops and undone buckets of one device are never counted again', () => {
    const at = (i: number): string => new Date(Date.parse(START) + i * 60_000).toISOString();
    const bare = { spotId: null, volume_L: null, undoes: null, deviceId: 'phone' };
    const taps: LoggedTap[] = [...Array(200).keys()].map((i) => ({
      ...bare,
      id: `${i}`,
      at: at(i),
      deviceCount: i,
      ...(i % 10 === 9
        ? { kind: 'undo', undoes: `${i - 1}` }
        : i % 10 === 5
          ? { kind: i % 20 === 5 ? 'stop' : 'resume' }
          : { kind: 'bucket', volume_L: 20, spotId: 'lower' }),
    }));
    const { counted, tally } = grown(taps);
    expect(counted).toBe(0);
    expect(tally.buckets).toBe(140);
  });
});
