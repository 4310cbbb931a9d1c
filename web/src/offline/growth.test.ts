import { describe, expect, test } from '@jest/globals';
import { growthOf, withOneMore } from './growth.ts';
import { tapsByRun } from './waitingTaps.ts';
import type { Write } from './write.ts';
import { waitingOf } from './writes.ts';

const tap = (runId: string, ...ids: string[]): Write =>
  ({ what: 'events', runId, groundId: 'g', events: ids.map((id) => ({ id, kind: 'bucket' })) }) as never;
const record = (kind: string, id: string): Write =>
  ({ what: 'record', kind, record: { id, groundId: 'g', baseVersion: 0 } }) as never;
/** A tap told twice, one of another run, records between them, one of the crew's. */
const CAME = [
  tap('a', '1'),
  tap('a', '2', '3'),
  record('samples', 's1'),
  tap('b', '4'),
  tap('a', '3', '5'),
  record('signs', 'g1'),
  record('samples', 's2'),
  tap('b', '6'),
];

describe('a list of writes that grows', () => {
  test('comes to the same by what came as when all of it is gone through', () => {
    let grown: readonly Write[] = [];
    for (const came of CAME) {
      // Asked each time, as every list on a screen does.
      tapsByRun(grown);
      waitingOf(grown, 'samples', 'g');
      grown = withOneMore(grown, came);
      // Not known to have grown: worked out anew.
      const anew = [...grown];
      expect(growthOf(anew)).toBeNull();
      expect([...tapsByRun(grown)]).toEqual([...tapsByRun(anew)]);
      for (const kind of ['samples', 'signs', 'pits'] as const)
        expect(waitingOf(grown, kind, 'g')).toEqual(waitingOf(anew, kind, 'g'));
    }
    expect([...tapsByRun(grown)].map(([run, taps]) => [run, taps.map((t) => t.id).join('')])).toEqual([
      ['a', '1235'],
      ['b', '46'],
    ]);
  });
  test('leaves what it does not touch the list it was', () => {
    const before = CAME.slice(0, 4);
    const [taps, samples] = [tapsByRun(before).get('b'), waitingOf(before, 'samples', 'g')];
    const after = withOneMore(before, tap('a', '9'));
    expect(tapsByRun(after).get('b')).toBe(taps);
    expect(waitingOf(after, 'samples', 'g')).toBe(samples);
  });
  test('is known to have grown only the last time: no list of before is kept for it', () => {
    const once = withOneMore([], CAME[0] as Write);
    const twice = withOneMore(once, CAME[1] as Write);
    expect(growthOf(once)).toBeNull();
    expect(growthOf(twice)?.before).toBe(once);
  });
});
