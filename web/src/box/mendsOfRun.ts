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

/** What was told together has ids of one moment; a run from paper is told in one go with all of its buckets. */
const TOGETHER_MS = 100;
const AT_ONCE_MS = 1000;

/** When an id was made: an UUID of version 7 holds it in its first 48 bits (RFC 9562, 5.7). Null for others. */
export const madeAt_ms = (id: string): number | null =>
  id[14] === '7' ? parseInt(id.slice(0, 8) + id.slice(9, 13), 16) : null;

const near = (a_ms: number | null, b_ms: number | null, within_ms: number): boolean =>
  a_ms !== null && b_ms !== null && Math.abs(a_ms - b_ms) < within_ms;

/** Written down by hand: it was given a device of its own in the same moment. A device's very first tap looks alike, but was tapped when it was made. */
const isByHand = (e: LoggedEvent): boolean =>
  e.deviceCount === 0 &&
  near(madeAt_ms(e.id), madeAt_ms(e.deviceId ?? ''), TOGETHER_MS) &&
  !near(madeAt_ms(e.id), Date.parse(e.at), AT_ONCE_MS);

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
      const now = told.find((e) => e.kind === 'bucket' && near(madeAt_ms(e.id), madeAt_ms(u.id), TOGETHER_MS));
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
