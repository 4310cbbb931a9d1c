import type { LoggedEvent, StoredRun } from '@riffle/contract';
import { asRunEvent, tallyRun } from '@riffle/core';

/**
 * What a run comes to where only some of its taps are here: those in its tally, and the ones of this device that are on
 * their way. A bucket taken back that has not reached this device weighs what its like do in the mean.
 */
export function countPartly(
  tally: StoredRun['tally'],
  startedAt: string,
  onTheirWay: readonly LoggedEvent[],
): { readonly count: number; readonly volumeLoose_L: number } {
  const started_ms = Date.parse(startedAt);
  const own = tallyRun(started_ms, onTheirWay.map(asRunEvent), started_ms);
  const ids = new Set(onTheirWay.map((e) => e.id));
  const others = new Set(onTheirWay.flatMap((e) => (e.undoes !== null && !ids.has(e.undoes) ? [e.undoes] : []))).size;
  const mean_L = tally.buckets > 0 ? tally.volumeLoose_L / tally.buckets : 0;
  return {
    count: Math.max(0, tally.buckets + own.buckets.length - others),
    volumeLoose_L: Math.max(0, tally.volumeLoose_L + own.volumeLoose_L - others * mean_L),
  };
}
