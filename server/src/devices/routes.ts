import { Id, Problem } from '@riffle/contract';
import { buoyCsv, gaugeCsv, scaleLines, walkNmea } from '@riffle/demo';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { z } from 'zod';
import { grounds } from '../ground/queries.ts';
import { Refusal } from '../http/problems.ts';

/** Simulated devices that stand in for real ones: a receiver that walks up a ground, a river gauge, a wave buoy, a scale. */
export function deviceRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();

  app.get(
    '/devices/gps.nmea',
    {
      schema: {
        tags: ['devices'],
        summary: 'A simulated receiver: a walk up the ground as NMEA 0183, a fix each second.',
        querystring: z.object({ ground: Id }),
        response: { 200: z.unknown(), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const ground = await grounds.find(pool, request.crewId, request.query.ground);
      if (!ground) throw new Refusal('NOT_FOUND', 'That ground is not in the book.');
      const { line } = ground;
      if (!line) throw new Refusal('NO_LINE', 'This ground was typed by name and length: there is no line to walk.');
      return reply
        .header('content-type', 'text/plain; charset=us-ascii')
        .serializer(String)
        .send(walkNmea(line, new Date()));
    },
  );

  app.get(
    '/devices/gauge.csv',
    {
      schema: {
        tags: ['devices'],
        summary: 'A simulated river gauge: a level each hour of the last days, as CSV.',
        querystring: z.object({ days: z.coerce.number<number>().int().min(1).max(60).default(14) }),
        response: { 200: z.unknown() },
      },
    },
    async (request, reply) =>
      reply
        .header('content-type', 'text/csv; charset=utf-8')
        .serializer(String)
        .send(gaugeCsv(new Date(), request.query.days)),
  );

  app.get(
    '/devices/buoy.csv',
    {
      schema: {
        tags: ['devices'],
        summary: 'A simulated wave buoy: height and period of the swell every three hours of the last days, as CSV.',
        querystring: z.object({ days: z.coerce.number<number>().int().min(1).max(60).default(14) }),
        response: { 200: z.unknown() },
      },
    },
    async (request, reply) =>
      reply
        .header('content-type', 'text/csv; charset=utf-8')
        .serializer(String)
        .send(buoyCsv(new Date(), request.query.days)),
  );

  app.get(
    '/devices/scale.txt',
    {
      schema: {
        tags: ['devices'],
        summary:
          'A simulated scale: what it sends over its cable while an empty vial, or one with gold, comes to rest.',
        querystring: z.object({ on: z.enum(['vial', 'gold']).default('vial') }),
        response: { 200: z.unknown() },
      },
    },
    async (request, reply) =>
      reply
        .header('content-type', 'text/plain; charset=us-ascii')
        .serializer(String)
        .send(scaleLines(request.query.on, Date.now() % 1_000_000)),
  );
}
