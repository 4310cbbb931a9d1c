import { z } from 'zod';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Based, Entered, Id, Note, Stored, text, Timestamp, Whole, within } from './shared.ts';

export const Run = Whole.extend({
  groundId: Id,
  setupId: Id,
  /** Where buckets come from unless one says otherwise. */
  spotId: Id,
  startedAt: Timestamp,
  /** A full bucket, loose. */
  bucket_L: within(NUMBERS.bucket_L),
  bucketEntered: Entered,
  note: Note,
});
export const NewRun = Run.extend(Based.shape).meta({ id: 'NewRun' });

/** What a run's events add up to (see `tallyRun` of the core), kept with the run. */
export const Tally = z.object({
  buckets: z.int(),
  volumeLoose_L: z.number(),
  bySpot_L: z.record(z.string(), z.number()),
  running_s: z.number(),
  stopped: z.boolean(),
  lastEventAt: Timestamp.nullable(),
});
export const StoredRun = Run.extend(Stored.shape).extend({ tally: Tally }).meta({ id: 'Run' });
export type Run = z.infer<typeof Run>;
export type StoredRun = z.infer<typeof StoredRun>;

/** One tap of a run; never changed, an undo is an event of its own. */
export const LoggedEvent = z
  .object({
    id: Id,
    kind: z.enum(['bucket', 'undo', 'stop', 'resume']),
    at: Timestamp,
    spotId: Id.nullable(),
    volume_L: within(NUMBERS.bucket_L).nullable(),
    /** How full, as said: "full", "2/3". */
    fullness: text(TEXTS.fullness).nullable(),
    undoes: Id.nullable(),
  })
  .meta({ id: 'LoggedEvent' });
export type LoggedEvent = z.infer<typeof LoggedEvent>;

export const NewEvents = z
  .object({ events: z.array(LoggedEvent).min(1).max(MOST.eventsAtOnce) })
  .meta({ id: 'NewEvents' });
export const RunWithEvents = StoredRun.extend({ events: z.array(LoggedEvent) }).meta({ id: 'RunWithEvents' });
export type RunWithEvents = z.infer<typeof RunWithEvents>;
