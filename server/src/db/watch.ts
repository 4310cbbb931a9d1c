import { setTimeout as sleep } from 'node:timers/promises';
import pg from 'pg';
import { letGoOfAll } from './pool.ts';

const EVERY_MS = 300;
/** Given so long to answer: together with the above a frozen database is known within three seconds. */
const PATIENCE_MS = 2200;
/** Counted in steps of its own: a process that stood still itself, with the answer before it unread, has lost one of them. */
const STEP_MS = 100;

export interface DatabaseWatch {
  /** The database answers, as far as was seen last. */
  readonly isUp: () => boolean;
  readonly stop: () => Promise<void>;
}

/**
 * Asks the database over a connection of its own whether it is there. While it is not, every request is refused at once
 * instead of waiting, and those that wait already are let go: dead, starting or frozen makes no difference to them.
 */
export function watchDatabase(
  pool: pg.Pool,
  {
    patience_ms = PATIENCE_MS,
    onChange = () => undefined,
  }: { patience_ms?: number; onChange?: (up: boolean) => void } = {},
): DatabaseWatch {
  let up = true;
  let stopped = false;
  let client: pg.Client | null = null;
  const stopping = new AbortController();

  const ask = async (): Promise<void> => {
    if (!client) {
      // Waited for here, and by no clock of its own.
      const fresh = new pg.Client({ ...pool.options, connectionTimeoutMillis: 0, application_name: 'riffle watch' });
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

  /** True: it answered; false: it said no; null: it said nothing for as long as was waited. */
  const answer = async (): Promise<boolean | null> => {
    let said: boolean | null = null;
    const asked = ask().then(
      () => (said = true),
      () => (said = false),
    );
    for (let waited = 0; said === null && waited < patience_ms && !stopped; waited += STEP_MS)
      await Promise.race([asked, sleep(STEP_MS)]);
    return said;
  };
  const watching = (async () => {
    while (!stopped) {
      const known = client !== null;
      let said = await answer();
      if (said !== true) letGo();
      // A connection that was cut tells nothing of the database yet: a fresh one does, and at once.
      if (said === false && known && !stopped) said = await answer();
      if (stopped) break;
      if (said !== true) letGo();
      if (said === null && up) letGoOfAll(pool);
      if (up !== (said === true)) onChange(said === true);
      up = said === true;
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
