import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { recordRoutes } from '../http/recordRoutes.ts';
import { gaugeReadings, permissions, signs } from './queries.ts';

export function readRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  recordRoutes(scope, pool, signs);
  recordRoutes(scope, pool, gaugeReadings);
  recordRoutes(scope, pool, permissions);
}
