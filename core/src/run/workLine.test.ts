import { describe, expect, test } from '@jest/globals';
import { seededRandom } from '../maths/random.ts';
import { workLine, type Post, type Task } from './workLine.ts';

const alone: Post[] = [
  { tasks: ['dig'], people: 1 },
  { tasks: ['carry', 'screen', 'feed'], people: 1 },
];
const steady = (times: Partial<Record<Task, number>>) => (task: Task) => times[task] ?? 0;

describe('a line that never varies', () => {
  const times = { dig: 100, carry: 60, screen: 30, feed: 50 };
  test('goes at the pace of its slowest post, or of one pail going round', () => {
    expect(workLine(alone, 4, steady(times), 50).perBucket_s).toBeCloseTo(140, 9);
    expect(workLine(alone, 1, steady(times), 50).perBucket_s).toBeCloseTo(240, 9);
    const four = (['dig', 'carry', 'screen', 'feed'] as const).map((t) => ({ tasks: [t], people: 1 }));
    expect(workLine(four, 4, steady(times), 50).perBucket_s).toBeCloseTo(100, 9);
    // Two pails round 240 s.
    expect(workLine(four, 2, steady(times), 50).perBucket_s).toBeCloseTo(120, 9);
  });
  test('tells who waits: the digger works 100 s of every 140', () => {
    const { busy } = workLine(alone, 4, steady(times), 70);
    expect(busy[0]).toBeCloseTo(100 / 140, 9);
    expect(busy[1]).toBeCloseTo(1, 9);
  });
  test('two who do all are twice one, until they meet at the box', () => {
    const together = (people: number): Post[] => [{ tasks: ['dig', 'carry', 'screen', 'feed'], people }];
    expect(workLine(together(1), 5, steady(times), 50).perBucket_s).toBeCloseTo(240, 9);
    expect(workLine(together(2), 5, steady(times), 50).perBucket_s).toBeCloseTo(120, 9);
    // Six of them could do one in 40 s, but the box takes 50.
    expect(workLine(together(6), 12, steady(times), 50).perBucket_s).toBeCloseTo(50, 9);
  });
});

describe('a line of exponential times is the closed network of the textbooks', () => {
  const random = seededRandom(3);
  const drawn = (times: Partial<Record<Task, number>>) => (task: Task) => -(times[task] ?? 0) * Math.log(1 - random());
  // Two stations, N pails: X = m1 m2 (m1^N - m2^N)/(m1^(N+1) - m2^(N+1)). Gordon & Newell (1967); Kleinrock (1975), Queueing Systems 1, section 3.
  test.each([1, 2, 3, 6])('two posts, %i pails', (pails) => {
    const [m1, m2] = [1 / 60, 1 / 90];
    const x = (m1 * m2 * (m1 ** pails - m2 ** pails)) / (m1 ** (pails + 1) - m2 ** (pails + 1));
    const posts: Post[] = [
      { tasks: ['dig'], people: 1 },
      { tasks: ['feed'], people: 1 },
    ];
    const { perBucket_s, busy } = workLine(posts, pails, drawn({ dig: 60, feed: 90 }), 60_000);
    expect(perBucket_s * x).toBeCloseTo(1, 1.7);
    // By Little's utilisation law a post works X/m of its time.
    expect(busy[0]).toBeCloseTo(x / m1, 1.5);
    expect(busy[1]).toBeCloseTo(x / m2, 1.5);
  });
  // M equal stations, N customers: X = N/(N + M - 1) of the rate of one. Reiser & Lavenberg (1980), J. ACM 27, 313-322.
  test.each([2, 4, 8])('three equal posts, %i pails', (pails) => {
    const posts: Post[] = (['dig', 'carry', 'feed'] as const).map((t) => ({ tasks: [t], people: 1 }));
    const { perBucket_s } = workLine(posts, pails, drawn({ dig: 50, carry: 50, feed: 50 }), 60_000);
    expect(perBucket_s).toBeCloseTo((50 * (pails + 2)) / pails, -0.3);
  });
  // A repairman of two hands: machine interference, N machines, c = 2. Sztrik (2012), Basic Queueing Theory, section 3.5; computed by its birth-death equations.
  test('two hands at one post, by birth and death', () => {
    const [lambda, mu, pails] = [1 / 80, 1 / 60, 4];
    // n pails at the digging post of two, the others at the single feeder.
    const p = [1];
    for (let n = 1; n <= pails; n++) p.push(((p[n - 1] ?? 0) * mu) / (Math.min(n, 2) * lambda));
    const whole = p.reduce((a, b) => a + b, 0);
    const x = p.reduce((sum, chance, n) => sum + (chance / whole) * Math.min(n, 2) * lambda, 0);
    const posts: Post[] = [
      { tasks: ['dig'], people: 2 },
      { tasks: ['feed'], people: 1 },
    ];
    expect(workLine(posts, pails, drawn({ dig: 80, feed: 60 }), 60_000).perBucket_s * x).toBeCloseTo(1, 1.7);
  });
});

test('refuses what is no line', () => {
  expect(() => workLine([], 3, () => 1, 10)).toThrow('post');
  expect(() => workLine([{ tasks: ['dig'], people: 0 }], 3, () => 1, 10)).toThrow('people');
  expect(() => workLine(alone, 0, () => 1, 10)).toThrow('pails');
});
