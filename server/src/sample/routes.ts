import { NewSample, StoredSample } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { listOfGround, putRecord } from '../http/recordRoutes.ts';
import { findSample, listSamples, writeSample } from './queries.ts';

export function sampleRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  putRecord(scope, pool, crewId, { path: 'samples', sent: NewSample, kept: StoredSample, write: writeSample, find: findSample });
  listOfGround(scope, pool, crewId, 'samples', StoredSample, listSamples);
}
