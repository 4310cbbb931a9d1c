import { page, PageQuery, Id, Problem } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import { inTransaction, type Db } from '../db/pool.ts';
import { Refusal } from './problems.ts';

/** What every aggregate has on the wire. */
interface Sent {
  readonly id: string;
  readonly baseVersion: number;
}
interface Kept {
  readonly id: string;
  readonly version: number;
  readonly updatedAt: string;
}

/** How one kind of record is kept. `write` answers null when the stored version is not `baseVersion`. */
export interface RecordKind<S extends Sent, K extends Kept> {
  readonly path: string;
  readonly sent: z.ZodType<S>;
  readonly kept: z.ZodType<K>;
  readonly write: (db: Db, crewId: string, record: S, baseVersion: number) => Promise<unknown>;
  readonly find: (db: Db, crewId: string, id: string) => Promise<unknown>;
}

/**
 * PUT /<path>/:id for an aggregate written whole. 201 when new, 200 when changed or when the very same write has landed
 * before (a lost reply can be asked for again), 409 with both copies when someone else wrote meanwhile.
 */
export function putRecord<S extends Sent, K extends Kept>(
  scope: FastifyInstance,
  pool: pg.Pool,
  crewId: string,
  kind: RecordKind<S, K>,
): void {
  scope.put(
    `/${kind.path}/:id`,
    {
      schema: {
        tags: [kind.path],
        params: z.object({ id: Id }),
        body: kind.sent,
        response: { 200: kind.kept, 201: kind.kept, '4xx': Problem },
      },
    },
    async (request, reply) => {
      const sent = request.body as S;
      const { id } = request.params as { id: string };
      if (sent.id !== id)
        throw new Refusal('INVALID', 'The id in the address is not the id in the record.', [
          { path: 'id', message: 'Must be the id in the address.' },
        ]);
      const written = await inTransaction(pool, (db) => kind.write(db, crewId, sent, sent.baseVersion));
      if (written) {
        const kept = kind.kept.parse(written);
        return reply.code(kept.version === 1 ? 201 : 200).send(kept);
      }
      const found = await kind.find(pool, crewId, id);
      if (!found)
        throw new Refusal('NOT_FOUND', 'This record is not in the book, so it cannot be changed. Send it as new.');
      const current = kind.kept.parse(found);
      if (current.version === sent.baseVersion + 1 && sameContent(sent, current)) return reply.code(200).send(current);
      throw new Refusal(
        'CHANGED',
        'Someone changed this record after you opened it. Your copy is kept here beside theirs.',
        undefined,
        { current, sent },
      );
    },
  );
}

/** Every field that was sent stands in the stored copy with the same value. */
function sameContent(sent: Sent, current: Kept): boolean {
  const stored = current as unknown as Record<string, unknown>;
  return Object.entries(sent).every(
    ([name, value]) => name === 'baseVersion' || isDeepStrictEqual(value, stored[name]),
  );
}

/** GET /grounds/:groundId/<path>: pages in id order. */
export function listOfGround<K extends Kept>(
  scope: FastifyInstance,
  pool: pg.Pool,
  crewId: string,
  path: string,
  kept: z.ZodType<K>,
  list: (db: Db, crewId: string, groundId: string, after: string, limit: number) => Promise<unknown[]>,
): void {
  scope.get(
    `/grounds/:groundId/${path}`,
    {
      schema: {
        tags: [path],
        params: z.object({ groundId: Id }),
        querystring: PageQuery,
        response: { 200: page(kept), '4xx': Problem },
      },
    },
    async (request) => {
      const { groundId } = request.params as { groundId: string };
      const { after, limit } = request.query as z.infer<typeof PageQuery>;
      return asPage(kept, await list(pool, crewId, groundId, after, limit), limit);
    },
  );
}

/** Rows as a page: `next` is the last id when the page is full. */
export function asPage<K extends Kept>(
  kept: z.ZodType<K>,
  rows: unknown[],
  limit: number,
): { items: K[]; next: string | null } {
  const items = rows.map((row) => kept.parse(row));
  return { items, next: items.length === limit ? (items.at(-1)?.id ?? null) : null };
}
