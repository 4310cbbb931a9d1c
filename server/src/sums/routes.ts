import { Problem } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import { z } from 'zod';
import type { WorkPool } from '../work/workPool.ts';
import { SUMS } from './sums.ts';

/** POST /sums/<name>: every calculation of the core as a documented call, for scripts and spreadsheets. */
export function sumsRoutes(scope: FastifyInstance, work: WorkPool): void {
  for (const { name, summary, input } of SUMS) {
    scope.post(
      `/sums/${name}`,
      { schema: { tags: ['sums'], summary, body: input, response: { 200: z.unknown(), '4xx': Problem } } },
      async (request, reply) =>
        reply.serializer(JSON.stringify).send(await work.run('sum', { name, input: request.body })),
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
