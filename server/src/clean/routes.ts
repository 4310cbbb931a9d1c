import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { recordRoutes } from '../http/recordRoutes.ts';
import { cleanups, forecasts, jars, lifts } from './queries.ts';

export function cleanRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  recordRoutes(scope, pool, cleanups);
  recordRoutes(scope, pool, lifts);
  recordRoutes(scope, pool, forecasts);
  recordRoutes(scope, pool, jars);
}
