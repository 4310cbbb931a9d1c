import { describe, expect, test } from '@jest/globals';
import * as fc from 'fast-check';
import { OutOfRange } from '../outOfRange.ts';
import { hidePlace } from './hidePlace.ts';

/** Great-circle distance, m (haversine, Sinnott 1984), mean radius 6 371 009 m (IUGG). */
function apart_m([lon1, lat1]: readonly number[], [lon2, lat2]: readonly number[]): number {
  const rad = Math.PI / 180;
  const [a1 = 0, o1 = 0, a2 = 0, o2 = 0] = [lat1, lon1, lat2, lon2].map((x) => (x ?? 0) * rad);
  const h = Math.sin((a2 - a1) / 2) ** 2 + Math.cos(a1) * Math.cos(a2) * Math.sin((o2 - o1) / 2) ** 2;
  return 2 * 6_371_009 * Math.asin(Math.sqrt(h));
}
const place = fc.tuple(fc.double({ min: -179, max: 179, noNaN: true }), fc.double({ min: -70, max: 70, noNaN: true }));

describe('what a file gives away of a place', () => {
  test('exact is as it is, without its height; none is nothing', () => {
    expect(hidePlace({ way: 'exact' }, [])([7.1, 46.2, 530])).toEqual([7.1, 46.2]);
    expect(hidePlace({ way: 'none' }, [])([7.1, 46.2])).toBeNull();
  });
  test('blurred lies within 0.72 of the size, and gives every place of a square the same', () => {
    fc.assert(
      fc.property(place, fc.constantFrom(100, 500, 2000), (at, size_m) => {
        const hidden = hidePlace({ way: 'blurred', size_m }, [])(at) ?? [NaN, NaN];
        expect(apart_m(at, hidden)).toBeLessThan(0.72 * size_m);
        expect(hidePlace({ way: 'blurred', size_m }, [])(hidden)?.map((x) => x.toFixed(9))).toEqual(
          hidden.map((x) => x.toFixed(9)),
        );
      }),
    );
    expect(() => hidePlace({ way: 'blurred', size_m: 1 }, [])).toThrow(OutOfRange);
  });
  test('many places blurred differ by whole squares: nothing of a place is left in what is given', () => {
    const blur = hidePlace({ way: 'blurred', size_m: 500 }, []);
    const given = new Set(
      Array.from({ length: 400 }, (_, i) => blur([-33 + (i % 20) * 1e-4, 46.5 + Math.floor(i / 20) * 1e-4])?.join()),
    );
    expect(given.size).toBeLessThanOrEqual(4);
  });
  test('shifted keeps what lies where to each other, lies at the equator, and turns', () => {
    const all = [
      [-33, 46.5],
      [-33.002, 46.503],
      [-32.998, 46.509],
    ] as const;
    const shift = hidePlace({ way: 'shifted', turn_rad: 1.1 }, all);
    const moved = all.map((p) => shift(p) ?? [NaN, NaN]);
    for (const [i, j] of [
      [0, 1],
      [1, 2],
      [0, 2],
    ] as const)
      expect(apart_m(moved[i] ?? [], moved[j] ?? []) / apart_m(all[i], all[j])).toBeCloseTo(1, 2);
    for (const p of moved) expect(apart_m(p, [0, 0])).toBeLessThan(1000);
    const unturned = hidePlace({ way: 'shifted', turn_rad: 0 }, all)(all[0]);
    expect(moved[0]).not.toEqual(unturned);
  });
});
