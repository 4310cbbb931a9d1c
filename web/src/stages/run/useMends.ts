import type { LoggedEvent, StoredRun } from '@riffle/contract';
import { asRunEvent, BROKEN_OFF_MS, tallyRun } from '@riffle/core';
import { useMemo } from 'react';
import { FULLNESS, missedBucket, stoppedAt, takenBack, type BucketToldAnew, type Fullness } from '../../box/byHand.ts';
import { mendsOfRun, type Mend } from '../../box/mendsOfRun.ts';
import { useWrite } from '../../offline/outbox.ts';
import { useRunEvents } from '../../records/useRunEvents.ts';
import { undoToast } from '../../ui/undoToast.ts';
import { useNow } from '../../ui/useNow.ts';
import { useLocalTime } from '../../when/useLocalTime.ts';

/** A bucket that counts, as it can be told anew. */
interface KeptBucket extends BucketToldAnew {
  readonly id: string;
}

/** What a run's taps come to, and the ways to put them right; each says so and can be undone. */
export function useMends(run: StoredRun) {
  const write = useWrite();
  const local = useLocalTime();
  const now_ms = useNow(60_000);
  const { events, state } = useRunEvents(run);
  const tally = useMemo(
    () => tallyRun(Date.parse(run.startedAt), events.map(asRunEvent), Date.parse(run.startedAt)),
    [run.startedAt, events],
  );
  const byId = new Map(events.map((e) => [e.id, e]));
  const buckets = tally.buckets.map((b): KeptBucket => ({
    id: b.eventId,
    at: new Date(b.at_ms).toISOString(),
    spotId: b.spotId ?? null,
    fullness: fullnessOf(byId.get(b.eventId)),
  }));
  const lastBucketAt = buckets.at(-1)?.at ?? null;
  const stops = events.filter((e) => e.kind === 'stop' && (lastBucketAt === null || e.at >= lastBucketAt));
  const firstStop = stops.map((e) => e.at).sort()[0];
  const until_ms = firstStop === undefined ? now_ms : Date.parse(firstStop);
  const isLate = lastBucketAt !== null && until_ms - Date.parse(lastBucketAt) > BROKEN_OFF_MS;
  const send = (...taps: LoggedEvent[]): void =>
    write({ what: 'events', runId: run.id, groundId: run.groundId, events: taps });
  const bucketOf = (told: BucketToldAnew): LoggedEvent => missedBucket(told, run.bucket_L);
  return {
    state,
    buckets,
    lastBucketAt,
    /** Where the clock went on long after the last bucket: what it did, in words. */
    stoppedLate: !isLate
      ? null
      : firstStop === undefined
        ? 'was not stopped'
        : `was stopped at ${local.clock(firstStop)}`,
    add: (told: BucketToldAnew): void => {
      const made = bucketOf(told);
      send(made);
      undoToast(`A bucket more, at ${local.clock(told.at)}.`, () => send(takenBack(made)));
    },
    takeBack: (bucket: KeptBucket): void => {
      send(takenBack(bucket));
      undoToast(`The bucket of ${local.clock(bucket.at)} is taken out.`, () => send(bucketOf(bucket)));
    },
    tellAnew: (bucket: KeptBucket, told: BucketToldAnew): void => {
      const made = bucketOf(told);
      send(takenBack(bucket), made);
      undoToast(`The bucket of ${local.clock(told.at)} is put right.`, () => send(takenBack(made), bucketOf(bucket)));
    },
    stopAt: (at: string): void => send(stoppedAt(at)),
    /** What was put right so far, the latest first. */
    mended: mendsOfRun(run.id, events),
    /** Takes one of these back; null where there is nothing to take back, or it was done already. */
    takeMendBack: ({ was, now }: Mend): (() => void) | null => {
      const standing = (b: LoggedEvent): boolean => buckets.some((k) => k.id === b.id);
      if (now && !standing(now)) return null;
      if (!now && (!was || buckets.some((b) => isSameBucket(b, was)))) return null;
      return () => {
        const back = was && bucketOf(asTold(was));
        send(...(now ? [takenBack(now)] : []), ...(back ? [back] : []));
        undoToast('Taken back.', () =>
          send(...(back ? [takenBack(back)] : []), ...(now ? [bucketOf(asTold(now))] : [])),
        );
      };
    },
  };
}

const asTold = (e: LoggedEvent): BucketToldAnew => ({ at: e.at, spotId: e.spotId, fullness: fullnessOf(e) });
const isSameBucket = (a: BucketToldAnew, b: LoggedEvent): boolean =>
  a.at === new Date(b.at).toISOString() && a.spotId === b.spotId && a.fullness === fullnessOf(b);

const fullnessOf = (event: LoggedEvent | undefined): Fullness =>
  event?.fullness && event.fullness in FULLNESS ? (event.fullness as Fullness) : 'full';
