import { localDay } from '../measures/localTime.ts';
import { exactSum_mg, type KeptTally, type WeighedCleanup } from './keepBook.ts';

/** A clean-up, a run and a set-up, as far as the book needs them. Of every ground: a box carries old gold from one to the next. */
export interface BookCleanup {
  readonly id: string;
  readonly groundId: string;
  readonly cleanedAt: string;
  readonly runIds: readonly string[];
  readonly sections: readonly { readonly gold_mg: number }[];
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
}

/**
 * The clean-ups of a ground as its book takes them, oldest first, and the tallies of its runs not weighed yet.
 * @param timeZone of the ground: its days are its own
 * A clean-up may hold old gold when the one before it of one of its boxes, on whatever ground, was not rinsed clean.
 */
export function weighedCleanups(
  groundId: string,
  cleanups: readonly BookCleanup[],
  runs: readonly BookRun[],
  setups: readonly BookSetup[],
  timeZone: string,
): { cleanups: WeighedCleanup[]; unweighed: KeptTally[] } {
  const runById = new Map(runs.map((r) => [r.id, r]));
  const rigOf = new Map(setups.map((s) => [s.id, s.rigId]));
  const rinsedBefore = new Map<string, BookCleanup['rinsedClean']>();
  const weighed: WeighedCleanup[] = [];
  const inOrder = [...cleanups].sort(
    (a, b) => Date.parse(a.cleanedAt) - Date.parse(b.cleanedAt) || (a.id < b.id ? -1 : 1),
  );
  for (const c of inOrder) {
    const behind = c.runIds.flatMap((id) => runById.get(id) ?? []);
    const rigs = new Set(behind.map((r) => rigOf.get(r.setupId) ?? ''));
    if (c.groundId === groundId)
      weighed.push({
        id: c.id,
        day: localDay(new Date(c.cleanedAt), timeZone),
        gold_mg: exactSum_mg(c.sections.map((s) => s.gold_mg)),
        boxWasClean: [...rigs].every((rig) => (rinsedBefore.get(rig) ?? 'yes') === 'yes'),
        tallies: behind.map(workOf),
      });
    for (const rig of rigs) rinsedBefore.set(rig, c.rinsedClean);
  }
  const counted = new Set(cleanups.flatMap((c) => c.runIds));
  return {
    cleanups: weighed,
    unweighed: runs.filter((r) => r.groundId === groundId && !counted.has(r.id)).map(workOf),
  };
}

const workOf = ({ tally, people }: BookRun): KeptTally => ({ ...tally, people });
