import { changes, ChangesQuery, GroundsPageQuery, page, PageQuery, Id, Problem } from '@riffle/contract';
import type { FastifyInstance, FastifyReply, FastifyRequest } from 'fastify';
import type pg from 'pg';
import { isDeepStrictEqual } from 'node:util';
import { z } from 'zod';
import { inTransaction, type Db } from '../db/pool.ts';
import type { Kept, RecordKind, Sent } from '../db/recordKind.ts';
import { Refusal } from './problems.ts';
import { sendChanges, sendPage } from './written.ts';

/**
 * The calls every kind of record has: PUT /<path>/:id for a whole record, and its list by pages in id order,
 * GET /grounds/:groundId/<path> and GET /<path>?grounds= for several grounds, or GET /<path> for what belongs to the crew.
 * Of one ground's list also what changed since it was read: GET /grounds/:groundId/<path>/changes.
 */
export function recordRoutes<S extends Sent, K extends Kept>(
  scope: FastifyInstance,
  pool: pg.Pool,
  kind: RecordKind<S, K>,
): void {
  putRecord(scope, pool, kind);
  listRecords(scope, pool, kind);
}

/**
 * 201 when new, 200 when changed or when the very same write has landed before (a lost reply can be asked for again),
 * 409 with both copies when someone else wrote meanwhile.
 */
function putRecord<S extends Sent, K extends Kept>(
  scope: FastifyInstance,
  pool: pg.Pool,
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
      const write = (db: Db): Promise<K | null> => kind.write(db, request.crewId, sent, sent.baseVersion);
      const written = await (kind.writesAtOnce ? write(pool) : inTransaction(pool, write));
      if (written) return reply.code(written.version === 1 ? 201 : 200).send(written);
      const current = await kind.find(pool, request.crewId, id);
      if (!current)
        throw new Refusal('NOT_FOUND', 'This record is not in the book, so it cannot be changed. Send it as new.');
      if (current.version === sent.baseVersion + 1 && sameContent(sent, current)) return reply.code(200).send(current);
      const moved = groundOf(sent) !== groundOf(current);
      if (moved && current.version === sent.baseVersion)
        throw new Refusal('INVALID', 'A record stays on its ground. Write a new one there and take this one out.', [
          { path: 'groundId', message: 'This record is of another ground and stays there.' },
        ]);
      throw new Refusal(
        'CHANGED',
        'Someone changed this record after you opened it. Your copy is kept here beside theirs.',
        undefined,
        { current, sent },
      );
    },
  );
}

function listRecords<S extends Sent, K extends Kept>(
  scope: FastifyInstance,
  pool: pg.Pool,
  kind: RecordKind<S, K>,
): void {
  const schema = { tags: [kind.path], querystring: PageQuery, response: { 200: page(kind.kept), '4xx': Problem } };
  const answer = async (request: FastifyRequest, reply: FastifyReply, groundId: string | null) => {
    const { after, limit } = request.query as z.infer<typeof PageQuery>;
    return sendPage(reply, await kind.page(pool, request.crewId, groundId, after, limit), limit);
  };
  if (kind.ofGround) {
    scope.get(
      `/grounds/:groundId/${kind.path}`,
      { schema: { ...schema, params: z.object({ groundId: Id }) } },
      (request, reply) => answer(request, reply, (request.params as { groundId: string }).groundId),
    );
    scope.get(
      `/grounds/:groundId/${kind.path}/changes`,
      {
        schema: {
          tags: [kind.path],
          summary: 'What of the list changed after a moment, and what the whole of it comes to.',
          params: z.object({ groundId: Id }),
          querystring: ChangesQuery,
          response: { 200: changes(kind.kept), '4xx': Problem },
        },
      },
      async (request, reply) => {
        const { groundId } = request.params as { groundId: string };
        const { since } = request.query as z.infer<typeof ChangesQuery>;
        return sendChanges(reply, await kind.changes(pool, request.crewId, groundId, since));
      },
    );
    scope.get(
      `/${kind.path}`,
      { schema: { ...schema, summary: 'Of several grounds in one list.', querystring: GroundsPageQuery } },
      async (request, reply) => {
        const { grounds, after, limit } = request.query as z.infer<typeof GroundsPageQuery>;
        return sendPage(reply, await kind.pageOfGrounds(pool, request.crewId, grounds, after, limit), limit);
      },
    );
  } else scope.get(`/${kind.path}`, { schema }, (request, reply) => answer(request, reply, null));
}

const groundOf = (record: object): unknown => ('groundId' in record ? record.groundId : null);

/** Every field that was sent stands in the stored copy with the same value. */
function sameContent(sent: Sent, current: Kept): boolean {
  const stored = current as unknown as Record<string, unknown>;
  return Object.entries(sent).every(
    ([name, value]) => name === 'baseVersion' || isDeepStrictEqual(value, stored[name]),
  );
}
