import { afterAll, beforeAll } from '@jest/globals';
import { corranWrites } from '@riffle/demo';
import type { FastifyInstance, InjectOptions, LightMyRequestResponse } from 'fastify';
import pg from 'pg';
import { v7 as uuidv7 } from 'uuid';
import { buildApp } from '../src/app.ts';
import { ensureCrew } from '../src/db/crew.ts';
import { openPool } from '../src/db/pool.ts';

/** For tests: a server on a database of its own, copied from the migrated template. */
export interface TestServer {
  app: FastifyInstance;
  pool: pg.Pool;
  crewId: string;
  /** The same database as one who may do everything there. */
  ownerUrl: string;
  call(
    method: 'GET' | 'PUT' | 'POST',
    path: string,
    body?: unknown,
    headers?: Record<string, string>,
  ): Promise<LightMyRequestResponse>;
}

export function useTestServer(options: Partial<Parameters<typeof buildApp>[0]> = {}): TestServer {
  const clusterUrl = process.env['TEST_CLUSTER_URL'] ?? '';
  const superUrl = process.env['TEST_CLUSTER_SUPER_URL'] ?? '';
  const name = `test_${uuidv7().replaceAll('-', '')}`;
  const crewId = uuidv7();
  const server = {
    crewId,
    ownerUrl: superUrl.replace(/postgres$/, name),
    call: (method: 'GET' | 'PUT' | 'POST', path: string, body?: unknown, headers: Record<string, string> = {}) =>
      server.app.inject({
        method,
        url: `/api/v1${path}`,
        headers: { host: 'localhost:4200', ...headers },
        ...(body !== undefined && { payload: body as InjectOptions['payload'] }),
      } as InjectOptions),
  } as TestServer;

  const asSuperuser = async (sql: string): Promise<void> => {
    const client = new pg.Client({ connectionString: superUrl });
    await client.connect();
    await client.query(sql);
    await client.end();
  };
  beforeAll(async () => {
    await asSuperuser(`create database ${name} template riffle_template`);
    server.pool = openPool(clusterUrl.replace(/postgres$/, name));
    await ensureCrew(server.pool, crewId, 'Test crew');
    server.app = await buildApp({
      pool: server.pool,
      crewOf: () => crewId,
      // Many tests share the machine; none of these is about a database that is away, or about what takes too long.
      patience_ms: 30_000,
      longestWork_ms: 120_000,
      ...options,
    });
  });
  afterAll(async () => {
    await server.app.close();
    await server.pool.end();
    await asSuperuser(`drop database ${name} with (force)`);
  });
  return server;
}

/** The demo island into a server's book, every write of it taken. */
export async function loadCorran(server: TestServer): Promise<void> {
  for (const { method, url, body, type } of corranWrites()) {
    const { statusCode, body: said } = await server.call(method, url, body, { 'content-type': type });
    if (statusCode >= 300) throw new Error(`The demo was refused: ${method} ${url}: ${said}`);
  }
}
