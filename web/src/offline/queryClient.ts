import { onlineManager, QueryClient } from '@tanstack/react-query';
import { type PersistedClient, persistQueryClientRestore } from '@tanstack/react-query-persist-client';
import { createStore, del, get, set } from 'idb-keyval';
import { spokenRecord } from '../api/kinds.ts';
import { isFault, isPassing, Refused } from '../api/client.ts';
import { hangsOn } from './hangsOn.ts';
import { dropWrites, keepRefused, keepWrite, keptWrites, sendOnce } from './outbox.ts';
import type { Problem } from '@riffle/contract';
import { sendWrite, takeIn, WRITE_KEY, WRITE_SCOPE, type QueuedWrite } from './writes.ts';

const WEEK = 7 * 24 * 3600 * 1000;
/** The cache of what was read is saved at most this often; it only saves asking again. */
const SAVE_EVERY_MS = 300;

const FEW_TRIES = 3;

onlineManager.setOnline(navigator.onLine);
const openedAt = Date.now();

/** Reads come from the cache first; writes wait for a connection and are sent one after another, in order. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      gcTime: 52 * WEEK,
      staleTime: 10_000,
      networkMode: 'offlineFirst',
      retry: (count, error) => (isPassing(error) || isFault(error)) && count < FEW_TRIES,
    },
    mutations: {
      gcTime: 52 * WEEK,
      networkMode: 'online',
      // A record that brings the server to a fault again and again steps aside, so that the others pass.
      retry: (count, error) => isPassing(error) || (isFault(error) && count < FEW_TRIES),
      retryDelay: (count) => Math.min(1000 * 2 ** count, 30_000),
    },
  },
});

// Effects live here, not at the call: a write may be sent after a reload, when the screen that made it is gone.
queryClient.setMutationDefaults(WRITE_KEY, {
  scope: WRITE_SCOPE,
  onMutate: (write: QueuedWrite) => keepWrite(write),
  mutationFn: (write: QueuedWrite) => {
    const first = hangsOn(
      write,
      refusedNow().map((r) => r.write),
    );
    if (first) throw new Refused(hangingOn(first));
    return sendOnce(write, () => sendWrite(write));
  },
  onSuccess: (answer: unknown, write: QueuedWrite) => {
    landed.add(write.writeId);
    takeIn(queryClient, write, answer);
    letGo();
  },
  onError: async (error: Error, write: QueuedWrite) => {
    if (error instanceof Refused) await keepRefused(write, error.problem);
  },
});

/** Writes whose answers are in the cache here and not yet in the copy kept on the device. */
const landed = new Set<string>();

let outboxRead = false;
const onOutboxRead = new Set<() => void>();
/** Whether the outbox has been looked into since the page opened: before that no one can say that all is saved. */
export const outbox = {
  subscribe: (listener: () => void): (() => void) => {
    onOutboxRead.add(listener);
    return () => onOutboxRead.delete(listener);
  },
  isRead: (): boolean => outboxRead,
};

/** Takes up what an earlier visit, or another tab, could not send; refused writes come back as refused. */
export async function resumeWrites(): Promise<void> {
  const cache = queryClient.getMutationCache();
  for (const { write, refused, landed: answered } of await keptWrites()) {
    if (answered) {
      landed.add(write.writeId);
      takeIn(queryClient, write, answered.answer);
      continue;
    }
    const options = { ...queryClient.getMutationDefaults(WRITE_KEY), mutationKey: WRITE_KEY };
    if (refused) {
      cache.build(queryClient, options, {
        context: undefined,
        data: undefined,
        error: new Refused(refused),
        failureCount: 1,
        failureReason: null,
        isPaused: false,
        status: 'error',
        variables: write,
        submittedAt: Date.now(),
      });
    } else {
      // Its own answer or refusal is dealt with by the defaults above.
      void cache
        .build(queryClient, options)
        .execute(write)
        .catch(() => undefined);
    }
  }
  outboxRead = true;
  onOutboxRead.forEach((listener) => listener());
  // What this device had kept may be behind; what was fetched a moment ago is not.
  void queryClient.invalidateQueries({
    predicate: (query) => query.state.data !== undefined && query.state.dataUpdatedAt < openedAt,
  });
}

