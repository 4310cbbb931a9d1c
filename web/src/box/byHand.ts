import type { LoggedEvent } from '@riffle/contract';
import { v7 as uuidv7 } from 'uuid';
import { personHere } from '../preferences/personHere.ts';

/** How full a bucket is, as it is said, and its share of a full one. */
export const FULLNESS = { full: 1, '2/3': 2 / 3, '1/2': 1 / 2, '1/3': 1 / 3 } as const;
export type Fullness = keyof typeof FULLNESS;

/** What can be put right of a bucket. */
export interface BucketToldAnew {
  readonly at: string;
  readonly spotId: string | null;
  readonly fullness: Fullness;
}

type Told = Pick<LoggedEvent, 'kind' | 'at'> & Partial<LoggedEvent>;
/**
 * A tap written down afterwards. No device counted it: it stands by its own time alone, so it is given a device of its own, and is never taken for the
 * second half of a double tap.
 */
const byHand = (event: Told): LoggedEvent => {
  const id = uuidv7();
  return {
    spotId: null,
    volume_L: null,
    fullness: null,
    undoes: null,
    ...event,
    id,
    deviceId: id,
    deviceCount: 0,
    by: personHere(),
  };
};

/** A bucket that was not tapped. @param bucket_L a full one, loose */
export const missedBucket = ({ at, spotId, fullness }: BucketToldAnew, bucket_L: number): LoggedEvent =>
  byHand({ kind: 'bucket', at, spotId, fullness, volume_L: bucket_L * FULLNESS[fullness] });

/** Takes a bucket back, at its own moment: the clock of the run goes on as it did. */
export const takenBack = (bucket: Pick<LoggedEvent, 'id' | 'at'>): LoggedEvent =>
  byHand({ kind: 'undo', at: bucket.at, undoes: bucket.id });

/** A stop at a moment that is told, not tapped: it was forgotten, or something else ended the stint. Taps after it count as fed, and what lies between is no time of work. */
export const stoppedAt = (at: string): LoggedEvent => byHand({ kind: 'stop', at });

/** Work goes on from a moment on: what stood stopped before it stays so. */
export const goneOn = (at: string): LoggedEvent => byHand({ kind: 'resume', at });

/** Buckets of a run written down from paper: where they came from, and how many. */
export interface PaperBuckets {
  readonly spotId: string;
  readonly count: number;
}

/** The taps of a run that was written on paper: its buckets spread evenly over its hours, source after source, and its stop. @param bucket_L a full one, loose */
export function fromPaper(
  startedAt: string,
  until: string,
  sources: readonly PaperBuckets[],
  bucket_L: number,
): LoggedEvent[] {
  const [from_ms, to_ms] = [Date.parse(startedAt), Date.parse(until)];
  const spots = sources.flatMap(({ spotId, count }) => Array.from({ length: count }, () => spotId));
  const apart_ms = (to_ms - from_ms) / spots.length;
  const buckets = spots.map((spotId, i) =>
    missedBucket(
      { at: new Date(Math.round(from_ms + (i + 0.5) * apart_ms)).toISOString(), spotId, fullness: 'full' },
      bucket_L,
    ),
  );
  return [...buckets, stoppedAt(until)];
}
