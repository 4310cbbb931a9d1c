import { describe, expect, test } from '@jest/globals';
import type { Trial } from '@riffle/contract';
import { openRound, readTrial, tossed, trialWords } from './trialWords.ts';

const round = (a: number | null, b: number | null): Trial['rounds'][number] => ({
  tossedAt: '2026-05-01T09:00:00.000Z',
  first: 'A',
  a: { value: a, entered: null },
  b: { value: b, entered: null },
});
const trial = (...rounds: [number | null, number | null][]) => ({
  a: 'riffles',
  b: 'cells',
  measure: 'gold in the box' as const,
  rounds: rounds.map(([a, b]) => round(a, b)),
});
const of = (n: number, a: number, b: number): [number, number][] => Array.from({ length: n }, () => [a, b]);

describe('a comparison in words', () => {
  test('nothing tried asks for the coin', () => expect(trialWords(trial()).says).toMatch(/coin/));
  test('a few rounds cannot tell, and say what would', () => {
    const { says, rests } = trialWords(trial(...of(4, 1, 2), [3, 3]));
    expect(says).toBe('Cannot tell yet.');
    expect(rests).toBe('0 rounds for A, 4 for B, 1 even. It would be told if the next 2 went to B.');
  });
  test('six in a row name the better by its own name; where less is better, the other', () => {
    expect(trialWords(trial(...of(6, 1, 2))).says).toBe('B is better: cells.');
    expect(trialWords({ ...trial(...of(6, 1, 2)), measure: 'minutes a bucket' }).says).toBe('A is better: riffles.');
  });
  test('many rounds without a word say that no difference shows', () =>
    expect(trialWords(trial(...of(6, 1, 2).flatMap((r) => [r, [2, 1] as [number, number]]))).says).toMatch(
      /No difference that shows/,
    ));
  test('a round half tried stays open and does not count', () => {
    const half = trial([1, 2], [null, 4]);
    expect(openRound(half)?.b.value).toBe(4);
    expect(readTrial(half)).toMatchObject({ wonByA: 0, wonByB: 1 });
    expect(openRound(trial([1, 2]))).toBeNull();
  });
  test('the coin falls on both sides', () =>
    expect(new Set(Array.from({ length: 64 }, () => tossed()))).toEqual(new Set(['A', 'B'])));
});
