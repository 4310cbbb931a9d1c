import { bankVolume_L } from '../measures/containers.ts';
import { creditGold } from './creditGold.ts';

/** What a run came to, as it is kept with the run. Volumes loose. */
export interface KeptTally {
  readonly buckets: number;
  readonly volumeLoose_L: number;
  readonly bySpot_L: Readonly<Record<string, number>>;
  readonly running_s: number;
  /** How many were at it; null or left out: not said. */
  readonly people?: number | null;
}

/** A clean-up with its gold and what the runs behind it came to. */
export interface WeighedCleanup {
  readonly id: string;
  /** The day it was weighed by the ground's clock, YYYY-MM-DD. */
  readonly day: string;
  readonly gold_mg: number;
  /** False when the clean-up of the same box before this one was not rinsed clean. */
  readonly boxWasClean: boolean;
  readonly tallies: readonly KeptTally[];
}

export interface BookAmounts {
  volumeBank_L: number;
  gold_mg: number;
  running_s: number;
  /** Running time times those who were at it; null where of some run nobody said how many. */
  person_s: number | null;
  buckets: number;
  cleanups: number;
}

/** What a ground gave: by source (one spot, or the mix of several), by day, in all, and what lies un-weighed in the box. */
export interface GroundBook {
  groundId: string;
  lines: (BookAmounts & { spotIds: string[]; mayHoldOldGold: boolean })[];
  total: BookAmounts;
  unweighed: { volumeBank_L: number; running_s: number; person_s: number | null; buckets: number; runs: number };
  days: (BookAmounts & { day: string })[];
}

/** The book of a ground from its clean-ups and the runs not weighed yet. Volumes in the bank, by the ground's swell; gold adds up exactly. */
export function keepBook(
  groundId: string,
  swell_percent: number,
  cleanups: readonly WeighedCleanup[],
  unweighed: readonly KeptTally[],
): GroundBook {
  const bank = (loose_L: number): number => bankVolume_L(loose_L, swell_percent);
  const amounts = (some: readonly WeighedCleanup[]): BookAmounts => amountsOf(some, swell_percent);
  const credits = cleanups.map((c) => ({
    gold_mg: c.gold_mg,
    boxWasClean: c.boxWasClean,
    bySpot_L: addUp(c.tallies),
  }));
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

/** Shorter work than this tells no pace: a bucket to try the box made grams an hour. Common practice, no source. */
export const PACE_FROM_S = 1800;
/** Gold for an hour of running and for each person's hour, mg; null where too little was run to say, or nobody said how many were at it. */
export const goldAnHour_mg = ({
  gold_mg,
  running_s,
  person_s,
}: Pick<BookAmounts, 'gold_mg' | 'running_s' | 'person_s'>): { running: number | null; person: number | null } =>
  running_s < PACE_FROM_S || gold_mg <= 0
    ? { running: null, person: null }
    : { running: (3600 * gold_mg) / running_s, person: person_s ? (3600 * gold_mg) / person_s : null };

/** What clean-ups came to by whatever they are told apart by: a box, a lining, a pitch, a month. */
export interface BookGroup extends BookAmounts {
  readonly key: string;
  /** The clean-ups behind it, in their order. */
  readonly cleanupIds: readonly string[];
}

/** Clean-ups grouped, the group with the most gold first; every one is in one group, so the groups add up to the book. @param keyOf what tells a clean-up apart */
export function groupBook(
  swell_percent: number,
  cleanups: readonly WeighedCleanup[],
  keyOf: (cleanup: WeighedCleanup) => string,
): BookGroup[] {
  const groups = new Map<string, WeighedCleanup[]>();
  for (const c of cleanups) groups.set(keyOf(c), [...(groups.get(keyOf(c)) ?? []), c]);
  return [...groups]
    .map(([key, some]) => ({ key, cleanupIds: some.map((c) => c.id), ...amountsOf(some, swell_percent) }))
    .sort((a, b) => b.gold_mg - a.gold_mg);
}

function amountsOf(some: readonly WeighedCleanup[], swell_percent: number): BookAmounts {
  return {
    gold_mg: exactSum_mg(some.map((c) => c.gold_mg)),
    cleanups: some.length,
    ...work(
      some.flatMap((c) => c.tallies),
      (loose_L) => bankVolume_L(loose_L, swell_percent),
    ),
  };
}

function work(
  tallies: readonly KeptTally[],
  bank: (loose_L: number) => number,
): { volumeBank_L: number; running_s: number; person_s: number | null; buckets: number } {
  const total = (of: (t: KeptTally) => number): number => tallies.reduce((sum, t) => sum + of(t), 0);
  return {
    volumeBank_L: bank(total((t) => t.volumeLoose_L)),
    running_s: total((t) => t.running_s),
    person_s: tallies.every((t) => t.people || t.running_s === 0) ? total((t) => t.running_s * (t.people ?? 0)) : null,
    buckets: total((t) => t.buckets),
  };
}

function addUp(tallies: readonly KeptTally[]): Record<string, number> {
  const sum: Record<string, number> = {};
  for (const t of tallies)
    for (const [spot, litres] of Object.entries(t.bySpot_L)) sum[spot] = (sum[spot] ?? 0) + litres;
  return sum;
}

/** Milligrams with at most four decimals, added as whole tenths of micrograms so that no rounding creeps in. */
export const exactSum_mg = (mg: readonly number[]): number =>
  mg.reduce((sum, x) => sum + Math.round(x * 10_000), 0) / 10_000;
