import { momentOf, wallClock } from '@riffle/core';

/**
 * Days and hours in words as every screen says them, by one clock: the ground's, wherever the person who looks may be. Days as records write
 * them are "2026-05-05", moments as fields write them "2026-05-05T09:20".
 */
export interface LocalTime {
  readonly zone: string;
  /** "5 May"; "5 May 2025" in another year. */
  readonly day: (at: Date | string | number, month?: MonthName) => string;
  /** "5 May, 9:20". */
  readonly dayTime: (at: Date | string | number) => string;
  /** "9:20". */
  readonly clock: (at: Date | string | number) => string;
  readonly minuteOfDay: (at: Date | number) => number;
  /** The day it is then, as records write it. */
  readonly isoDay: (at: Date | string | number) => string;
  /** The moment as fields write it. */
  readonly isoMoment: (at: Date | string | number) => string;
  /** The moment of a day, at midnight, or of a moment as fields write it. */
  readonly at: (iso: string) => Date;
}
type MonthName = 'short' | 'long';

const MONTHS: Partial<Record<MonthName, Intl.DateTimeFormat>> = {};
/** Made when first used: making one takes longer than a thousand uses. */
const monthName = (wall: Date, month: MonthName): string =>
  (MONTHS[month] ??= new Intl.DateTimeFormat('en-US', { month, timeZone: 'UTC' })).format(wall);

let ownZone: string | undefined;
/** This device's time zone. */
export const deviceZone = (): string => (ownZone ??= new Intl.DateTimeFormat().resolvedOptions().timeZone);

/** @param zone null: this device's */
export function localTime(zone: string | null): LocalTime {
  // This device's is looked up when the first hour is said, not for the first drawing: a slow phone takes a tenth of a second.
  const inZone = (): string => zone ?? deviceZone();
  const wall = (at: Date | string | number): Date => wallClock(new Date(at), inZone());
  const iso = (at: Date | string | number, letters: number): string => wall(at).toISOString().slice(0, letters);
  const day = (at: Date | string | number, month?: MonthName): string => dayWords(wall(at), wall(Date.now()), month);
  const clock = (at: Date | string | number): string => iso(at, 16).slice(11).replace(/^0/, '');
  return {
    get zone() {
      return inZone();
    },
    day,
    dayTime: (at) => `${day(at)}, ${clock(at)}`,
    clock,
    minuteOfDay: (at) => {
      const on = wall(at);
      return on.getUTCHours() * 60 + on.getUTCMinutes() + on.getUTCSeconds() / 60;
    },
    isoDay: (at) => iso(at, 10),
    isoMoment: (at) => iso(at, 16),
    at: (text) => momentOf(new Date(`${text.includes('T') ? text : `${text}T00:00`}Z`), inZone()),
  };
}

const dayWords = (wall: Date, today: Date, month: MonthName = 'short'): string =>
  `${wall.getUTCDate()} ${monthName(wall, month)}${wall.getUTCFullYear() === today.getUTCFullYear() ? '' : ` ${wall.getUTCFullYear()}`}`;

/** A record's day without a clock: "5 May 2026". */
export const dayMonthYear = (isoDate: string): string => `${dayMonth(isoDate)} ${isoDate.slice(0, 4)}`;
/** "5 May". */
export const dayMonth = (isoDate: string, month: MonthName = 'short'): string => {
  const wall = new Date(`${isoDate}T00:00Z`);
  return `${wall.getUTCDate()} ${monthName(wall, month)}`;
};

/** A record's day as `LocalTime.day` says it: the year where it is another than today's. */
export const sayDay = (isoDate: string, today: string, month: MonthName = 'short'): string =>
  dayWords(new Date(`${isoDate}T00:00Z`), new Date(`${today}T00:00Z`), month);

/** Whole days from one of a record's days to another. */
export const daysBetween = (from: string, to: string): number =>
  Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
