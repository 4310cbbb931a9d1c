import { Id, Problem } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { z } from 'zod';
import { Refusal } from '../http/problems.ts';
import { recordRoutes } from '../http/recordRoutes.ts';
import { attachments, findAttachmentFile, outlines, writeAttachmentFile } from './queries.ts';

/** Largest file kept; pictures are made smaller before they are sent. */
export const LARGEST_ATTACHMENT_BYTES = 8 * 1024 * 1024;

/** How the files of each kind begin (their published formats: JPEG, PNG, RIFF/WebP, PDF). */
const BEGINS: Readonly<Record<string, (b: Buffer) => boolean>> = {
  'image/jpeg': (b) => b.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])),
  'image/png': (b) => b.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])),
  'image/webp': (b) => b.toString('latin1', 0, 4) === 'RIFF' && b.toString('latin1', 8, 12) === 'WEBP',
  'application/pdf': (b) => b.toString('latin1', 0, 5) === '%PDF-',
};

export function mapRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  const app = scope.withTypeProvider<ZodTypeProvider>();
  app.addContentTypeParser(
    Object.keys(BEGINS),
    { parseAs: 'buffer', bodyLimit: LARGEST_ATTACHMENT_BYTES },
    (_request, body, done) => done(null, body),
  );

  recordRoutes(app, pool, outlines);
  recordRoutes(app, pool, attachments);

  app.put(
    '/attachments/:id/file',
    {
      bodyLimit: LARGEST_ATTACHMENT_BYTES,
      schema: {
        tags: ['attachments'],
        summary: 'The bytes of an attachment written before. Sent again, they are kept once.',
        params: z.object({ id: Id }),
        response: { 204: z.null(), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      const attachment = await attachments.find(pool, request.crewId, id);
      if (!attachment) throw new Refusal('NOT_FOUND', 'Write the attachment first, then its file.');
      const { mime } = attachment;
      const bytes = request.body as Buffer;
      if (!Buffer.isBuffer(bytes) || !BEGINS[mime]?.(bytes))
        throw new Refusal(
          'FILE_UNREADABLE',
          `This is not a whole ${mime === 'application/pdf' ? 'PDF' : 'picture'} of the kind it says it is. Choose the file again.`,
        );
      await writeAttachmentFile(pool, request.crewId, id, bytes);
      return reply.code(204).send(null);
    },
  );

  app.get(
    '/attachments/:id/file',
    {
      schema: {
        tags: ['attachments'],
        summary: 'The bytes of an attachment.',
        params: z.object({ id: Id }),
        response: { 200: z.unknown(), '4xx': Problem },
      },
    },
    async (request, reply) => {
      const file = await findAttachmentFile(pool, request.crewId, request.params.id);
      if (!file) throw new Refusal('NOT_FOUND', 'That file is not in the book, or has not arrived yet.');
      // A file never changes under its address.
      return reply
        .header('content-type', file.mime)
        .header('cache-control', 'private, max-age=31536000, immutable')
        .header('content-disposition', 'inline')
        .serializer((b: unknown) => b as string)
        .send(file.bytes);
    },
  );
}
