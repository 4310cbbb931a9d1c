import { describe, expect, test } from '@jest/globals';
import { FIELDS, guessMapping, TableReader, unitsNamed, type TableMapping } from './readTable.ts';
import { localTime } from '../../../when/localTime.ts';

const context = {
  timeZone: localTime(null).zone,
  known: [],
  groundId: 'g',
  length_m: 500,
  line: null,
  spots: [{ id: 's1', name: 'Otter bar' }],
  own: { 'coffee can': 2.5 },
  now: '2026-05-01T12:00:00.000Z',
};
const COLUMNS = [
  'spot',
  'distance_m',
  'date',
  'depth_ft',
  'volume (L)',
  '+10',
  '10-20',
  '20-40',
  '-40',
  'black sand',
  'gold_mg',
  'note',
];
const mapping = (some: Partial<TableMapping> = {}): TableMapping => ({ ...guessMapping(COLUMNS), ...some });
const row = (some: Record<string, string> = {}): Record<string, string> => ({
  spot: 'Otter bar',
  distance_m: '',
  date: '2026-05-14',
  depth_ft: '1',
  'volume (L)': '9.5',
  '+10': '',
  '10-20': '0',
  '20-40': '2',
  '-40': '7',
  'black sand': '2',
  gold_mg: '',
  note: '',
  ...some,
});

describe('which column is which', () => {
  test('by the names people give them, with the units said there', () => {
    const m = mapping();
    expect(FIELDS.map((f) => m.columns[f])).toEqual([
      'spot',
      'distance_m',
      '',
      'date',
      'depth_ft',
      'volume (L)',
      '+10',
      '10-20',
      '20-40',
      '-40',
      'black sand',
      'gold_mg',
      '',
      '',
      'note',
    ]);
    expect([m.units.depth, m.units.volume, m.units.gold, m.units.distance]).toEqual(['ft', 'L', 'mg', 'm']);
  });
  test('each column once, and none where nothing fits', () =>
    expect(guessMapping(['a', 'depth', 'depth 2']).columns).toMatchObject({ depth: 'depth', spot: '', volume: '' }));
  test('mixed units in a column are seen', () =>
    expect([...unitsNamed('volume', ['3', '2 pans', '5 L', '', '1 L'])]).toEqual([
      ['', 1],
      ['pan', 1],
      ['L', 2],
    ]));
});

describe('a row', () => {
  test('becomes a sample at its spot, kept as typed', () => {
    expect(new TableReader(mapping(), context).read(row(), 2)).toMatchObject([
      {
        row: 2,
        sample: {
          spotId: 's1',
          depth_m: expect.closeTo(0.3048, 12),
          depthEntered: { text: '1', unit: 'ft' },
          volume_L: 9.5,
          counts: { '+10': 0, '10-20': 0, '20-40': 2, '-40': 7 },
          blackSand: 2,
          gold_mg: null,
        },
      },
    ]);
  });
  test('makes its spot once when it says where', () => {
    const reader = new TableReader(mapping(), context);
    const [first] = [reader.read(row({ spot: 'New bar', distance_m: '120' }), 2)];
    expect(first).toMatchObject([{ spot: { name: 'New bar', distance_m: 120 } }, { sample: { volume_L: 9.5 } }]);
    expect(reader.read(row({ spot: 'new BAR', distance_m: '120' }), 3)).toHaveLength(1);
  });
  test('a container of the crew’s own is a unit, when cells may name theirs', () => {
    expect(
      new TableReader(mapping({ mixedUnits: true }), context).read(row({ 'volume (L)': '2 coffee cans' }), 2),
    ).toMatchObject([{ sample: { volume_L: 5 } }]);
  });
  test.each([
    ['a negative volume', { 'volume (L)': '-3' }, 'volume (L)', /more than nothing/],
    ['a count without a volume', { 'volume (L)': '' }, 'volume (L)', /count without a volume/],
    ['a decimal comma', { 'volume (L)': '9,5' }, 'volume (L)', /decimal comma/],
    ['another unit than its column’s', { 'volume (L)': '2 pans' }, 'volume (L)', /in pan, its column in L/],
    ['part of a color', { '-40': '2.5' }, '-40', /whole number/],
    ['a negative count', { '20-40': '-1' }, '20-40', /whole number/],
    ['a spot nobody knows', { spot: 'Nowhere' }, 'spot', /no spot “Nowhere”/],
    ['a place beyond the ground', { spot: 'Far', distance_m: '900' }, 'distance_m', /beyond this ground/],
    ['a depth no hand digs', { depth_ft: '400' }, 'depth_ft', /between 0 and 30/],
    ['no date', { date: '14 May' }, 'date', /no date/],
    ['too much black sand', { 'black sand': '9' }, 'black sand', /0 to 4/],
    ['a run of a volume', { 'volume (L)': '20000' }, 'volume (L)', /run/],
    ['gold of no weight', { gold_mg: '0' }, 'gold_mg', /Leave it empty/],
  ])('%s is refused by its column', (_name, some, column, message) => {
    expect(new TableReader(mapping(), context).read(row(some), 7)).toEqual({
      row: 7,
      column,
      message: expect.stringMatching(message),
    });
  });
  test('decimal commas are read where the person says so; dates as said', () => {
    expect(
      new TableReader(mapping({ decimalComma: true, dates: 'day/month/year' }), context).read(
        row({ 'volume (L)': '9,5', date: '3/5/2026' }),
        2,
      ),
    ).toMatchObject([{ sample: { volume_L: 9.5, takenAt: expect.stringMatching(/^2026-05-0[23]/) } }]);
  });
});
