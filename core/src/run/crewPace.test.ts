import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { arrangements, crewPace, type TimedRound } from './crewPace.ts';
import { TASKS, type Post } from './workLine.ts';

const round = (dig: number, carry: number, screen: number, feed: number): TimedRound => ({
  task_s: { dig, carry, screen, feed },
});
/** So often the same that hardly any scatter is left. */
const often = (r: TimedRound): TimedRound[] => Array.from({ length: 200 }, () => r);
const two: Post[] = [
  { tasks: ['dig'], people: 1 },
  { tasks: ['carry', 'screen', 'feed'], people: 1 },
];

describe('ways to stand', () => {
  // Groups of neighbors times hands given to them: C(tasks + people - 2, people - 1) by Vandermonde's identity.
  test.each([
    [1, 1],
    [2, 4],
    [3, 10],
    [6, 56],
  ])('%i hands at four tasks stand in %i ways, none twice', (people, ways) => {
    const all = arrangements(TASKS, people);
    expect(all).toHaveLength(ways);
    expect(new Set(all.map((posts) => JSON.stringify(posts))).size).toBe(ways);
    for (const posts of all) {
      expect(posts.flatMap((p) => p.tasks)).toEqual([...TASKS]);
      expect(posts.reduce((sum, p) => sum + p.people, 0)).toBe(people);
    }
  });
});

describe('a crew of two, the digger slow', () => {
  // Digging 180 s, the rest 90 s and three changes of about 8 s: 20 buckets an hour, the other works 114 of 180 s.
  const crew = crewPace(often(round(180, 40, 20, 30)), two, 5);
  test('the digger holds the other up, who waits a third of the time', () => {
    expect(crew.holdsUp).toEqual({ post: 0, chance: 1 });
    expect(crew.busy[0]).toBeGreaterThan(0.97);
    expect(crew.busy[1]).toBeGreaterThan(0.55);
    expect(crew.busy[1]).toBeLessThan(0.72);
  });
  test('a second digger brings the other’s pace, a second feeder nothing', () => {
    // 114 s instead of 180 s: 1.58 times.
    expect(crew.oneMore[0]?.middle).toBeGreaterThan(1.4);
    expect(crew.oneMore[0]?.middle).toBeLessThan(1.75);
    expect(crew.oneMore[1]?.middle).toBeCloseTo(1, 1);
  });
  test('each taking a bucket all the way is faster than standing apart', () => {
    // (180 + 90 + 32)/2 = 151 s instead of 180 s.
    expect(crew.better?.posts).toEqual([{ tasks: [...TASKS], people: 2 }]);
    expect(crew.better?.times.middle).toBeCloseTo(180 / 151, 0.8);
  });
  test('of the line’s 20 an hour four fifths are left, before any own run', () => {
    expect(crew.kept).toBeCloseTo(0.8, 9);
    expect(crew.buckets_h.middle).toBeGreaterThan(14.4);
    expect(crew.buckets_h.middle).toBeLessThan(17.6);
  });
  test('own runs with as many hands move it, others do not', () => {
    const own = Array.from({ length: 12 }, () => ({ buckets_h: 10, people: 2 }));
    const taught = crewPace(often(round(180, 40, 20, 30)), two, 5, own);
    expect(taught.buckets_h.middle).toBeGreaterThan(9.9);
    expect(taught.buckets_h.middle).toBeLessThan(11.2);
    expect(taught.runs).toBe(12);
    const others = own.map((r) => ({ ...r, people: 3 }));
    expect(crewPace(often(round(180, 40, 20, 30)), two, 5, others)).toEqual(crew);
  });
});

test('where the box itself is slow more hands bring nothing', () => {
  const crew = crewPace(often(round(30, 20, 20, 200)), two, 6);
  expect(crew.bestOfMore.times.middle).toBeLessThan(1.35);
  // Nobody can feed faster than the box takes it: 200 s a bucket.
  expect(crew.buckets_h.high).toBeLessThan(3600 / 200 + 0.5);
});
test('one pail holds up everybody', () => {
  const [one, many] = [1, 8].map((pails) => crewPace([round(100, 60, 40, 60)], two, pails));
  expect(one?.buckets_h.middle).toBeLessThan(0.75 * (many?.buckets_h.middle ?? 0));
});
test('one round is told as unsure as it is', () => {
  const [once, often_] = [[round(100, 60, 40, 60)], often(round(100, 60, 40, 60))].map((r) => crewPace(r, two, 5));
  const wide = (t: { low_s: number; high_s: number } | undefined): number => (t?.high_s ?? 0) / (t?.low_s ?? 1);
  expect(wide(once?.tasks[0])).toBeGreaterThan(2.5);
  expect(wide(often_?.tasks[0])).toBeLessThan(1.7);
});
test('refuses what was never timed', () => {
  expect(() => crewPace([{ task_s: { dig: 100 } }], two, 4)).toThrow('task_s.carry');
  expect(() => crewPace([round(100, 0, 40, 60)], two, 4)).toThrow('task_s.carry');
  expect(() => crewPace([round(100, 50, 40, 60)], two, 0)).toThrow('pails');
});
test('another pair of hands never slows a crew, and nobody works more than all of the time', () => {
  const seconds = fc.integer({ min: 10, max: 300 });
  fc.assert(
    fc.property(
      fc.tuple(seconds, seconds, seconds, seconds),
      fc.integer({ min: 1, max: 4 }),
      fc.integer({ min: 2, max: 8 }),
      (times, people, pails) => {
        const ways = arrangements(TASKS, people);
        const posts = ways[times[0] % ways.length] ?? two;
        const crew = crewPace([round(...times)], posts, pails);
        // Played over the same chances, but not the same buckets: within what 60 times 90 buckets leave.
        for (const more of crew.oneMore) expect(more.middle).toBeGreaterThan(0.96);
        for (const busy of crew.busy) expect(busy >= 0 && busy <= 1).toBe(true);
        expect(crew.buckets_h.low <= crew.buckets_h.middle && crew.buckets_h.middle <= crew.buckets_h.high).toBe(true);
      },
    ),
    { numRuns: 25 },
  );
});
