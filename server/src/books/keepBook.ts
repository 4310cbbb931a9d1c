import type { Book, Tally } from '@riffle/contract';
import { bankVolume_L, creditGold } from '@riffle/core';
import type { z } from 'zod';
import type { CleanedUp } from './queries.ts';

type RunTally = z.infer<typeof Tally>;

/** The book of a ground from its clean-ups and the runs not weighed yet. Volumes in the bank, by the ground's swell. */
export function keepBook(
  groundId: string,
  swell_percent: number,
  cleanups: readonly CleanedUp[],
  unweighed: readonly RunTally[],
): Book {
  const bank = (loose_L: number): number => bankVolume_L(loose_L, swell_percent);
  const amounts = (some: readonly CleanedUp[]): Book['total'] => {
    const tallies = some.flatMap((c) => c.tallies);
    return { gold_mg: exactSum(some.map((c) => c.gold_mg)), cleanups: some.length, ...work(tallies, bank) };
  };
  const credits = cleanups.map((c) => ({ gold_mg: c.gold_mg, boxWasClean: c.boxWasClean, bySpot_L: addUp(c.tallies) }));
  const sourceKey = (bySpot_L: Readonly<Record<string, number>>): string =>
    creditGold([{ gold_mg: 0, bySpot_L, boxWasClean: true }])[0]?.spotIds.join('+') ?? '';

  const lines = creditGold(credits).map((credit) => {
    const behind = cleanups.filter((_, i) => sourceKey(credits[i]?.bySpot_L ?? {}) === credit.spotIds.join('+'));
    return {
      spotIds: credit.spotIds.filter((id) => id !== ''),
      ...amounts(behind),
      mayHoldOldGold: credit.mayHoldOldGold,
    };
  });
  const days = [...new Set(cleanups.map((c) => c.day))];
  return {
    groundId,
    lines: lines.sort((a, b) => b.gold_mg - a.gold_mg),
    total: amounts(cleanups),
    unweighed: { ...work(unweighed, bank), runs: unweighed.filter((t) => t.buckets > 0).length },
    days: days.map((day) => ({ day, ...amounts(cleanups.filter((c) => c.day === day)) })),
  };
}

function work(
  tallies: readonly RunTally[],
  bank: (loose_L: number) => number,
): { volumeBank_L: number; running_s: number; buckets: number } {
  return {
    volumeBank_L: bank(tallies.reduce((sum, t) => sum + t.volumeLoose_L, 0)),
    running_s: tallies.reduce((sum, t) => sum + t.running_s, 0),
    buckets: tallies.reduce((sum, t) => sum + t.buckets, 0),
  };
}

function addUp(tallies: readonly RunTally[]): Record<string, number> {
  const sum: Record<string, number> = {};
  for (const t of tallies)
    for (const [spot, litres] of Object.entries(t.bySpot_L)) sum[spot] = (sum[spot] ?? 0) + litres;
  return sum;
}

/** Milligrams with at most four decimals, added as whole tenths of micrograms so that no rounding creeps in. */
const exactSum = (mg: readonly number[]): number => mg.reduce((sum, x) => sum + Math.round(x * 10_000), 0) / 10_000;
