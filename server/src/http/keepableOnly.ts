import { UNKEEPABLE_SAYS, unkeepableAt } from '@riffle/contract';
import type { FastifyRequest } from 'fastify';
import { Readable } from 'node:stream';
import { Refusal } from './problems.ts';

/** Refuses texts that PostgreSQL cannot hold before they reach it, wherever in the request they stand, by the field's name. */
export async function keepableOnly({ params, query, body }: FastifyRequest): Promise<void> {
  for (const part of [params, query, body]) {
    // A file is read by what reads files.
    const isFile = typeof part === 'string' || Buffer.isBuffer(part) || part instanceof Readable;
    const at = isFile ? null : unkeepableAt(part);
    if (at)
      throw new Refusal('INVALID', 'Nothing was stored. See the fields named.', [
        { path: at.join('.'), message: UNKEEPABLE_SAYS },
      ]);
  }
}
