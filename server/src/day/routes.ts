import { NewPlan, StoredPlan } from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { listOfGround, putRecord } from '../http/recordRoutes.ts';
import { findPlan, listPlans, writePlan } from './queries.ts';

export function dayRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  putRecord(scope, pool, crewId, { path: 'plans', sent: NewPlan, kept: StoredPlan, write: writePlan, find: findPlan });
  listOfGround(scope, pool, crewId, 'plans', StoredPlan, listPlans);
}
