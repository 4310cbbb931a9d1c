import {
  Id,
  ImportMode,
  LaidOut,
  NewContainer,
  NewLot,
  NewPit,
  NewSample,
  NewSamplePlan,
  NewScreening,
  NewSeeding,
  NewSizeWord,
  page,
  PageQuery,
  Problem,
  StoredContainer,
  StoredLot,
  StoredPit,
  StoredSample,
  StoredSamplePlan,
  StoredScreening,
  StoredSeeding,
  StoredSizeWord,
  type SamplePlan,
} from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { Readable } from 'node:stream';
import { z } from 'zod';
import { inTransaction, type Db } from '../db/pool.ts';
import { writeSpot } from '../ground/queries.ts';
import { Refusal } from '../http/problems.ts';
import { asPage, listOfGround, putRecord } from '../http/recordRoutes.ts';
import {
  bringBackUndug,
  dropUndug,
  findPit,
  findSamplePlan,
  findScreening,
  listPits,
  listSamplePlans,
  listScreenings,
  writePit,
  writeSamplePlan,
  writeScreening,
} from './digQueries.ts';
import {
  findContainer,
  findSeeding,
  findSizeWord,
  listContainers,
  listSeedings,
  listSizeWords,
  writeContainer,
  writeSeeding,
  writeSizeWord,
} from './handsQueries.ts';
import { importSamples } from './importSamples.ts';
import { findLot, findSample, listLots, listSamples, writeLot, writeSample } from './queries.ts';

/** A plan of 400 points and 1,000 bags is about 0.7 MB. */
const LARGEST_PLAN_BYTES = 4 * 1024 * 1024;
/** 100,000 samples as lines are about 80 MB. */
export const LARGEST_IMPORT_BYTES = 160 * 1024 * 1024;

export function sampleRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  app.addContentTypeParser(
    'application/x-ndjson',
    { parseAs: 'string', bodyLimit: LARGEST_IMPORT_BYTES },
    (_request, body, done) => done(null, body),
  );

  putRecord(app, pool, crewId, {
    path: 'samples',
    sent: NewSample,
    kept: StoredSample,
    write: writeSample,
    find: findSample,
  });
  listOfGround(app, pool, crewId, 'samples', StoredSample, listSamples);
  putRecord(app, pool, crewId, { path: 'lots', sent: NewLot, kept: StoredLot, write: writeLot, find: findLot });
  listOfGround(app, pool, crewId, 'lots', StoredLot, listLots);
  putRecord(app, pool, crewId, { path: 'pits', sent: NewPit, kept: StoredPit, write: writePit, find: findPit });
  listOfGround(app, pool, crewId, 'pits', StoredPit, listPits);
  putRecord(app, pool, crewId, {
    path: 'screenings',
    sent: NewScreening,
    kept: StoredScreening,
    write: writeScreening,
    find: findScreening,
  });
  listOfGround(app, pool, crewId, 'screenings', StoredScreening, listScreenings);
  putRecord(app, pool, crewId, {
    path: 'sample-plans',
    sent: NewSamplePlan,
    kept: StoredSamplePlan,
    write: writePlan,
    find: findSamplePlan,
  });
  listOfGround(app, pool, crewId, 'sample-plans', StoredSamplePlan, listSamplePlans);
  putRecord(app, pool, crewId, {
    path: 'containers',
    sent: NewContainer,
    kept: StoredContainer,
    write: writeContainer,
    find: findContainer,
  });
  app.get(
    '/containers',
    { schema: { tags: ['containers'], querystring: PageQuery, response: { 200: page(StoredContainer) } } },
    async (request) =>
      asPage(
        StoredContainer,
        await listContainers(pool, crewId, request.query.after, request.query.limit),
        request.query.limit,
      ),
  );
  putRecord(app, pool, crewId, {
    path: 'seedings',
    sent: NewSeeding,
    kept: StoredSeeding,
    write: writeSeeding,
    find: findSeeding,
  });
  app.get(
    '/seedings',
    { schema: { tags: ['seedings'], querystring: PageQuery, response: { 200: page(StoredSeeding) } } },
    async (request) =>
      asPage(
        StoredSeeding,
        await listSeedings(pool, crewId, request.query.after, request.query.limit),
        request.query.limit,
      ),
  );
  putRecord(app, pool, crewId, {
    path: 'size-words',
    sent: NewSizeWord,
    kept: StoredSizeWord,
    write: writeSizeWord,
    find: findSizeWord,
  });
  app.get(
    '/size-words',
    { schema: { tags: ['size-words'], querystring: PageQuery, response: { 200: page(StoredSizeWord) } } },
    async (request) =>
      asPage(
        StoredSizeWord,
        await listSizeWords(pool, crewId, request.query.after, request.query.limit),
        request.query.limit,
      ),
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
      const { plan, spots, lots } = request.body;
      if (plan.id !== request.params.id)
        throw new Refusal('INVALID', 'The id in the address is not the id in the plan.', [
          { path: 'plan.id', message: 'Must be the id in the address.' },
        ]);
      const strange = [...spots, ...lots].find((r) => r.groundId !== plan.groundId || r.samplePlanId !== plan.id);
      if (strange)
        throw new Refusal('INVALID', 'A point or a bag belongs to another plan or ground.', [
          { path: 'lots', message: 'Every point and bag carries the plan’s own id and ground.' },
        ]);
      await inTransaction(pool, async (db) => {
        // Each is written once: what landed before is left as it is.
        await writeSamplePlan(db, crewId, plan, 0);
        for (const spot of spots) await writeSpot(db, crewId, spot, 0);
        for (const lot of lots) await writeLot(db, crewId, lot, 0);
      });
      return StoredSamplePlan.parse(await findSamplePlan(pool, crewId, plan.id));
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
      const lines = importSamples(pool, crewId, request.params.groundId, request.body, request.query.mode, gone.signal);
      // Lines leave as they are made; a compressor would hold them back.
      return reply
        .header('content-type', 'application/x-ndjson')
        .header('content-encoding', 'identity')
        .serializer((s: unknown) => s as string)
        .send(Readable.from(lines) as never);
    },
  );
}

/** A plan taken out takes the bags nobody dug along, and brings them back when it is put back. */
async function writePlan(db: Db, crewId: string, plan: SamplePlan, baseVersion: number): Promise<unknown> {
  const found = StoredSamplePlan.nullable().parse(await findSamplePlan(db, crewId, plan.id));
  if (found?.deleted && !plan.deleted && found.version === baseVersion) await bringBackUndug(db, crewId, plan.id);
  const written = await writeSamplePlan(db, crewId, plan, baseVersion);
  if (written && plan.deleted) await dropUndug(db, crewId, plan.id);
  return written;
}
