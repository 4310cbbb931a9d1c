import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { recordRoutes } from '../http/recordRoutes.ts';
import { daySheets } from './queries.ts';

export function dayRoutes(scope: FastifyInstance, pool: pg.Pool): void {
  recordRoutes(scope, pool, daySheets);
}
