import { describe, expect, test } from '@jest/globals';
import { centreLine } from '../ground/centreLine.ts';
import { claimStretches, liesInStretch, type DrawnClaim } from './closedStretches.ts';

// Straight north: metres along are metres of latitude, 111,195 m to the degree on a sphere of 6,371 km.
const line = centreLine([
  [-33, 46.5],
  [-33, 46.51],
]);
const claim = (
  corners: readonly (readonly [number, number, 'left' | 'right'])[],
  some: Partial<DrawnClaim> = {},
): DrawnClaim => ({
  id: 'c',
  name: 'Upper',
  points: corners.map(([d, o, b]) => line.positionAt(d, o, b)),
  holder: null,
  permissionId: null,
  ...some,
});
const over = [
  [200, 40, 'left'],
  [300, 40, 'left'],
  [300, 40, 'right'],
  [200, 40, 'right'],
] as const;
const of = (c: DrawnClaim, notes: Parameters<typeof claimStretches>[2] = [], day = '2026-07-01') =>
  claimStretches(line, [c], notes, day)[0];

describe('a drawn claim along the line', () => {
  test('over the creek runs from where the line enters it to where it leaves', () => {
    const s = of(claim(over));
    expect(s.from_m).toBeGreaterThan(199);
    expect(s.from_m).toBeLessThan(205);
    expect(s.to_m).toBeGreaterThan(295);
    expect(s.to_m).toBeLessThan(301);
    expect([s.bank, s.shut]).toEqual(['mid', null]);
  });
  test('a slanted one is told by the line, not by its farthest corners', () => {
    const s = of(
      claim([
        [120, 60, 'left'],
        [220, 60, 'left'],
        [400, 60, 'right'],
        [300, 60, 'right'],
      ]),
    );
    expect(Math.abs(s.from_m - 210)).toBeLessThan(6);
    expect(Math.abs(s.to_m - 310)).toBeLessThan(6);
  });
  test('beside the creek it is told by its corners, and lies on that bank alone', () => {
    const s = of(
      claim([
        [100, 10, 'left'],
        [150, 10, 'left'],
        [150, 50, 'left'],
      ]),
    );
    expect([Math.round(s.from_m), Math.round(s.to_m), s.bank]).toEqual([100, 150, 'left']);
    expect(liesInStretch({ distance_m: 120, bank: 'left' }, s)).toBe(true);
    expect(liesInStretch({ distance_m: 120, bank: 'right' }, s)).toBe(false);
    expect(liesInStretch({ distance_m: 160, bank: 'left' }, s)).toBe(false);
  });
  test('is shut where it is not ours, or where its note has run out; with leave it is open', () => {
    const note = { id: 'n', name: 'Upper', kind: 'claim' as const, from: null, to: '2026-06-30', everyYear: false };
    expect(of(claim(over, { holder: 'not ours' })).shut).toBe('not ours');
    expect(of(claim(over, { holder: 'by leave' })).shut).toBeNull();
    // Protected ground is nobody's to dig, and no day opens it.
    expect(of(claim(over, { holder: 'ours', isProtected: true }))).toMatchObject({ shut: 'protected', until: null });
    expect(of(claim(over, { holder: 'ours', permissionId: 'n' }), [note]).shut).toBe('run out');
    expect(of(claim(over, { holder: 'ours', permissionId: 'n' }), [note], '2026-06-30').shut).toBeNull();
    expect(of(claim(over, { holder: 'ours', permissionId: 'gone' }), [note]).shut).toBeNull();
  });
});
