import type { StoredCleanup, StoredLift, StoredRun, StoredSetup } from '@riffle/contract';
import { bankVolume_L, type MeasuredRun, type WeighedCleanup } from '@riffle/core';

/** Why what a box held cannot be held against what pans promised. */
export type LeftOut = 'mix' | 'carpet' | 'lost' | 'tailings';

interface MeasuredBehind {
  readonly cleanups: readonly StoredCleanup[];
  readonly lifts: readonly Pick<StoredLift, 'runIds' | 'tubs'>[];
  readonly runs: readonly StoredRun[];
  readonly setups: readonly Pick<StoredSetup, 'id' | 'air'>[];
  /** As the book has them: whether the box held older gold. */
  readonly weighed: readonly Pick<WeighedCleanup, 'id' | 'boxWasClean'>[];
}

/**
 * Clean-ups that what pans promised can be held against. Left out, and told why: gold of a mix, which is nobody's
 * forecast; a box that was not rinsed clean, whose gold is in the next clean-up, and that next one; a lift of which a tub
 * was lost; tailings run again, of which no pan spoke.
 */
export function measuredRuns(
  { cleanups, lifts, runs, setups, weighed }: MeasuredBehind,
  swell_percent: number,
): { readonly runs: readonly MeasuredRun[]; readonly leftOut: ReadonlyMap<LeftOut, number> } {
  const lost = new Set(lifts.filter((l) => l.tubs.some((t) => t.lost)).flatMap((l) => l.runIds));
  const heldOlder = new Set(weighed.filter((w) => !w.boxWasClean).map((w) => w.id));
  const ofTailings = new Set(setups.filter((s) => (s.air?.pass ?? 1) > 1).map((s) => s.id));
  const leftOut = new Map<LeftOut, number>();
  const measured = cleanups.flatMap((c): MeasuredRun[] => {
    const mine = runs.filter((r) => c.runIds.includes(r.id));
    const [spotId, ...others] = new Set(mine.flatMap((r) => Object.keys(r.tally.bySpot_L)));
    if (!spotId && others.length === 0) return [];
    const why: LeftOut | null =
      others.length > 0
        ? 'mix'
        : c.rinsedClean === 'no' || heldOlder.has(c.id)
          ? 'carpet'
          : c.runIds.some((id) => lost.has(id))
            ? 'lost'
            : mine.some((r) => ofTailings.has(r.setupId))
              ? 'tailings'
              : null;
    if (why !== null || !spotId) {
      if (why) leftOut.set(why, (leftOut.get(why) ?? 0) + 1);
      return [];
    }
    return [
      {
        cleanupId: c.id,
        spotId,
        startedAt: mine.map((r) => r.startedAt).sort()[0] ?? c.cleanedAt,
        volumeBank_L: bankVolume_L(
          mine.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0),
          swell_percent,
        ),
        gold_mg: c.sections.reduce((sum, s) => sum + s.gold_mg, 0),
      },
    ];
  });
  return { runs: measured, leftOut };
}
