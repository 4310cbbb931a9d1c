import { NewLot, NewSample, StoredLot, StoredSample } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { listOfGround, putRecord } from '../http/recordRoutes.ts';
import { findLot, findSample, listLots, listSamples, writeLot, writeSample } from './queries.ts';

export function sampleRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  putRecord(scope, pool, crewId, { path: 'samples', sent: NewSample, kept: StoredSample, write: writeSample, find: findSample });
  listOfGround(scope, pool, crewId, 'samples', StoredSample, listSamples);
  putRecord(scope, pool, crewId, { path: 'lots', sent: NewLot, kept: StoredLot, write: writeLot, find: findLot });
  listOfGround(scope, pool, crewId, 'lots', StoredLot, listLots);
}
