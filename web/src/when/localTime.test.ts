import { describe, expect, jest, test } from '@jest/globals';
import { differenceInCalendarDays, format } from 'date-fns';
import fc from 'fast-check';
import { dayMonth, dayMonthYear, daysBetween, localTime, sayDay } from './localTime.ts';

const days = fc.date({ min: new Date(1950, 0, 1), max: new Date(2080, 0, 1), noInvalidDate: true });

test('days and hours in words are those of date-fns', () => {
  const local = localTime(null);
  fc.assert(
    fc.property(days, (at) => {
      const isoDay = format(at, 'yyyy-MM-dd');
      expect(dayMonth(isoDay)).toBe(format(at, 'd MMM'));
      expect(dayMonth(isoDay, 'long')).toBe(format(at, 'd MMMM'));
      expect(dayMonthYear(isoDay)).toBe(format(at, 'd MMM yyyy'));
      expect(local.isoDay(at)).toBe(isoDay);
      expect(local.isoMoment(at)).toBe(format(at, "yyyy-MM-dd'T'HH:mm"));
      expect(local.clock(at)).toBe(format(at, 'H:mm'));
      expect(Math.floor(local.minuteOfDay(at))).toBe(at.getHours() * 60 + at.getMinutes());
      expect(local.isoMoment(local.at(local.isoMoment(at)))).toBe(local.isoMoment(at));
    }),
  );
});
test('days between are days of the calendar', () =>
  fc.assert(
    fc.property(days, days, (a, b) =>
      expect(daysBetween(format(a, 'yyyy-MM-dd'), format(b, 'yyyy-MM-dd')) + 0).toBe(
        differenceInCalendarDays(b, a) + 0,
      ),
    ),
  ));

describe('a ground on the other side of the date line', () => {
  const local = localTime('Pacific/Auckland');
  test('has its own day and hour', () => {
    expect(local.isoMoment('2026-07-27T21:20:00Z')).toBe('2026-07-28T09:20');
    expect(local.at('2026-07-28T09:20').toISOString()).toBe('2026-07-27T21:20:00.000Z');
    expect(local.at('2026-07-28').toISOString()).toBe('2026-07-27T12:00:00.000Z');
  });
  test('and says the year where it is another there', () => {
    jest.useFakeTimers({ now: new Date('2026-12-31T12:30:00Z') });
    try {
      expect(local.day('2026-12-31T12:40:00Z')).toBe('1 Jan');
      expect(local.day('2026-12-31T10:00:00Z')).toBe('31 Dec 2026');
      expect(local.dayTime('2026-12-31T10:00:00Z')).toBe('31 Dec 2026, 23:00');
      expect(sayDay('2026-12-31', '2027-01-01', 'long')).toBe('31 December 2026');
      expect(sayDay('2027-03-02', '2027-01-01')).toBe('2 Mar');
    } finally {
      jest.useRealTimers();
    }
  });
});
