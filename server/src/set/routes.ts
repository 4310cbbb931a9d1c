import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { recordRoutes } from '../http/recordRoutes.ts';
import { boxTests, rigs, setups } from './queries.ts';

export function setRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  recordRoutes(scope, pool, rigs);
  recordRoutes(scope, pool, setups);
  recordRoutes(scope, pool, boxTests);
}
