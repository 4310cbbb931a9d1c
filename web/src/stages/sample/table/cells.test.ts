import { describe, expect, test } from '@jest/globals';
import type { StoredPit, StoredSample } from '@riffle/contract';
import { METRIC, COLOR_MG, NO_COLORS, groundColors } from '@riffle/core';
import type { Show } from '../../../units/useShow.ts';
import { canBeWritten, cellTaken, cellText, cellWords } from './cells.ts';
import { rowsOf } from './useSampleTable.ts';
import { localTime } from '../../../when/localTime.ts';

const local = localTime(null);

const sample = (some: Partial<StoredSample> = {}): StoredSample => ({
  id: 's',
  version: 1,
  updatedAt: '',
  deleted: false,
  groundId: 'g',
  spotId: 'a',
  takenAt: new Date(2026, 4, 4, 9, 30).toISOString(),
  depth_m: 0.3,
  depthEntered: { text: '0.3', unit: 'm' },
  volume_L: 10,
  volumeEntered: { text: '10', unit: 'L' },
  volumeState: 'bank',
  counts: { ...NO_COLORS, '-40': 6 },
  blackSand: 1,
  gold_mg: null,
  goldEntered: null,
  pitId: null,
  layerId: null,
  layer: 'pay',
  lotId: null,
  bucket: null,
  way: 'quick test',
  panner: 'Ada',
  took_min: null,
  saidBefore: null,
  riffleSaid: null,
  grownIn: 0,
  fromSafetyPan: 0,
  seenWith: null,
  note: '',
  ...some,
});
const plain = {
  figure: (_: string, value: number) => ({ digits: String(Number(value.toPrecision(3))), unit: '' }),
  display: METRIC,
} as unknown as Show;
const words = (column: string, s: StoredSample): string => {
  const [row] = rowsOf([s], [{ id: 'a', name: 'Long bar', distance_m: 120 } as never], 0, COLOR_MG);
  if (!row) throw new Error('a sample is a row');
  return cellWords(column, row, plain, groundColors([s], 0), 0, local);
};
const now = new Date(2026, 10, 25);

describe('a cell says', () => {
  test.each([
    ['date', `4 May${new Date().getFullYear() === 2026 ? '' : ' 2026'}`],
    ['spot', 'Long bar'],
    ['distance', '120'],
    ['depth', '0.3'],
    ['volume', '“10 L”'],
    ['-40', '6'],
    ['+10', '0'],
    ['gold', ''],
    ['layer', 'pay'],
    ['panner', 'Ada'],
    ['note', ''],
  ])('%s as %s', (column, expected) => expect(words(column, sample())).toBe(expected));
  test('a grade with its band, an upper limit for a blank, and that a nugget is to be weighed', () => {
    expect(words('grade', sample())).toMatch(/^0\.\d+ \(0\.\d+–[\d.]+\)$/);
    expect(words('grade', sample({ counts: NO_COLORS }))).toMatch(/^under 0\.\d+$/);
    expect(words('grade', sample({ counts: { ...NO_COLORS, '+10': 1 } }))).toBe('weigh it');
    expect(words('note', sample({ note: 'under the slab' }))).toBe('“under the slab”');
  });
  test('a spot that is gone is not made up', () => {
    const [row] = rowsOf([sample({ spotId: 'gone' })], [], 0, COLOR_MG);
    expect([row?.spot, row && cellWords('distance', row, plain, groundColors([], 0), 0, local)]).toEqual(['?', '']);
  });
});

