import { CONTAINERS } from '@riffle/core';

/** One call to the API, in the order they must be made. */
export interface DemoWrite {
  readonly method: 'PUT' | 'POST';
  readonly url: string;
  readonly body: string;
  readonly type: string;
}

/** The book a season is written into, as the calls that write it. */
export interface Book {
  readonly writes: readonly DemoWrite[];
  /** The first day of the season, 08:00, ms since 1970. */
  readonly season_ms: number;
  /** Noon of a day of the season, counted from its first; days before it are less than 0. */
  readonly onDay: (day: number) => string;
  /** UUIDs of version 7 from the season's days and a counter: in order, and the same every time. */
  readonly nextId: (day: number) => string;
  readonly call: (method: DemoWrite['method'], url: string, body: object, type?: string) => void;
  /** A record, new or based on a version. */
  readonly put: (kind: string, record: { readonly id: string }, baseVersion?: number) => void;
}

export const DAY_MS = 86_400_000;

/** The end of an id, as 18 hexadecimal digits. */
export type IdEnd = (count: number) => string;
export const counted: IdEnd = (count) => count.toString(16).padStart(18, '0');

export function openBook(season_ms: number, idEnd: IdEnd): Book {
  const writes: DemoWrite[] = [];
  let count = 0;
  const call: Book['call'] = (method, url, body, type = 'application/json') =>
    void writes.push({ method, url, body: JSON.stringify(body), type });
  return {
    writes,
    season_ms,
    onDay: (day) => new Date(season_ms + day * DAY_MS + 4 * 3.6e6).toISOString(),
    nextId: (day) => {
      count++;
      const time = (season_ms + day * DAY_MS + count).toString(16).padStart(12, '0');
      const end = idEnd(count);
      return `${time.slice(0, 8)}-${time.slice(8)}-7${end.slice(0, 3)}-8${end.slice(3, 6)}-${end.slice(6)}`;
    },
    call,
    put: (kind, record, baseVersion = 0) => call('PUT', `/${kind}/${record.id}`, { ...record, baseVersion }),
  };
}

/** What was typed, and the unit it was typed in. */
export const entered = (text: string, unit: string) => ({ text, unit });

/** The crew's bucket. */
export const BUCKET = { bucket_L: CONTAINERS.bucket, bucketEntered: entered('5 gal', 'gal') } as const;
