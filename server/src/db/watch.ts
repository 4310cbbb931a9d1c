import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { letGoOfAll } from './pool.ts';

/** Asked so often, given so long to answer; a frozen database is known within both together, a process that stood still left out. */
const EVERY_MS = 400;
const WITHIN_MS = 1800;
const STOOD_STILL_MS = 300;

export interface DatabaseWatch {
  /** The database answers, as far as was seen last. */
  readonly isUp: () => boolean;
  readonly stop: () => Promise<void>;
}

/**
 * Asks the database over a connection of its own whether it is there. While it is not, every request is refused at once
 * instead of waiting, and those that wait already are let go: dead, starting or frozen makes no difference to them.
 */
export function watchDatabase(pool: pg.Pool): DatabaseWatch {
  let up = true;
  let stopped = false;
  let client: pg.Client | null = null;
  const stopping = new AbortController();

  const ask = async (): Promise<void> => {
    if (!client) {
      const fresh = new pg.Client({
        ...pool.options,
        connectionTimeoutMillis: WITHIN_MS,
        application_name: 'riffle watch',
      });
      fresh.on('error', () => undefined);
      client = fresh;
      await fresh.connect();
    }
    await client.query('select 1');
  };
  const letGo = (): void => {
    const lost = client;
    client = null;
    (lost as unknown as { connection?: { stream: { destroy: () => void } } } | null)?.connection?.stream.destroy();
  };

  const watching = (async () => {
    while (!stopped) {
      const asked = performance.now();
      const late = new AbortController();
      const answered = await Promise.race([
        ask().then(
          () => true,
          () => false,
        ),
        sleep(WITHIN_MS, null, { signal: late.signal }).then(
          () => null,
          () => null,
        ),
      ]);
      late.abort();
      // This process itself stood still, and the answer may lie before it unread: asked again before anything is said.
      if (answered === null && performance.now() - asked > WITHIN_MS + STOOD_STILL_MS) {
        letGo();
        continue;
      }
      if (answered !== true) letGo();
      if (answered === null && up) letGoOfAll(pool);
      up = answered === true;
      await sleep(EVERY_MS, null, { signal: stopping.signal }).catch(() => undefined);
    }
  })();
  return {
    isUp: () => up,
    stop: async () => {
      stopped = true;
      stopping.abort();
      letGo();
      await watching;
    },
  };
}
