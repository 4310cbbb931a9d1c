import { Id, LoggedEvent, NewEvents, page, PageQuery, Problem, RunAfterTaps, StoredRun } from '@riffle/contract';
import { keepTally } from '@riffle/core';
import { isDeepStrictEqual } from 'node:util';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { z } from 'zod';
import { Refusal } from '../http/problems.ts';
import { writingMore } from '../db/recordKind.ts';
import { sendPage } from '../http/written.ts';
import { recordRoutes } from '../http/recordRoutes.ts';
import { logTaps } from './logTaps.ts';
import { allEvents, pageOfEvents, runs, workRounds, writeTally } from './queries.ts';

export function runRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  recordRoutes(app, pool, timedRuns);
  recordRoutes(app, pool, workRounds);

  app.get(
    '/runs/:id',
    { schema: { tags: ['runs'], params: z.object({ id: Id }), response: { 200: StoredRun, '4xx': Problem } } },
    async (request) => {
      const run = await runs.find(pool, request.crewId, request.params.id);
      if (!run) throw new Refusal('NOT_FOUND', 'That run is not in the book.');
      return run;
    },
  );

  app.get(
    '/runs/:id/events',
    {
      schema: {
        tags: ['runs'],
        summary: 'The taps of a run by pages, in id order.',
        params: z.object({ id: Id }),
        querystring: PageQuery,
        response: { 200: page(LoggedEvent), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      const { after, limit } = request.query;
      const events = await pageOfEvents(pool, request.crewId, id, after, limit);
      if (events.count === 0 && !(await runs.find(pool, request.crewId, id)))
        throw new Refusal('NOT_FOUND', 'That run is not in the book.');
      return sendPage(reply, events, limit);
    },
  );

  app.post(
    '/runs/:id/events',
    {
      schema: {
        tags: ['runs'],
        summary: 'Appends taps to a run. Sent twice they count once; their order does not matter.',
        description: 'Answers what all taps of the run add up to, and those that were new.',
        params: z.object({ id: Id }),
        body: NewEvents,
        response: { 200: RunAfterTaps, '4xx': Problem },
      },
    },
    (request) => logTaps(pool, request.crewId, request.params.id, request.body.events),
  );
}

/** Runs as they are written: one that began at another time than was thought is timed anew. */
const timedRuns = writingMore(runs, async (db, crewId, sent, baseVersion) => {
  const written = await runs.write(db, crewId, sent, baseVersion);
  if (!written || written.tally.taps === 0) return written;
  const tally = keepTally(written.startedAt, await allEvents(db, crewId, written.id));
  return isDeepStrictEqual(tally, written.tally) ? written : writeTally(db, crewId, written.id, tally);
});
