import type { StoredRun } from '@riffle/contract';
import { KINDS, type Kind, type Records } from '../api/kinds.ts';
import { asBefore } from './asBefore.ts';
import { growthOf } from './growth.ts';
import { tapsByRun, withTaps } from './waitingTaps.ts';
import type { RecordWrite, Write } from './write.ts';

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
const latest = new Map<string, readonly RecordWrite[]>();
const NONE: readonly RecordWrite[] = [];

/** What waits of a kind on a ground, oldest first; the same list as long as it is the same writes, whatever else is written. */
export function waitingOf(waiting: readonly Write[], kind: Kind, groundId: string): readonly RecordWrite[] {
  let by = waitingBy.get(waiting) ?? oneMore(waiting);
  if (!by) {
    const made = new Map<string, RecordWrite[]>();
    for (const write of waiting.flatMap(recordsOf)) {
      const key = `${write.kind} ${scopeOf(write)}`;
      const some = made.get(key);
      if (some) some.push(write);
      else made.set(key, [write]);
    }
    by = new Map([...made].map(([key, writes]) => [key, asBefore(latest, key, writes)]));
  }
  waitingBy.set(waiting, by);
  return by.get(`${kind} ${groundId}`) ?? NONE;
}

/** As before the last write, and that one; null where it is not known how the list grew. */
function oneMore(waiting: readonly Write[]): ReadonlyMap<string, readonly RecordWrite[]> | null {
  const growth = growthOf(waiting);
  const before = growth && waitingBy.get(growth.before);
  if (!before) return null;
  const by = new Map(before);
  for (const write of recordsOf(growth.came)) {
    const key = `${write.kind} ${scopeOf(write)}`;
    const some = [...(by.get(key) ?? NONE), write];
    latest.set(key, some);
    by.set(key, some);
  }
  return by;
}

/** A ground that has not left this device yet: it has nothing anywhere else. */
export const isOurOwn = (waiting: readonly Write[], groundId: string): boolean =>
  waitingOf(waiting, 'grounds', '').some((w) => w.record.id === groundId && w.record.baseVersion === 0);

/** A list with the waiting writes of its kind laid over it: what the person did is what the person sees. Taps on their way are counted in the runs they belong to. The same list over the same writes is worked out once for all who show it. */
export function withWaiting<K extends Kind>(
  kind: K,
  groundId: string,
  list: readonly Records[K]['kept'][],
  waiting: readonly Write[],
): readonly Records[K]['kept'][] {
  const overList = laidOver.get(list) ?? new Map<string, LaidOver>();
  laidOver.set(list, overList);
  const key = `${kind} ${groundId}`;
  const known = overList.get(key);
  if (known?.waiting === waiting) return known.items as readonly Records[K]['kept'][];
  const items = layWaiting(kind, groundId, list, waiting);
  overList.set(key, { waiting, items });
  return items;
}
interface LaidOver {
  readonly waiting: readonly Write[];
  readonly items: readonly unknown[];
}
const laidOver = new WeakMap<readonly unknown[], Map<string, LaidOver>>();

function layWaiting<K extends Kind>(
  kind: K,
  groundId: string,
  list: readonly Records[K]['kept'][],
  waiting: readonly Write[],
): readonly Records[K]['kept'][] {
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
    for (const [runId, taps] of tapsByRun(waiting)) {
      const run = byId.get(runId) as StoredRun | undefined;
      if (run) byId.set(runId, { ...run, tally: withTaps(run.startedAt, run.tally, taps) });
    }
  return [...byId.values()].filter((r) => !r.deleted).sort((a, b) => (a.id < b.id ? -1 : 1));
}
