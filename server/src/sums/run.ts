import { tallyRun } from '@riffle/core';
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
];
