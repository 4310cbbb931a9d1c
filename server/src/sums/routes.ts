import { Problem } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import { z } from 'zod';
import { SUMS } from './sums.ts';

/** POST /sums/<name>: every calculation of the core as a documented call, for scripts and spreadsheets. */
export function sumsRoutes(scope: FastifyInstance): void {
  for (const { name, summary, input, compute } of SUMS) {
    scope.post(
      `/sums/${name}`,
      { schema: { tags: ['sums'], summary, body: input, response: { 200: z.unknown(), '4xx': Problem } } },
      async (request, reply) => reply.serializer(JSON.stringify).send(compute(request.body as never)),
    );
  }
  scope.get(
    '/sums',
    {
      schema: {
        tags: ['sums'],
        summary: 'The names of all sums.',
        response: { 200: z.array(z.object({ name: z.string(), summary: z.string() })) },
      },
    },
    async () => SUMS.map(({ name, summary }) => ({ name, summary })),
  );
}
