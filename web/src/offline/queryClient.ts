import { notifyManager, onlineManager, QueryClient, type Query, type QueryKey } from '@tanstack/react-query';
import { isFault, isPassing } from '../api/client.ts';
import { KINDS, type Kind } from '../api/kinds.ts';
import {
  droppedSoFar,
  keepLists,
  keptList,
  keptLists,
  type Entry,
  type KeptList,
  type OnDevice,
} from './deviceStore.ts';
import {
  begunGround,
  begunRun,
  eventsKey,
  hashOf,
  laterOfEach,
  listKey,
  listKeysOf,
  NEVER_READ,
  withAnswer,
  type Listed,
  type ListKey,
} from './landing.ts';
import { layOver, lookIntoOutbox, openOutbox } from './outbox.ts';
import type { QueuedWrite } from './write.ts';
import { recordsOf, scopeOf } from './writes.ts';

const WEEK = 7 * 24 * 3600 * 1000;
/** What was read is kept at most this often. */
const KEEP_EVERY_MS = 300;
const FEW_TRIES = 3;
/** What was read less long ago is not asked for again while a page is open. */
const FRESH_MS = 10_000;

onlineManager.setOnline(navigator.onLine);

/** Lists are shown as this device keeps them, then as the server has them. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      gcTime: 52 * WEEK,
      staleTime: FRESH_MS,
      networkMode: 'offlineFirst',
      retry: (count, error) => (isPassing(error) || isFault(error)) && count < FEW_TRIES,
      persister: keptFirst as never,
    },
  },
});

/** A store that does not answer (another tab has it, the browser is stuck) holds up no list for longer: the server is asked. */
const STORE_ANSWERS_WITHIN_MS = 5000;
const orAfter = <T>(answer: Promise<T>, otherwise: T): Promise<T> =>
  Promise.race([answer, new Promise<T>((give) => setTimeout(() => give(otherwise), STORE_ANSWERS_WITHIN_MS))]);

/** What had been dropped before this page read any list. */
const atStart = orAfter(
  droppedSoFar().catch(() => 0),
  0,
);
/** How many writes have landed whose answers the lists in hand hold, and the last of them with their numbers. */
let seen = 0;
let lately: Entry[] = [];
const LATELY = 500;

/** Lists of records and of taps: what is kept on the device. */
const isList = (key: QueryKey): boolean => key[0] === 'list' || key[0] === 'events';

/** Who opens the page anew asks anew: what an earlier page read is old, were it a second ago. */
const readBefore = (readAt_ms: number): number =>
  readAt_ms < performance.timeOrigin ? Math.min(readAt_ms, Date.now() - FRESH_MS) : readAt_ms;

/**
 * What is kept of a list. Lists of one kind looked up in one instant come in one instant, so that what is asked of the
 * server after that is asked together: a crew has dozens of grounds.
 */
const lookups = new Map<string, { readonly hashes: string[]; readonly found: Promise<(KeptList | undefined)[]> }>();
function keptWithOthers({ queryKey, queryHash }: Query<readonly Listed[]>): Promise<KeptList | undefined> {
  // As `listKey` has it; of taps the run, which is looked up by itself.
  const kind = String(queryKey[2]);
  let lookup = lookups.get(kind);
  if (!lookup) {
    const hashes: string[] = [];
    const found = Promise.resolve().then(() => {
      lookups.delete(kind);
      return keptLists(hashes);
    });
    lookup = { hashes, found };
    lookups.set(kind, lookup);
  }
  const nth = lookup.hashes.push(queryHash) - 1;
  return lookup.found.then((lists) => lists[nth]);
}

/** What is to be done once the lists of an instant are shown, all of it in one instant too. */
const onceShown: (() => void)[] = [];
function onceItIsShown(act: () => void): void {
  if (onceShown.push(act) === 1) notifyManager.schedule(() => onceShown.splice(0).forEach((each) => each()));
}

