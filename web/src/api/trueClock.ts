import { answers } from './client.ts';

/**
 * How far this device's clock is off the server's, by its last answer (none comes from a cache). What two phones tap in one run is put in
 * order by their times: a phone that is hours wrong must not put its buckets into the night.
 */

/** An answer names the second only, and takes a while: nearer than this a clock is right. Stated assumption. */
const NOTICED_MS = 2 * 60_000;

answers.heard = hearClock;

let off_ms = 0;
const listeners = new Set<() => void>();

/** @param asked_ms when the question left, by this device's clock @param date the answer's `Date`, RFC 9110 */
export function hearClock(asked_ms: number, date: string | null, answered_ms: number = Date.now()): void {
  const server_ms = Date.parse(date ?? '');
  if (Number.isNaN(server_ms)) return;
  // The second named began up to a second before the answer left.
  const measured = server_ms + 500 - (asked_ms + answered_ms) / 2;
  const heard = Math.abs(measured) < NOTICED_MS ? 0 : measured;
  if (Math.abs(heard - off_ms) < 2000) return;
  off_ms = heard;
  for (const tell of listeners) tell();
}

/** The time of day, ms since 1970: this device's, set right where it was heard to be wrong. */
export const trueNow_ms = (): number => Date.now() + off_ms;
export const trueNow = (): string => new Date(trueNow_ms()).toISOString();

export const clockStore = {
  subscribe: (tell: () => void): (() => void) => {
    listeners.add(tell);
    return () => listeners.delete(tell);
  },
  /** Positive: this device's clock is behind. */
  read: (): number => off_ms,
};
