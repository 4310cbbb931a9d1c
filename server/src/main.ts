import { randomBytes } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { corranWrites } from '@riffle/demo';
import { buildApp } from './app.ts';
import { ensureCrew, ONLY_CREW_ID } from './db/crew.ts';
import { migrate } from './db/migrate.ts';
import { openPool } from './db/pool.ts';

export interface ServerOptions {
  readonly databaseUrl: string;
  /** As a role that may make and change tables, which the server itself need not; left out, `databaseUrl`. */
  readonly ownerUrl?: string;
  readonly migrationsDir: string;
  readonly webDir?: string;
  readonly port: number;
  /** Load the demo island when the database is new. */
  readonly demo: boolean;
}

/** Migrates, loads the demo into a new database, listens on loopback. `close` ends it all. */
export async function startServer({
  databaseUrl,
  ownerUrl = databaseUrl,
  migrationsDir,
  webDir,
  port,
  demo,
}: ServerOptions): Promise<{ port: number; demoLoaded: boolean; close: () => Promise<void> }> {
  await migrate(ownerUrl, migrationsDir);
  const pool = openPool(databaseUrl);
  const app = await buildApp({
    pool,
    crewOf: () => ONLY_CREW_ID,
    logger: true,
    ...(webDir !== undefined && { webDir }),
  });
  const isNew = await ensureCrew(pool, ONLY_CREW_ID, demo ? 'Corran crew' : 'My crew');
  await app.ready();
  if (isNew && demo) {
    // Through the front door, so that the demo obeys every rule a person does.
    for (const { method, url, body, type } of corranWrites(undefined, () => randomBytes(9).toString('hex'))) {
      const answer = await app.inject({
        method,
        url: `/api/v1${url}`,
        payload: body,
        headers: { 'content-type': type, host: 'localhost' },
      });
      if (answer.statusCode >= 300) throw new Error(`The demo was refused: ${method} ${url}: ${answer.body}`);
    }
  }
  await app.listen({ host: '127.0.0.1', port });
  return {
    port: (app.server.address() as AddressInfo).port,
    demoLoaded: isNew && demo,
    close: async () => {
      await app.close();
      await pool.end();
    },
  };
}
