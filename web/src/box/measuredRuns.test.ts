import { expect, test } from '@jest/globals';
import type { StoredCleanup, StoredLift, StoredRun, StoredSetup } from '@riffle/contract';
import { measuredRuns } from './measuredRuns.ts';

const run = (id: string, bySpot_L: Record<string, number>, startedAt = '2026-05-01T08:00:00.000Z'): StoredRun =>
  ({
    id,
    startedAt,
    tally: { bySpot_L, volumeLoose_L: Object.values(bySpot_L).reduce((sum, v) => sum + v, 0) },
  }) as unknown as StoredRun;
const cleanup = (id: string, runIds: string[], some: Partial<StoredCleanup> = {}): StoredCleanup =>
  ({
    id,
    runIds,
    cleanedAt: '2026-05-02T18:00:00.000Z',
    sections: [{ gold_mg: 30 }, { gold_mg: 10 }],
    rinsedClean: 'yes',
    ...some,
  }) as unknown as StoredCleanup;
const lift = (runIds: string[], ...lost: boolean[]): Pick<StoredLift, 'runIds' | 'tubs'> =>
  ({ runIds, tubs: lost.map((l) => ({ lost: l })) }) as unknown as StoredLift;

const RUNS = [
  run('a', { bar: 120 }),
  run('b', { bar: 120 }, '2026-05-01T06:00:00.000Z'),
  run('c', { bar: 60, ledge: 60 }),
  run('d', { ledge: 240 }),
  run('nameless', { '': 240 }),
  { ...run('tailings', { bar: 120 }), setupId: 'again' },
];
const AGAIN = [{ id: 'again', air: { pass: 2 } }] as unknown as Pick<StoredSetup, 'id' | 'air'>[];
const measure = (cleanups: StoredCleanup[], lifts: ReturnType<typeof lift>[] = [], older: string[] = []) => {
  const weighed = cleanups.map((c) => ({ id: c.id, boxWasClean: !older.includes(c.id) }));
  const { runs, leftOut } = measuredRuns({ cleanups, lifts, runs: RUNS, setups: AGAIN, weighed }, 20);
  return { runs, leftOut: Object.fromEntries(leftOut) };
};

test('gravel of one spot, from the first of its runs on, in the bank', () => {
  expect(measure([cleanup('1', ['a', 'b'])])).toEqual({
    runs: [{ cleanupId: '1', spotId: 'bar', startedAt: '2026-05-01T06:00:00.000Z', volumeBank_L: 200, gold_mg: 40 }],
    leftOut: {},
  });
});
test('what cannot be held against a promise is left out, and said why', () => {
  const cleanups = [
    cleanup('clean', ['d']),
    cleanup('two spots', ['a', 'd']),
    cleanup('two spots in one run', ['c']),
    cleanup('left in the carpet', ['a'], { rinsedClean: 'no' }),
    cleanup('after it', ['b']),
    cleanup('tipped over', ['b']),
  ];
  const { runs, leftOut } = measure(cleanups.slice(0, 5), [lift(['d'], false, false)], ['after it']);
  expect(runs.map((r) => r.cleanupId)).toEqual(['clean']);
  expect(leftOut).toEqual({ mix: 2, carpet: 2 });
  expect(measure(cleanups.slice(5), [lift(['b'], false, true)])).toEqual({ runs: [], leftOut: { lost: 1 } });
});
test('gold of no spot, and a rinse of a carpet, were promised by no pan: nothing is said of them', () => {
  expect(measure([cleanup('1', ['nameless']), cleanup('2', [])])).toEqual({ runs: [], leftOut: {} });
});

test('tailings run again are left out: no pan spoke of them', () => {
  expect(measure([cleanup('1', ['a']), cleanup('2', ['tailings'])])).toMatchObject({
    runs: [{ cleanupId: '1' }],
    leftOut: { tailings: 1 },
  });
});
