import type { LaidOut, LoggedEvent, StoredRun } from '@riffle/contract';
import { call } from '../api/client.ts';
import { KINDS, type Kind, type Records } from '../api/kinds.ts';
import { rigSections } from '../api/rigSections.ts';

type RecordWrite = {
  [K in Kind]: {
    readonly what: 'record';
    readonly kind: K;
    readonly record: Records[K]['sent'] & { readonly baseVersion: number };
    /** The record as it was when this change of it was begun: it stays here, for the case that another changed it too. */
    readonly base?: object;
  };
}[Kind];
interface EventsWrite {
  readonly what: 'events';
  readonly runId: string;
  readonly groundId: string;
  readonly events: readonly LoggedEvent[];
}
/** The bytes of an attachment whose record was written before. */
interface FileWrite {
  readonly what: 'file';
  readonly groundId: string;
  readonly attachmentId: string;
  readonly bytes: Blob;
}
/** A plan of samples with its points and bags, in one go. */
interface LaidOutWrite {
  readonly what: 'laid out';
  readonly groundId: string;
  readonly whole: LaidOut;
}
/** Anything that leaves for the server. Idempotent, so that it may be sent again. */
export type Write = RecordWrite | EventsWrite | FileWrite | LaidOutWrite;
/** A write with its place in the outbox, and the crew it was made for. */
export type QueuedWrite = Write & { readonly writeId: string; readonly crewId: string };

export function sendWrite(write: Write): Promise<unknown> {
  switch (write.what) {
    case 'record':
      return call('PUT', `/${write.kind}/${write.record.id}`, asKeptNow(write));
    case 'events':
      return call('POST', `/runs/${write.runId}/events`, { events: write.events });
    case 'file':
      return call('PUT', fileAddress(write.attachmentId), write.bytes);
    case 'laid out':
      return call('PUT', `/sample-plans/${write.whole.plan.id}/laid-out`, write.whole);
  }
}

/** A record as the book takes it now: a box that an earlier Riffle left in the outbox has no sections yet. */
const asKeptNow = (write: RecordWrite): object =>
  write.kind === 'rigs' ? { ...write.record, sections: rigSections(write.record) } : write.record;

export const fileAddress = (attachmentId: string): string => `/attachments/${attachmentId}/file`;

/** The ground a record belongs to; empty for what is the crew's. */
export const scopeOf = (write: RecordWrite): string => ('groundId' in write.record ? write.record.groundId : '');

/** The records a write holds. */
export const recordsOf = (write: Write): readonly RecordWrite[] => {
  if (write.what === 'record') return [write];
  if (write.what !== 'laid out') return [];
  const { plan, spots, lots } = write.whole;
  return [
    { what: 'record', kind: 'sample-plans', record: plan },
    ...spots.map((record): RecordWrite => ({ what: 'record', kind: 'spots', record })),
    ...lots.map((record): RecordWrite => ({ what: 'record', kind: 'lots', record })),
  ];
};

/** What waits, by kind and ground: thousands wait after a day without signal, and every list asks. */
const waitingBy = new WeakMap<readonly Write[], ReadonlyMap<string, readonly RecordWrite[]>>();
function waitingOf(waiting: readonly Write[], kind: Kind, groundId: string): readonly RecordWrite[] {
  let by = waitingBy.get(waiting);
  if (!by) {
    const made = new Map<string, RecordWrite[]>();
    for (const write of waiting.flatMap(recordsOf)) {
      const key = `${write.kind} ${scopeOf(write)}`;
      const some = made.get(key);
      if (some) some.push(write);
      else made.set(key, [write]);
    }
    by = made;
    waitingBy.set(waiting, by);
  }
  return by.get(`${kind} ${groundId}`) ?? [];
}

/** A ground that has not left this device yet: it has nothing anywhere else. */
export const isOurOwn = (waiting: readonly Write[], groundId: string): boolean =>
  waitingOf(waiting, 'grounds', '').some((w) => w.record.id === groundId && w.record.baseVersion === 0);

/** A list with the waiting writes of its kind laid over it: what the person did is what the person sees. */
export function withWaiting<K extends Kind>(
  kind: K,
  groundId: string,
  list: readonly Records[K]['kept'][],
  waiting: readonly Write[],
): Records[K]['kept'][] {
  const byId = new Map(list.map((r) => [r.id, r]));
  for (const write of waitingOf(waiting, kind, groundId)) {
    const { baseVersion, ...record } = write.record;
    const before = byId.get(record.id);
    if (before && before.version > baseVersion) continue;
    byId.set(record.id, {
      ...KINDS[kind].added,
      ...before,
      ...record,
      version: baseVersion + 1,
      updatedAt: before?.updatedAt ?? new Date(0).toISOString(),
    } as Records[K]['kept']);
  }
  if (kind === 'runs')
    for (const run of byId.values() as Iterable<StoredRun>) {
      const stopped = stoppedBy(run.id, waiting);
      if (stopped !== null) byId.set(run.id, { ...run, tally: { ...run.tally, stopped } });
    }
  return [...byId.values()].filter((r) => !r.deleted).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** Whether a run was stopped, or went on, by the last waiting tap that says so; null where none does. What waits comes after what has landed. */
function stoppedBy(runId: string, waiting: readonly Write[]): boolean | null {
  const last = waiting
    .flatMap((w) => (w.what === 'events' && w.runId === runId ? w.events : []))
    .findLast((e) => e.kind === 'stop' || e.kind === 'resume');
  return last ? last.kind === 'stop' : null;
}

/** Events of a run with the waiting ones laid over. */
export function eventsWithWaiting(
  runId: string,
  events: readonly LoggedEvent[],
  waiting: readonly Write[],
): LoggedEvent[] {
  const byId = new Map(events.map((e) => [e.id, e]));
  for (const write of waiting)
    if (write.what === 'events' && write.runId === runId) for (const e of write.events) byId.set(e.id, e);
  return [...byId.values()];
}
