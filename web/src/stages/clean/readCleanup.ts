import {
  NUMBERS,
  numberProblem,
  textProblem,
  TEXTS,
  type Cleanup,
  type StoredGround,
  type StoredRig,
  type StoredRun,
} from '@riffle/contract';
import { LININGS, sectionSplit, type BoxSection, type Entered, type LiningId, type SectionSplit } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { usualCuts_m } from '../../box/usualCuts.ts';
import { rigSections } from '../../records/rigSections.ts';
import { readEntered, type Reading } from '../../units/readEntered.ts';

/** A stretch of the box, from where the one above ends to `to`. */
export interface SectionDraft {
  readonly key: string;
  readonly name: string;
  readonly to: Entered;
  readonly gold: Entered;
  readonly lining: LiningId;
}

/** A clean-up as it is typed; kept on the device. */
export interface CleanupDraft {
  /** Runs left out of this clean-up; all others waiting are in it. */
  readonly leftOut: readonly string[];
  /** Null: the usual sections. */
  readonly sections: readonly SectionDraft[] | null;
  readonly blackSand: Entered;
  readonly rinsed: Cleanup['rinsedClean'];
  readonly note: string;
}

/** A section read: where it begins and ends, its gold, and what is wrong with its end. */
export interface SectionReading {
  readonly to: Reading;
  readonly gold: Reading;
  readonly from_m: number | null;
  readonly problem: string | null;
}

type MeasuredSection = BoxSection & { readonly lining: LiningId };

export interface CleanupRead {
  readonly readings: readonly SectionReading[];
  readonly blackSand: Reading | null;
  /** The sections in numbers, once every one is weighed and lies below the one above; else none. */
  readonly measured: readonly MeasuredSection[];
  /** What the split tells, once every section is weighed. */
  readonly split: SectionSplit | null;
}

export const newCleanup = (US: boolean): CleanupDraft => ({
  leftOut: [],
  sections: null,
  blackSand: { text: '', unit: US ? 'oz' : 'g' },
  rinsed: 'unknown',
  note: '',
});

/**
 * The fields of a clean-up in numbers.
 * @param color_mg what a color of this ground weighs, for the part too small to split
 */
export function readCleanup(
  draft: Pick<CleanupDraft, 'blackSand'>,
  sections: readonly SectionDraft[],
  color_mg: number,
): CleanupRead {
  const readings: SectionReading[] = [];
  let from_m: number | null = 0;
  for (const s of sections) {
    const to = readEntered('length', s.to);
    readings.push({ to, gold: readEntered('mass', s.gold), from_m, problem: endProblem(to, from_m) });
    from_m = to.ok ? to.value : null;
  }
  const measured = sections.flatMap((s, i): MeasuredSection[] => {
    const r = readings[i];
    return r?.to.ok && r.gold.ok && r.problem === null && r.from_m !== null
      ? [{ from_m: r.from_m, to_m: r.to.value, gold_mg: r.gold.value, lining: s.lining }]
      : [];
  });
  const weighed = measured.length === sections.length && measured.length > 0;
  return {
    readings,
    blackSand: draft.blackSand.text.trim() === '' ? null : readEntered('mass', draft.blackSand),
    measured: weighed ? measured : [],
    split: weighed ? sectionSplit(measured, color_mg) : null,
  };
}

/** What is wrong with where a section ends, when it can be read. */
function endProblem(to: Reading, from_m: number | null): string | null {
  if (!to.ok) return null;
  if (from_m !== null && to.value <= from_m) return 'Must lie below the section above.';
  return numberProblem(NUMBERS.boxLength_m, Math.max(to.value, NUMBERS.boxLength_m.least));
}

/** The clean-up as it goes into the book; null while a field is wrong or no run is chosen. */
export function cleanupRecord(
  draft: CleanupDraft,
  sections: readonly SectionDraft[],
  { measured, blackSand }: CleanupRead,
  ground: StoredGround,
  runs: readonly StoredRun[],
): (Cleanup & { baseVersion: 0 }) | null {
  if (runs.length === 0 || measured.length === 0 || blackSand?.ok === false || textProblem(TEXTS.note, draft.note))
    return null;
  return {
    id: uuidv7(),
    deleted: false,
    groundId: ground.id,
    runIds: runs.map((r) => r.id).sort(),
    cleanedAt: new Date().toISOString(),
    sections: measured.map((m, i) => ({
      ...m,
      name: sections[i]?.name ?? '',
      goldEntered: sections[i]?.gold ?? { text: '', unit: 'mg' },
    })),
    blackSand_g: blackSand?.ok ? blackSand.value / 1000 : null,
    blackSandEntered: blackSand ? draft.blackSand : null,
    rinsedClean: draft.rinsed,
    note: draft.note,
    baseVersion: 0,
  };
}

/** Where a box is cut as a rule: one of several linings into what it was built of, one of a single lining into head, middle and tail. */
export function usualSections(rig: StoredRig | undefined, US: boolean): SectionDraft[] {
  const gold = { text: '', unit: US ? 'grain' : 'mg' };
  const built = rig ? rigSections(rig) : [];
  const cuts_m = usualCuts_m(built);
  const isBuilt = new Set(built.map((s) => s.lining)).size > 1;
  // The end of a box of one section is said as its length was typed.
  const asTyped = built.length === 1 ? built[0]?.lengthEntered : undefined;
  return cuts_m.map((cut_m, i) => {
    const isLast = i === cuts_m.length - 1;
    const lining = (isBuilt ? built[i] : built[0])?.lining ?? 'riffles';
    const place = i === 0 ? 'head' : isLast ? 'tail' : 'middle';
    return {
      key: isBuilt ? `built-${i}` : place,
      name: isBuilt ? LININGS[lining].name : place,
      to: isLast && asTyped ? asTyped : { text: (1000 * cut_m).toFixed(0), unit: 'mm' },
      gold,
      lining,
    };
  });
}

/** One more section below the last, to be measured and weighed. */
export function sectionBelow(sections: readonly SectionDraft[]): readonly SectionDraft[] {
  const last = sections.at(-1);
  if (!last) return sections;
  return [
    ...sections,
    { ...last, key: uuidv7(), name: '', to: { ...last.to, text: '' }, gold: { ...last.gold, text: '' } },
  ];
}
