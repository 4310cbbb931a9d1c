import {
  Id,
  ImportedIds,
  ImportMode,
  ImportMoved,
  LaidOut,
  page,
  PannedGround,
  Pans,
  Problem,
  StoredSample,
  StoredSamplePlan,
} from '@riffle/contract';
import { WEIGHT_SCHOOLS } from '@riffle/core';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { Readable } from 'node:stream';
import { z } from 'zod';
import { inTransaction } from '../db/pool.ts';
import { spots } from '../ground/queries.ts';
import { Refusal } from '../http/problems.ts';
import { recordRoutes } from '../http/recordRoutes.ts';
import { sendPage, sendWritten } from '../http/written.ts';
import { importSamples } from './importSamples.ts';
import type { PannedGrounds } from './pannedGrounds.ts';
import {
  containers,
  latestSamples,
  looks,
  sweeps,
  lots,
  moveImport,
  pansAsJson,
  pits,
  samplePlans,
  samples,
  screenings,
  seedings,
  sizeWords,
} from './queries.ts';

/** A plan of 400 points and 1,000 bags is about 0.7 MB. */
const LARGEST_PLAN_BYTES = 4 * 1024 * 1024;
/** 100,000 samples as lines are about 80 MB. */
export const LARGEST_IMPORT_BYTES = 160 * 1024 * 1024;

/** The ids of 100,000 samples. */
const LARGEST_TAKE_BACK_BYTES = 6 * 1024 * 1024;

export function sampleRoutes(scope: FastifyInstance, pool: pg.Pool, panned: PannedGrounds): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  app.addContentTypeParser(
    'application/x-ndjson',
    { parseAs: 'string', bodyLimit: LARGEST_IMPORT_BYTES },
    (_request, body, done) => done(null, body),
  );

  recordRoutes(app, pool, samples);
  recordRoutes(app, pool, lots);
  recordRoutes(app, pool, pits);
  recordRoutes(app, pool, screenings);
  recordRoutes(app, pool, looks);
  recordRoutes(app, pool, sweeps);
  recordRoutes(app, pool, samplePlans);
  recordRoutes(app, pool, containers);
  recordRoutes(app, pool, seedings);
  recordRoutes(app, pool, sizeWords);

  app.get(
    '/grounds/:groundId/pans',
    {
      schema: {
        tags: ['samples'],
        summary:
          'The samples of a ground as far as reading it goes (where, when, how much, the colors, the weight), in columns by spot: for grounds with very many.',
        params: z.object({ groundId: Id }),
        response: { 200: Pans, '4xx': Problem },
      },
    },
    async (request, reply) => sendWritten(reply, await pansAsJson(pool, request.crewId, request.params.groundId)),
  );

  app.get(
    '/grounds/:groundId/samples/latest',
    {
      schema: {
        tags: ['samples'],
        summary: 'The 500 samples taken last, the last first.',
        params: z.object({ groundId: Id }),
        response: { 200: page(StoredSample), '4xx': Problem },
      },
    },
    async (request, reply) =>
      sendPage(reply, await latestSamples(pool, request.crewId, request.params.groundId), Infinity),
  );

  app.get(
    '/grounds/:groundId/panned',
    {
      schema: {
        tags: ['samples'],
        summary:
          'What all the samples of a ground come to: the grade of each spot, what a color weighs, what its spots are like together. By the school that says what a color weighs.',
        params: z.object({ groundId: Id }),
        querystring: z.object({ school: z.enum(WEIGHT_SCHOOLS) }),
        response: { 200: PannedGround, '4xx': Problem },
      },
    },
    async (request, reply) =>
      sendWritten(reply, await panned.of(request.crewId, request.params.groundId, request.query.school)),
  );

  app.put(
    '/sample-plans/:id/laid-out',
    {
      bodyLimit: LARGEST_PLAN_BYTES,
      schema: {
        tags: ['sample-plans'],
        summary: 'Keeps a plan of samples with its points and its bags, all or nothing. Sent again, it is kept once.',
        params: z.object({ id: Id }),
        body: LaidOut,
        response: { 200: StoredSamplePlan, '4xx': Problem },
      },
    },
    async (request) => {
      const { plan } = request.body;
      if (plan.id !== request.params.id)
        throw new Refusal('INVALID', 'The id in the address is not the id in the plan.', [
          { path: 'plan.id', message: 'Must be the id in the address.' },
        ]);
      const strange = [...request.body.spots, ...request.body.lots].find(
        (r) => r.groundId !== plan.groundId || r.samplePlanId !== plan.id,
      );
      if (strange)
        throw new Refusal('INVALID', 'A point or a bag belongs to another plan or ground.', [
          { path: 'lots', message: 'Every point and bag carries the plan’s own id and ground.' },
        ]);
      return inTransaction(pool, async (db) => {
        // Each is written once: what landed before is left as it is.
        const made = await samplePlans.write(db, request.crewId, plan, 0);
        await spots.insertMany(db, request.crewId, request.body.spots);
        await lots.insertMany(db, request.crewId, request.body.lots);
        return made ?? StoredSamplePlan.parse(await samplePlans.find(db, request.crewId, plan.id));
      });
    },
  );

  app.post(
    '/grounds/:groundId/samples/import',
    {
      bodyLimit: LARGEST_IMPORT_BYTES,
      schema: {
        tags: ['samples'],
        summary:
          'Takes samples in, a JSON line each (a spot to be made, or a sample with its row). Answers by lines: how far it is, then what was stored and every row refused.',
        params: z.object({ groundId: Id }),
        querystring: z.object({ mode: ImportMode }),
        response: { '4xx': Problem },
      },
    },
    async (request, reply) => {
      if (typeof request.body !== 'string')
        throw new Refusal('INVALID', 'Send one JSON object a line, as application/x-ndjson.');
      const gone = new AbortController();
      reply.raw.on('close', () => gone.abort());
      const lines = importSamples(
        pool,
        request.crewId,
        request.params.groundId,
        request.body,
        request.query.mode,
        gone.signal,
      );
      // Lines leave as they are made; a compressor would hold them back.
      return reply
        .header('content-type', 'application/x-ndjson')
        .header('content-encoding', 'identity')
        .serializer((s: unknown) => s as string)
        .send(Readable.from(lines) as never);
    },
  );

  for (const [path, isBack, summary] of [
    [
      'take-back',
      true,
      'Takes an import back: its samples, and spots made for it that hold nothing else. What was changed since stays.',
    ],
    ['bring-again', false, 'Brings in again what was taken back.'],
  ] as const)
    app.post(
      `/grounds/:groundId/samples/${path}`,
      {
        bodyLimit: LARGEST_TAKE_BACK_BYTES,
        schema: {
          tags: ['samples'],
          summary,
          params: z.object({ groundId: Id }),
          body: ImportedIds,
          response: { 200: ImportMoved, '4xx': Problem },
        },
      },
      async (request) =>
        inTransaction(pool, (db) => moveImport(db, request.crewId, request.params.groundId, request.body, isBack)),
    );
}
