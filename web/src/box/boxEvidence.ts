import type {
  StoredBoxTest,
  StoredCleanup,
  StoredLift,
  StoredRig,
  StoredRun,
  StoredSetup,
  Measurement,
} from '@riffle/contract';
import {
  bankVolume_L,
  blackSandShare,
  fractionSizes_m,
  USUAL_CREW_M3_S,
  type BoxEvidence,
  type BoxSetting,
  type CleanUpFound,
  type EarlierClean,
  type GoldShare,
} from '@riffle/core';
import { outOfTheBox } from './outOfTheBox.ts';
import { rigSections } from '../api/rigSections.ts';

/** What the book holds of boxes on one ground. */
export interface BoxBook {
  readonly rigs: readonly StoredRig[];
  readonly setups: readonly StoredSetup[];
  readonly runs: readonly StoredRun[];
  readonly lifts: readonly Pick<StoredLift, 'runIds'>[];
  readonly cleanups: readonly StoredCleanup[];
  readonly tests: readonly StoredBoxTest[];
  readonly swell_percent: number;
  /** Sizes of its gold, and the color whose luck it has. */
  readonly gold: readonly GoldShare[];
  readonly luck_mg: number;
  /** Grades of its spots that are alike likely, mg/L: what went through a tail pan's box. */
  readonly gradesOf: (spotId: string | null) => readonly number[];
}

/** One thing measured at a box, and when. */
export interface NamedEvidence {
  readonly id: string;
  readonly at: string;
  readonly what: 'clean-up' | Measurement['kind'];
  /** Null while it says nothing yet: a tail pan of ground that nobody panned. */
  readonly evidence: BoxEvidence | null;
  readonly tested: Measurement | null;
}

/** A kept set-up as the sums take it; null while its water is not known. */
export function settingAsSet(
  setup: StoredSetup,
  rig: StoredRig,
  gold: readonly GoldShare[],
  feed_m3_s: number | null = null,
): BoxSetting | null {
  const water =
    setup.depth_m !== null
      ? { known: 'depth' as const, depth_m: setup.depth_m }
      : setup.flow_m3_s !== null
        ? { known: 'flow' as const, flow_m3_s: setup.flow_m3_s }
        : null;
  return (
    water && {
      sections: rigSections(rig).map(({ lining, own, width_m, length_m, step_m }) => ({
        lining,
        own,
        width_m,
        length_m,
        step_m,
      })),
      slope: setup.slope,
      stone_m: setup.stone_m,
      temperature_C: setup.temperature_C,
      water,
      crossFall_m: 0,
      feed_m3_s,
      crew_m3_s: USUAL_CREW_M3_S,
      median_m: null,
      gold,
    }
  );
}

/** The set-up a few runs were all fed through; null where they differ, or it is not known here. */
export function oneSetupOf(runs: readonly StoredRun[], book: Pick<BoxBook, 'setups' | 'rigs'>) {
  const [first, ...others] = runs.map((r) => book.setups.find((s) => s.id === r.setupId));
  if (!first || others.some((s) => !s || !isSetAlike(s, first))) return null;
  const rig = book.rigs.find((r) => r.id === first.rigId);
  return rig ? { setup: first, rig } : null;
}
export const isSetAlike = (a: StoredSetup, b: StoredSetup): boolean =>
  a.rigId === b.rigId &&
  a.slope === b.slope &&
  a.depth_m === b.depth_m &&
  a.flow_m3_s === b.flow_m3_s &&
  a.stone_m === b.stone_m &&
  isAirAlike(a.air, b.air);
const isAirAlike = (a: StoredSetup['air'], b: StoredSetup['air']): boolean =>
  (!a && !b) || JSON.stringify(a) === JSON.stringify(b);

/** Runs that were fed through a box set alike, together, in the order they come; those whose set-up is not known here are left out. */
export function setAlike(runs: readonly StoredRun[], { setups }: Pick<BoxBook, 'setups'>) {
  const groups: { readonly setup: StoredSetup; readonly runs: StoredRun[] }[] = [];
  for (const run of runs) {
    const setup = setups.find((s) => s.id === run.setupId);
    if (!setup) continue;
    const group = groups.find((g) => isSetAlike(g.setup, setup));
    if (group) group.runs.push(run);
    else groups.push({ setup, runs: [run] });
  }
  return groups;
}

