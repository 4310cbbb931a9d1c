import { describe, expect, test } from '@jest/globals';
import type { StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { stintsOf } from './stintsOf.ts';

const rig = (id: string, lining: string): StoredRig =>
  ({ id, name: id, sections: [{ lining, own: null, width_m: 0.25, length_m: 1.2, step_m: 0 }] }) as never;
const setup = (id: string, rigId: string, setAt: string, slope: number): StoredSetup =>
  ({ id, rigId, setAt, slope, depth_m: 0.02, flow_m3_s: null, stone_m: 0.0127, air: null }) as never;
const run = (setupId: string, startedAt: string, stoppedAt: string, buckets: number): StoredRun =>
  ({ id: startedAt, setupId, startedAt, tally: { buckets, running_s: 1200, lastEventAt: stoppedAt } }) as never;
const BOOK = {
  rigs: [rig('ribbed', 'ribbed'), rig('carpet', 'carpet'), rig('beside', 'riffles')],
  setups: [
    setup('flat', 'ribbed', '2026-06-01T08:00:00.000Z', 0.04),
    setup('steep', 'ribbed', '2026-06-01T09:00:00.000Z', 0.05),
    setup('relined', 'carpet', '2026-06-01T10:00:00.000Z', 0.05),
    setup('other', 'beside', '2026-06-01T08:30:00.000Z', 0.06),
  ],
  runs: [
    run('flat', '2026-06-01T08:00:00.000Z', '2026-06-01T09:00:00.000Z', 3),
    run('steep', '2026-06-01T09:00:00.000Z', '2026-06-01T10:00:00.000Z', 4),
    run('relined', '2026-06-01T10:00:00.000Z', '2026-06-01T11:00:00.000Z', 5),
    run('other', '2026-06-01T08:30:00.000Z', '2026-06-01T10:40:00.000Z', 9),
  ],
  cleanups: [],
  tests: [],
};

describe('stints of a box', () => {
  test('go on over a change of its lining; a box beside it is another', () => {
    expect(stintsOf(BOOK, 'carpet').map((s) => [s.since.slice(11, 16), s.buckets, s.lined, s.changes?.length])).toEqual(
      [
        ['10:00', 5, 'bare carpet', undefined],
        ['09:00', 4, null, 1],
        ['08:00', 3, null, undefined],
      ],
    );
    expect(stintsOf(BOOK, 'beside').map((s) => s.buckets)).toEqual([9]);
  });
});
