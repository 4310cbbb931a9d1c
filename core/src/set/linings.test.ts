import { describe, expect, test } from '@jest/globals';
import { aBox } from '../../test/aBox.ts';
import { OutOfRange } from '../outOfRange.ts';
import { MEDIAN_BOX } from './boxParameters.ts';
import { liningOf, LINING_IDS, LININGS } from './linings.ts';
import { solveBox } from './solveBox.ts';

const own = (height_m: number) => ({ lining: 'ribbed' as const, own: { name: 'Home mat', height_m } });

describe('a lining of the crew’s own', () => {
  test('as high as the one it is like is that one, by another name', () => {
    for (const lining of LINING_IDS)
      expect(liningOf({ lining, own: { name: 'x', height_m: LININGS[lining].shelter_m } })).toEqual({
        ...LININGS[lining],
        name: 'x',
      });
    expect(liningOf({ lining: 'cells' })).toBe(LININGS.cells);
  });
  test('higher, it is rougher, shelters more and holds more black sand; too high or flat it is none', () => {
    expect(liningOf(own(0.006))).toMatchObject({ name: 'Home mat', shelter_m: 0.006, holds_kg_m2: 3 });
    expect(liningOf(own(0.006)).roughness_m).toBeCloseTo(0.0052, 9);
    for (const wrong of [0, 0.0005, 0.1]) expect(() => liningOf(own(wrong))).toThrow(OutOfRange);
  });
  test('runs slower and thicker, and holds more, than the low mat it is like', () => {
    const solved = (height_m: number) =>
      solveBox(
        { ...aBox(), sections: [{ ...own(height_m), width_m: 0.254, length_m: 0.9, step_m: 0 }] },
        { ...MEDIAN_BOX, depthError_m: 0, headError_m: 0 },
      );
    expect(solved(0.009).sections[0]?.flow.flow_m3_s).toBeLessThan(solved(0.003).sections[0]?.flow.flow_m3_s ?? 0);
    expect(solved(0.009).heldOfMix).toBeGreaterThan(solved(0.003).heldOfMix);
  });
});
