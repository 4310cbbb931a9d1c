import { localDay } from '../measures/localTime.ts';
import { exactSum_mg, type KeptTally, type WeighedCleanup } from './keepBook.ts';
import { fedAgain, fedBefore } from './rinseOut.ts';

/** A clean-up, a run and a set-up, as far as the book needs them. Of every ground: a box carries old gold from one to the next. */
export interface BookCleanup {
  readonly id: string;
  readonly groundId: string;
  readonly cleanedAt: string;
  readonly runIds: readonly string[];
  readonly sections: readonly { readonly gold_mg: number }[];
  readonly rinsedClean: 'yes' | 'no' | 'unknown';
  /** Clean-ups whose carpet was rinsed out later: this is what came of it. Left out: gold of its own runs. */
  readonly rinseOutOf?: readonly string[];
}
/** What was lifted out of a box into tubs: weighed when a clean-up has its runs. */
export interface BookLift {
  readonly id: string;
  readonly liftedAt: string;
  readonly runIds: readonly string[];
  readonly rinsedClean: 'yes' | 'no' | 'unknown';
}
export interface BookRun {
  readonly id: string;
  readonly groundId: string;
  readonly setupId: string;
  readonly tally: KeptTally;
  readonly people: number | null;
}
export interface BookSetup {
  readonly id: string;
  readonly rigId: string;
  /** Of a dry washer: from the second pass on it was fed tailings, which were counted before. */
  readonly air?: { readonly pass: number } | null;
}

/**
 * The clean-ups of a ground as its book takes them, oldest first, and the tallies of its runs not weighed yet.
 * @param timeZone of the ground: its days are its own
 * A clean-up may hold old gold when the one before it of one of its boxes, on whatever ground, was not rinsed clean; what stands in tubs counts as one.
 */
export function weighedCleanups(
  groundId: string,
  cleanups: readonly BookCleanup[],
  lifts: readonly BookLift[],
  runs: readonly BookRun[],
  setups: readonly BookSetup[],
  timeZone: string,
): { cleanups: WeighedCleanup[]; unweighed: KeptTally[] } {
  const runById = new Map(runs.map((r) => [r.id, r]));
  const fedTailings = new Set(setups.filter((s) => (s.air?.pass ?? 1) > 1).map((s) => s.id));
  const workOf = ({ tally, people, setupId }: BookRun): KeptTally =>
    fedTailings.has(setupId) ? fedAgain({ ...tally, people }) : { ...tally, people };
  const rigOf = new Map(setups.map((s) => [s.id, s.rigId]));
  const runIdsOf = new Map(cleanups.map((c) => [c.id, c.runIds]));
  const counted = new Set(cleanups.flatMap((c) => c.runIds));
  const rinsedBefore = new Map<string, BookCleanup['rinsedClean']>();
  const weighed: WeighedCleanup[] = [];
  const inTubs = lifts
    .filter((l) => l.runIds.some((id) => !counted.has(id)))
    .map(({ liftedAt, ...l }) => ({ ...l, groundId: null, cleanedAt: liftedAt, sections: [], rinseOutOf: [] }));
  const inOrder = [...cleanups, ...inTubs].sort(
    (a, b) => Date.parse(a.cleanedAt) - Date.parse(b.cleanedAt) || (a.id < b.id ? -1 : 1),
  );
  for (const c of inOrder) {
    const own = c.runIds.flatMap((id) => runById.get(id) ?? []);
    const before = (c.rinseOutOf ?? []).flatMap((id) => runIdsOf.get(id) ?? []).flatMap((id) => runById.get(id) ?? []);
    const rigs = new Set([...own, ...before].map((r) => rigOf.get(r.setupId) ?? ''));
    if (c.groundId === groundId)
      weighed.push({
        id: c.id,
        day: localDay(new Date(c.cleanedAt), timeZone),
        gold_mg: exactSum_mg(c.sections.map((s) => s.gold_mg)),
        boxWasClean: [...rigs].every((rig) => (rinsedBefore.get(rig) ?? 'yes') === 'yes'),
        tallies: [...own.map(workOf), ...before.map((r) => fedBefore(workOf(r)))],
      });
    for (const rig of rigs) rinsedBefore.set(rig, c.rinsedClean);
  }
  return {
    cleanups: weighed,
    unweighed: runs.filter((r) => r.groundId === groundId && !counted.has(r.id)).map(workOf),
  };
}
