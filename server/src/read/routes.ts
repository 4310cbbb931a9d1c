import { NewSign, StoredSign } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { listOfGround, putRecord } from '../http/recordRoutes.ts';
import { findSign, listSigns, writeSign } from './queries.ts';

export function readRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  putRecord(scope, pool, crewId, { path: 'signs', sent: NewSign, kept: StoredSign, write: writeSign, find: findSign });
  listOfGround(scope, pool, crewId, 'signs', StoredSign, listSigns);
}
