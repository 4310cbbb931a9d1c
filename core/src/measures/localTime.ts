import { tzOffset } from '@date-fns/tz/tzOffset';

/** Names of time zones are those of the IANA time zone database ("Etc/GMT+2"); the rules are the machine's own copy of it. */
export const isTimeZone = (name: string): boolean => !Number.isNaN(tzOffset(name, new Date(0)));

/**
 * The clock on the wall at a moment: a Date whose **UTC** parts (year to second) are those of the zone.
 * @param timeZone an IANA name; one this machine does not know counts as UTC
 */
export const wallClock = (at: Date, timeZone: string): Date => new Date(at.getTime() + offset_ms(at, timeZone));

/**
 * The moment at which the wall shows it; the inverse of `wallClock`. Of an hour the clock skips in spring, the moment it would have been by the
 * clock before; of an hour it shows twice in autumn, the first.
 * @param wall a Date whose UTC parts are those of the wall
 */
export function momentOf(wall: Date, timeZone: string): Date {
  // The zone's offset a day before and a day after hold all there can be on that day.
  const near = [-86_400_000, 86_400_000].map((by) => offset_ms(new Date(wall.getTime() + by), timeZone));
  const tries = near.map((offset) => new Date(wall.getTime() - offset)).sort((a, b) => a.getTime() - b.getTime());
  const right = tries.find((at) => wallClock(at, timeZone).getTime() === wall.getTime());
  return right ?? new Date(wall.getTime() - (near[0] ?? 0));
}

/** The day it is there, "2026-05-05". */
export const localDay = (at: Date, timeZone: string): string => wallClock(at, timeZone).toISOString().slice(0, 10);

function offset_ms(at: Date, timeZone: string): number {
  const minutes = tzOffset(timeZone, at);
  return Number.isNaN(minutes) ? 0 : minutes * 60_000;
}
