import compress from '@fastify/compress';
import helmet from '@fastify/helmet';
import rateLimit from '@fastify/rate-limit';
import fastifyStatic from '@fastify/static';
import swagger from '@fastify/swagger';
import fastify, { LogController, type FastifyInstance, type FastifyReply, type FastifyRequest } from 'fastify';
import { jsonSchemaTransform, jsonSchemaTransformObject, validatorCompiler } from 'fastify-type-provider-zod';
import type pg from 'pg';
import { existsSync } from 'node:fs';
import { z } from 'zod';
import { backupRoutes } from './backup/routes.ts';
import type { Shelf } from './backup/shelf.ts';
import { booksRoutes } from './books/routes.ts';
import { cleanRoutes } from './clean/routes.ts';
import { watchDatabase } from './db/watch.ts';
import { dayRoutes } from './day/routes.ts';
import { deviceRoutes } from './devices/routes.ts';
import { groundRoutes } from './ground/routes.ts';
import { keepDiary, type Diary } from './http/diary.ts';
import { errorHandler } from './http/errorHandler.ts';
import { openingDocument } from './http/openingDocument.ts';
import { keepableOnly } from './http/keepableOnly.ts';
import { ownPagesOnly } from './http/ownPagesOnly.ts';
import { databaseAway, Refusal } from './http/problems.ts';
import { mapRoutes } from './map/routes.ts';
import { readRoutes } from './read/routes.ts';
import { runRoutes } from './run/routes.ts';
import { pannedGrounds } from './sample/pannedGrounds.ts';
import { sampleRoutes } from './sample/routes.ts';
import { setRoutes } from './set/routes.ts';
import { sumsRoutes } from './sums/routes.ts';
import { openWorkPool } from './work/workPool.ts';

declare module 'fastify' {
  interface FastifyRequest {
    crewId: string;
  }
}

export interface AppOptions {
  readonly pool: pg.Pool;
  /** Whose book a request opens. Every route takes the crew from here. */
  readonly crewOf: (request: FastifyRequest) => string;
  /** Whose grounds of very many samples are worked out ahead once it listens; left out, nobody's. */
  readonly crewAhead?: string;
  /** Where a crew's backups are made and lie; left out, there are none. */
  readonly shelfOf?: (crewId: string) => Shelf;
  /** Folder of the built interface; left out where only the API is wanted. */
  readonly webDir?: string;
  /** Where what happens is written down; left out, nowhere. */
  readonly diary?: Diary;
  /** How long the database may be silent before it counts as away, milliseconds. */
  readonly patience_ms?: number;
  /** What takes longer to work out is given up, milliseconds. */
  readonly longestWork_ms?: number;
  /** Requests a minute from one address. */
  readonly rate?: number;
}

const LARGEST_BODY_BYTES = 1024 * 1024;

