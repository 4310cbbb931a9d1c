import { Id, NewEvents, Problem, RunWithEvents } from '@riffle/contract';
import { keepTally } from '@riffle/core';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { z } from 'zod';
import { inTransaction } from '../db/pool.ts';
import { Refusal } from '../http/problems.ts';
import { recordRoutes } from '../http/recordRoutes.ts';
import { appendEvents, listEvents, lockRun, runs, writeTally } from './queries.ts';

export function runRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  recordRoutes(app, pool, runs);

  app.get(
    '/runs/:id',
    { schema: { tags: ['runs'], params: z.object({ id: Id }), response: { 200: RunWithEvents, '4xx': Problem } } },
    async (request) => {
      const run = await runs.find(pool, request.crewId, request.params.id);
      if (!run) throw new Refusal('NOT_FOUND', 'That run is not in the book.');
      return {
        ...run,
        events: await listEvents(pool, request.crewId, request.params.id),
      };
    },
  );

  app.post(
    '/runs/:id/events',
    {
      schema: {
        tags: ['runs'],
        summary: 'Appends taps to a run. Sent twice they count once; their order does not matter.',
        params: z.object({ id: Id }),
        body: NewEvents,
        response: { 200: RunWithEvents, '4xx': Problem },
      },
    },
    async (request) => {
      const { id } = request.params;
      return inTransaction(pool, async (db) => {
        const run = await lockRun(db, request.crewId, id);
        if (!run) throw new Refusal('NOT_FOUND', 'That run is not in the book. Send the run first.');
        await appendEvents(db, request.crewId, run.groundId, id, request.body.events);
        const events = await listEvents(db, request.crewId, id);
        const kept = await writeTally(db, request.crewId, id, keepTally(run.startedAt, events));
        return { ...kept, events };
      });
    },
  );
}