async function keptFirst(
  ask: (context: unknown) => readonly Listed[] | Promise<readonly Listed[]>,
  context: unknown,
  query: Query<readonly Listed[]>,
): Promise<readonly Listed[]> {
  if (!isList(query.queryKey)) return ask(context);
  await atStart;
  if (query.state.data === undefined) {
    const looked = keptWithOthers(query).catch(() => undefined);
    const kept = await orAfter(looked, undefined);
    if (!kept) void looked.then((list) => takeLate(query, list));
    else {
      // The server is asked what has come since.
      onceItIsShown(() => {
        query.setState({ dataUpdatedAt: readBefore(kept.readAt_ms) });
        if (query.isStaleByTime(FRESH_MS)) void query.fetch().catch(() => undefined);
      });
      return kept.items;
    }
  }
  return ask(context);
}

/** What the store gave after the server was asked is of use where that came to nothing: there is no signal. */
function takeLate(query: Query<readonly Listed[]>, list: KeptList | undefined): void {
  if (list && query.state.data === undefined)
    queryClient.setQueryData(query.queryKey, list.items, { updatedAt: readBefore(list.readAt_ms) });
}

/** Takes what landed on this device, in this page or another, into the lists in hand. */
async function takeIn({ entries, landed, dropped }: OnDevice): Promise<void> {
  const fresh = entries
    .filter((e) => e.landed && e.landed.nth > seen)
    .sort((a, b) => (a.landed?.nth ?? 0) - (b.landed?.nth ?? 0));
  // Some landed and were dropped while this page looked away, or as it opened: the lists kept here have them.
  if (dropped > Math.max(seen, await atStart)) await takeKept();
  lately = [...lately, ...fresh].slice(-LATELY);
  await Promise.all(fresh.flatMap((e) => listKeysOf(e.write)).map(({ hash }) => takeIfAwaited(hash)));
  // From here to the end at once: what is laid over the lists is taken off right after it.
  for (const { write } of fresh) knowFromTheStart(write);
  for (const { write, landed: at } of fresh) takeInAnswer(write, at?.answer);
  // Not before: lists kept in between would be taken to hold these answers.
  seen = Math.max(seen, landed);
}

/** A list that is shown and has not come yet: as it is kept here, or what landed of it until it comes. */
async function takeIfAwaited(hash: string): Promise<void> {
  const query = queryClient.getQueryCache().get(hash);
  if (!query || query.state.data !== undefined) return;
  const kept = await keptList(hash).catch(() => undefined);
  if (query.state.data !== undefined) return;
  queryClient.setQueryData(query.queryKey, kept?.items ?? [], { updatedAt: kept?.readAt_ms ?? NEVER_READ });
}

function takeInAnswer(write: QueuedWrite, answer: unknown): void {
  for (const { key, hash } of listKeysOf(write)) {
    const state = queryClient.getQueryCache().get(hash)?.state;
    if (state?.data === undefined) continue;
    const items = withAnswer(key, state.data as readonly Listed[], write, answer);
    queryClient.setQueryData(key, items, { updatedAt: state.dataUpdatedAt });
  }
  for (const w of recordsOf(write))
    for (const kind of KINDS[w.kind].changes ?? [])
      void queryClient.invalidateQueries({ queryKey: listKey(kind, scopeOf(w)) });
}
layOver({ takeIn, takeInUnkept: takeInAnswer });

/**
 * What no one has to be asked for: the taps of a run begun here, and all lists of a ground begun here, which is nowhere else. Were they
 * asked for first, the page of a ground would be taken away under the hand at the moment its ground lands.
 */
function knowFromTheStart(write: QueuedWrite): void {
  const runId = begunRun(write);
  if (runId !== null) knowAsEmpty(eventsKey(runId), Date.now());
  const groundId = begunGround(write);
  if (groundId === null) return;
  for (const [kind, { ofCrew }] of Object.entries(KINDS))
    // Known, but old: what the others add meanwhile is asked for at the next look.
    if (!ofCrew) knowAsEmpty(listKey(kind as Kind, groundId), NEVER_READ + 1);
}

function knowAsEmpty(key: ListKey, updatedAt: number): void {
  const state = queryClient.getQueryState<readonly Listed[]>(key);
  if (state?.data === undefined || state.dataUpdatedAt === NEVER_READ)
    queryClient.setQueryData(key, state?.data ?? [], { updatedAt });
}

