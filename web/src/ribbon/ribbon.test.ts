import { describe, expect, test } from '@jest/globals';
import { bandLevels } from './CreekBand.tsx';
import { creekShape } from './creekShape.ts';
import { placeLabels } from './placeLabels.ts';

/** A line walked north from the foot that swings east in its middle: going downstream (south) the water first turns left, then right. */
const swing = Array.from({ length: 61 }, (_, i): [number, number, number] => [
  -33 + 0.0004 * Math.sin((Math.PI * i) / 60),
  46.5 + i * 0.00008,
  10 + i * 0.2,
]);

describe('the straightened creek', () => {
  test('a swing to the east is an inside on the west: the right bank of a creek that runs south', () => {
    const shape = creekShape({ kind: 'creek', line: swing, length_m: 540 });
    // A radius of about a kilometre: drawn, but drawn gentle.
    expect(shape.bend(270)).toBeLessThan(-0.1);
    expect(shape.bend(270)).toBeGreaterThan(-0.5);
    expect(Math.abs(shape.bend(0))).toBeLessThanOrEqual(1);
  });
  test('heights stand above the foot, rising upstream', () => {
    const { heights_m } = creekShape({ kind: 'creek', line: swing, length_m: 540 });
    expect(heights_m?.[0]).toBeCloseTo(0, 9);
    expect(heights_m?.at(-1)).toBeCloseTo(12, 3);
    expect(heights_m?.every((z, i, all) => i === 0 || z >= (all[i - 1] ?? 0))).toBe(true);
  });
  test('one height missing and no bed is drawn, rather than a false one', () => {
    const line = swing.map((p, i) => (i === 7 ? ([p[0], p[1]] as const) : p));
    expect(creekShape({ kind: 'creek', line, length_m: 540 }).heights_m).toBeNull();
  });
  test('a typed ground has no line and is drawn all the same', () =>
    expect(creekShape({ kind: 'creek', line: null, length_m: 300 }).heights_m).toBeNull());
  test('water swings away from the inside of a bend and stays between the banks', () => {
    const shape = creekShape({ kind: 'creek', line: swing, length_m: 540 });
    for (let d = 0; d <= 540; d += 9) {
      const at = bandLevels(shape, 40, 96, d);
      expect(at.bankTop).toBeLessThan(at.waterTop);
      expect(at.waterTop).toBeLessThan(at.waterBottom);
      expect(at.waterBottom).toBeLessThan(at.bankBottom);
    }
    const inside = bandLevels(shape, 40, 96, 270);
    expect((inside.waterTop + inside.waterBottom) / 2).toBeLessThan(40 + 48);
  });
  test('on a beach the lower half is the sea', () => {
    const at = bandLevels(creekShape({ kind: 'beach', line: swing, length_m: 540 }), 40, 96, 100);
    expect(at.waterBottom).toBe(136);
    expect(at.waterTop).toBeGreaterThan(80);
  });
});

describe('names on the ribbon', () => {
  const wish = (id: string, x: number, weight: number, below = false) => ({
    id,
    x,
    text: 'Ten letters',
    below,
    weight,
  });
  test('two that would touch: the weightier stays', () =>
    expect([...placeLabels([wish('a', 100, 1), wish('b', 120, 2)], 0, 900).keys()]).toEqual(['b']));
  test('above and below the band do not touch', () =>
    expect(placeLabels([wish('a', 100, 1), wish('b', 100, 2, true)], 0, 900).size).toBe(2));
  test('no name begins left of the drawing', () =>
    expect(placeLabels([wish('a', 2, 1)], 10, 900).get('a')?.x).toBeGreaterThan(40));
});
