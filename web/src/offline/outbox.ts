import { keepable, type Problem } from '@riffle/contract';
import { useCallback, useSyncExternalStore } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { Kind } from '../api/kinds.ts';
import { CREW_ID } from '../api/opening.ts';
import { addWrite, readDevice, type Entry, type OnDevice } from './deviceStore.ts';
import { withOneMore } from './growth.ts';
import { OUTBOX } from './outboxName.ts';
import type { QueuedWrite, Write } from './write.ts';
import { waitingOf } from './writes.ts';

export interface RefusedWrite {
  readonly place: number;
  readonly write: QueuedWrite;
  readonly problem: Problem;
}

/** What of the outbox a page shows. */
export interface Outbox {
  /** Has been looked into since the page opened: before that no one can say that all is saved. */
  readonly isRead: boolean;
  /** Still to be sent, oldest first. */
  readonly waiting: readonly QueuedWrite[];
  readonly refused: readonly RefusedWrite[];
  /** Laid over every list: what waits, and what is new and was refused. It is not taken off the screen before the person decides. */
  readonly laidOver: readonly QueuedWrite[];
  /** Waiting writes this device could not keep: they are lost when the page closes. */
  readonly unkept: number;
}

/** The other pages of this device are told whenever the outbox has changed. */
const toOthers = new BroadcastChannel(OUTBOX);

let outbox: Outbox = { isRead: false, waiting: [], refused: [], laidOver: [], unkept: 0 };
/** Who is told at once that the outbox has changed, and the lists that lay it over what they hold. */
const [listeners, laying] = [new Set<() => void>(), new Set<() => void>()];
const toldBy =
  (told: Set<() => void>) =>
  (listener: () => void): (() => void) => {
    told.add(listener);
    return () => told.delete(listener);
  };
const [subscribe, subscribeList] = [toldBy(listeners), toldBy(laying)];
export const useOutbox = (): Outbox => useSyncExternalStore(subscribe, () => outbox);

/** What the person did and the lists do not hold yet, oldest first. */
export const useWaiting = (): readonly Write[] => useSyncExternalStore(subscribeList, () => outbox.laidOver);

/** Of `useWaiting`, what a list of a kind on a ground has laid over it: what else is written draws nothing anew. */
export const useWaitingFor = (kind: Kind, groundId: string): readonly Write[] =>
  useSyncExternalStore(subscribeList, () =>
    // Taps change what runs come to.
    kind === 'runs' ? outbox.laidOver : waitingOf(outbox.laidOver, kind, groundId),
  );

/** As `useWaiting`, for what is no part of a screen. */
export const waitingNow = (): readonly Write[] => outbox.laidOver;

let entries: readonly Entry[] = [];
/** Written by this page and not found in the store yet. */
const own = new Map<string, { readonly write: QueuedWrite; state: 'on its way' | 'kept' | 'unkept' }>();

const isNew = ({ write }: RefusedWrite): boolean => write.what !== 'record' || write.record.baseVersion === 0;

/** A write that was merged keeps its id and stands on a later version. */
const base = (w: QueuedWrite | undefined): number => (w?.what === 'record' ? w.record.baseVersion : 0);
const isSame = (a: readonly QueuedWrite[], b: readonly QueuedWrite[]): boolean =>
  a.length === b.length && a.every((w, i) => w.writeId === b[i]?.writeId && base(w) === base(b[i]));

/** Whether a write was in the store when that was read last. */
const isLying = (writeId: string): boolean => entries.some((e) => e.write.writeId === writeId);

function show(): void {
  const refused: RefusedWrite[] = [];
  const waiting: QueuedWrite[] = [];
  // Thousands may wait.
  for (const { place, write, refused: problem, landed } of entries)
    if (problem) refused.push({ place, write, problem });
    else if (!landed) waiting.push(write);
  for (const [id, { write }] of own) if (!isLying(id)) waiting.push(write);
  const laidOver = [...refused.filter(isNew).map((r) => r.write), ...waiting];
  outbox = {
    isRead: outbox.isRead,
    waiting,
    refused,
    // The same writes are the same list: no screen works its records out anew over them.
    laidOver: isSame(laidOver, outbox.laidOver) ? outbox.laidOver : laidOver,
    unkept: [...own.values()].filter((o) => o.state === 'unkept').length,
  };
  tell();
}

/** `isSeen`: its answer is on the screen already, so all else may follow after the paint; but that something waits is told at once. */
function tell(isSeen = false): void {
  rememberWhetherSomethingWaits();
  const isFirst = outbox.waiting.length === 1;
  const tellAll = (): void => [...listeners, ...laying].forEach((listener) => listener());
  if (!isSeen) return tellAll();
  if (isFirst) listeners.forEach((listener) => listener());
  afterPaint(tellAll);
}

/** As `show` after one more was written: thousands may wait, and they are not gone through at every tap. */
function showOneMore(write: QueuedWrite, isSeen: boolean): void {
  outbox = {
    ...outbox,
    waiting: [...outbox.waiting, write],
    laidOver: withOneMore(outbox.laidOver, write),
  };
  tell(isSeen);
}

/** The lists that take in what landed before it is taken off what is laid over them. */
export interface Lists {
  readonly takeIn: (device: OnDevice) => Promise<void>;
  readonly takeInUnkept: (write: QueuedWrite, answer: unknown) => void;
}
let lists: Lists | null = null;
export const layOver = (these: Lists): void => {
  lists = these;
};

let looking: Promise<void> | null = null;
let lookAgain = false;

