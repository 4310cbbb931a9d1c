import { BackupShelf, Problem } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type { Readable } from 'node:stream';
import { z } from 'zod';
import { Refusal } from '../http/problems.ts';
import type { Shelf } from './shelf.ts';

export function backupRoutes(scope: FastifyInstance, shelfOf: (crewId: string) => Shelf): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  // Straight to the disk: a backup with photos is larger than what a server holds in its memory.
  app.addContentTypeParser('application/zip', (_request, file, done) => done(null, file));

  app.get(
    '/backups',
    {
      schema: {
        tags: ['backups'],
        summary: 'Backups that lie ready, what is being done with one, and how the last thing asked for ended.',
        response: { 200: BackupShelf, '4xx': Problem },
      },
    },
    (request) => shelfOf(request.crewId).look(),
  );

  app.post(
    '/backups',
    {
      schema: {
        tags: ['backups'],
        summary: 'Starts making a backup of all that the crew has. GET /backups says how far it is.',
        response: { 202: BackupShelf, '4xx': Problem },
      },
    },
    async (request, reply) => {
      const shelf = shelfOf(request.crewId);
      await shelf.make();
      return reply.code(202).send(await shelf.look());
    },
  );

  app.get(
    '/backups/:name',
    {
      schema: {
        tags: ['backups'],
        summary: 'A backup: a zip as docs/backup.md says.',
        params: z.object({ name: z.string().max(60) }),
        response: { 200: z.unknown(), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const { name } = request.params;
      const found = await shelfOf(request.crewId).open(name);
      if (!found) throw new Refusal('NOT_FOUND', 'That backup is not there any more.');
      return reply
        .header('content-type', 'application/zip')
        .header('content-length', found.bytes)
        .header('content-disposition', `attachment; filename="${name}"`)
        .header('cache-control', 'no-store')
        .serializer((stream: unknown) => stream as string)
        .send(found.stream);
    },
  );

  app.post(
    '/backups/restore',
    {
      schema: {
        tags: ['backups'],
        summary:
          'Takes a backup (application/zip) and starts restoring it into an empty book: all of it, or nothing. GET /backups says how far it is.',
        response: { 202: BackupShelf, '4xx': Problem },
      },
    },
    async (request, reply) => {
      if (request.headers['content-type'] !== 'application/zip')
        throw new Refusal('UNKNOWN_TYPE', 'A backup is sent as application/zip.');
      const shelf = shelfOf(request.crewId);
      await shelf.restore(request.body as Readable);
      return reply.code(202).send(await shelf.look());
    },
  );
}
