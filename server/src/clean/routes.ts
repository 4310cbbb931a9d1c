import { NewCleanup, StoredCleanup } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { listOfGround, putRecord } from '../http/recordRoutes.ts';
import { findCleanup, listCleanups, writeCleanup } from './queries.ts';

export function cleanRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  putRecord(scope, pool, crewId, {
    path: 'cleanups',
    sent: NewCleanup,
    kept: StoredCleanup,
    write: writeCleanup,
    find: findCleanup,
  });
  listOfGround(scope, pool, crewId, 'cleanups', StoredCleanup, listCleanups);
}
