import { describe, expect, test } from '@jest/globals';
import { sidesOf, type Disc } from './GradeNames.tsx';

const disc = (id: string, x: number, y: number): Disc => ({ id, x, y, r: 6 });

describe('figures beside the discs of grades', () => {
  test('stand left of their disc; right where another disc stands there', () => {
    expect(sidesOf([disc('a', 300, 10)], null, 0, 900).get('a')).toBe('left');
    expect(sidesOf([disc('a', 300, 10), disc('b', 275, 12)], null, 0, 900).get('a')).toBe('right');
    // One far below is not in the way.
    expect(sidesOf([disc('a', 300, 10), disc('b', 275, 50)], null, 0, 900).get('a')).toBe('left');
  });
  test('no figure runs off the drawing', () =>
    expect(sidesOf([disc('a', 20, 10)], null, 8, 900).get('a')).toBe('right'));
  test('hemmed in, only the picked one is said', () => {
    const row = [disc('a', 275, 30), disc('b', 300, 10), disc('c', 325, 30)].map((d) => ({ ...d, y: 10 }));
    expect(sidesOf(row, null, 0, 900).has('b')).toBe(false);
    expect(sidesOf(row, 'b', 0, 900).get('b')).toBe('left');
  });
  test('the richest three, which stand highest', () => {
    const discs = Array.from({ length: 6 }, (_, i) => disc(String(i), 100 + i * 120, 60 - i * 10));
    expect([...sidesOf(discs, null, 0, 900).keys()]).toEqual(['5', '4', '3']);
  });
});
