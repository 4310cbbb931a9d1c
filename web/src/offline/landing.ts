import type { RunAfterTaps, StoredRun } from '@riffle/contract';
import type { Kind } from '../api/kinds.ts';
import { CREW_ID } from '../api/opening.ts';
import type { Write } from './write.ts';
import { recordsOf, scopeOf } from './writes.ts';

/** The keys that what was read is known by. They name the crew, so that one book is never taken for another. */
export const listKey = (kind: Kind, groundId: string, crewId = CREW_ID) => ['list', crewId, kind, groundId] as const;
export const eventsKey = (runId: string, crewId = CREW_ID) => ['events', crewId, runId] as const;
export type ListKey = ReturnType<typeof listKey> | ReturnType<typeof eventsKey>;

/** How a list is named where it is kept: as the query cache hashes its key, which is a list of texts. */
/** When a list was read that came together from answers alone: the server has not given it yet. */
export const NEVER_READ = 0;

export const hashOf = (key: ListKey): string => JSON.stringify(key);

/** What lies in a list: a record with its version, or a tap, which never changes. */
export interface Listed {
  readonly id: string;
  readonly version?: number;
}

/** The record of a kind that a write begins; null where it is something else. */
const begun = (write: Write, kind: Kind): string | null =>
  write.what === 'record' && write.kind === kind && write.record.baseVersion === 0 ? write.record.id : null;
export const begunRun = (write: Write): string | null => begun(write, 'runs');
export const begunGround = (write: Write): string | null => begun(write, 'grounds');

/** The lists that hold something of a write once it has landed. */
export function listKeysOf(write: Write & { readonly crewId: string }): { key: ListKey; hash: string }[] {
  const lists: ListKey[] = recordsOf(write).map((w) => listKey(w.kind, scopeOf(w), write.crewId));
  if (write.what === 'events')
    lists.push(eventsKey(write.runId, write.crewId), listKey('runs', write.groundId, write.crewId));
  // A run begun here has no taps anywhere else: its list of taps is whole from the start.
  const begun = begunRun(write);
  if (begun !== null) lists.push(eventsKey(begun, write.crewId));
  return [...new Map(lists.map((key) => [hashOf(key), key])).entries()].map(([hash, key]) => ({ hash, key }));
}

/**
 * A list with what the server answered to a write. Taken in twice, or late, it makes no difference: of a record the
 * later version stands, of a run the tally of more taps.
 */
export function withAnswer(key: ListKey, items: readonly Listed[], write: Write, answer: unknown): readonly Listed[] {
  if (key[0] === 'events') {
    if (write.what !== 'events' || write.runId !== key[2]) return items;
    const here = new Set(items.map((e) => e.id));
    const fresh = write.events.filter((e) => !here.has(e.id));
    return fresh.length > 0 ? [...items, ...fresh] : items;
  }
  const [, , kind, groundId] = key;
  if (write.what === 'events') {
    if (kind !== 'runs' || groundId !== write.groundId) return items;
    const { tally } = answer as RunAfterTaps;
    const behind = (r: StoredRun): boolean => r.id === write.runId && tally.taps > r.tally.taps;
    const runs = items as readonly StoredRun[];
    return runs.some(behind) ? runs.map((r) => (behind(r) ? { ...r, tally } : r)) : items;
  }
  const landed = recordsOf(write).flatMap((w): Listed[] => {
    if (w.kind !== kind || scopeOf(w) !== groundId) return [];
    if (write.what === 'record') return [answer as Listed];
    return [{ ...w.record, version: 1, updatedAt: new Date().toISOString() } as unknown as Listed];
  });
  return landed.reduce<readonly Listed[]>((list, record) => {
    const here = list.find((r) => r.id === record.id);
    if (!here) return [...list, record];
    // In its place: what the list is kept in, piece by piece, stays the same up to the one it is in.
    return (here.version ?? 0) >= (record.version ?? 0) ? list : list.map((r) => (r === here ? record : r));
  }, items);
}

/** One list read twice, as of different moments: of each record the later. None is ever missing from a later one: what was taken out stays, marked. */
export function laterOfEach(list: readonly Listed[], other: readonly Listed[]): readonly Listed[] {
  const byId = new Map(list.map((r) => [r.id, r]));
  const later = other.filter((r) => isLater(r, byId.get(r.id)));
  if (later.length === 0) return list;
  for (const r of later) byId.set(r.id, r);
  return [...byId.values()];
}

/** Taps leave a run its version. */
const tapsOf = (r: Listed): number => (r as Partial<StoredRun>).tally?.taps ?? 0;
const isLater = (r: Listed, than: Listed | undefined): boolean =>
  !than || ((r.version ?? 0) - (than.version ?? 0) || tapsOf(r) - tapsOf(than)) > 0;

/**
 * Runs as they were just read, beside those in hand. Of a run with taps of this device on their way, the tally in hand
 * stands: the one that was read may hold some of them already, and they would be counted twice. Their own answers bring
 * the next. A tally of more taps is never gone back on.
 */
export function withTalliesInHand(
  read: readonly StoredRun[],
  inHand: readonly StoredRun[],
  tapped: ReadonlySet<string>,
): StoredRun[] {
  const before = new Map(inHand.map((r) => [r.id, r.tally]));
  return read.map((run) => {
    const tally = before.get(run.id);
    return tally && (tapped.has(run.id) || tally.taps > run.tally.taps) ? { ...run, tally } : run;
  });
}
