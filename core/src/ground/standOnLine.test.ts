import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { centreLine } from './centreLine.ts';
import { standOnLine, WIDEST_FIX_M } from './standOnLine.ts';

const line = centreLine([
  [-33, 46.5],
  [-33, 46.51],
]);
const fix = (d: number, o: number, bank: 'left' | 'right', accuracy_m: number) => {
  const [lon, lat] = line.positionAt(d, o, bank);
  return { lon, lat, accuracy_m };
};

describe('where a position stands', () => {
  test('on a bank the circle does not reach over; else in the middle, since the bank cannot be told', () => {
    expect(standOnLine(line, fix(300, 20, 'left', 6))).toMatchObject({ kind: 'here', bank: 'left' });
    const unsure = standOnLine(line, fix(300, 5, 'left', 12));
    expect(unsure).toMatchObject({ kind: 'here', bank: 'mid', offset_m: 0, accuracy_m: 12 });
  });
  test('a circle too wide names no place; nor does none at all', () => {
    expect(standOnLine(line, fix(300, 5, 'left', WIDEST_FIX_M + 1))).toEqual({ kind: 'too wide', accuracy_m: 31 });
    expect(standOnLine(line, fix(300, 5, 'left', NaN)).kind).toBe('too wide');
  });
  test('far from the line one is elsewhere, however fine the circle', () => {
    expect(standOnLine(line, fix(300, 900, 'right', 5)).kind).toBe('elsewhere');
    // So wide a circle may still hold the ground.
    expect(standOnLine(line, fix(300, 900, 'right', 600)).kind).toBe('too wide');
  });
  test('whatever is answered as a place lies on the line, within the circle of where one was', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 1100, noNaN: true }),
        fc.double({ min: 0, max: 400, noNaN: true }),
        fc.constantFrom('left' as const, 'right' as const),
        fc.double({ min: 1, max: WIDEST_FIX_M, noNaN: true }),
        (d, o, bank, accuracy_m) => {
          const at = standOnLine(line, fix(d, o, bank, accuracy_m));
          if (at.kind !== 'here') throw new Error(at.kind);
          expect(Math.abs(at.distance_m - d)).toBeLessThan(1);
          expect(Math.abs(at.offset_m - o)).toBeLessThanOrEqual(accuracy_m + 1.5);
        },
      ),
    );
  });
});
