import { describe, expect, test } from '@jest/globals';
import { stretchesOf } from './CreekBand.tsx';
import { bandLevels, placeAcross } from './across.ts';
import { creekShape, reachOf } from './creekShape.ts';
import { placeAt } from './placeAt.ts';
import { placeLabels } from './placeLabels.ts';
import { axisTicks } from './RibbonAxis.tsx';
import { ribbonFrame } from './ribbonFrame.ts';
import { ribbonScale } from './ribbonScale.ts';

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

describe('the drawing of a stretch', () => {
  const frame = ribbonFrame(900, false, 'creek', true, []);
  const scale = ribbonScale(100, 500, frame.left, frame.right);
  const creek = { length_m: 480 };
  const middle = frame.bandTop + frame.bandHeight / 2;

  test('upstream lies to the left, and a point of the drawing leads back to its distance', () => {
    expect(scale.x(100)).toBe(frame.right);
    expect(scale.x(500)).toBe(frame.left);
    for (const d of [100, 217.5, 500]) expect(scale.distanceAt(scale.x(d))).toBeCloseTo(d, 9);
  });
  test('lanes follow each other downward without overlap', () => {
    const order = [frame.bandTop, frame.belowBand, frame.axisY, frame.laneTop, frame.bedTop, frame.height];
    expect([...order].sort((a, b) => a - b)).toEqual(order);
  });
  test('a bench makes room above, on the right bank below; a thin ribbon draws none', () => {
    const bench = { id: 'b', kind: 'bench', name: 'Bench', from_m: 0, to_m: 9, height_m: null } as const;
    const above = ribbonFrame(900, false, 'creek', true, [{ ...bench, bank: 'left' }]);
    const below = ribbonFrame(900, false, 'creek', true, [{ ...bench, bank: 'right' }]);
    expect(above.bandTop).toBeGreaterThan(frame.bandTop);
    expect(below.bandTop).toBe(frame.bandTop);
    expect(below.axisY).toBeGreaterThan(frame.axisY);
    expect(ribbonFrame(900, true, 'creek', true, [{ ...bench, bank: 'left' }]).roomAbove).toBe(0);
  });
  test('no bed where heights are not known, nor on a beach', () => {
    expect(ribbonFrame(900, false, 'creek', false, []).hasBed).toBe(false);
    expect(ribbonFrame(900, false, 'beach', true, []).hasBed).toBe(false);
    expect(frame.hasBed).toBe(true);
  });
  test('a tap in the water is mid stream; toward an edge it is that bank, so many metres out', () => {
    expect(placeAt(scale.x(300), middle + 3, frame, scale, creek, null)).toEqual({
      distance_m: 300,
      bank: 'mid',
      offset_m: 0,
    });
    expect(placeAt(scale.x(300), frame.bandTop, frame, scale, creek, null)).toMatchObject({
      bank: 'left',
      offset_m: 12,
    });
    expect(placeAt(scale.x(300), frame.belowBand, frame, scale, creek, null)).toMatchObject({ bank: 'right' });
  });
  test('broad ground is drawn to scale across: what is tapped is where it is drawn', () => {
    const reach = reachOf('bench', [
      { bank: 'left', offset_m: 40 },
      { bank: 'right', offset_m: 2 },
    ]);
    expect(reach?.left_m).toBeCloseTo(46, 9);
    expect(reach?.right_m).toBe(8);
    expect(reachOf('creek', [{ bank: 'left', offset_m: 40 }])).toBeNull();
    const bench = ribbonFrame(900, false, 'bench', true, []);
    const shape = creekShape({ kind: 'bench', line: swing, length_m: 480 }, reach);
    for (const offset_m of [0, 3, 20, 40]) {
      const bank = offset_m === 0 ? 'mid' : 'left';
      const y = placeAcross(shape, bench.bandTop, bench.bandHeight, { distance_m: 300, bank, offset_m });
      expect(placeAt(scale.x(300), y, bench, scale, creek, reach)).toEqual({ distance_m: 300, bank, offset_m });
    }
    expect(placeAt(scale.x(300), bench.bandTop, bench, scale, creek, reach)).toMatchObject({
      bank: 'left',
      offset_m: 46,
    });
    expect(bench.height).toBeGreaterThan(bench.axisY);
  });
  test('a tap beyond the ends stays on the ground', () => {
    expect(placeAt(frame.left - 30, middle, frame, scale, creek, null).distance_m).toBe(480);
    expect(placeAt(frame.right + 900, middle, frame, scale, creek, null).distance_m).toBe(0);
  });
  test('the axis is marked in round steps of the unit in use', () => {
    expect(axisTicks(0, 1204, 10, 1).map((t) => t.label)).toEqual(['0', '200', '400', '600', '800', '1,000', '1,200']);
    const feet = axisTicks(0, 304.8, 10, 0.3048);
    expect(feet.map((t) => t.label)).toEqual([
      '0',
      '100',
      '200',
      '300',
      '400',
      '500',
      '600',
      '700',
      '800',
      '900',
      '1,000',
    ]);
    expect(feet[1]?.distance_m).toBeCloseTo(30.48, 9);
    expect(axisTicks(437, 512, 6, 1)[0]?.label).toBe('440');
  });
});

test('a stretch is drawn from the station before it to the one after it', () => {
  const thick = (n: number): boolean => n > 0;
  expect(stretchesOf([0, 0, 1, 2, 0, 0, 3, 0], thick)).toEqual([
    [0, 1, 2, 0],
    [0, 3, 0],
  ]);
  expect(stretchesOf([1, 0, 1], thick)).toEqual([
    [1, 0],
    [0, 1],
  ]);
  expect(stretchesOf([0, 0], thick)).toEqual([]);
});