/** The whole server, not yet listening. */
export async function buildApp({
  crewAhead,
  pool,
  crewOf,
  webDir,
  shelfOf,
  diary,
  rate = 30_000,
  patience_ms,
  longestWork_ms,
}: AppOptions): Promise<FastifyInstance> {
  const app = fastify({
    ...diary?.options,
    // One line an answer, and that only where there is something to say.
    logController: new LogController({ disableRequestLogging: true }),
    bodyLimit: LARGEST_BODY_BYTES,
    requestTimeout: 60_000,
    routerOptions: { maxParamLength: 64 },
    // What cannot even be routed is answered like any other refusal.
    frameworkErrors: (error, request, reply) => {
      void errorHandler(error, request, reply);
    },
  });
  // Plain text is what a form on another page can send without being asked.
  app.removeContentTypeParser('text/plain');
  app.setValidatorCompiler(validatorCompiler);
  // Answers are parsed where rows leave the database; parsing them a second time here took half of a list's time.
  app.setSerializerCompiler(() => JSON.stringify);
  app.setErrorHandler(errorHandler);
  keepDiary(app);
  app.addHook('onRequest', ownPagesOnly);
  app.addHook('preValidation', keepableOnly);
  app.decorateRequest('crewId', '');
  app.addHook('onRequest', async (request) => {
    request.crewId = crewOf(request);
  });

  await app.register(helmet, {
    strictTransportSecurity: false,
    crossOriginEmbedderPolicy: false,
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        baseUri: ["'self'"],
        objectSrc: ["'none'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
        scriptSrc: ["'self'"],
        // Charts and dialogs set style attributes; scripts stay strict.
        // Pictures may come from elsewhere, since a person may type the address of map tiles they are allowed to use; nothing else may.
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:', 'https:', 'http://localhost:*'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
      },
    },
  });
  await app.register(rateLimit, { max: rate, timeWindow: '1 minute' });
  await app.register(compress, { threshold: 2048 });
  await app.register(swagger, {
    openapi: {
      openapi: '3.1.0',
      info: {
        title: 'Riffle',
        version: '1',
        description:
          'Plan, measure, run and log placer ground. Units stand in the field names; errors are application/problem+json.',
      },
    },
    transform: jsonSchemaTransform,
    transformObject: jsonSchemaTransformObject,
  });

  const work = openWorkPool(longestWork_ms === undefined ? {} : { longest_ms: longestWork_ms });
  const panned = pannedGrounds(pool, work);
  const database = watchDatabase(pool, {
    ...(patience_ms !== undefined && { patience_ms }),
    onChange: (up) => (up ? app.log.info('The database is back.') : app.log.warn('The database is away.')),
  });
  app.addHook('onListen', () => {
    if (crewAhead === undefined) return;
    // Nothing hangs on it: what could not be worked out ahead is when it is asked for.
    void panned.ahead(crewAhead).catch((error: unknown) => app.log.warn(error, 'Nothing was worked out ahead.'));
  });
  app.addHook('onClose', async () => {
    await Promise.all([work.close(), database.stop()]);
    app.log.info('The server stops.');
    await diary?.close();
  });

  await app.register(
    async (api) => {
      await api.register(async (book) => {
        book.addHook('onRequest', async () => {
          if (!database.isUp()) throw databaseAway();
        });
        groundRoutes(book, pool, work);
        readRoutes(book, pool);
        dayRoutes(book, pool);
        mapRoutes(book, pool);
        deviceRoutes(book, pool);
        sampleRoutes(book, pool, panned);
        setRoutes(book, pool);
        runRoutes(book, pool);
        cleanRoutes(book, pool);
        booksRoutes(book, pool);
        if (shelfOf) backupRoutes(book, shelfOf);
      });
      sumsRoutes(api, work);
      api.get(
        '/health',
        {
          config: { rateLimit: false },
          schema: { tags: ['health'], response: { 200: z.object({ status: z.literal('up') }) } },
        },
        // Said from what the watch has seen last: an answer at once, however much else is asked.
        () => {
          if (!database.isUp()) throw databaseAway();
          return { status: 'up' as const };
        },
      );
      api.get('/openapi.json', { schema: { hide: true } }, async () => app.swagger());
    },
    { prefix: '/api/v1' },
  );

  const page =
    webDir && existsSync(webDir)
      ? await pageRoutes(app, webDir, openingDocument(pool, webDir, database, panned))
      : null;
  app.setNotFoundHandler((request, reply) => {
    if (page && request.method === 'GET' && !request.url.startsWith('/api/')) return page(request, reply);
    throw new Refusal('NOT_FOUND', 'There is nothing at this address.');
  });
  return app;
}

type Page = (request: FastifyRequest, reply: FastifyReply) => Promise<FastifyReply>;

/** The built interface: its files as they are, and the page itself with what its first view needs. Answers how the page is given at any other address. */
async function pageRoutes(
  app: FastifyInstance,
  webDir: string,
  documentFor: (request: FastifyRequest) => Promise<string>,
): Promise<Page> {
  await app.register(fastifyStatic, {
    root: webDir,
    // The page itself is made for each request; the worker that keeps it fetches the bare file.
    index: false,
    // Compressed once at the build: doing it at each first view took longer than sending it.
    preCompressed: true,
    cacheControl: false,
    // Files under assets/ carry a hash in their name; index.html and the service worker must always be fresh.
    setHeaders: (reply, path) =>
      void reply.setHeader(
        'cache-control',
        path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
      ),
  });
  const page: Page = async (request, reply) =>
    reply
      .type('text/html; charset=utf-8')
      // It holds the book as it is now: never an old copy.
      .header('cache-control', 'no-store')
      .send(await documentFor(request));
  app.get('/', { schema: { hide: true } }, page);
  return page;
}
