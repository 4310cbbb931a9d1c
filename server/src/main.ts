import { randomBytes } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { corranWrites, seasonEndedBefore } from '@riffle/demo';
import type { FastifyInstance } from 'fastify';
import { buildApp } from './app.ts';
import { openShelves } from './backup/shelf.ts';
import { ensureCrew, ONLY_CREW_ID } from './db/crew.ts';
import { migrate } from './db/migrate.ts';
import { openPool, untilConnected } from './db/pool.ts';
import { openDiary } from './http/diary.ts';

export interface ServerOptions {
  readonly databaseUrl: string;
  /** As a role that may make and change tables, which the server itself need not; left out, `databaseUrl`. */
  readonly ownerUrl?: string;
  readonly migrationsDir: string;
  readonly webDir?: string;
  /** Where the diary of operation is written, without its ending; left out, the worst of it goes to standard output. */
  readonly diaryFile?: string;
  /** Where backups lie and one is made each day; left out, none are. */
  readonly backupsDir?: string;
  /** The first of these that is free is listened on; 0 is any. */
  readonly ports: readonly number[];
  /** Load the demo island when the database is new: with a season that ended yesterday and some of the year before, or as pictures and tests have it. */
  readonly demo: false | 'of today' | 'as in pictures';
}

/** The first minute belongs to whoever opens Riffle. */
const FIRST_BACKUP_MS = 60_000;
const DEMO_PATIENCE_MS = 60_000;
const LOOK_AGAIN_MS = 10 * 60_000;

/** Migrates, loads the demo into a new database, listens on loopback. `close` ends it all. */
export async function startServer({
  databaseUrl,
  ownerUrl = databaseUrl,
  migrationsDir,
  webDir,
  diaryFile,
  backupsDir,
  ports,
  demo,
}: ServerOptions): Promise<{ port: number; demoLoaded: boolean; close: () => Promise<void> }> {
  const diary = await openDiary(diaryFile);
  const migrated = await migrate(ownerUrl, migrationsDir);
  const pool = openPool(databaseUrl);
  const shelves =
    backupsDir === undefined
      ? null
      : openShelves({
          pool,
          ownerUrl,
          migrationsDir,
          dir: backupsDir,
          onFault: (error) => app.log.error(error, 'A backup could not be brought to its end.'),
          onEnd: (ended) => app.log.info(ended, 'A backup came to its end.'),
        });
  const app = await buildApp({
    pool,
    crewOf: () => ONLY_CREW_ID,
    crewAhead: ONLY_CREW_ID,
    diary,
    ...(shelves && { shelfOf: shelves.of }),
    ...(webDir !== undefined && { webDir }),
  });
  await untilConnected(pool);
  const isNew = await ensureCrew(pool, ONLY_CREW_ID, demo ? 'Corran crew' : 'My crew');
  await app.ready();
  if (isNew && demo) {
    // Through the front door, so that the demo obeys every rule a person does.
    for (const { method, url, body, type } of corranWrites({
      idEnd: () => randomBytes(9).toString('hex'),
      ...(demo === 'of today' && { season_ms: seasonEndedBefore(Date.now()), withLastYear: true }),
    })) {
      const write = (): Promise<{ statusCode: number; body: string }> =>
        app.inject({
          method,
          url: `/api/v1${url}`,
          payload: body,
          headers: { 'content-type': type, host: 'localhost' },
        });
      let answer = await write();
      // A machine that has much else to do at the first start may let the database look away for a while.
      for (const until = Date.now() + DEMO_PATIENCE_MS; answer.statusCode === 503 && Date.now() < until;) {
        await sleep(500);
        answer = await write();
      }
      if (answer.statusCode >= 300) throw new Error(`The demo was refused: ${method} ${url}: ${answer.body}`);
    }
  }
  await warmUp(app);
  await listenOnFirst(app, ports);
  app.log.info({ migrated, node: process.version }, 'The server is up.');
  const daily = (): void =>
    void shelves
      ?.of(ONLY_CREW_ID)
      .makeDaily(new Date())
      .catch((error: unknown) => app.log.error(error, 'The backup of the day could not be made.'));
  const timers = [setTimeout(daily, FIRST_BACKUP_MS), setInterval(daily, LOOK_AGAIN_MS)];
  return {
    port: (app.server.address() as AddressInfo).port,
    demoLoaded: isNew && demo !== false,
    close: async () => {
      timers.forEach(clearTimeout);
      await shelves?.close();
      await app.close();
      await pool.end();
    },
  };
}

const NOT_THERE = '00000000-0000-7000-8000-000000000000';

/**
 * Asks what is asked most before anyone else can. The first time each of it is compiled for tens of milliseconds, in which
 * no other answer goes out, and a server that comes back has all that waited for it at its door. Nothing is written: what
 * is sent is no record, and refused.
 */
async function warmUp(app: FastifyInstance): Promise<void> {
  const ask = (method: 'GET' | 'PUT' | 'POST', path: string) =>
    app.inject({
      method,
      url: `/api/v1${path}`,
      headers: { host: 'localhost' },
      ...(method !== 'GET' && { payload: {} }),
    });
  // Nothing for the diary: nobody was refused.
  const { level } = app.log;
  app.log.level = 'silent';
  await Promise.all([
    ask('GET', '/health'),
    ask('GET', '/grounds'),
    ...['samples', 'runs'].map((kind) => ask('GET', `/grounds/${NOT_THERE}/${kind}`)),
    ...['samples', 'runs'].map((kind) => ask('PUT', `/${kind}/${NOT_THERE}`)),
    ask('POST', `/runs/${NOT_THERE}/events`),
  ]);
  app.log.level = level;
}

async function listenOnFirst(app: FastifyInstance, ports: readonly number[]): Promise<void> {
  for (const [i, port] of ports.entries())
    try {
      await app.listen({ host: '127.0.0.1', port });
      return;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE' || i === ports.length - 1) throw error;
    }
}
