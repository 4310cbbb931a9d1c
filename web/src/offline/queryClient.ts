import { MutationCache, onlineManager, QueryClient } from '@tanstack/react-query';
import type { PersistedClient } from '@tanstack/react-query-persist-client';
import { createStore, del, get, set } from 'idb-keyval';
import { isPassing } from '../api/client.ts';
import { sendWrite, takeIn, WRITE_KEY, type Write } from './writes.ts';

const WEEK = 7 * 24 * 3600 * 1000;

onlineManager.setOnline(navigator.onLine);

/** Reads come from the cache first; writes wait for a connection and are sent one after another, in order. */
export const queryClient = new QueryClient({
  mutationCache: new MutationCache(),
  defaultOptions: {
    queries: { gcTime: 52 * WEEK, staleTime: 10_000, networkMode: 'offlineFirst', retry: (count, error) => isPassing(error) && count < 3 },
    mutations: { gcTime: 52 * WEEK, networkMode: 'online', retry: (_count, error) => isPassing(error), retryDelay: (count) => Math.min(1000 * 2 ** count, 30_000) },
  },
});

// Effects live here, not at the call: a write may be sent after a reload, when the screen that made it is gone.
queryClient.setMutationDefaults(WRITE_KEY, {
  mutationFn: (write: Write) => sendWrite(write),
  onSuccess: (answer: unknown, write: Write) => takeIn(queryClient, write, answer),
});

const store = createStore('riffle', 'queries');

export const persistOptions = {
  maxAge: 52 * WEEK,
  buster: 'v1',
  persister: {
    persistClient: (client: PersistedClient) => set('client', client, store),
    restoreClient: () => get<PersistedClient>('client', store),
    removeClient: () => del('client', store),
  },
  dehydrateOptions: {
    // In flight, waiting and refused: nothing typed is ever lost by a reload.
    shouldDehydrateMutation: (m: { state: { status: string } }) => m.state.status === 'pending' || m.state.status === 'error',
    shouldDehydrateQuery: (q: { state: { status: string } }) => q.state.status === 'success',
  },
};

/** After a reload: sends what was still waiting. Writes caught in flight count as waiting; sending twice is safe. */
export async function resumeWrites(): Promise<void> {
  for (const m of queryClient.getMutationCache().getAll()) {
    if (m.state.status === 'pending' && !m.state.isPaused) m.state = { ...m.state, isPaused: true };
  }
  await queryClient.resumePausedMutations();
}
