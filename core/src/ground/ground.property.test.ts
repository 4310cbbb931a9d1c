import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { centreLine } from './centreLine.ts';
import { flowDirection } from './flowDirection.ts';
import { localPlane, type Position } from './localPlane.ts';
import { thinLine } from './thinLine.ts';

const runs = { seed: 20_260_503, numRuns: 120 };

/** A creek of 12 to 60 points that wanders north with steps of about 10 m, gently enough that it does not cross itself. */
const aCreek = fc
  .record({
    lon: fc.double({ min: -170, max: 170, noNaN: true }),
    lat: fc.double({ min: -65, max: 65, noNaN: true }),
    turns: fc.array(fc.double({ min: -0.35, max: 0.35, noNaN: true }), { minLength: 12, maxLength: 60 }),
  })
  .map(({ lon, lat, turns }): Position[] => {
    const plane = localPlane([lon, lat]);
    let [x_m, y_m, heading] = [0, 0, 0];
    return turns.map((turn) => {
      heading = 0.8 * heading + turn;
      x_m += 10 * Math.sin(heading);
      y_m += 10 * Math.cos(heading);
      return plane.toPosition({ x_m, y_m });
    });
  });

describe('a centre line', () => {
  test('a place put at a distance and bank is found there again', () => {
    fc.assert(
      fc.property(
        aCreek,
        fc.double({ min: 0.1, max: 0.9, noNaN: true }),
        fc.constantFrom('left', 'right'),
        (line, share, bank) => {
          const creek = centreLine(line);
          const found = creek.locate(creek.positionAt(share * creek.length_m, 5, bank));
          expect(found.bank).toBe(bank);
          // Between two points the line bends a little, so the foot of the perpendicular may slide by a part of the offset.
          expect(Math.abs(found.distance_m - share * creek.length_m)).toBeLessThan(3);
          expect(Math.abs(found.offset_m - 5)).toBeLessThan(0.6);
        },
      ),
      runs,
    );
  });
  test('turned about, distances count from the other end and the banks change sides', () => {
    fc.assert(
      fc.property(aCreek, fc.double({ min: 0.1, max: 0.9, noNaN: true }), (line, share) => {
        const [up, down] = [centreLine(line), centreLine([...line].reverse())];
        expect(down.length_m / up.length_m).toBeCloseTo(1, 6);
        const place = up.positionAt(share * up.length_m, 6, 'left');
        expect(up.locate(place).bank).toBe('left');
        expect(down.locate(place).bank).toBe('right');
        expect(Math.abs(down.locate(place).distance_m - (down.length_m - up.locate(place).distance_m))).toBeLessThan(
          0.1,
        );
      }),
      runs,
    );
  });
  test('a distance beyond its ends is held to them', () => {
    fc.assert(
      fc.property(aCreek, (line) => {
        const creek = centreLine(line);
        expect(creek.locate(creek.positionAt(-50)).distance_m).toBeCloseTo(0, 4);
        expect(creek.locate(creek.positionAt(creek.length_m + 50)).distance_m).toBeCloseTo(creek.length_m, 4);
      }),
      runs,
    );
  });
});

describe('a thinned line', () => {
  test('keeps its ends, stays within its tolerance of every point, and is never longer', () => {
    fc.assert(
      fc.property(aCreek, fc.double({ min: 0.5, max: 4, noNaN: true }), (line, tolerance_m) => {
        const thin = thinLine(line, tolerance_m, 2000);
        expect([thin[0], thin.at(-1)]).toEqual([line[0], line.at(-1)]);
        expect(thin.length).toBeLessThanOrEqual(line.length);
        if (thin.length < 2) return;
        const drawn = centreLine(thin);
        for (const p of line) expect(drawn.locate(p).offset_m).toBeLessThanOrEqual(1.5 * tolerance_m + 0.01);
        // The two are measured in flat maps about their own middles, a part in a million apart.
        expect(drawn.length_m).toBeLessThanOrEqual(centreLine(line).length_m * (1 + 1e-5));
      }),
      runs,
    );
  });
  test('is thinned further until it has no more points than asked for', () => {
    fc.assert(
      fc.property(aCreek, fc.integer({ min: 4, max: 10 }), (line, most) => {
        expect(thinLine(line, 0.01, most).length).toBeLessThanOrEqual(most);
      }),
      runs,
    );
  });
});

describe('which way the water runs', () => {
  const withHeights = (line: readonly Position[], rise_m: number, scatter_m: number): Position[] =>
    line.map(([lon, lat], i) => [
      lon,
      lat,
      100 + (rise_m * i) / line.length + (scatter_m * (((i * 7919) % 13) - 6)) / 6,
    ]);
  test('a clear rise is walked upstream; the same line turned about is walked downstream', () => {
    fc.assert(
      fc.property(aCreek, (line) => {
        expect(flowDirection(withHeights(line, 12, 0.3))).toBe('against');
        expect(flowDirection([...withHeights(line, 12, 0.3)].reverse())).toBe('as drawn');
      }),
      runs,
    );
  });
  test('heights lost in the scatter of a hand GPS are asked about, and so are none at all', () => {
    fc.assert(
      fc.property(aCreek, (line) => {
        expect(flowDirection(withHeights(line, 0.6, 0.6))).toBe('unknown');
        expect(flowDirection(line)).toBe('unknown');
      }),
      runs,
    );
  });
});
