import { Id, LoggedEvent, NewEvents, page, PageQuery, Problem, RunAfterTaps, StoredRun } from '@riffle/contract';
import { addTaps, keepTally, type TapTally } from '@riffle/core';
import { isDeepStrictEqual } from 'node:util';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { z } from 'zod';
import { inTransaction, type Db } from '../db/pool.ts';
import { Refusal } from '../http/problems.ts';
import { writingMore } from '../db/recordKind.ts';
import { sendPage } from '../http/written.ts';
import { recordRoutes } from '../http/recordRoutes.ts';
import { allEvents, appendEvents, pageOfEvents, lockRun, runs, undoneBy, workRounds, writeTally } from './queries.ts';

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
    async (request) => {
      const { id } = request.params;
      return inTransaction(pool, async (db) => {
        const run = await lockRun(db, request.crewId, id);
        if (!run) throw new Refusal('NOT_FOUND', 'That run is not in the book. Send the run first.');
        const events = await appendEvents(db, request.crewId, run.groundId, id, request.body.events);
        if (events.length === 0) return { ...run, events };
        const kept = await writeTally(db, request.crewId, id, await tallied(db, request.crewId, run, events));
        return { ...kept, events };
      });
    },
  );
}

/**
 * What all taps of a run come to once these are in: added to what stood there, or counted all again where that cannot
 * tell and whenever the run stops, so that no rounding is carried on.
 */
async function tallied(db: Db, crewId: string, run: StoredRun, fresh: readonly LoggedEvent[]): Promise<TapTally> {
  const undone = fresh.some((e) => e.kind === 'stop') ? null : await undoneBy(db, crewId, run.id, fresh);
  const added = undone && addTaps(run.startedAt, run.tally, fresh, undone);
  return added ?? keepTally(run.startedAt, await allEvents(db, crewId, run.id));
}

/** Runs as they are written: one that began at another time than was thought is timed anew. */
const timedRuns = writingMore(runs, async (db, crewId, sent, baseVersion) => {
  const written = await runs.write(db, crewId, sent, baseVersion);
  if (!written || written.tally.taps === 0) return written;
  const tally = keepTally(written.startedAt, await allEvents(db, crewId, written.id));
  return isDeepStrictEqual(tally, written.tally) ? written : writeTally(db, crewId, written.id, tally);
});
