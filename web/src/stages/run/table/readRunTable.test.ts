import { describe, expect, test } from '@jest/globals';
import { rowsOf } from '../../../tables/rowsOf.ts';
import { localTime } from '../../../when/localTime.ts';
import {
  guessRunMapping,
  readRunTable,
  type RunMapping,
  type RunTableContext,
  type RunTableRead,
} from './readRunTable.ts';

const bar = { id: 'bar', name: 'Lower bar' };
const context: RunTableContext = {
  spots: [bar, { id: 'step', name: 'Slate step' }],
  bucket_L: 20,
  bucketEntered: { text: '20', unit: 'L' },
  local: localTime('Etc/GMT+2'),
  own: {},
  now: '2026-11-01T00:00:00Z',
  known: [],
};
const read = (text: string, some: Partial<RunMapping> = {}, about: Partial<RunTableContext> = {}): RunTableRead => {
  const { columns, rows } = rowsOf(text);
  return readRunTable(rows, { ...guessRunMapping(columns), ...some }, { ...context, ...about });
};
const SEASON = `Date;Site;Pails;Start;Hours;Crew;Who;Layer;Fuel (gal);Gold (g);Remarks
2026-06-01;lower bar;12;8:30;3:30;2;Ada, Bo;rust gravel;1;0,24;clay
2026-06-02;Slate step;8;;2;;;;;;
2026-06-03;Otter bar;8;9:00;2;1;;;;;`;

describe('an old table of runs', () => {
  test('its columns are known by their names and units', () => {
    const { columns, units } = guessRunMapping(rowsOf(SEASON).columns);
    expect(columns).toEqual({
      date: 'Date',
      began: 'Start',
      stopped: '',
      hours: 'Hours',
      spot: 'Site',
      buckets: 'Pails',
      volume: '',
      people: 'Crew',
      who: 'Who',
      layer: 'Layer',
      fuel: 'Fuel (gal)',
      gold: 'Gold (g)',
      note: 'Remarks',
    });
    expect(units).toEqual({ volume: 'L', fuel: 'gal', gold: 'g' });
  });
  test('a row is a run by the ground’s clock; what cannot be is told by row and column', () => {
    const { runs, refused } = read(SEASON, { decimalComma: true });
    expect(runs[0]).toMatchObject({
      row: 2,
      spotId: 'bar',
      startedAt: '2026-06-01T10:30:00.000Z',
      until: '2026-06-01T14:00:00.000Z',
      buckets: 12,
      bucket_L: 20,
      people: 2,
      who: 'Ada, Bo',
      layer: 'rust gravel',
      fuel_L: expect.closeTo(3.7854, 4),
      fuelEntered: { text: '1', unit: 'gal' },
      gold_mg: 240,
      goldEntered: { text: '0.24', unit: 'g' },
      note: 'clay',
      noHour: false,
    });
    // No hour is told: nine in the morning, and it is said.
    expect(runs[1]).toMatchObject({
      spotId: 'step',
      startedAt: '2026-06-02T11:00:00.000Z',
      noHour: true,
      gold_mg: null,
    });
    expect(refused).toEqual([{ row: 4, column: 'Site', message: 'There is no spot “Otter bar” on this ground.' }]);
  });
  test('a decimal comma is asked about, not read as thousands', () =>
    expect(read(SEASON).refused[0]).toEqual({
      row: 2,
      column: 'Gold (g)',
      message: '“0,24”: a decimal comma. Say that this table writes them.',
    }));
  test('what the table never tells is said once for all rows', () => {
    const bare = 'day,buckets\n2026-06-01,10';
    expect(read(bare).refused[0]?.message).toMatch(/^How long it was fed is missing/);
    const { runs, refused } = read(bare, { usualHours: '2 h 30', usualSpotId: 'step' });
    expect(refused).toEqual([]);
    expect(runs[0]).toMatchObject({ spotId: 'step', until: '2026-06-01T13:30:00.000Z' });
  });
  test('a volume is kept to the litre, in buckets of about the usual size', () => {
    const { runs } = read('date,spot,volume (L),hours\n2026-06-01,Lower bar,350,2');
    expect(runs[0]).toMatchObject({ buckets: 18, bucketEntered: { text: '19.44', unit: 'L' } });
    expect((runs[0]?.buckets ?? 0) * (runs[0]?.bucket_L ?? 0)).toBeCloseTo(350, 9);
    // Twelve and a half buckets are no thirteen full ones.
    const half = read('date,spot,buckets,hours\n2026-06-01,Lower bar,12.5,2').runs[0];
    expect((half?.buckets ?? 0) * (half?.bucket_L ?? 0)).toBeCloseTo(250, 9);
  });
  test('from its stop and its hours it began when it must have', () =>
    expect(read('date,spot,buckets,stopped,hours\n2026-06-01,Lower bar,5,16:00,3').runs[0]?.startedAt).toBe(
      '2026-06-01T15:00:00.000Z',
    ));
  test.each([
    ['2026-06-31,Lower bar,5,2', 'is no day as year-month-day'],
    ['2027-06-01,Lower bar,5,2', 'That is still to come.'],
    ['2026-06-01,Lower bar,many,2', 'is no number of buckets'],
    ['2026-06-01,Lower bar,900,2', 'At most 499 buckets in one run'],
    ['2026-06-01,Lower bar,5,40', 'More than 18 hours'],
    ['2026-06-01,Lower bar,5,soon', 'Write it like'],
    [',Lower bar,5,2', 'The day is missing.'],
    ['2026-06-01,,5,2', 'Its spot is missing.'],
    ['2026-06-01,Lower bar,,2', 'How much was fed is missing'],
  ])('%s is refused', (row, says) => {
    const { runs, refused } = read(`date,spot,buckets,hours\n${row}`);
    expect(runs).toEqual([]);
    expect(refused[0]?.message).toContain(says);
  });
  test('people and gold that cannot be are refused, and a stop before the start', () => {
    const head = 'date,spot,buckets,began,stopped,people,gold (mg)';
    const says = (row: string): string | undefined => read(`${head}\n${row}`).refused[0]?.message;
    expect(says('2026-06-01,Lower bar,5,9:00,8:00,2,1')).toBe('It stopped before it began.');
    expect(says('2026-06-01,Lower bar,5,9:00,10:00,two,1')).toBe('“two” is no number of people.');
    expect(says('2026-06-01,Lower bar,5,9:00,10:00,0,1')).toBe('At least one.');
    expect(says('2026-06-01,Lower bar,5,9:00,10:00,2,-3')).toBe('Less than nothing.');
    expect(says('2026-06-01,Lower bar,5,9:00,25:00,2,3')).toBe('“25:00” is no hour of a day.');
  });
  test('a row that is in the book already is known by its day, spot and litres', () => {
    const known = [{ startedAt: '2026-06-01T12:00:00.000Z', spotId: 'bar', tally: { volumeLoose_L: 240 } }];
    expect(read(SEASON, { decimalComma: true }, { known }).runs.map((r) => r.again)).toEqual([true, false]);
  });
});