/** Looks into the store and shows what lies there. */
export function lookIntoOutbox(): Promise<void> {
  if (looking) {
    lookAgain = true;
    return looking;
  }
  looking = (async () => {
    do {
      lookAgain = false;
      const kept = [...own.values()].filter((o) => o.state === 'kept');
      const device = await readDevice(CREW_ID);
      await lists?.takeIn(device);
      entries = device.entries;
      // In the store when it was read: found there, or landed and dropped again meanwhile.
      for (const [id, mine] of own) if (kept.includes(mine) || isLying(id)) own.delete(id);
      outbox = { ...outbox, isRead: true };
      show();
    } while (lookAgain);
  })().finally(() => {
    looking = null;
  });
  return looking;
}

/** After the outbox has changed. */
function moved(): void {
  toOthers.postMessage(null);
  void lookIntoOutbox().catch(() => undefined);
}

/** The answer to a tap is drawn first. A page out of sight draws nothing. */
function afterPaint(then: () => void): void {
  if (document.visibilityState === 'hidden') then();
  else requestAnimationFrame(() => setTimeout(then));
}

/** Queues a write. It is on the screen when this returns (or a paint later, see `tell`), in the store a moment later, and at the server as soon as it can be reached. */
function queue(write: QueuedWrite, isSeen: boolean): void {
  own.set(write.writeId, { write, state: 'on its way' });
  showOneMore(write, isSeen);
  void addWrite(write).then(
    () => {
      const mine = own.get(write.writeId);
      if (mine) mine.state = 'kept';
      afterPaint(() => {
        moved();
        send();
      });
    },
    () => {
      const mine = own.get(write.writeId);
      if (mine) mine.state = 'unkept';
      show();
      retryLater();
    },
  );
}

/** Queues a write: see `queue`. `isSeen`: whoever writes shows the answer itself. */
export function useWrite(): (write: Write, isSeen?: boolean) => void {
  return useCallback((write: Write, isSeen = false) => {
    // Signs that no database holds are left out here, where every form passes: they show as nothing anyway.
    queue({ ...keepable(write), writeId: uuidv7(), crewId: CREW_ID }, isSeen);
  }, []);
}

/** After what was refused was mended or given up: what hung on it may go now, too. */
export function goOn(): void {
  moved();
  send();
}

let sending = false;
let sendMore = false;
let inVain = 0;
let retry: ReturnType<typeof setTimeout> | undefined;

/** Sends what waits, now; tried again by itself, later and later, where the server cannot be reached. */
function send(): void {
  if (sending) {
    sendMore = true;
    return;
  }
  sending = true;
  sendMore = false;
  clearTimeout(retry);
  // Nothing is sent before the first sight: what sends comes after it.
  import('./sender.ts')
    .then(({ sendWaiting }) => sendWaiting(CREW_ID, moved))
    .catch(() => false)
    .then(async (done) => {
      const allKept = await keepUnkept().then(
        () => true,
        () => false,
      );
      sending = false;
      inVain = done && allKept ? 0 : inVain + 1;
      if (inVain > 0) retryLater();
      else if (sendMore) send();
    })
    .catch(() => undefined);
}

function retryLater(): void {
  clearTimeout(retry);
  retry = setTimeout(send, Math.min(1000 * 2 ** Math.max(0, inVain - 1), 30_000));
  sendWithoutPage();
}

/** Where the browser can, its worker sends what waits even after the last page has closed. */
function sendWithoutPage(): void {
  if ('serviceWorker' in navigator)
    void navigator.serviceWorker.ready
      .then((registration) => (registration as WithSync).sync?.register(OUTBOX))
      .catch(() => undefined);
}
interface WithSync extends ServiceWorkerRegistration {
  readonly sync?: { readonly register: (tag: string) => Promise<void> };
}

/** Tries once more to keep what could not be kept: there may be room again. If there is none it is sent from memory. */
async function keepUnkept(): Promise<void> {
  for (const mine of own.values()) {
    if (mine.state !== 'unkept') continue;
    try {
      await addWrite(mine.write);
      mine.state = 'kept';
      sendMore = true;
    } catch {
      const { sendWrite } = await import('./sendWrite.ts');
      lists?.takeInUnkept(mine.write, await sendWrite(mine.write));
      own.delete(mine.write.writeId);
      show();
    }
    moved();
  }
}

const sendNow = (): void => {
  inVain = 0;
  send();
};

/** Keeps this page's sight of the outbox true, and what waits on its way, from now on. */
export function openOutbox(): void {
  toOthers.onmessage = () => {
    void lookIntoOutbox()
      .then(() => {
        // The page that wrote it may close before it is sent.
        if (outbox.waiting.length > 0 && inVain === 0) send();
      })
      .catch(() => undefined);
  };
  addEventListener('online', sendNow);
  // A page that was frozen may have missed what others told it.
  const back = (): void => {
    if (document.visibilityState === 'visible') void lookIntoOutbox().then(sendNow, sendNow);
    else if (outbox.waiting.length > 0) sendWithoutPage();
  };
  document.addEventListener('visibilitychange', back);
  addEventListener('pageshow', (event) => event.persisted && back());
  void lookIntoOutbox().then(sendNow, sendNow);
}

const WAITS = 'riffle-waits';
/** Remembered where it can be asked without waiting, so that a page with nothing to send is drawn at once. */
function rememberWhetherSomethingWaits(): void {
  // Before the outbox was looked into no one can say that nothing waits.
  if (outbox.laidOver.length > 0) localStorage.setItem(WAITS, 'yes');
  else if (outbox.isRead) localStorage.removeItem(WAITS);
}
export const somethingMayWait = (): boolean => localStorage.getItem(WAITS) !== null;