/** How fast these runs were fed, loose m3/s; null where nothing was. */
export function feedOf_m3_s(runs: readonly StoredRun[]): number | null {
  const volume_L = runs.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0);
  const running_s = runs.reduce((sum, r) => sum + r.tally.running_s, 0);
  return volume_L > 0 && running_s > 60 ? volume_L / 1000 / running_s : null;
}

/** What was measured is heard back so far: the latest of each. What is older was another carpet. Common practice, no source. */
const LATEST = 6;

/** All that was measured at a box on this ground, the latest first: clean-ups in stretches of a box that was rinsed, and tests. */
export function evidenceOf(book: BoxBook, rigId: string): NamedEvidence[] {
  const latest = (of: NamedEvidence[]): NamedEvidence[] => of.sort((a, b) => b.at.localeCompare(a.at)).slice(0, LATEST);
  const cleanups = book.cleanups.flatMap((c): NamedEvidence[] => {
    const cleaned = cleanedAs(c, book);
    if (!cleaned || cleaned.rig.id !== rigId || c.sections.length < 2) return [];
    return [
      {
        id: c.id,
        at: c.cleanedAt,
        what: 'clean-up',
        tested: null,
        evidence: {
          kind: 'clean-up',
          setting: cleaned.setting,
          stretches: c.sections,
          luck_mg: book.luck_mg,
          ...closerLook(c),
        },
      },
    ];
  });
  const tests = book.tests.flatMap(({ id, testedAt, setupId, tested }): NamedEvidence[] => {
    const setup = book.setups.find((s) => s.id === setupId);
    const rig = book.rigs.find((r) => r.id === setup?.rigId);
    if (tested.kind === 'event') return [];
    const setting = setup && rig && rig.id === rigId ? settingAsSet(setup, rig, book.gold) : null;
    if (!setting) return [];
    const evidence = testAsEvidence(tested, setting, book, fedFrom(setupId, testedAt, book));
    return [{ id, at: testedAt, what: tested.kind, tested, evidence }];
  });
  return [...latest(cleanups), ...latest(tests)].sort((a, b) => b.at.localeCompare(a.at));
}

/** What a clean-up shows beside its weights: gold by sizes, or colors counted in every section. */
function closerLook({ screens, sections }: StoredCleanup): Pick<CleanUpFound, 'bySize' | 'colors'> {
  if (screens.length > 0 && sections.some((s) => s.bySize.length > 0)) {
    const sizes_m = fractionSizes_m(screens.map((s) => s.aperture_mm / 1000));
    return {
      bySize: sizes_m.map((size_m, f) => ({ size_m, gold_mg: sections.map((s) => s.bySize[f]?.gold_mg ?? null) })),
    };
  }
  const colors = sections.flatMap((s) => (s.colors === null ? [] : [s.colors]));
  return colors.length === sections.length && colors.some((n) => n > 0) ? { colors } : {};
}

/** The spot a set-up was fed from when it was tested: by its own run, by the last run here, or where it stands. */
function fedFrom(setupId: string, at: string, { runs, setups }: BoxBook): string | null {
  const before = runs.filter((r) => r.startedAt <= at).sort((a, b) => b.startedAt.localeCompare(a.startedAt));
  const run = before.find((r) => r.setupId === setupId) ?? before[0];
  return run?.spotId ?? setups.find((s) => s.id === setupId)?.spotId ?? null;
}

