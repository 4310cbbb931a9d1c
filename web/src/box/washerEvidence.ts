import type { Measurement, StoredBoxTest, StoredCleanup, StoredRun } from '@riffle/contract';
import { bankVolume_L, type WasherEvidence, type WasherSetting } from '@riffle/core';
import { feedOf_m3_s, oneSetupOf, type BoxBook } from './boxEvidence.ts';
import { washerAsSet } from './washerSetting.ts';

/** One thing measured at a dry washer, and when. */
export interface NamedWasherEvidence {
  readonly id: string;
  readonly at: string;
  readonly what: 'clean-up' | 'passes' | Measurement['kind'];
  /** Null while it says nothing yet: a tail pan of ground that nobody panned. */
  readonly evidence: WasherEvidence | null;
  readonly tested: Measurement | null;
}

/** What is older was another cloth. Common practice, no source. */
const LATEST = 6;

/** All that was measured at a dry washer on this ground, the latest first: clean-ups in stretches, tailings run again, and tests. */
export function washerEvidenceOf(book: BoxBook, rigId: string): NamedWasherEvidence[] {
  const cleaned = book.cleanups.flatMap((c) => cleanedDry(c, book, rigId) ?? []);
  const cleanups = cleaned.flatMap((one): NamedWasherEvidence[] => {
    const { id, cleanedAt: at, sections } = one.cleanup;
    const before = passBefore(one, cleaned);
    const named = (what: 'clean-up' | 'passes', evidence: WasherEvidence): NamedWasherEvidence => ({
      id: `${id} ${what}`,
      at,
      what,
      tested: null,
      evidence,
    });
    return [
      ...(sections.length > 1 && one.pass === 1
        ? [
            named('clean-up', {
              kind: 'clean-up',
              setting: one.setting,
              stretches: sections,
              luck_mg: book.luck_mg,
            }),
          ]
        : []),
      ...(before
        ? [
            named('passes', {
              kind: 'passes',
              setting: before.setting,
              gold_mg: [before.gold_mg * before.shareRunAgain, one.gold_mg],
              luck_mg: book.luck_mg,
            }),
          ]
        : []),
    ];
  });
  const tests = book.tests.flatMap((t) => testedDry(t, book, rigId) ?? []);
  const latest = (of: NamedWasherEvidence[]): NamedWasherEvidence[] =>
    of.sort((a, b) => b.at.localeCompare(a.at)).slice(0, LATEST);
  return [...latest(cleanups), ...latest(tests)].sort((a, b) => b.at.localeCompare(a.at));
}

interface CleanedDry {
  readonly cleanup: StoredCleanup;
  readonly setting: WasherSetting;
  readonly pass: number;
  readonly gold_mg: number;
  readonly fed_L: number;
  /** Where its gravel came from. */
  readonly from: string;
}

/** A clean-up of this washer alone, all of one pass; null where that is not so. */
function cleanedDry(cleanup: StoredCleanup, book: BoxBook, rigId: string): CleanedDry | null {
  const runs = book.runs.filter((r) => cleanup.runIds.includes(r.id));
  const one = runs.length === cleanup.runIds.length ? oneSetupOf(runs, book) : null;
  if (!one || one.rig.id !== rigId || cleanup.rinsedClean === 'no') return null;
  const setting = washerAsSet(one.setup, one.rig, book.gold, feedOf_m3_s(runs));
  return (
    setting && {
      cleanup,
      setting,
      pass: one.setup.air?.pass ?? 1,
      gold_mg: cleanup.sections.reduce((sum, s) => sum + s.gold_mg, 0),
      fed_L: runs.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0),
      from: sources(runs),
    }
  );
}
const sources = (runs: readonly StoredRun[]): string =>
  [...new Set(runs.flatMap((r) => Object.keys(r.tally.bySpot_L)))].sort().join(' ');

/** What lies on the screen and in the tray is missing from the tailings of the whole: from so much of it on it is the whole. Common practice, no source. */
const THE_WHOLE = 0.85;
/** More than this of what was fed first is other gravel besides, less than that tells nothing of it. Stated assumptions. */
const [OTHER_GRAVEL, TOO_LITTLE] = [1.25, 0.1];

/**
 * The first pass over the same gravel, the last clean-up of one from the same spots, and how much of it was run again: so much of its gold is what the
 * second pass is held against. None where more was run again than there was.
 */
function passBefore(
  now: CleanedDry,
  all: readonly CleanedDry[],
): (CleanedDry & { readonly shareRunAgain: number }) | null {
  if (now.pass !== 2) return null;
  const [first] = all
    .filter((c) => c.pass === 1 && c.from === now.from && c.cleanup.cleanedAt < now.cleanup.cleanedAt)
    .sort((a, b) => b.cleanup.cleanedAt.localeCompare(a.cleanup.cleanedAt));
  if (!first) return null;
  const share = now.fed_L / first.fed_L;
  return share >= TOO_LITTLE && share <= OTHER_GRAVEL
    ? { ...first, shareRunAgain: share >= THE_WHOLE ? 1 : share }
    : null;
}

function testedDry(
  { id, testedAt, setupId, tested }: StoredBoxTest,
  book: BoxBook,
  rigId: string,
): NamedWasherEvidence | null {
  const setup = book.setups.find((s) => s.id === setupId);
  const rig = book.rigs.find((r) => r.id === setup?.rigId);
  if (tested.kind === 'event' || !setup || !rig || rig.id !== rigId) return null;
  const setting = washerAsSet(setup, rig, book.gold);
  return (
    setting && {
      id,
      at: testedAt,
      what: tested.kind,
      tested,
      evidence: testAsEvidence(tested, setting, setup.id, testedAt, book),
    }
  );
}

const TAILS = { '0': [0, 0], '1-2': [1, 2], '3+': [3, null] } as const;

function testAsEvidence(
  t: Measurement,
  setting: WasherSetting,
  setupId: string,
  at: string,
  book: BoxBook,
): WasherEvidence | null {
  switch (t.kind) {
    case 'timed bucket':
      return { kind: t.kind, setting, fed_m3_s: t.volume_L / 1000 / t.took_s };
    case 'tail pan': {
      const fed = book.runs
        .filter((r) => r.setupId === setupId && r.startedAt <= at)
        .sort((a, b) => b.startedAt.localeCompare(a.startedAt))[0];
      const grades_mg_L = book.gradesOf(fed?.spotId ?? book.setups.find((s) => s.id === setupId)?.spotId ?? null);
      if (grades_mg_L.length === 0) return null;
      const [atLeast, atMost] = TAILS[t.colors];
      return {
        kind: t.kind,
        setting,
        atLeast,
        atMost,
        bank_L: bankVolume_L(t.volume_L, book.swell_percent),
        grades_mg_L,
      };
    }
    case 'tracers':
      return { kind: t.kind, of: t.of, setting, size_m: t.size_mm / 1000, fed: t.fed, held: t.held };
    case 'water':
      return null;
  }
}
