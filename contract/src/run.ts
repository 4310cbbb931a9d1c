import { z } from 'zod';
import { MOST, NUMBERS, TEXTS } from './limits.ts';
import { Based, Entered, Id, Note, Stored, text, Timestamp, Whole, wholeWithin, within } from './shared.ts';

export const Run = Whole.extend({
  groundId: Id,
  setupId: Id,
  /** Where buckets come from unless one says otherwise. */
  spotId: Id,
  startedAt: Timestamp,
  /** A full bucket, loose. */
  bucket_L: within(NUMBERS.bucket_L),
  bucketEntered: Entered,
  /** How many were at it, those who dig and carry too; null: not said. */
  people: wholeWithin(NUMBERS.people, 'A whole number.').nullable().default(null),
  /** Who was at it: names with commas between them; empty: not said. */
  who: text(TEXTS.who).default(''),
  /** What was fed, as people say it: "rust gravel on the clay"; empty: not said, or mixed. */
  layer: text(TEXTS.layer).default(''),
  /** Burnt by pump, blower or motor; null: nobody said. */
  fuel_L: within(NUMBERS.fuel_L).nullable().default(null),
  fuelEntered: Entered.nullable().default(null),
  note: Note,
});
export const NewRun = Run.extend(Based.shape)
  .refine((r) => (r.fuel_L === null) === (r.fuelEntered === null), {
    error: 'A measure comes with what was typed.',
    path: ['fuelEntered'],
  })
  .meta({ id: 'NewRun' });

/** What a run's events add up to (see `tallyRun` of the core), kept with the run. */
export const Tally = z.object({
  buckets: z.int(),
  volumeLoose_L: z.number(),
  bySpot_L: z.record(z.string(), z.number()),
  /** Time of work: without stops, and without what was broken off. */
  running_s: z.number(),
  /** Time that no stop was tapped for and in which nothing was fed for over 45 minutes on end. */
  brokenOff_s: z.number().default(0),
  stopped: z.boolean(),
  lastEventAt: Timestamp.nullable(),
  /** Taps counted, of every kind. They only become more: of two tallies of a run, the one with more is the later. */
  taps: z.int(),
  /** No clock was put back among the taps: the next one can be added without counting all again. */
  timesInOrder: z.boolean(),
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
    /** The device that was tapped and how many taps it had counted before: the order of taps when its clock is put back. */
    deviceId: Id.nullable().default(null),
    deviceCount: z.int().min(0).max(MOST.deviceCount).nullable().default(null),
    /** Who tapped it, or told it afterwards, as that device calls its person; null: not said. */
    by: text(TEXTS.panner).nullable().default(null),
  })
  .meta({ id: 'LoggedEvent' });
export type LoggedEvent = z.infer<typeof LoggedEvent>;

export const NewEvents = z
  .object({ events: z.array(LoggedEvent).min(1).max(MOST.eventsAtOnce) })
  .meta({ id: 'NewEvents' });
/** A run after taps were taken in: what all of its taps add up to, and those that were new. */
export const RunAfterTaps = StoredRun.extend({ events: z.array(LoggedEvent) }).meta({ id: 'RunAfterTaps' });
export type RunAfterTaps = z.infer<typeof RunAfterTaps>;
