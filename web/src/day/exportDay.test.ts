import { describe, expect, test } from '@jest/globals';
import type { StoredGround } from '@riffle/contract';
import type { DayPlan } from '@riffle/core';
import { type Candidate } from '@riffle/core';
import { dayAsGpx, dayAsIcs } from './exportDay.ts';

const ground = {
  id: 'g',
  name: 'Test Fork',
  line: [
    [-33, 46.5],
    [-33, 46.509],
  ],
} as unknown as StoredGround;
const places = new Map([
  ['a', { name: 'Long bar', spotId: null, distance_m: 200, offset_m: 0, bank: 'left' }],
  ['b', { name: 'Ledge; the upper, wet one', spotId: null, distance_m: 400, offset_m: 3, bank: 'right' }],
]) as unknown as ReadonlyMap<string, Candidate>;
const plan = {
  stops: [
    { id: 'a', begin_min: 545, end_min: 575, late: false },
    { id: 'b', begin_min: 600, end_min: 660, late: false },
    { id: 'c', begin_min: 980, end_min: 1010, late: true },
  ],
  back_min: 700,
} as unknown as DayPlan;
/** Content lines with folded ones joined again (RFC 5545, 3.1). */
const linesOf = (ics: string): string[] => ics.replaceAll('\r\n ', '').replaceAll('\r\n\t', '').split('\r\n');

describe('a day as a calendar (RFC 5545)', () => {
  const lines = linesOf(dayAsIcs(ground, '2026-07-28', plan, places, 960));
  test('a block for each place that is reached, and one to be back', () => {
    expect(lines.filter((l) => l.startsWith('SUMMARY'))).toEqual([
      'SUMMARY:1. Long bar',
      'SUMMARY:2. Ledge\\; the upper\\, wet one',
      'SUMMARY:Be back from Test Fork',
    ]);
    expect(lines.filter((l) => l.startsWith('DTSTART'))).toEqual([
      'DTSTART:20260728T090500',
      'DTSTART:20260728T100000',
      'DTSTART:20260728T160000',
    ]);
    expect(lines.filter((l) => l.startsWith('DTEND'))).toEqual(['DTEND:20260728T093500', 'DTEND:20260728T110000']);
  });
  test('opens and closes as the standard says, each block with a name of its own and one alarm to turn round', () => {
    expect([
      lines[0],
      lines.filter((l) => l === 'BEGIN:VEVENT').length,
      lines.filter((l) => l === 'BEGIN:VALARM').length,
    ]).toEqual(['BEGIN:VCALENDAR', 3, 1]);
    const uids = lines.filter((l) => l.startsWith('UID:'));
    expect(new Set(uids).size).toBe(3);
    expect(lines).toContain('TRIGGER:-PT30M');
  });
  test('gives no place away', () => expect(lines.join('\n')).not.toMatch(/GEO|LOCATION|46\.5|-33/));
  test('a day that runs past midnight goes on the next', () => {
    const late = {
      stops: [{ id: 'a', begin_min: 1430, end_min: 1470, late: false }],
      back_min: 1480,
    } as unknown as DayPlan;
    expect(linesOf(dayAsIcs(ground, '2026-12-31', late, places, 1500)).filter((l) => /^DT(START|END)/.test(l))).toEqual(
      ['DTSTART:20261231T235000', 'DTEND:20270101T003000', 'DTSTART:20270101T010000'],
    );
  });
});

test('a ground without a line has no positions to give', () =>
  expect(() => dayAsGpx({ ...ground, line: null }, '2026-07-28', plan, places, [])).toThrow(/no line/));
