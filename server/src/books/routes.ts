import { Book, FIRST_ID, Id, Problem, type StoredGround } from '@riffle/contract';
import { keepBook } from '@riffle/core';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { z } from 'zod';
import { grounds, MOST_SPOTS, spots } from '../ground/queries.ts';
import { fileName } from '../ground/routes.ts';
import { Refusal } from '../http/problems.ts';
import { recordRoutes } from '../http/recordRoutes.ts';
import { bookCsv } from './bookCsv.ts';
import { agreements, goldEntries, listCleanedUp, listUnweighedTallies, trials } from './queries.ts';

export function booksRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  recordRoutes(scope, pool, trials);
  recordRoutes(scope, pool, goldEntries);
  recordRoutes(scope, pool, agreements);
  const app = scope.withTypeProvider<ZodTypeProvider>();
  const params = z.object({ groundId: Id });

  const open = async (crewId: string, groundId: string): Promise<{ ground: StoredGround; book: Book }> => {
    const ground = await grounds.find(pool, crewId, groundId);
    if (!ground) throw new Refusal('NOT_FOUND', 'That ground is not in the book.');
    const [cleanups, unweighed] = await Promise.all([
      listCleanedUp(pool, crewId, ground),
      listUnweighedTallies(pool, crewId, groundId),
    ]);
    return { ground, book: keepBook(groundId, ground.swell_percent, cleanups, unweighed) };
  };

  app.get(
    '/grounds/:groundId/book',
    { schema: { tags: ['books'], params, response: { 200: Book, '4xx': Problem } } },
    async (request) => (await open(request.crewId, request.params.groundId)).book,
  );

  app.get(
    '/grounds/:groundId/book.csv',
    {
      schema: {
        tags: ['books'],
        summary: 'The book as CSV (RFC 4180).',
        params,
        querystring: z.object({ names: z.enum(['given', 'none']).default('given') }),
        response: { 200: z.string(), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const { ground, book } = await open(request.crewId, request.params.groundId);
      const places = await spots.list(pool, request.crewId, ground.id, FIRST_ID, MOST_SPOTS);
      const names = new Map(places.map((s) => [s.id, s.name]));
      const isNamed = request.query.names === 'given';
      const numbers = new Map(places.map((s, i) => [s.id, `Spot ${i + 1}`]));
      const csv = bookCsv(
        isNamed ? ground.name : 'A ground',
        book,
        (id) => (isNamed ? names : numbers).get(id) ?? 'a spot since removed',
      );
      return reply
        .header('content-type', 'text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="${isNamed ? `${fileName(ground.name)}-` : ''}book.csv"`)
        .serializer((s) => s as string)
        .send(csv);
    },
  );
}
