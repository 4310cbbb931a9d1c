/**
 * Days in words as every screen says them, by the browser's own calendar: the first view shows days too, and need not
 * wait for a date package. Where days are read or reckoned with, date-fns does it.
 */
type MonthName = 'short' | 'long';
const MONTHS: Partial<Record<MonthName, Intl.DateTimeFormat>> = {};
/** Made when first used: making one takes longer than a thousand uses. */
const monthName = (at: Date, month: MonthName): string =>
  (MONTHS[month] ??= new Intl.DateTimeFormat('en-US', { month })).format(at);

/** "5 May". */
export const dayMonth = (at: Date, month: MonthName = 'short'): string => `${at.getDate()} ${monthName(at, month)}`;

/** "5 May 2026". */
export const dayMonthYear = (at: Date): string => `${dayMonth(at)} ${at.getFullYear()}`;

/** A day as records write it, "2026-05-05", by this device's clock. */
export const isoDay = (at: Date): string =>
  [at.getFullYear(), at.getMonth() + 1, at.getDate()].map((n) => String(n).padStart(2, '0')).join('-');

/** A record's day ("2026-05-05") at midnight of this device. */
export const dayOf = (isoDate: string): Date => new Date(`${isoDate}T00:00:00`);

/** Whole days from one day to another by this device's calendar, whatever the hour. */
export const daysBetween = (from: Date, to: Date): number =>
  Math.round((dayOf(isoDay(to)).getTime() - dayOf(isoDay(from)).getTime()) / 86_400_000);
