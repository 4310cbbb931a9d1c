import {
  NewGaugeReading,
  NewPermission,
  NewSign,
  StoredGaugeReading,
  StoredPermission,
  StoredSign,
} from '@riffle/contract';
import type { FastifyInstance } from 'fastify';
import type pg from 'pg';
import { listOfGround, putRecord } from '../http/recordRoutes.ts';
import {
  findGaugeReading,
  findPermission,
  findSign,
  listGaugeReadings,
  listPermissions,
  listSigns,
  writeGaugeReading,
  writePermission,
  writeSign,
} from './queries.ts';

export function readRoutes(scope: FastifyInstance, pool: pg.Pool, crewId: string): void {
  putRecord(scope, pool, crewId, { path: 'signs', sent: NewSign, kept: StoredSign, write: writeSign, find: findSign });
  listOfGround(scope, pool, crewId, 'signs', StoredSign, listSigns);
  putRecord(scope, pool, crewId, {
    path: 'gauge-readings',
    sent: NewGaugeReading,
    kept: StoredGaugeReading,
    write: writeGaugeReading,
    find: findGaugeReading,
  });
  listOfGround(scope, pool, crewId, 'gauge-readings', StoredGaugeReading, listGaugeReadings);
  putRecord(scope, pool, crewId, {
    path: 'permissions',
    sent: NewPermission,
    kept: StoredPermission,
    write: writePermission,
    find: findPermission,
  });
  listOfGround(scope, pool, crewId, 'permissions', StoredPermission, listPermissions);
}
