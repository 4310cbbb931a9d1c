import { NewRig, NewSetup, page, PageQuery, StoredRig, StoredSetup } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type { ZodTypeProvider } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { asPage, listOfGround, putRecord } from '../http/recordRoutes.ts';
import { findRig, findSetup, listRigs, listSetups, writeRig, writeSetup } from './queries.ts';

export function setRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  putRecord(scope, pool, crewId, { path: 'rigs', sent: NewRig, kept: StoredRig, write: writeRig, find: findRig });
  putRecord(scope, pool, crewId, {
    path: 'setups',
    sent: NewSetup,
    kept: StoredSetup,
    write: writeSetup,
    find: findSetup,
  });
  listOfGround(scope, pool, crewId, 'setups', StoredSetup, listSetups);
  scope
    .withTypeProvider<ZodTypeProvider>()
    .get(
      '/rigs',
      { schema: { tags: ['rigs'], querystring: PageQuery, response: { 200: page(StoredRig) } } },
      async (request) =>
        asPage(StoredRig, await listRigs(pool, crewId, request.query.after, request.query.limit), request.query.limit),
    );
}
