import { describe, expect, test } from '@jest/globals';
import { format } from 'date-fns';
import fc from 'fast-check';
import { clockText, readClock, readDay, readWhen } from './readWhen.ts';

// A Thursday.
const TODAY = '2026-07-30';

describe('a day as it is said', () => {
  test.each([
    ['2026-07-28', '2026-07-28'],
    ['28 Jul', '2026-07-28'],
    ['28 july', '2026-07-28'],
    ['Jul 28', '2026-07-28'],
    ['July 28th, 2025', '2025-07-28'],
    ['28 Jul 2025', '2025-07-28'],
    ['28.7.2026', '2026-07-28'],
    ['28.7.', '2026-07-28'],
    ['28/7/2026', '2026-07-28'],
    ['7/28/2026', '2026-07-28'],
    ['7/7/2026', '2026-07-07'],
    ['today', '2026-07-30'],
    ['Yesterday', '2026-07-29'],
    ['tomorrow', '2026-07-31'],
    ['Thursday', '2026-07-30'],
    ['fri', '2026-07-24'],
    ['20 Mar', '2026-03-20'],
    ['29 Dec', '2026-12-29'],
  ])('“%s”', (text, iso) => expect(readDay(text, TODAY)).toEqual({ ok: true, iso }));
  test('near the turn of the year the year is the nearer one', () => {
    expect(readDay('28 Dec', '2027-01-04')).toEqual({ ok: true, iso: '2026-12-28' });
    expect(readDay('4 Jan', '2026-12-28')).toEqual({ ok: true, iso: '2027-01-04' });
  });
  test.each([
    ['7/8/2026', /Day or month first\? Write “7 Aug” or “8 Jul”/],
    ['31 Feb', /Write it like/],
    ['28 Jul 26', /four figures/],
    ['0026-05-04', /four figures/],
    ['soon', /Write it like/],
    ['', /Write it like/],
    ['monkey', /Write it like/],
  ])('“%s” is asked about', (text, says) =>
    expect(readDay(text, TODAY)).toEqual({ ok: false, problem: expect.stringMatching(says) }),
  );
});

describe('an hour as it is said', () => {
  test.each([
    ['9:20', 560],
    ['09:20', 560],
    ['9.20', 560],
    ['0920', 560],
    ['9 am', 540],
    ['5:30 pm', 1050],
    ['5:30 p.m', 1050],
    ['12 am', 0],
    ['12 pm', 720],
    ['17', 1020],
    ['25:00', null],
    ['9:75', null],
    ['13 pm', null],
    ['nine', null],
  ])('“%s”', (text, minutes) => expect(readClock(text)).toBe(minutes));
  test('every minute is read back as it is written', () => {
    fc.assert(fc.property(fc.integer({ min: 0, max: 1439 }), (m) => expect(readClock(clockText(m))).toBe(m)));
  });
});

describe('a moment as it is said', () => {
  test.each([
    ['28 Jul 9:20', '2026-07-28T09:20'],
    ['28 Jul, 9:20', '2026-07-28T09:20'],
    ['28 Jul 2025, 09:20', '2025-07-28T09:20'],
    ['28 Jul 2025', '2025-07-28T12:00'],
    ['2026-07-28T09:20', '2026-07-28T09:20'],
    ['2026-07-28 09:20:30', '2026-07-28T09:20'],
    ['yesterday 5 pm', '2026-07-29T17:00'],
    ['yesterday', '2026-07-29T12:00'],
    ['yesterday at 17', '2026-07-29T17:00'],
    ['9:20', '2026-07-30T09:20'],
    ['5 pm', '2026-07-30T17:00'],
    ['28.7.2026 9:20', '2026-07-28T09:20'],
    ['tue 8:05', '2026-07-28T08:05'],
    // It has been: of this year's and last year's the last.
    ['29 Dec 8:00', '2025-12-29T08:00'],
    ['2 Jan', '2026-01-02T12:00'],
  ])('“%s”', (text, iso) => expect(readWhen(text, TODAY)).toEqual({ ok: true, iso }));
  test('a day alone takes the hour it had', () =>
    expect(readWhen('27 Jul', TODAY, '10:30')).toEqual({ ok: true, iso: '2026-07-27T10:30' }));
  test.each(['7/8/2026 9:20', 'nine', '28 Jul 9:75', ''])('“%s” is asked about', (text) =>
    expect(readWhen(text, TODAY).ok).toBe(false),
  );
  test('what a field writes is what it reads', () => {
    const days = fc.date({ min: new Date(1950, 0, 1), max: new Date(2080, 0, 1), noInvalidDate: true });
    fc.assert(
      fc.property(days, (at) =>
        expect(readWhen(format(at, 'd MMM yyyy, HH:mm'), TODAY)).toEqual({
          ok: true,
          iso: format(at, "yyyy-MM-dd'T'HH:mm"),
        }),
      ),
    );
  });
});
