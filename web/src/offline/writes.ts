import type {
  Attachment,
  Cleanup,
  Container,
  GaugeReading,
  Ground,
  LaidOut,
  LoggedEvent,
  Lot,
  Outline,
  Permission,
  Pit,
  Plan,
  Rig,
  Run,
  RunWithEvents,
  Sample,
  SamplePlan,
  Screening,
  Seeding,
  Setup,
  Sign,
  SizeWord,
  Spot,
  StoredAttachment,
  StoredCleanup,
  StoredContainer,
  StoredGaugeReading,
  StoredGround,
  StoredLot,
  StoredOutline,
  StoredPermission,
  StoredPit,
  StoredPlan,
  StoredRig,
  StoredRun,
  StoredSample,
  StoredSamplePlan,
  StoredScreening,
  StoredSeeding,
  StoredSetup,
  StoredSign,
  StoredSizeWord,
  StoredSpot,
} from '@riffle/contract';
import { useMutation, useMutationState, type QueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { call } from '../api/client.ts';

/** Kinds of record as written and as kept. */
export interface Records {
  grounds: { sent: Ground; kept: StoredGround };
  spots: { sent: Spot; kept: StoredSpot };
  signs: { sent: Sign; kept: StoredSign };
  permissions: { sent: Permission; kept: StoredPermission };
  plans: { sent: Plan; kept: StoredPlan };
  outlines: { sent: Outline; kept: StoredOutline };
  lots: { sent: Lot; kept: StoredLot };
  attachments: { sent: Attachment; kept: StoredAttachment };
  'gauge-readings': { sent: GaugeReading; kept: StoredGaugeReading };
  samples: { sent: Sample; kept: StoredSample };
  'sample-plans': { sent: SamplePlan; kept: StoredSamplePlan };
  pits: { sent: Pit; kept: StoredPit };
  screenings: { sent: Screening; kept: StoredScreening };
  containers: { sent: Container; kept: StoredContainer };
  seedings: { sent: Seeding; kept: StoredSeeding };
  'size-words': { sent: SizeWord; kept: StoredSizeWord };
  rigs: { sent: Rig; kept: StoredRig };
  setups: { sent: Setup; kept: StoredSetup };
  runs: { sent: Run; kept: StoredRun };
  cleanups: { sent: Cleanup; kept: StoredCleanup };
}
export type Kind = keyof Records;

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
/** A write with its place in the outbox. */
export type QueuedWrite = Write & { readonly writeId: string };

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

/** Grounds and boxes belong to the crew, everything else to a ground. */
const scopeOf = (write: RecordWrite): string => ('groundId' in write.record ? write.record.groundId : '');

export const listKey = (kind: Kind, groundId: string) => ['list', kind, groundId] as const;
export const eventsKey = (runId: string) => ['events', runId] as const;
export const bookKey = (groundId: string) => ['book', groundId] as const;

/** Takes the server's answer into the cache at once, so that nothing flickers between a write landing and the next read. */
export function takeIn(client: QueryClient, write: Write, answer: unknown): void {
  // Another tab sent it: what it came to is read anew.
  if (answer === null) {
    void client.invalidateQueries();
    return;
  }
  if (write.what === 'record') {
    const kept = answer as { id: string };
    client.setQueryData<{ id: string }[]>(listKey(write.kind, scopeOf(write)), (list) => [
      ...(list ?? []).filter((r) => r.id !== kept.id),
      kept,
    ]);
    // A plan takes its undug bags and points out with it, and brings them back.
    if (write.kind === 'sample-plans')
      for (const kind of ['lots', 'spots'] as const)
        void client.invalidateQueries({ queryKey: listKey(kind, scopeOf(write)) });
  } else if (write.what === 'laid out') {
    for (const w of recordsOf(write))
      client.setQueryData<{ id: string }[]>(listKey(w.kind, write.groundId), (list) => [
        ...(list ?? []).filter((r) => r.id !== w.record.id),
        { ...w.record, version: 1, updatedAt: new Date().toISOString() },
      ]);
  } else if (write.what === 'events') {
    const run = answer as RunWithEvents;
    client.setQueryData<readonly LoggedEvent[]>(eventsKey(write.runId), run.events);
    client.setQueryData<StoredRun[]>(listKey('runs', write.groundId), (list) =>
      list?.map((r) => (r.id === run.id ? { ...r, tally: run.tally } : r)),
    );
  }
  const groundId = write.what === 'record' ? scopeOf(write) : write.groundId;
  if (groundId) void client.invalidateQueries({ queryKey: bookKey(groundId) });
}

/** Queues a write. Returns at once: what was tapped is kept, on the screen now and on the server as soon as it can be reached. */
export function useWrite(): (write: Write) => void {
  const { mutate } = useMutation<unknown, Error, QueuedWrite>({ mutationKey: WRITE_KEY, scope: WRITE_SCOPE });
  return useCallback((write: Write) => mutate({ ...write, writeId: uuidv7() }), [mutate]);
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
      ...EMPTY_EXTRAS[kind],
      ...before,
      ...record,
      version: baseVersion + 1,
      updatedAt: before?.updatedAt ?? new Date(0).toISOString(),
    } as Records[K]['kept']);
  }
  return [...byId.values()].filter((r) => !r.deleted).sort((a, b) => (a.id < b.id ? -1 : 1));
}

/** What the server adds to a record; stands in until it answers. */
const EMPTY_EXTRAS: Readonly<Record<Kind, object>> = {
  grounds: { line: null, linePoints: 0 },
  spots: {},
  signs: {},
  'gauge-readings': {},
  permissions: {},
  plans: {},
  outlines: {},
  attachments: {},
  lots: {},
  samples: {},
  'sample-plans': {},
  pits: {},
  screenings: {},
  containers: {},
  seedings: {},
  'size-words': {},
  rigs: {},
  setups: {},
  cleanups: {},
  runs: { tally: { buckets: 0, volumeLoose_L: 0, bySpot_L: {}, running_s: 0, stopped: false, lastEventAt: null } },
};

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
