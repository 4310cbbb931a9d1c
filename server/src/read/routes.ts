import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { recordRoutes } from '../http/recordRoutes.ts';
import { gaugeReadings, permissions, signs, swellReadings } from './queries.ts';

export function readRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  recordRoutes(scope, pool, signs);
  recordRoutes(scope, pool, gaugeReadings);
  recordRoutes(scope, pool, swellReadings);
  recordRoutes(scope, pool, permissions);
}