describe('a cell takes', () => {
  test('what is written from is what was typed, and written again changes nothing', () => {
    const s = sample({ gold_mg: 2.4, goldEntered: { text: '2.4', unit: 'mg' }, note: 'n' });
    for (const column of ['date', 'spot', 'depth', 'volume', 'gold', 'layer', 'panner', 'note', '-40', '10-20'])
      expect(s).toMatchObject(
        cellTaken(column, cellText(column, s, local), s, { pits: [], containers: {}, local, now }) as object,
      );
    expect([canBeWritten('grade'), canBeWritten('distance'), canBeWritten('date')]).toEqual([false, false, true]);
  });
  test.each([
    ['depth', '2 ft', { depth_m: expect.closeTo(0.6096, 6) }],
    ['volume', '2 gal', { volume_L: expect.closeTo(7.5708, 3) }],
    ['gold', '2 gr', { gold_mg: expect.closeTo(129.6, 1) }],
    ['gold', ' ', { gold_mg: null, goldEntered: null }],
    ['-40', '12', { counts: { ...NO_COLORS, '-40': 12 } }],
    ['spot', 'b', { spotId: 'b' }],
    ['date', '2026-05-06T10:00', { takenAt: new Date(2026, 4, 6, 10).toISOString() }],
    ['layer', ' x'.repeat(40), { layer: ' x'.repeat(40).trim() }],
  ])('%s: %s', (column, text, expected) =>
    expect(cellTaken(column, text, sample(), { pits: [], containers: {}, local, now })).toEqual(
      expect.objectContaining(expected),
    ),
  );
  test.each([
    ['depth', '', /./],
    ['depth', 'deep', /./],
    ['depth', '31', /At most 30 m/],
    ['volume', '-2', /./],
    ['volume', '0', /more than nothing/],
    ['volume', '10001', /at most 10 m³/],
    ['gold', '0', /Leave it empty/],
    ['-40', '1.5', /whole number/],
    ['-40', '-1', /whole number/],
    ['layer', 'x'.repeat(99), /at most 80 characters.*99/],
    ['panner', 'x'.repeat(81), /at most 80 characters/],
    ['note', 'x'.repeat(4001), /at most 4,000 characters/],
    ['date', '', /Write it like/],
    ['date', '2027-01-01T00:00', /still to come/],
    ['date', '0026-05-04T09:30', /year/],
  ])('not %s: “%s”', (column, text, problem) =>
    expect(cellTaken(column, text, sample(), { pits: [], containers: {}, local, now })).toEqual(
      expect.stringMatching(problem),
    ),
  );
  test('a count never falls below what was grown in or came from the safety pan', () => {
    expect(cellTaken('-40', '2', sample({ grownIn: 3 }), { pits: [], containers: {}, local })).toMatch(/grown in/);
    expect(cellTaken('-40', '2', sample({ fromSafetyPan: 4 }), { pits: [], containers: {}, local })).toMatch(
      /safety pan/,
    );
    expect(
      cellTaken('-40', '4', sample({ grownIn: 3, fromSafetyPan: 4 }), { pits: [], containers: {}, local }),
    ).toMatchObject({
      counts: { '-40': 4 },
    });
  });
  test('a pan of a pit stays within it', () => {
    const pit = {
      id: 'p',
      name: 'Pit 2',
      layers: [{ thickness_m: 0.5 }, { thickness_m: 0.61 }],
      crevice: null,
    } as unknown as StoredPit;
    expect(cellTaken('depth', '1.3', sample({ pitId: 'p' }), { pits: [pit], containers: {}, local })).toBe(
      'That is below the bottom of Pit 2.',
    );
    expect(cellTaken('depth', '1.11', sample({ pitId: 'p' }), { pits: [pit], containers: {}, local })).toMatchObject({
      depth_m: 1.11,
    });
    expect(cellTaken('depth', '1.3', sample(), { pits: [pit], containers: {}, local })).toMatchObject({ depth_m: 1.3 });
  });
  test('a layer’s words name a layer of the pan’s pit by its id, or none', () => {
    const pit = {
      id: 'p',
      name: 'Pit 2',
      layers: [
        { id: 'one', thickness_m: 0.5, color: 'gray', material: 'gravel' },
        { id: 'two', thickness_m: 0.6, color: '', material: 'clay' },
      ],
      crevice: null,
    } as unknown as StoredPit;
    const of = (words: string) =>
      cellTaken('layer', words, sample({ pitId: 'p', layerId: 'one' }), { pits: [pit], containers: {}, local });
    expect(of('Clay')).toEqual({ layer: 'Clay', layerId: 'two' });
    expect(of('pay')).toEqual({ layer: 'pay', layerId: null });
  });
  test('a sample of a bag or a pit stays where they are', () => {
    expect(cellTaken('spot', 'b', sample({ lotId: 'l' }), { pits: [], containers: {}, local })).toMatch(/bag/);
    expect(cellTaken('spot', 'b', sample({ pitId: 'p' }), { pits: [], containers: {}, local })).toMatch(/pit/);
  });
});
