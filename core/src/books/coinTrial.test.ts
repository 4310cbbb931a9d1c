import { describe, expect, test } from '@jest/globals';
import { normalDraw, seededRandom, type Random } from '../maths/random.ts';
import { OutOfRange } from '../outOfRange.ts';
import { coinTrial, type CoinRound } from './coinTrial.ts';

const wins = (a: number, b: number): CoinRound[] => [
  ...Array.from({ length: a }, () => ({ a: 2, b: 1 })),
  ...Array.from({ length: b }, () => ({ a: 1, b: 2 })),
];

describe('two compared by the toss of a coin', () => {
  // With every stake whole the mixture is the Beta-binomial of the arcsine law: 2^n B(k + 1/2, n - k + 1/2) / B(1/2, 1/2), by hand from gamma(1/2 + n).
  test.each([
    [4, 0, 4.375],
    [5, 0, 7.875],
    [6, 0, 14.4375],
    [3, 1, 0.625],
    [1, 1, 0.5],
  ])('%i for A and %i for B weigh %f', (a, b, evidence) =>
    expect(coinTrial(wins(a, b), 'more').evidence).toBeCloseTo(evidence, 9),
  );
  test('six in a row say it, five do not and ask for one more; for the other side alike', () => {
    expect(coinTrial(wins(6, 0), 'more')).toMatchObject({ better: 'A', more: null, wonByA: 6 });
    expect(coinTrial(wins(6, 0), 'less').better).toBe('B');
    expect(coinTrial(wins(5, 0), 'more')).toMatchObject({ better: null, more: 1 });
    expect(coinTrial([], 'more')).toMatchObject({
      better: null,
      more: 6,
      evidence: 1,
      aWinsOfTen: { low: 0, high: 10 },
    });
  });
  test('even rounds tell nothing; what is said stays said', () => {
    const none = { a: 0, b: 0 };
    expect(coinTrial([none, ...wins(5, 0), none], 'more')).toMatchObject({ better: null, even: 2, wonByA: 5 });
    expect(coinTrial([...wins(6, 0), { a: 1, b: 2 }, { a: 1, b: 2 }], 'more').better).toBe('A');
  });
  test('a hair of difference stakes little: six hairs after a clear loss say nothing', () => {
    const hairs = Array.from({ length: 6 }, () => ({ a: 101, b: 100 }));
    expect(coinTrial([{ a: 50, b: 100 }, ...hairs], 'more').evidence).toBeLessThan(1);
  });
  test('of two that are alike, however skewed their figures and however the ground drifts, one is named in at most one trial of ten', () => {
    const random = seededRandom(1939);
    let named = 0;
    for (let i = 0; i < 600; i++) {
      const rounds = Array.from({ length: 30 }, (_, n): CoinRound => {
        const one = Math.exp(1.2 * normalDraw(random) + 0.1 * n);
        const other = Math.exp(1.2 * normalDraw(random) + 0.1 * n) * 1.5;
        // The second tried always does better: the coin evens it out.
        return random() < 0.5 ? { a: one, b: other } : { a: other, b: one };
      });
      if (coinTrial(rounds, 'more').better !== null) named++;
    }
    expect(named / 600).toBeLessThan(0.1);
  });
  test('its band of wins holds the truth in nine of ten', () => {
    const random = seededRandom(7);
    let held = 0;
    for (let i = 0; i < 300; i++) {
      const p = 0.2 + 0.6 * random();
      const toss = (r: Random): CoinRound => (r() < p ? { a: 2, b: 1 } : { a: 1, b: 2 });
      const { low, high } = coinTrial(
        Array.from({ length: 12 }, () => toss(random)),
        'more',
      ).aWinsOfTen;
      if (low <= 10 * p && 10 * p <= high) held++;
    }
    expect(held / 300).toBeGreaterThan(0.9);
  });
  test('a figure below nothing is refused', () =>
    expect(() => coinTrial([{ a: -1, b: 2 }], 'more')).toThrow(OutOfRange));
});
