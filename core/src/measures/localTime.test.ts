import { describe, expect, it } from '@jest/globals';
import { TZDate } from '@date-fns/tz';
import fc from 'fast-check';
import { isTimeZone, localDay, momentOf, wallClock } from './localTime.ts';

const ZONES = ['UTC', 'Etc/GMT+2', 'America/Anchorage', 'Asia/Kolkata', 'Australia/Lord_Howe', 'Pacific/Auckland'];
const moments = fc.date({ min: new Date('1990-01-01'), max: new Date('2060-01-01'), noInvalidDate: true });

describe('a clock on the wall', () => {
  // Against Intl, which reads the same time zone database another way.
  it('reads as the platform writes it', () =>
    fc.assert(
      fc.property(fc.constantFrom(...ZONES), moments, (timeZone, at) => {
        const text = new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'medium' }).format(at);
        expect(wallClock(at, timeZone).toISOString().slice(0, 19)).toBe(text.replace(' ', 'T'));
        expect(localDay(at, timeZone)).toBe(text.slice(0, 10));
      }),
    ));
  it('and leads back to the moment, but for the hour it shows twice', () =>
    fc.assert(
      fc.property(fc.constantFrom(...ZONES), moments, (zone, at) => {
        const wall = wallClock(at, zone);
        const back = momentOf(wall, zone);
        expect(wallClock(back, zone)).toEqual(wall);
        expect(at.getTime() - back.getTime()).toBeGreaterThanOrEqual(0);
        expect(at.getTime() - back.getTime()).toBeLessThanOrEqual(3_600_000);
      }),
    ));
  // 8 March and 1 November 2026 in the zone of Anchorage: clocks go from 2 to 3, and from 2 back to 1.
  it.each([
    ['2026-03-08T02:30', '2026-03-08T11:30:00.000Z'],
    ['2026-11-01T01:30', '2026-11-01T09:30:00.000Z'],
    ['2026-11-01T02:30', '2026-11-01T11:30:00.000Z'],
    ['2026-07-01T12:00', '2026-07-01T20:00:00.000Z'],
  ])('%s is %s', (wall, moment) => {
    expect(momentOf(new Date(`${wall}Z`), 'America/Anchorage').toISOString()).toBe(moment);
    expect(new TZDate(moment, 'America/Anchorage').getTime()).toBe(Date.parse(moment));
  });
  it('of no known zone is taken for UTC', () => {
    expect(isTimeZone('Etc/GMT+2')).toBe(true);
    expect(isTimeZone('Corran/Harbor')).toBe(false);
    expect(localDay(new Date('2026-05-05T23:30:00Z'), 'Corran/Harbor')).toBe('2026-05-05');
  });
});
