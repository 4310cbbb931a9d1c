import { describe, expect, test } from '@jest/globals';
import type { Layer, StoredPit } from '@riffle/contract';
import fc from 'fast-check';
import {
  moveBottom,
  newLayer,
  newPit,
  pitAsDraft,
  pitRecord,
  readPit,
  THINNEST_M,
  unmeasured,
  withLayer,
  type PitDraft,
} from './readPit.ts';

/** A pit of a bar: silt, gravel, a firm iron-stained layer that is the pay. */
const pit = (some: Partial<PitDraft> = {}): PitDraft => ({
  ...newPit('Pit 1', false, '2026-05-01T08:00:00.000Z'),
  lengthEntered: { text: '1', unit: 'm' },
  widthEntered: { text: '1', unit: 'm' },
  layers: [
    newLayer(0.3, false, { material: 'silt' }),
    newLayer(0.4, false),
    newLayer(0.2, false, { material: 'iron gravel', firmness: 'firm', iron: true, pay: true }),
  ],
  ...some,
});
const crack = {
  width: { text: '4', unit: 'cm' },
  length: { text: '2', unit: 'm' },
  depth: { text: '30', unit: 'cm' },
  strike: 'across the flow',
  rock: null,
  state: 'found',
} as const;

describe('a pit as it was typed', () => {
  test('volumes by hand: 1 m by 80 cm, 0.9 m deep, the lowest 0.2 m the pay', () => {
    const { sum, depth_m, problem } = readPit(pit({ widthEntered: { text: '80', unit: 'cm' } }));
    expect(problem).toBeNull();
    expect(depth_m).toBeCloseTo(0.9, 9);
    expect(sum?.bank_L).toBeCloseTo(1000 * 0.8 * 0.9, 6);
    expect(sum?.pay_L).toBeCloseTo(1000 * 0.8 * 0.2, 6);
    expect(sum?.strippingRatio).toBeCloseTo(3.5, 9);
  });
  test.each([
    [{ lengthEntered: { text: '', unit: 'm' } }, 'area'],
    [{ widthEntered: { text: '0', unit: 'm' } }, 'area'],
    [{ layers: [] }, 'layers'],
    [{ batterText: '2' }, 'batter'],
    [{ batterText: 'steep' }, 'batter'],
    [{ waterAt: { text: '1.2', unit: 'm' } }, 'water'],
    [{ waterAt: { text: 'deep', unit: 'm' } }, 'water'],
    [{ crevice: { ...crack, width: { text: '', unit: 'cm' } } }, 'crevice'],
  ] as const)('%j is named at %s', (some, field) =>
    expect(readPit(pit(some as Partial<PitDraft>)).problem?.field).toBe(field),
  );
  test('a pit is no shallower than the deepest pan out of it; a crack is as deep as it was measured', () => {
    expect([readPit(pit(), 0.9).problem, readPit(pit(), 1).problem?.field]).toEqual([null, 'layers']);
    expect([
      readPit(pit({ layers: [], crevice: crack }), 0.3).problem,
      readPit(pit({ layers: [], crevice: crack }), 0.4).problem?.field,
    ]).toEqual([null, 'layers']);
  });
  test('water at the bottom stands in the pit', () =>
    expect(readPit(pit({ waterAt: { text: '0.9', unit: 'm' } })).problem).toBeNull());
});

test('a crack is kept as long and wide as the crack, whatever stands in the fields of a hole', () => {
  const kept = pitRecord(pit({ layers: [], crevice: crack, lengthEntered: { text: '', unit: 'm' } }), 'g', 's', null);
  expect(kept).toMatchObject({ length_m: 2, width_m: 0.04, lengthEntered: crack.length, layers: [] });
});

describe('layers put in', () => {
  const [a, b, c] = (['silt', 'gravel', 'clay'] as const).map((m) => unmeasured(m, false)) as [Layer, Layer, Layer];
  test('below another, between two, and on top of all', () => {
    expect(withLayer([a, b], c, b.id)).toEqual([a, b, c]);
    expect(withLayer([a, b], c, a.id)).toEqual([a, c, b]);
    expect(withLayer([a, b], c, null)).toEqual([c, a, b]);
    expect(withLayer([], c, null)).toEqual([c]);
  });
  test('a new pit has none, and nothing else that nobody told', () => {
    expect(newPit('Pit 1', false)).toMatchObject({ layers: [], planned: '', lengthEntered: { text: '' } });
  });
});

describe('a limit that is dragged', () => {
  const layers = pit().layers;
  const depth = (all: readonly { thickness_m: number }[]): number => all.reduce((sum, l) => sum + l.thickness_m, 0);
  test('gives to one layer what it takes from the next, in whole centimeters, typed figures along', () => {
    const moved = moveBottom(layers, 0, 0.416, false);
    expect(moved.map((l) => l.thickness_m)).toEqual([expect.closeTo(0.42, 9), expect.closeTo(0.28, 9), 0.2]);
    expect(moved[0]?.thicknessEntered).toEqual({ text: '0.42', unit: 'm' });
    expect(moveBottom(layers, 0, 0.3048, true)[0]?.thicknessEntered).toEqual({ text: '0.98', unit: 'ft' });
  });
  test('the last one deepens the pit; one that is not there moves nothing', () => {
    expect(depth(moveBottom(layers, 2, 1.31, false))).toBeCloseTo(1.31, 9);
    expect(moveBottom(layers, 7, 1, false)).toBe(layers);
  });
  test('wherever it is dragged: no layer thinner than can be taken hold of, no deeper than by hand, the others as they were', () =>
    fc.assert(
      fc.property(fc.nat(2), fc.double({ min: -5, max: 60, noNaN: true }), (index, to) => {
        const moved = moveBottom(layers, index, to, false);
        for (const l of moved) expect(l.thickness_m).toBeGreaterThanOrEqual(THINNEST_M - 1e-9);
        expect(depth(moved)).toBeLessThanOrEqual(30);
        if (index < 2) expect(depth(moved)).toBeCloseTo(depth(layers), 9);
        moved.forEach((l, i) => {
          if (i !== index && i !== index + 1) expect(l).toBe(layers[i]);
        });
      }),
      { seed: 1785, numRuns: 200 },
    ));
});

describe('a pit as a record', () => {
  test('round and back: kept, opened again and kept again it is the same', () => {
    const first = pitRecord(
      pit({ waterAt: { text: '0.5', unit: 'm' }, batterText: '0.2', crevice: crack, name: '  Pit 9 ' }),
      'g',
      's',
      null,
    );
    expect(first).toMatchObject({
      name: 'Pit 9',
      batter: 0.2,
      waterAt_m: 0.5,
      crevice: { width_m: 0.04, length_m: 2, depth_m: 0.3 },
      baseVersion: 0,
    });
    const stored = { ...first, version: 3, updatedAt: '' } as unknown as StoredPit;
    const again = pitRecord(pitAsDraft(stored, false), 'g', 's', stored);
    expect(again).toEqual({ ...first, baseVersion: 3 });
  });
  test('nothing is kept without a name or with a problem', () => {
    expect([
      pitRecord(pit({ name: ' ' }), 'g', 's', null),
      pitRecord(pit({ layers: [] }), 'g', 's', null),
      pitRecord(pit(), 'g', 's', null, 2),
    ]).toEqual([null, null, null]);
    expect(newLayer(0.3, true).thicknessEntered).toEqual({ text: '0.98', unit: 'ft' });
  });
});
