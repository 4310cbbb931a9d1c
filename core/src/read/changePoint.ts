import { OutOfRange } from '../outOfRange.ts';

/**
 * Split of a series into two segments of least total squared deviation from their means (Hinkley 1970, Biometrika 57, 1-17).
 * @returns the index of the first value of the second segment
 * @throws OutOfRange for fewer than two values
 */
export function changePoint(values: readonly number[]): {
  index: number;
  meanBefore: number;
  meanAfter: number;
  sse: number;
} {
  if (values.length < 2) throw new OutOfRange('values', `${values.length} of them`, 'at least two');
  const mean = (v: readonly number[]): number => v.reduce((a, b) => a + b, 0) / v.length;
  const squares = (v: readonly number[]): number => {
    const m = mean(v);
    return v.reduce((s, x) => s + (x - m) ** 2, 0);
  };
  const splits = values.slice(1).map((_, i) => {
    const [before, after] = [values.slice(0, i + 1), values.slice(i + 1)];
    return { index: i + 1, meanBefore: mean(before), meanAfter: mean(after), sse: squares(before) + squares(after) };
  });
  return splits.reduce((a, b) => (b.sse < a.sse ? b : a));
}
