import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { countColors, gradeSpots, groundColors, pannedGround, type SpotPan } from '../index.ts';

const count = (most: number) => fc.integer({ min: 0, max: most });
const pan = fc.record({
  spotId: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
  depth_m: fc.constantFrom(0.1, 0.3, 0.35, 1.2),
  layerId: fc.constantFrom(null, 'top', 'low'),
  volume_L: fc.double({ min: 0.5, max: 40, noNaN: true }),
  volumeState: fc.constantFrom('loose' as const, 'bank' as const),
  counts: fc.record({ '+10': count(1), '10-20': count(2), '20-40': count(5), '-40': count(40) }),
  gold_mg: fc.option(fc.double({ min: 0.001, max: 50, noNaN: true }), { nil: null, freq: 4 }),
  takenAt: fc.constantFrom('2026-05-01T08:00:00.000Z', '2026-06-01T08:00:00.000Z'),
}) satisfies fc.Arbitrary<SpotPan>;
const PITS = [
  {
    id: 'p',
    spotId: 'a',
    layers: [
      { id: 'top', thickness_m: 0.4 },
      { id: 'low', thickness_m: 0.2 },
    ],
  },
];

describe('what all the pans of a ground come to', () => {
  test('is grades and colors as they are found alone, and comes back from JSON as it went', () => {
    fc.assert(
      fc.property(fc.array(pan, { maxLength: 40 }), fc.constantFrom(0, 18, 45), (pans, swell) => {
        const said = pannedGround(pans, swell, 'geometry', PITS);
        const { grades, ground } = gradeSpots(pans, swell, groundColors(pans, swell, 'geometry'), PITS);
        expect(new Map(said.grades.map((g) => [g.spotId, g]))).toEqual(grades);
        expect(said.together).toEqual(ground);
        expect(JSON.parse(JSON.stringify(said))).toEqual(said);
        expect(said.samples).toBe(pans.length);
        expect(countColors(said.counts)).toBe(said.grades.reduce((sum, g) => sum + g.colors, 0));
      }),
      { numRuns: 200 },
    );
  });
  test('counts the colors of each spot, those that were not weighed apart, and knows the last pan', () => {
    const plain = (some: Partial<SpotPan>): SpotPan => ({
      spotId: 'a',
      depth_m: 0.3,
      layerId: null,
      volume_L: 5,
      volumeState: 'bank',
      counts: { '+10': 0, '10-20': 0, '20-40': 1, '-40': 2 },
      gold_mg: null,
      ...some,
    });
    const { grades } = pannedGround(
      [
        plain({ takenAt: '2026-06-01T08:00:00.000Z' }),
        plain({ takenAt_ms: Date.UTC(2026, 4, 1), gold_mg: 0.4 }),
        plain({ counts: { '+10': 0, '10-20': 0, '20-40': 0, '-40': 0 } }),
        plain({ spotId: 'b' }),
      ],
      18,
      'geometry',
      [],
    );
    expect(grades).toMatchObject([
      { spotId: 'a', samples: 3, colors: 6, counted: 3, blanks: 1, lastTaken_ms: Date.UTC(2026, 5, 1, 8) },
      { spotId: 'b', samples: 1, colors: 3, counted: 3, blanks: 0, lastTaken_ms: 0 },
    ]);
  });
});
