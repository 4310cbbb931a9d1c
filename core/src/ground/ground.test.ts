import { describe, expect, test } from '@jest/globals';
import geodesic from 'geographiclib-geodesic';
import { seededRandom } from '../maths/random.ts';
import { centreLine } from './centreLine.ts';
import { flowDirection } from './flowDirection.ts';
import { localPlane, type Position } from './localPlane.ts';
import { reshapeLine } from './reshapeLine.ts';
import { thinLine } from './thinLine.ts';

const { WGS84 } = geodesic.Geodesic;
/** A creek running north: foot at the south. So going downstream is southward and the left bank lies east. */
const creek: Position[] = [
  [-33, 46.5, 100],
  [-33, 46.503, 105],
  [-33, 46.506, 112],
  [-33, 46.509, 118],
  [-33, 46.512, 126],
];

describe('distances', () => {
  test.each([
    [46.5, -33, 46.51, -32.98],
    [5, 100, 5.03, 100.03],
    [-45, 179.99, -45.01, -179.99],
    [65, 20, 65.02, 20.05],
  ])('from %d,%d to %d,%d agree with GeographicLib (Karney 2013) within 1 in 2 000', (lat1, lon1, lat2, lon2) => {
    const plane = localPlane([(lon1 + (Math.abs(lon1 - lon2) > 180 ? lon2 + 360 : lon2)) / 2, (lat1 + lat2) / 2]);
    const a = plane.toPlane([lon1, lat1]);
    const b = plane.toPlane([lon2, lat2]);
    const outside = WGS84.Inverse(lat1, lon1, lat2, lon2).s12 ?? NaN;
    expect(Math.hypot(a.x_m - b.x_m, a.y_m - b.y_m) / outside).toBeCloseTo(1, 3);
  });
  test('a line’s length is the sum of its geodesics', () => {
    const outside = WGS84.Inverse(46.5, -33, 46.512, -33).s12 ?? NaN;
    expect(centreLine(creek).length_m / outside).toBeCloseTo(1, 4);
  });
});

describe('a place on the line', () => {
  const line = centreLine(creek);
  test('east of a creek that runs south is the left bank', () => {
    const at = line.locate([-32.9998, 46.506]);
    expect(at.bank).toBe('left');
    expect(at.distance_m).toBeCloseTo(line.length_m / 2, 0);
    expect(at.offset_m).toBeCloseTo(WGS84.Inverse(46.506, -33, 46.506, -32.9998).s12 ?? NaN, 1);
    expect(line.locate([-33.0002, 46.506]).bank).toBe('right');
    expect(line.locate([-33, 46.506]).bank).toBe('mid');
  });
  test('a position made from distance, offset and bank is located there again', () => {
    for (const [distance, offset, bank] of [
      [100, 8, 'left'],
      [700, 25, 'right'],
      [1200, 3, 'left'],
    ] as const) {
      const back = line.locate(line.positionAt(distance, offset, bank));
      expect(back.distance_m).toBeCloseTo(distance, 1);
      expect(back.offset_m).toBeCloseTo(offset, 1);
      expect(back.bank).toBe(bank);
    }
  });
  test('a line of no length is refused', () =>
    expect(() =>
      centreLine([
        [1, 2],
        [1, 2],
      ]),
    ).toThrow(/some length/));
  test('a bend to the left going downstream is positive', () => {
    // Downstream runs from the last point to the first: from the west heading east, then turning north (left).
    const bend: Position[] = [
      [0.001, 0.001],
      [0.001, 0],
      [0, 0],
    ];
    const length = centreLine(bend).length_m;
    expect(centreLine(bend).bendAt(length / 2, length / 2)).toBeGreaterThan(0);
  });
});

describe('direction of flow', () => {
  test('rising along the line: the water runs against it', () => expect(flowDirection(creek)).toBe('against'));
  test('falling along the line: as drawn', () => expect(flowDirection([...creek].reverse())).toBe('as drawn'));
  test('no heights: unknown', () => expect(flowDirection(creek.map(([lon, lat]) => [lon, lat]))).toBe('unknown'));
  test('flat within the scatter of a hand GPS: unknown', () => {
    const random = seededRandom(3);
    expect(
      flowDirection(Array.from({ length: 60 }, (_, i): Position => [-33, 46.5 + i * 1e-4, 100 + 6 * random()])),
    ).toBe('unknown');
  });
});

test('a thinned line keeps its ends and its shape', () => {
  const long = Array.from({ length: 20_000 }, (_, i): Position => [-33 + 1e-6 * i, 46.5 + 0.002 * Math.sin(i / 900)]);
  const thin = thinLine(long, 0.5, 400);
  expect(thin.length).toBeLessThanOrEqual(400);
  expect(thin[0]).toEqual(long[0]);
  expect(thin.at(-1)).toEqual(long.at(-1));
  expect(centreLine(thin).length_m / centreLine(long).length_m).toBeCloseTo(1, 2);
});

describe('a line bent by hand', () => {
  const before = [
    [-33, 46.5, 10],
    [-33, 46.51, 20],
    [-33, 46.52, 40],
  ] as const;
  test('points left alone keep their height, moved and new ones take the old line’s nearest', () => {
    // By hand: halfway along the upper half the bed stands at 30 m; a step to the east does not change that.
    const after = reshapeLine(before, [
      [-33, 46.5],
      [-32.9995, 46.515],
      [-33, 46.52],
    ]);
    expect(after.map((p) => Math.round((p[2] ?? NaN) * 10) / 10)).toEqual([10, 30, 40]);
    expect(after[1]?.slice(0, 2)).toEqual([-32.9995, 46.515]);
  });
  test('a line without heights stays without', () => {
    expect(
      reshapeLine(
        [
          [-33, 46.5],
          [-33, 46.51, 3],
        ],
        [
          [-33, 46.5],
          [-33, 46.52],
        ],
      ),
    ).toEqual([
      [-33, 46.5],
      [-33, 46.52],
    ]);
  });
});