async function takeKept(): Promise<void> {
  const inHand = queryClient
    .getQueryCache()
    .getAll()
    .filter((q) => isList(q.queryKey) && q.state.data !== undefined);
  const kept = await Promise.all(inHand.map((query) => keptList(query.queryHash)));
  // All of them at once: a run and its taps must not be of two moments.
  inHand.forEach((query, i) => {
    const list = kept[i];
    const { data, dataUpdatedAt } = query.state;
    if (list && data !== undefined)
      queryClient.setQueryData(query.queryKey, laterOfEach(data as readonly Listed[], list.items), {
        updatedAt: Math.max(dataUpdatedAt, list.readAt_ms),
      });
  });
  void queryClient.invalidateQueries();
}

const changed = new Set<string>();
let keeping: ReturnType<typeof setTimeout> | undefined;
let kept: Promise<void> | null = null;

/** One after another: a long list takes its time, and what was read before it is not laid over what was read after. */
function keepChanged(): Promise<void> {
  clearTimeout(keeping);
  keeping = undefined;
  // At once where nothing is under way: the page may be closing.
  const turn: Promise<void> = (kept ? kept.then(keepNow, keepNow) : keepNow()).finally(() => {
    if (kept === turn) kept = null;
  });
  kept = turn;
  return turn;
}

async function keepNow(): Promise<void> {
  const hashes = [...changed];
  changed.clear();
  const lists = hashes.flatMap((hash) => {
    const state = queryClient.getQueryCache().get(hash)?.state;
    return state?.status === 'success' && state.dataUpdatedAt > NEVER_READ
      ? [{ hash, items: state.data as readonly Listed[], readAt_ms: state.dataUpdatedAt }]
      : [];
  });
  if (await keepLists(lists, seen)) return;
  // Others dropped what this page has not seen: it catches up, and keeps its lists then.
  for (const hash of hashes) changed.add(hash);
  await lookIntoOutbox();
  keepSoon();
}
const keepSoon = (): void => {
  // A store that is full or gone costs asking again, no write.
  keeping ??= setTimeout(() => void keepChanged().catch(() => undefined), KEEP_EVERY_MS);
};
queryClient.getQueryCache().subscribe(({ type, query }) => {
  if (type !== 'updated' || !isList(query.queryKey as QueryKey) || query.state.status !== 'success') return;
  // However a list came, it may have been read before a write landed whose answer was in hand already: that goes in again.
  const items = query.state.data as readonly Listed[];
  const key = query.queryKey as unknown as ListKey;
  const whole = lately.reduce((list, { write, landed }) => withAnswer(key, list, write, landed?.answer), items);
  if (whole !== items) query.setData(whole, { updatedAt: query.state.dataUpdatedAt, manual: true });
  changed.add(query.queryHash);
  keepSoon();
});

/** Puts lists this device keeps in hand, for a page whose document brought nothing. */
export async function takeKeptLists(keys: readonly ListKey[]): Promise<void> {
  await Promise.all(
    keys.map(async (key) => {
      const kept = await keptList(hashOf(key));
      if (kept && queryClient.getQueryData(key) === undefined)
        queryClient.setQueryData(key, kept.items, { updatedAt: readBefore(kept.readAt_ms) });
    }),
  );
}

/**
 * Puts a list in hand that the document brought. The server may have read it before the last writes of the page before
 * this one landed: they lie in what is kept here, and nowhere else any more.
 */
export async function takeBrought(key: ListKey, items: readonly Listed[]): Promise<void> {
  queryClient.setQueryData(key, items);
  const kept = await keptList(hashOf(key)).catch(() => undefined);
  const state = queryClient.getQueryState<readonly Listed[]>(key);
  if (!kept || state?.data === undefined) return;
  const whole = laterOfEach(state.data, kept.items);
  if (whole === state.data) return;
  queryClient.setQueryData(key, whole, { updatedAt: state.dataUpdatedAt });
  void queryClient.invalidateQueries({ queryKey: key });
}

/** From now on this page sees what is written and landed in any page of this device, and sends what waits. */
export function openDevice(): void {
  openOutbox();
  addEventListener('pagehide', () => void keepChanged().catch(() => undefined));
}
