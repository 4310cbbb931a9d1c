import { crewPace, TASKS, tallyRun } from '@riffle/core';
import { z } from 'zod';
import { n, sum, type Sum } from './sum.ts';

/** The log of a run. */
export const RUN_SUMS: readonly Sum[] = [
  sum(
    'run-tally',
    'What the taps of a run add up to.',
    z.object({
      startedAt_ms: n,
      now_ms: n,
      events: z
        .array(
          z.object({
            eventId: z.string(),
            kind: z.enum(['bucket', 'undo', 'stop', 'resume']),
            at_ms: n,
            spotId: z.string().nullish(),
            volume_L: n.nullish(),
            undoes: z.string().nullish(),
            deviceId: z.string().nullish(),
            deviceCount: n.nullish(),
          }),
        )
        .max(5000),
    }),
    (i) =>
      tallyRun(
        i.startedAt_ms,
        i.events.map((e) => ({
          ...e,
          spotId: e.spotId ?? null,
          volume_L: e.volume_L ?? null,
          undoes: e.undoes ?? null,
          deviceId: e.deviceId ?? null,
          deviceCount: e.deviceCount ?? null,
        })),
        i.now_ms,
      ),
  ),
  sum(
    'crew-pace',
    'Who holds a crew up at the box, and what another pair of hands, or standing otherwise, would give, from timed rounds.',
    z.object({
      rounds: z
        .array(z.object({ task_s: z.partialRecord(z.enum(TASKS), n.positive().max(7200)) }))
        .min(1)
        .max(1000),
      posts: z
        .array(z.object({ tasks: z.array(z.enum(TASKS)).min(1).max(4), people: z.int().min(1).max(11) }))
        .min(1)
        .max(4),
      pails: z.int().min(1).max(200).default(4),
      runs: z
        .array(z.object({ people: z.int().min(1), buckets_h: n.positive() }))
        .max(1000)
        .default([]),
    }),
    (i) => crewPace(i.rounds, i.posts, i.pails, i.runs),
  ),
];
