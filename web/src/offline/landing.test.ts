import { describe, expect, test } from '@jest/globals';
import type { LoggedEvent, StoredRun } from '@riffle/contract';
import { eventsKey, listKey, laterOfEach, listKeysOf, withAnswer, withTalliesInHand } from './landing.ts';
import { tapsByRun } from './waitingTaps.ts';
import type { Write } from './write.ts';

const ground = 'g';
const spots = listKey('spots', ground);
const spot = (n: number, version = 1, name = `Spot ${n}`) => ({ id: `s${n}`, version, name });
const change = (n: number): Write =>
  ({ what: 'record', kind: 'spots', record: { id: `s${n}`, groundId: ground, baseVersion: 1 } }) as unknown as Write;
const named = (items: readonly object[]): unknown[] => items.map((i) => (i as { name: string }).name);

describe('what the server answers goes into the lists', () => {
  test('in place of the old copy, once, however often it is told', () => {
    const once = withAnswer(spots, [spot(1), spot(2)], change(1), spot(1, 2, 'Renamed'));
    expect(named(once)).toEqual(['Renamed', 'Spot 2']);
    expect(withAnswer(spots, once, change(1), spot(1, 2, 'Renamed'))).toBe(once);
  });
  test('an answer older than what is known already changes nothing', () => {
    const list = [spot(1, 3, 'Later')];
    expect(withAnswer(spots, list, change(1), spot(1, 2, 'Earlier'))).toBe(list);
  });
  test('of a list read twice each record is as it was later, whichever was read first', () => {
    const [before, after] = [
      [spot(1, 2, 'Renamed'), spot(2)],
      [spot(1), spot(2), spot(3)],
    ];
    for (const whole of [laterOfEach(before, after), laterOfEach(after, before)])
      expect([...named(whole)].sort()).toEqual(['Renamed', 'Spot 2', 'Spot 3']);
    expect(laterOfEach(before, [spot(1), spot(2)])).toBe(before);
    const run = (taps: number) => ({ id: 'run', version: 1, tally: { taps } });
    expect(laterOfEach([run(3)], [run(5)])).toEqual([run(5)]);
    expect(laterOfEach([run(5)], [run(3)])).toEqual([run(5)]);
  });
  test('other lists are left as they are', () => {
    for (const key of [listKey('spots', 'another'), listKey('samples', ground), eventsKey('run')]) {
      const list = [spot(2)];
      expect(withAnswer(key, list, change(1), spot(1, 2))).toBe(list);
    }
  });
  test('a plan laid out fills the lists of its points and bags, each once', () => {
    const laid = {
      what: 'laid out',
      groundId: ground,
      crewId: 'crew',
      whole: {
        plan: { id: 'p', groundId: ground, name: 'Across', baseVersion: 0 },
        spots: [{ id: 's5', groundId: ground, name: 'Spot 5', baseVersion: 0 }],
        lots: [{ id: 'l1', groundId: ground, baseVersion: 0 }],
      },
    } as unknown as Write & { crewId: string };
    let list: readonly { id: string; version?: number }[] = [spot(1)];
    // A reply that was lost is asked for again: nothing is doubled.
    for (let i = 0; i < 2; i++) list = withAnswer(spots, list, laid, null);
    expect(list.map((r) => [r.id, r.version])).toEqual([
      ['s1', 1],
      ['s5', 1],
    ]);
    expect(listKeysOf(laid).map(({ key }) => key[2])).toEqual(['sample-plans', 'spots', 'lots']);
  });
  describe('taps', () => {
    const tap = { id: 'tap', kind: 'bucket' } as unknown as LoggedEvent;
    const taps = { what: 'events', runId: 'run', groundId: ground, events: [tap], crewId: 'crew' } as const;
    const answer = { id: 'run', events: [tap], tally: { buckets: 8, taps: 9 } };
    test('go in with those of their run, once', () => {
      const list = withAnswer(eventsKey('run'), [], taps, answer);
      expect(list).toEqual([tap]);
      expect(withAnswer(eventsKey('run'), list, taps, answer)).toBe(list);
      expect(withAnswer(eventsKey('other'), [], taps, answer)).toEqual([]);
    });
    test('the run takes their tally, unless it knows of more taps already', () => {
      const runs = (tally: object) => [{ id: 'run', version: 1, tally }];
      const key = listKey('runs', ground);
      expect(withAnswer(key, runs({ buckets: 7, taps: 8 }), taps, answer)).toEqual(runs(answer.tally));
      expect(withAnswer(key, runs({ buckets: 11, taps: 12 }), taps, answer)).toEqual(runs({ buckets: 11, taps: 12 }));
      expect(listKeysOf(taps).map(({ key: k }) => k[0])).toEqual(['events', 'list']);
    });
    test('a run begun here is not let go before its list of taps is kept; one that was changed has no part in it', () => {
      const run = (baseVersion: number) =>
        ({
          what: 'record',
          kind: 'runs',
          record: { id: 'run', groundId: ground, baseVersion },
          crewId: 'crew',
        }) as unknown as Write & { crewId: string };
      expect(listKeysOf(run(0)).map(({ key }) => key[0])).toEqual(['list', 'events']);
      expect(listKeysOf(run(1)).map(({ key }) => key[0])).toEqual(['list']);
    });
    test('a tally that was read stands only where no tap of this device may be in it already', () => {
      const run = (id: string, taps: number) => ({ id, tally: { buckets: taps, taps } }) as unknown as StoredRun;
      const told = (read: StoredRun[], inHand: StoredRun[]) =>
        withTalliesInHand(read, inHand, new Set(tapsByRun([taps as unknown as Write]).keys())).map((r) => [
          r.id,
          r.tally.taps,
        ]);
      // A tap of `run` is on its way: the server may have it, and it is counted here.
      expect(told([run('run', 9), run('other', 9)], [run('run', 8), run('other', 8)])).toEqual([
        ['run', 8],
        ['other', 9],
      ]);
      // Read before the last of them landed.
      expect(told([run('other', 8)], [run('other', 9)])).toEqual([['other', 9]]);
      expect(told([run('run', 9)], [])).toEqual([['run', 9]]);
    });
  });
});
