import { describe, expect, test } from '@jest/globals';
import type { StoredBoxTest, StoredCleanup, StoredRig, StoredRun, StoredSetup } from '@riffle/contract';
import { boxLog } from './boxLog.ts';
import { changeWords, followedWords } from './boxLogWords.ts';

const rig = {
  id: 'rig',
  sections: [{ lining: 'riffles', width_m: 0.25, length_m: 1.2, step_m: 0 }],
} as unknown as StoredRig;
const setup = (id: string, setAt: string, some: Partial<StoredSetup> = {}): StoredSetup =>
  ({
    id,
    rigId: 'rig',
    setAt,
    slope: 0.04,
    depth_m: 0.02,
    flow_m3_s: null,
    stone_m: 0.0127,
    note: '',
    ...some,
  }) as StoredSetup;
const run = (id: string, setupId: string, buckets: number, running_s: number): StoredRun =>
  ({ id, setupId, tally: { buckets, running_s } }) as StoredRun;
const tail = (setupId: string, colors: string): StoredBoxTest =>
  ({ setupId, tested: { kind: 'tail pan', colors } }) as StoredBoxTest;
const event = (setupId: string, what: string): StoredBoxTest =>
  ({ setupId, tested: { kind: 'event', what } }) as StoredBoxTest;
const cleanup = (runIds: string[], ...golds: number[]): StoredCleanup =>
  ({
    runIds,
    sections: golds.map((gold_mg, i) => ({ from_m: [0, 0.2][i], to_m: [0.2, 1.2][i], gold_mg, lining: 'riffles' })),
  }) as StoredCleanup;

const setups = [
  setup('c', '2026-05-03T08:00:00.000Z', { slope: 0.05, depth_m: 0.025 }),
  setup('a', '2026-05-01T08:00:00.000Z'),
  setup('b', '2026-05-02T08:00:00.000Z'),
  setup('else', '2026-05-02T09:00:00.000Z', { rigId: 'other' }),
  setup('d', '2026-05-04T08:00:00.000Z', { slope: 0.05, depth_m: null, flow_m3_s: 0.004, stone_m: 0.0095 }),
];
const log = boxLog(
  {
    rigs: [rig],
    setups,
    runs: [run('1', 'a', 4, 1200), run('2', 'b', 6, 1800), run('3', 'c', 2, 600)],
    tests: [
      tail('a', '0'),
      tail('b', '3+'),
      tail('b', '0'),
      tail('else', '0'),
      event('c', 'clay'),
      event('c', 'big stone'),
      event('c', 'clay'),
    ],
    cleanups: [cleanup(['1', '2'], 80, 20), cleanup(['3'], 30), cleanup(['2', '3'], 5, 5)],
  },
  'rig',
);
const show = {
  smallLength: (m: number): string => `${(m * 1000).toFixed(1)} mm`,
  flow: (m3_s: number): string => `${m3_s * 1000} L/s`,
  gold: (mg: number): string => `${mg} mg`,
};

describe('how a box stood, and what followed', () => {
  test('the latest first; kept twice alike is one; another box is not in it', () =>
    expect(log.map((e) => e.setup.id)).toEqual(['d', 'c', 'b']));
  test('each change against the one before, as a hand makes it', () =>
    expect(log.map((e) => e.changes?.map((c) => changeWords(c, show)) ?? null)).toEqual([
      ['water measured another way', 'stones up to 9.5 mm, were 12.7 mm'],
      ['head +12.0 mm', 'water 20.0 mm to 25.0 mm'],
      null,
    ]));
  test('buckets, pace, tail pans and clean-ups of gravel fed so alone', () => {
    expect(log[2]).toMatchObject({
      buckets: 10,
      bucket_min: 5,
      tailPans: { '0': 2, '1-2': 0, '3+': 1 },
      cleaned: { gold_mg: 100, headShare: 0.8 },
    });
    // Two buckets have no pace, a box cut nowhere no head.
    expect(log[1]).toMatchObject({ buckets: 2, bucket_min: null, cleaned: { gold_mg: 30, headShare: null } });
    expect(log.map((e) => followedWords(e, show))).toEqual([
      'nothing fed so yet',
      '2 buckets; big stone; clay 2 times; 30 mg',
      '10 buckets, one in 5.0 min; tail pans: 2 with 0, 1 with 3+ colors; 100 mg, 80 % of it in the head',
    ]);
  });
});
