import { describe, expect, test } from '@jest/globals';
import type { StoredOutline, StoredSign } from '@riffle/contract';
import { centreLine } from '@riffle/core';
import { creekShape } from './creekShape.ts';
import { outlineStrips } from './outlineStrips.ts';
import { ribbonScale } from './ribbonScale.ts';
import { thinSigns } from './thinSigns.ts';

const line = [
  [-33, 46.5],
  [-33, 46.505],
] as const;
const centre = centreLine(line);
const outline = (
  kind: StoredOutline['kind'],
  some: readonly (readonly [number, number, 'left' | 'right'])[],
): StoredOutline => ({
  id: kind,
  version: 1,
  updatedAt: '2026-05-01T08:00:00.000Z',
  deleted: false,
  groundId: 'g',
  name: kind,
  kind,
  height_m: 4,
  holder: null,
  permissionId: null,
  note: '',
  points: some.map(([d, o, b]) => centre.positionAt(d, o, b)),
});

describe('bars and benches on the ribbon', () => {
  test('a bench drawn between 100 and 180 m on the left bank stands there, at its height', () => {
    const [strip] = outlineStrips({ line: [...line] as never }, [
      outline('bench', [
        [100, 8, 'left'],
        [180, 8, 'left'],
        [180, 30, 'left'],
        [100, 30, 'left'],
      ]),
    ]);
    expect(strip?.from_m).toBeCloseTo(100, 1);
    expect(strip?.to_m).toBeCloseTo(180, 1);
    expect([strip?.bank, strip?.height_m]).toEqual(['left', 4]);
  });
  test('a bar that reaches across the thread lies on the bank most of it is on', () => {
    expect(
      outlineStrips({ line: [...line] as never }, [
        outline('bar', [
          [50, 2, 'left'],
          [70, 6, 'right'],
          [60, 8, 'right'],
        ]),
      ])[0]?.bank,
    ).toBe('right');
  });
  test('claims and paths are no strips; a ground without a line has none', () => {
    expect(
      outlineStrips({ line: [...line] as never }, [
        outline('claim', [
          [0, 5, 'left'],
          [9, 5, 'left'],
          [9, 9, 'left'],
        ]),
      ]),
    ).toEqual([]);
    expect(
      outlineStrips({ line: null }, [
        outline('bench', [
          [0, 5, 'left'],
          [9, 5, 'left'],
          [9, 9, 'left'],
        ]),
      ]),
    ).toEqual([]);
  });
});

describe('a bed by hand level', () => {
  test('takes the place of the line’s heights, level beyond its ends', () => {
    const profile = [
      { distance_m: 100, height_m: 1, form: 'pool' as const },
      { distance_m: 300, height_m: 5, form: 'step' as const },
    ];
    const { heights_m } = creekShape({
      kind: 'creek',
      line: [
        [-33, 46.5, 10],
        [-33, 46.505, 90],
      ],
      length_m: 400,
      profile,
    });
    // Heights are said above the first one measured.
    expect(heights_m?.[0]).toBeCloseTo(0, 9);
    expect(heights_m?.[60]).toBeCloseTo(2, 1);
    expect(heights_m?.at(-1)).toBeCloseTo(4, 9);
  });
});

describe('thousands of signs on the ribbon', () => {
  const sign = (i: number, kind: StoredSign['kind'] = 'bar'): StoredSign => ({
    id: String(i),
    version: 1,
    updatedAt: '',
    deleted: false,
    groundId: 'g',
    kind,
    distance_m: (i * 1200) / 5000,
    bank: (['left', 'right', 'mid'] as const)[i % 3] ?? 'mid',
    offset_m: 4,
    position: null,
    seenAt: '',
    size_mm: null,
    sizeEntered: null,
    cover_m: null,
    coverEntered: null,
    traits: {},
    weight: null,
    height_m: null,
    heightEntered: null,
    comeBackWith: '',
    note: '',
  });
  const many = Array.from({ length: 5000 }, (_, i) => sign(i, i % 2 ? 'bar' : 'bedrock'));
  test('from afar a few hundred stand for them; nearer, all of a short stretch do', () => {
    const { signs: afar, asDots } = thinSigns(many, ribbonScale(0, 1200, 0, 1008));
    expect(asDots).toBe(true);
    expect(afar.length).toBeGreaterThan(100);
    expect(afar.length).toBeLessThan(250);
    const near = thinSigns(many, ribbonScale(100, 104, 0, 1200));
    expect(near.asDots).toBe(false);
    expect(near.signs).toEqual(many.filter((s) => s.distance_m >= 100 && s.distance_m <= 104));
  });
  test('each kind in a stretch is told once, whichever was seen first', () => {
    expect(
      thinSigns([sign(0), sign(3), sign(6, 'bedrock'), sign(9, 'crevice')], ribbonScale(0, 100, 0, 100)).signs.map(
        (s) => s.kind,
      ),
    ).toEqual(['bar', 'bedrock']);
  });
});
