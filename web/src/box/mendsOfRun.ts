import type { LoggedEvent } from '@riffle/contract';

/** Something of a run that was told afterwards, or taken back. */
export interface Mend {
  /** The event it was told by. */
  readonly id: string;
  readonly what: 'added' | 'taken out' | 'told anew' | 'stopped' | 'gone on';
  /** When it was told, by the clock of the device; null where its id does not say. */
  readonly toldAt_ms: number | null;
  /** Who told it; null: not said. */
  readonly by: string | null;
  /** The moment of the run it is about. */
  readonly at: string;
  /** The bucket as it stood before; null where there was none. */
  readonly was: LoggedEvent | null;
  /** The bucket as it was told; null where there is none. */
  readonly now: LoggedEvent | null;
}

/** An earlier Riffle gave what was told a device made in the same moment. */
const TOGETHER_MS = 100;
/** What was told together was made within this, on a busy phone too; a run from paper is told in one go with all of its buckets. */
const AT_ONCE_MS = 1000;

/** When an id was made: an UUID of version 7 holds it in its first 48 bits (RFC 9562, 5.7). Null for others. */
export const madeAt_ms = (id: string): number | null =>
  id[14] === '7' ? parseInt(id.slice(0, 8) + id.slice(9, 13), 16) : null;

const near = (a_ms: number | null, b_ms: number | null, within_ms: number): boolean =>
  a_ms !== null && b_ms !== null && Math.abs(a_ms - b_ms) < within_ms;

/** Written down by hand: it is a device of its own. To an earlier Riffle it was one made in the same moment; a device's very first tap looks alike, but was tapped when it was made. */
const isByHand = (e: LoggedEvent): boolean =>
  e.deviceId === e.id ||
  (e.deviceCount === 0 &&
    near(madeAt_ms(e.id), madeAt_ms(e.deviceId ?? ''), TOGETHER_MS) &&
    !near(madeAt_ms(e.id), Date.parse(e.at), AT_ONCE_MS));

/** Of these the one made nearest to another, and at once with it. */
function madeWith(other: LoggedEvent, some: readonly LoggedEvent[]): LoggedEvent | undefined {
  const apart_ms = (e: LoggedEvent): number =>
    Math.abs((madeAt_ms(e.id) ?? Infinity) - (madeAt_ms(other.id) ?? -Infinity));
  return some.filter((e) => apart_ms(e) < AT_ONCE_MS).sort((a, b) => apart_ms(a) - apart_ms(b))[0];
}

/** The bucket that was told with this undo: each is made nearest to the other. The one it takes out is none. */
function toldWith(
  undo: LoggedEvent,
  undos: readonly LoggedEvent[],
  told: readonly LoggedEvent[],
): LoggedEvent | undefined {
  const isOther = (bucket: LoggedEvent, u: LoggedEvent): boolean => bucket.kind === 'bucket' && bucket.id !== u.undoes;
  const now = madeWith(
    undo,
    told.filter((e) => isOther(e, undo)),
  );
  return now &&
    madeWith(
      now,
      undos.filter((u) => isOther(now, u)),
    ) === undo
    ? now
    : undefined;
}

/** Taps kept on a device from before it was asked have no such field. */
const byOf = ({ by }: { readonly by?: string | null }): string | null => by ?? null;

/** What was put right of a run, the latest first. Nothing of a run is ever changed or wiped: each of these is an event beside the others. */
export function mendsOfRun(runId: string, events: readonly LoggedEvent[]): Mend[] {
  const byId = new Map(events.map((e) => [e.id, e]));
  const begun_ms = madeAt_ms(runId);
  const undos = events.filter((e) => e.kind === 'undo');
  const told = events.filter((e) => isByHand(e) && e.kind !== 'undo' && !near(madeAt_ms(e.id), begun_ms, AT_ONCE_MS));
  const anew = new Map(
    undos.flatMap((u) => {
      const now = toldWith(u, undos, told);
      return now ? [[u.id, now] as const] : [];
    }),
  );
  const instead = new Set([...anew.values()].map((e) => e.id));
  const taken = undos.map((u): Mend => {
    const now = anew.get(u.id) ?? null;
    const was = byId.get(u.undoes ?? '') ?? null;
    const what = now ? 'told anew' : 'taken out';
    return { id: u.id, what, toldAt_ms: madeAt_ms(u.id), by: byOf(u), at: was?.at ?? u.at, was, now };
  });
  const others = told
    .filter((e) => !instead.has(e.id))
    .map((e): Mend => {
      const what = e.kind === 'bucket' ? 'added' : e.kind === 'stop' ? 'stopped' : 'gone on';
      return {
        id: e.id,
        what,
        toldAt_ms: madeAt_ms(e.id),
        by: byOf(e),
        at: e.at,
        was: null,
        now: e.kind === 'bucket' ? e : null,
      };
    });
  return [...taken, ...others].sort((a, b) => (b.toldAt_ms ?? 0) - (a.toldAt_ms ?? 0));
}
