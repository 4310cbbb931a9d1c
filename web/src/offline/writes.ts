import { keepable, type LaidOut, type LoggedEvent, type RunWithEvents, type StoredRun } from '@riffle/contract';
import { useMutation, useMutationState, type QueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { call } from '../api/client.ts';
import { KINDS, type Kind, type Records } from '../api/kinds.ts';
import { CREW_ID } from '../api/opening.ts';

type RecordWrite = {
  [K in Kind]: {
    readonly what: 'record';
    readonly kind: K;
    readonly record: Records[K]['sent'] & { readonly baseVersion: number };
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

export const WRITE_KEY = ['write'] as const;
/** Writes run one after another, in the order they were made. */
export const WRITE_SCOPE = { id: 'writes' } as const;

export function sendWrite(write: Write): Promise<unknown> {
  switch (write.what) {
    case 'record':
      return call('PUT', `/${write.kind}/${write.record.id}`, write.record);
    case 'events':
      return call('POST', `/runs/${write.runId}/events`, { events: write.events });
    case 'file':
      return call('PUT', fileAddress(write.attachmentId), write.bytes);
    case 'laid out':
      return call('PUT', `/sample-plans/${write.whole.plan.id}/laid-out`, write.whole);
  }
}

export const fileAddress = (attachmentId: string): string => `/attachments/${attachmentId}/file`;

/** The ground a record belongs to; empty for what is the crew's. */
const scopeOf = (write: RecordWrite): string => ('groundId' in write.record ? write.record.groundId : '');

export const listKey = (kind: Kind, groundId: string) => ['list', CREW_ID, kind, groundId] as const;
export const eventsKey = (runId: string) => ['events', CREW_ID, runId] as const;

interface Versioned {
  readonly id: string;
  readonly version: number;
}

/** Takes the server's answer into the cache at once, so that nothing flickers between a write landing and the next read. */
export function takeIn(client: QueryClient, write: Write, answer: unknown): void {
  // Another tab sent it: what it came to is read anew.
  if (answer === null) {
    void client.invalidateQueries();
    return;
  }
  const put = (kind: Kind, groundId: string, kept: Versioned): void => {
    client.setQueryData<Versioned[]>(listKey(kind, groundId), (list = []) =>
      list.some((r) => r.id === kept.id && r.version > kept.version)
        ? list
        : [...list.filter((r) => r.id !== kept.id), kept],
    );
  };
  if (write.what === 'record') {
    put(write.kind, scopeOf(write), answer as Versioned);
    for (const kind of KINDS[write.kind].changes ?? [])
      void client.invalidateQueries({ queryKey: listKey(kind, scopeOf(write)) });
  } else if (write.what === 'laid out') {
    const stored = { version: 1, updatedAt: new Date().toISOString() };
    for (const w of recordsOf(write)) put(w.kind, write.groundId, { ...w.record, ...stored });
  } else if (write.what === 'events') {
    const run = answer as RunWithEvents;
    client.setQueryData<readonly LoggedEvent[]>(eventsKey(write.runId), run.events);
    client.setQueryData<StoredRun[]>(listKey('runs', write.groundId), (list) =>
      list?.map((r) => (r.id === run.id ? { ...r, tally: run.tally } : r)),
    );
  }
}

/** Queues a write. Returns at once: what was tapped is kept, on the screen now and on the server as soon as it can be reached. */
export function useWrite(): (write: Write) => void {
  const { mutate } = useMutation<unknown, Error, QueuedWrite>({ mutationKey: WRITE_KEY, scope: WRITE_SCOPE });
  // Signs that no database holds are left out here, where every form passes: they show as nothing anyway.
  return useCallback((write: Write) => mutate({ ...keepable(write), writeId: uuidv7(), crewId: CREW_ID }), [mutate]);
}

/** Writes not landed yet, oldest first. */
export function useWaiting(): Write[] {
  return useMutationState({
    filters: { mutationKey: WRITE_KEY, status: 'pending' },
    select: (m) => m.state.variables as Write,
  });
}

/** The records a write holds. */
const recordsOf = (write: Write): readonly RecordWrite[] => {
  if (write.what === 'record') return [write];
  if (write.what !== 'laid out') return [];
  const { plan, spots, lots } = write.whole;
  return [
    { what: 'record', kind: 'sample-plans', record: plan },
    ...spots.map((record): RecordWrite => ({ what: 'record', kind: 'spots', record })),
    ...lots.map((record): RecordWrite => ({ what: 'record', kind: 'lots', record })),
  ];
};

/** A list with the waiting writes of its kind laid over it: what the person did is what the person sees. */
export function withWaiting<K extends Kind>(
  kind: K,
  groundId: string,
  list: readonly Records[K]['kept'][],
  waiting: readonly Write[],
): Records[K]['kept'][] {
  const byId = new Map(list.map((r) => [r.id, r]));
  for (const write of waiting.flatMap(recordsOf)) {
    if (write.kind !== kind || scopeOf(write) !== groundId) continue;
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
  return [...byId.values()].filter((r) => !r.deleted).sort((a, b) => (a.id < b.id ? -1 : 1));
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
