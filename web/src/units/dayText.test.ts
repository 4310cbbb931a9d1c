import { expect, test } from '@jest/globals';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import fc from 'fast-check';
import { dayMonth, dayMonthYear, dayOf, daysBetween, isoDay } from './dayText.ts';

const days = fc.date({ min: new Date(1950, 0, 1), max: new Date(2080, 0, 1), noInvalidDate: true });

test('days in words are those of date-fns', () =>
  fc.assert(
    fc.property(days, (at) => {
      expect(dayMonth(at)).toBe(format(at, 'd MMM'));
      expect(dayMonth(at, 'long')).toBe(format(at, 'd MMMM'));
      expect(dayMonthYear(at)).toBe(format(at, 'd MMM yyyy'));
      expect(isoDay(at)).toBe(format(at, 'yyyy-MM-dd'));
      expect(dayOf(isoDay(at)).getTime()).toBe(parseISO(isoDay(at)).getTime());
    }),
  ));
test('days between are days of the calendar', () =>
  fc.assert(fc.property(days, days, (a, b) => expect(daysBetween(a, b) + 0).toBe(differenceInCalendarDays(b, a) + 0))));
