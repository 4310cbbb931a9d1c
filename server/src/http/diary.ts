import type { FastifyBaseLogger, FastifyInstance, FastifyReply, FastifyRequest, FastifyServerOptions } from 'fastify';
import { randomBytes } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';
import { DatabaseError } from 'pg';
import roll from 'pino-roll';

/**
 * The diary of operation: a JSON line for what one would ask about afterwards (a fault, a refusal, what was slow; the
 * server and its database coming and going; backups). It names routes and codes, never what was sent: no record, no place,
 * no name, no address of a person stands in it.
 */
export interface Diary {
  readonly options: Pick<FastifyServerOptions, 'logger' | 'genReqId'>;
  /** Writes what is still in hand, in the order it was told. */
  readonly close: () => Promise<void>;
}

const SLOW_MS = 1000;
const MOST_FRAMES = 12;
const KEPT_FILES = 5;
const LARGEST = '5m';
/** A full disk must not keep the server from stopping. */
const CLOSED_WITHIN_MS = 2000;

/** Opens the diary as `<file>.<number>.jsonl`, rolled over at 5 MB; without a file, what is worse than a refusal goes to standard output. */
export async function openDiary(file?: string): Promise<Diary> {
  const options = {
    level: file === undefined ? 'warn' : 'info',
    base: null,
    formatters: { level: (label: string) => ({ level: label }) },
    timestamp: () => `,"at":"${new Date().toISOString()}"`,
    serializers: { err: withoutWords },
    hooks: { logMethod: inOurWords },
  };
  // Random once and then counted: random bytes for each request cost more than its routing.
  const opened = randomBytes(5).toString('hex');
  let requests = 0;
  const genReqId = (): string => `${opened}-${(requests++).toString(36)}`;
  if (file === undefined) return { options: { logger: options, genReqId }, close: () => Promise.resolve() };
  const stream = await roll({ file, extension: '.jsonl', size: LARGEST, mkdir: true, limit: { count: KEPT_FILES } });
  // A full disk must not end the server for want of a diary.
  stream.on('error', () => undefined);
  return {
    options: { logger: { ...options, stream }, genReqId },
    // Not at once by force: that would go before a line that is being written.
    close: () =>
      Promise.race([
        new Promise<void>((done) => {
          stream.once('close', done);
          stream.end();
        }),
        sleep(CLOSED_WITHIN_MS, undefined, { ref: false }),
      ]),
  };
}

/** Where an error came from and of what kind it is. Its words may repeat what was sent. */
function withoutWords(error: Error): { type: string; message: string; stack: string; [more: string]: unknown } {
  const { name, stack = '' } = error;
  const frames = stack.split('\n').filter((line) => /^\s+at /.test(line));
  const { code } = error as NodeJS.ErrnoException;
  return {
    type: name,
    message: '',
    stack: frames.slice(0, MOST_FRAMES).join('\n'),
    ...(code !== undefined && { code }),
    ...(error instanceof DatabaseError && { table: error.table, constraint: error.constraint }),
  };
}

/** An error logged without words of ours would be given its own. */
function inOurWords(this: unknown, args: unknown[], write: (...args: unknown[]) => void): void {
  const [what, words] = args;
  const failed = what instanceof Error || (typeof what === 'object' && what !== null && 'err' in what);
  write.apply(this, failed && typeof words !== 'string' ? [what, 'Something failed.'] : args);
}

/** Gives every answer the number its line in the diary has, and writes the line where there is something to say. */
export function keepDiary(app: FastifyInstance): void {
  app.addHook('onRequest', async (request, reply) => {
    void reply.header('x-request-id', request.id);
  });
  app.addHook('onResponse', async (request, reply) => {
    const { statusCode } = reply;
    const ms = Math.round(reply.elapsedTime);
    const say = levelOf(request.log, statusCode, ms);
    say?.({ status: statusCode, code: codeOf(reply), method: request.method, route: routeOf(request), ms });
  });
}

function levelOf(log: FastifyBaseLogger, status: number, ms: number): FastifyBaseLogger['info'] | null {
  if (status >= 500) return log.warn.bind(log);
  // A file or a sum may take its time; a record may not.
  if (status >= 400 || ms >= SLOW_MS) return log.info.bind(log);
  return null;
}
/** As it is declared: what stands in its place names a record. */
const routeOf = (request: FastifyRequest): string => request.routeOptions.url ?? 'none';

const CODE = Symbol('code of a refusal');
/** Notes the code of a refusal for the diary. */
export const noteCode = (reply: FastifyReply, code: string): void => {
  (reply as unknown as Record<symbol, string>)[CODE] = code;
};
const codeOf = (reply: FastifyReply): string | undefined => (reply as unknown as Record<symbol, string>)[CODE];