function testAsEvidence(t: Measurement, setting: BoxSetting, book: BoxBook, spotId: string | null): BoxEvidence | null {
  switch (t.kind) {
    case 'timed bucket':
      return { kind: t.kind, setting, fed_m3_s: t.volume_L / 1000 / t.took_s };
    case 'tail pan': {
      const grades_mg_L = book.gradesOf(spotId);
      // Of ground that nobody panned, the tail alone says nothing of the box.
      if (grades_mg_L.length === 0) return null;
      const [atLeast, atMost] = { '0': [0, 0], '1-2': [1, 2], '3+': [3, null] }[t.colors] as [number, number | null];
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
      // Lead says nothing of gold in water.
      if (t.of === 'lead') return null;
      return { kind: t.kind, setting, size_m: t.size_mm / 1000, fed: t.fed, held: t.held };
    case 'water':
      return { kind: t.kind, setting, depth_m: t.depth_m, flow_m3_s: t.flow_m3_s };
  }
}

/** A clean-up with the box its runs were fed through; null where that is not one, or the box kept some of its gold. */
function cleanedAs(c: StoredCleanup, book: BoxBook) {
  if (c.rinsedClean === 'no') return null;
  const runs = book.runs.filter((r) => c.runIds.includes(r.id));
  const one = runs.length === c.runIds.length ? oneSetupOf(runs, book) : null;
  const setting = one && settingAsSet(one.setup, one.rig, book.gold, feedOf_m3_s(runs));
  return one && setting && { runs, rig: one.rig, setting };
}

/** Clean-ups that held gold of one spot alone, the latest few. */
export function earlierCleans(book: BoxBook, spotId: string): EarlierClean[] {
  return [...book.cleanups]
    .sort((a, b) => b.cleanedAt.localeCompare(a.cleanedAt))
    .flatMap((c): EarlierClean[] => {
      const cleaned = cleanedAs(c, book);
      if (!cleaned || cleaned.runs.some((r) => Object.keys(r.tally.bySpot_L).some((id) => id !== spotId))) return [];
      const loose_L = cleaned.runs.reduce((sum, r) => sum + r.tally.volumeLoose_L, 0);
      if (loose_L <= 0) return [];
      return [
        {
          setting: cleaned.setting,
          bank_L: bankVolume_L(loose_L, book.swell_percent),
          gold_mg: c.sections.reduce((sum, s) => sum + s.gold_mg, 0),
          to_m: Math.max(...c.sections.map((s) => s.to_m)),
        },
      ];
    })
    .slice(0, LATEST);
}

/** What of it speaks. */
export const speaking = (measured: readonly NamedEvidence[]): BoxEvidence[] =>
  measured.flatMap((m) => (m.evidence ? [m.evidence] : []));

/** Loose gravel fed through a box on this ground since it was cleaned up or lifted into tubs, m3. */
export function fedSince_m3(
  { runs, setups, cleanups, lifts }: Pick<BoxBook, 'runs' | 'setups' | 'cleanups' | 'lifts'>,
  rigId: string,
): number {
  const emptied = outOfTheBox(cleanups, lifts);
  const through = new Set(setups.filter((s) => s.rigId === rigId).map((s) => s.id));
  return runs
    .filter((r) => through.has(r.setupId) && !emptied.has(r.id))
    .reduce((sum, r) => sum + r.tally.volumeLoose_L / 1000, 0);
}

/** Whether a box was said not to be rinsed clean when it was emptied last on this ground: some black sand is in its carpet still. */
export function leftUnrinsed(
  {
    runs,
    setups,
    cleanups,
    lifts,
  }: Pick<BoxBook, 'runs' | 'setups' | 'cleanups'> & {
    readonly lifts: readonly Pick<StoredLift, 'runIds' | 'liftedAt' | 'rinsedClean'>[];
  },
  rigId: string,
): boolean {
  const through = new Set(setups.filter((s) => s.rigId === rigId).map((s) => s.id));
  const fed = new Set(runs.filter((r) => through.has(r.setupId)).map((r) => r.id));
  const emptied = [
    ...cleanups.map(({ runIds, rinsedClean, cleanedAt: at }) => ({ runIds, rinsedClean, at })),
    ...lifts.map(({ runIds, rinsedClean, liftedAt: at }) => ({ runIds, rinsedClean, at })),
  ].filter((e) => e.runIds.some((id) => fed.has(id)));
  return emptied.sort((a, b) => b.at.localeCompare(a.at))[0]?.rinsedClean === 'no';
}

/** Black sand of this ground as its clean-ups weighed it, share by mass; null where none did. */
export function weighedBlackSand({ runs, cleanups }: Pick<BoxBook, 'runs' | 'cleanups'>): number | null {
  let [sand_kg, fed_m3] = [0, 0];
  for (const c of cleanups) {
    if (!c.blackSand_g) continue;
    sand_kg += c.blackSand_g / 1000;
    fed_m3 += runs.filter((r) => c.runIds.includes(r.id)).reduce((sum, r) => sum + r.tally.volumeLoose_L / 1000, 0);
  }
  return sand_kg > 0 && fed_m3 > 0 ? blackSandShare(sand_kg, fed_m3) : null;
}
