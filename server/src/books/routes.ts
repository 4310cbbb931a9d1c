import { Book, FIRST_ID, Id, Problem, StoredGround, StoredSpot } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { z } from 'zod';
import { findGround, listSpots, MOST_SPOTS } from '../ground/queries.ts';
import { fileName } from '../ground/routes.ts';
import { Refusal } from '../http/problems.ts';
import { bookCsv } from './bookCsv.ts';
import { keepBook } from './keepBook.ts';
import { listCleanedUp, listUnweighedTallies } from './queries.ts';

export function booksRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  const params = z.object({ groundId: Id });

  const open = async (groundId: string): Promise<{ ground: StoredGround; book: Book }> => {
    const found = await findGround(pool, crewId, groundId);
    if (!found) throw new Refusal('NOT_FOUND', 'That ground is not in the book.');
    const ground = StoredGround.parse(found);
    const [cleanups, unweighed] = await Promise.all([
      listCleanedUp(pool, crewId, groundId),
      listUnweighedTallies(pool, crewId, groundId),
    ]);
    return { ground, book: keepBook(groundId, ground.swell_percent, cleanups, unweighed) };
  };

  app.get(
    '/grounds/:groundId/book',
    { schema: { tags: ['books'], params, response: { 200: Book, '4xx': Problem } } },
    async (request) => (await open(request.params.groundId)).book,
  );

  app.get(
    '/grounds/:groundId/book.csv',
    {
      schema: {
        tags: ['books'],
        summary: 'The book as CSV (RFC 4180).',
        params,
        response: { 200: z.string(), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const { ground, book } = await open(request.params.groundId);
      const spots = new Map(
        (await listSpots(pool, crewId, ground.id, FIRST_ID, MOST_SPOTS))
          .map((row) => StoredSpot.parse(row))
          .map((s) => [s.id, s.name]),
      );
      const csv = bookCsv(ground.name, book, (id) => spots.get(id) ?? 'a spot since removed');
      return reply
        .header('content-type', 'text/csv; charset=utf-8')
        .header('content-disposition', `attachment; filename="${fileName(ground.name)}-book.csv"`)
        .serializer((s) => s as string)
        .send(csv);
    },
  );
}