/** Sends a refused write again, on top of the stored copy the person has seen when there is one. */
export function sendAgain(refused: QueuedWrite, current: { readonly version?: number } | undefined): void {
  const write =
    refused.what === 'record' && current?.version !== undefined
      ? ({ ...refused, record: { ...refused.record, baseVersion: current.version } } as QueuedWrite)
      : refused;
  forget(refused.writeId);
  const options = { ...queryClient.getMutationDefaults(WRITE_KEY), mutationKey: WRITE_KEY };
  void queryClient
    .getMutationCache()
    .build(queryClient, options)
    .execute(write)
    .catch(() => undefined);
}

/** Gives a refused write up; the stored copy stands. */
export function giveUp(refused: QueuedWrite): void {
  forget(refused.writeId);
  letGo();
  void dropWrites([refused.writeId]);
  void queryClient.invalidateQueries();
}

/** Refused writes, with the server's reason. */
const refusedNow = (): { write: QueuedWrite; error: Error | null }[] =>
  queryClient
    .getMutationCache()
    .findAll({ mutationKey: WRITE_KEY, status: 'error' })
    .map((m) => ({ write: m.state.variables as QueuedWrite, error: m.state.error }));

const HANGS_ON = 'HANGS_ON';
const hangingOn = (first: QueuedWrite): Problem => ({
  type: 'about:blank',
  title: 'Waits for another',
  status: 424,
  code: HANGS_ON,
  detail: `It hangs on ${first.what === 'record' ? `the ${spokenRecord(first.kind, first.record)}` : 'a plan of samples'}, which was refused. Mend or drop that first; this goes along by itself.`,
});

/** Sends what hung on a refused write and hangs on none any more. */
function letGo(): void {
  const refused = refusedNow();
  const writes = refused.map((r) => r.write);
  for (const { write, error } of refused)
    if (error instanceof Refused && error.problem.code === HANGS_ON && !hangsOn(write, writes))
      sendAgain(write, undefined);
}

function forget(writeId: string): void {
  const cache = queryClient.getMutationCache();
  for (const m of cache.getAll())
    if ((m.state.variables as QueuedWrite | undefined)?.writeId === writeId) cache.remove(m);
}

const store = createStore('riffle', 'queries');
/** The copy kept on this device, asked for as soon as this script runs. One that cannot be read costs no write. */
const keptAtStart = get<PersistedClient>('client', store).catch(() => undefined);
let unsaved: { readonly client: PersistedClient; readonly landed: readonly string[] } | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;
async function save(): Promise<void> {
  clearTimeout(timer);
  timer = undefined;
  if (!unsaved) return;
  const { client, landed: inIt } = unsaved;
  unsaved = null;
  await set('client', client, store);
  if (inIt.length === 0) return;
  await dropWrites(inIt);
  for (const writeId of inIt) landed.delete(writeId);
}
addEventListener('pagehide', () => void save());

export const persistOptions = {
  maxAge: 52 * WEEK,
  buster: 'v3',
  persister: {
    persistClient: (client: PersistedClient) => {
      unsaved = { client, landed: [...landed] };
      timer ??= setTimeout(() => void save(), SAVE_EVERY_MS);
    },
    restoreClient: () => keptAtStart,
    removeClient: () => del('client', store),
  },
  dehydrateOptions: {
    shouldDehydrateMutation: () => false,
    shouldDehydrateQuery: (q: { state: { status: string } }) => q.state.status === 'success',
  },
};

/** A store that does not answer keeps the page blank no longer than this. */
const ANSWER_WITHIN_MS = 1500;

/** Takes in what this device kept: for a page whose document brought nothing, so that its first drawing already shows it. */
export async function restoreFirst(): Promise<void> {
  const late = new Promise<void>((resolve) => setTimeout(resolve, ANSWER_WITHIN_MS));
  await Promise.race([persistQueryClientRestore({ queryClient, ...persistOptions }), late]);
}
