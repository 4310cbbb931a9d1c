import type { LoggedEvent, StoredRun } from '@riffle/contract';
import { addTaps } from '@riffle/core';
import { asBefore } from './asBefore.ts';
import { growthOf } from './growth.ts';
import type { Write } from './write.ts';

type Tally = StoredRun['tally'];

/** Taps among these writes, by run, each once; a run's list stays the same while others are tapped. Thousands wait after a day without signal, and every list of runs asks. */
export function tapsByRun(waiting: readonly Write[]): ReadonlyMap<string, readonly LoggedEvent[]> {
  const known = tapsOf.get(waiting);
  if (known) return known;
  const grown = oneMore(waiting);
  if (grown) {
    tapsOf.set(waiting, grown);
    return grown;
  }
  const byRun = new Map<string, Map<string, LoggedEvent>>();
  for (const write of waiting) {
    if (write.what !== 'events') continue;
    const byId = byRun.get(write.runId) ?? new Map<string, LoggedEvent>();
    for (const e of write.events) byId.set(e.id, e);
    byRun.set(write.runId, byId);
  }
  const made = new Map([...byRun].map(([runId, byId]) => [runId, asBefore(latest, runId, [...byId.values()])]));
  tapsOf.set(waiting, made);
  return made;
}
/** As before the last tap, and that tap: the rest of thousands is not gone through again. Null where it is not known how the list grew. */
function oneMore(waiting: readonly Write[]): ReadonlyMap<string, readonly LoggedEvent[]> | null {
  const growth = growthOf(waiting);
  const before = growth && tapsOf.get(growth.before);
  if (!before) return null;
  const { came } = growth;
  if (came.what !== 'events') return before;
  const known = before.get(came.runId) ?? [];
  const ids = new Set(known.map((e) => e.id));
  const taps = [...known, ...came.events.filter((e) => !ids.has(e.id))];
  latest.set(came.runId, taps);
  return new Map(before).set(came.runId, taps);
}
const latest = new Map<string, readonly LoggedEvent[]>();
const tapsOf = new WeakMap<readonly Write[], ReadonlyMap<string, readonly LoggedEvent[]>>();

/**
 * What a run comes to with taps that are on their way. Where they cannot simply be added (a clock was put back, a bucket
 * is taken back that only the server holds) they are counted by themselves, and a bucket taken back weighs what its like
 * do in the mean, until their own answer says.
 */
export function withTaps(startedAt: string, tally: Tally, taps: readonly LoggedEvent[]): Tally {
  const known = counted.get(taps);
  if (known?.before === tally) return known.after;
  const after = addTaps(startedAt, tally, taps, new Map()) ?? countApart(tally, taps);
  counted.set(taps, { before: tally, after });
  return after;
}
const counted = new WeakMap<readonly LoggedEvent[], { readonly before: Tally; readonly after: Tally }>();

function countApart(tally: Tally, taps: readonly LoggedEvent[]): Tally {
  const ids = new Set(taps.map((e) => e.id));
  const undone = new Set(taps.flatMap((e) => e.undoes ?? []));
  const elsewhere = [...undone].filter((id) => !ids.has(id)).length;
  const mean_L = tally.buckets > 0 ? tally.volumeLoose_L / tally.buckets : 0;
  const bySpot_L = { ...tally.bySpot_L };
  let { stopped } = tally;
  let buckets = tally.buckets - elsewhere;
  let volumeLoose_L = tally.volumeLoose_L - elsewhere * mean_L;
  for (const { id, kind, spotId, volume_L } of taps) {
    if (kind === 'stop' || kind === 'resume') stopped = kind === 'stop';
    if (kind !== 'bucket' || undone.has(id)) continue;
    buckets++;
    volumeLoose_L += volume_L ?? 0;
    bySpot_L[spotId ?? ''] = (bySpot_L[spotId ?? ''] ?? 0) + (volume_L ?? 0);
  }
  return {
    ...tally,
    buckets: Math.max(0, buckets),
    volumeLoose_L: Math.max(0, volumeLoose_L),
    bySpot_L,
    stopped,
    taps: tally.taps + ids.size,
    timesInOrder: false,
  };
}
