import {
  MOST,
  NUMBERS,
  numberProblem,
  textProblem,
  TEXTS,
  type Cleanup,
  type StoredGround,
  type StoredLift,
  type StoredRig,
  type StoredRun,
} from '@riffle/contract';
import {
  liningOf,
  lossBySize,
  sectionSplit,
  UNITS,
  type BoxSection,
  type Entered,
  type LiningId,
  type LossBySize,
  type SectionSplit,
} from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { usualCuts_m } from '../../box/usualCuts.ts';
import { rigSections } from '../../api/rigSections.ts';
import { readEntered, type Reading } from '../../units/readEntered.ts';
import type { LocalTime } from '../../when/localTime.ts';
import { readDuration } from '../../when/readDuration.ts';
import { whenProblem } from '../../when/readWhen.ts';
import { readScreenName } from '../../units/readScreenName.ts';
import { numberTyped } from '../../units/numberTyped.ts';

/** A stretch of the box, from where the one above ends to `to`. */
export interface SectionDraft {
  readonly key: string;
  readonly name: string;
  readonly to: Entered;
  readonly gold: Entered;
  readonly lining: LiningId;
  /** Colors counted before it was weighed. */
  readonly colors?: string;
  /** Weights by the screens, coarsest first, in the unit of `gold`; empty: not weighed. */
  readonly bySize?: readonly string[];
  /** What the scale gave, while the gold is what it came to. */
  readonly weighing?: Cleanup['sections'][number]['weighing'];
  /** Where it begins, when a stretch above it was lost; left out: where the one above ends. */
  readonly from_m?: number;
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
  /** How long it took, all hands together, as written; left out: not said. */
  readonly worked?: string;
  /** When it was weighed, as the field writes it; left out: now. */
  readonly when?: string;
  /** Gold that was asked about and is so all the same, mg. */
  readonly sure_mg?: number;
  /** Screens the gold is parted by, as they are called; left out: weighed whole. */
  readonly screens?: string | undefined;
}

/** A screen of the clean-up, as it was called and what it comes to. */
export interface CleanScreen {
  readonly name: string;
  readonly mm: number;
}

/** A section read: where it begins and ends, its gold, and what is wrong with its end. */
export interface SectionReading {
  readonly to: Reading;
  readonly gold: Reading;
  readonly from_m: number | null;
  readonly problem: string | null;
  /** Its weights by size: null where one was not weighed. */
  readonly cells: readonly (Reading | null)[];
  /** Whole weight and sizes do not come to the same, in words. */
  readonly differs: { readonly whole_mg: number; readonly sizes_mg: number } | null;
  readonly colors: Reading | null;
}

type MeasuredSection = BoxSection & { readonly lining: LiningId };

export interface CleanupRead {
  readonly readings: readonly SectionReading[];
  readonly blackSand: Reading | null;
  /** The sections in numbers, once every one is weighed and lies below the one above; else none. */
  readonly measured: readonly MeasuredSection[];
  /** What the split tells, once every section is weighed. */
  readonly split: SectionSplit | null;
  /** Screens it is parted by, or what is wrong with what they are called; null: weighed whole. */
  readonly screens: ScreensRead | null;
  /** What went over the end by sizes, once some were weighed in every section. */
  readonly bySize: LossBySize | null;
}
export type ScreensRead =
  { readonly ok: true; readonly list: readonly CleanScreen[] } | { readonly ok: false; readonly problem: string };

/** Screens most kitchens have. Common practice, no source. */
export const USUAL_SCREENS = 'No. 8, No. 16, No. 30, No. 50';

/** Screens as they are called, parted by commas, the coarsest first. */
export function readScreens(text: string): ScreensRead {
  const list: CleanScreen[] = [];
  for (const name of text.split(/[,;]/).map((s) => s.trim())) {
    if (name === '') continue;
    const read = readScreenName(name);
    if (!read.ok) return { ok: false, problem: read.problem };
    list.push({ name, mm: read.mm });
  }
  if (list.length === 0) return { ok: false, problem: 'Name the screens, such as “No. 8, No. 30”.' };
  if (list.length > MOST.cleanScreens) return { ok: false, problem: 'At most 6 screens.' };
  const finer = list.every((s, i) => i === 0 || s.mm < (list[i - 1]?.mm ?? 0));
  return finer ? { ok: true, list } : { ok: false, problem: 'From the coarsest to the finest.' };
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
  draft: Pick<CleanupDraft, 'blackSand' | 'screens'>,
  sections: readonly SectionDraft[],
  color_mg: number,
): CleanupRead {
  const screens = draft.screens === undefined ? null : readScreens(draft.screens);
  const fractions = screens?.ok ? screens.list.length + 1 : 0;
  const readings: SectionReading[] = [];
  let from_m: number | null = 0;
  for (const s of sections) {
    const to = readEntered('length', s.to);
    const begins: number | null = s.from_m ?? from_m;
    readings.push({ to, ...goldRead(s, fractions), from_m: begins, problem: endProblem(to, begins) });
    from_m = to.ok ? to.value : null;
  }
  const measured = sections.flatMap((s, i): MeasuredSection[] => {
    const r = readings[i];
    return r?.to.ok && r.gold.ok && r.problem === null && r.from_m !== null
      ? [{ from_m: r.from_m, to_m: r.to.value, gold_mg: r.gold.value, lining: s.lining }]
      : [];
  });
  const weighed = measured.length === sections.length && measured.length > 0;
  const cells = readings.map((r) => r.cells.map((c) => (c?.ok ? c.value : null)));
  return {
    screens,
    bySize:
      weighed && screens?.ok && cells.flat().some((mg) => mg !== null)
        ? lossBySize(
            measured,
            screens.list.map((s) => s.mm / 1000),
            cells,
          )
        : null,
    readings,
    blackSand: draft.blackSand.text.trim() === '' ? null : readEntered('mass', draft.blackSand),
    measured: weighed ? measured : [],
    split: weighed ? sectionSplit(measured, color_mg) : null,
  };
}

/** So much may whole and sizes differ by: what a kitchen scale and a screen lose. Stated assumption. */
const MAY_DIFFER = 0.05;

/** A section's gold: as typed, or what its sizes come to where all of them were weighed. */
function goldRead(s: SectionDraft, fractions: number): Pick<SectionReading, 'gold' | 'cells' | 'differs' | 'colors'> {
  const cells = Array.from({ length: fractions }, (_, f): Reading | null => {
    const text = s.bySize?.[f] ?? '';
    return text.trim() === '' ? null : readEntered('mass', { text, unit: s.gold.unit });
  });
  const typed = readEntered('mass', s.gold);
  const sizes_mg = cells.reduce((sum, c) => sum + (c?.ok ? c.value : 0), 0);
  const complete = cells.length > 0 && cells.every((c) => c?.ok);
  const gold: Reading = complete && s.gold.text.trim() === '' ? { ok: true, value: sizes_mg } : typed;
  const off = typed.ok && complete && Math.abs(typed.value - sizes_mg) > MAY_DIFFER * Math.max(typed.value, sizes_mg);
  const more = typed.ok && !complete && sizes_mg > (1 + MAY_DIFFER) * typed.value;
  const count = s.colors?.trim() ?? '';
  return {
    gold,
    cells,
    differs: typed.ok && (off || more) ? { whole_mg: typed.value, sizes_mg } : null,
    colors: count === '' ? null : countRead(count),
  };
}
const countRead = (text: string): Reading => {
  const value = numberTyped(text);
  const problem = Number.isInteger(value) ? numberProblem(NUMBERS.colors, value) : 'A whole number.';
  return problem === null ? { ok: true, value } : { ok: false, problem };
};

/** What is wrong with where a section ends, when it can be read. */
function endProblem(to: Reading, from_m: number | null): string | null {
  if (!to.ok) return null;
  if (from_m !== null && to.value <= from_m) return 'Must lie below the section above.';
  return numberProblem(NUMBERS.boxLength_m, Math.max(to.value, NUMBERS.boxLength_m.least));
}

/** How long a clean-up took, all hands together; null where it is not said. */
export function readWorked(text: string | undefined): Reading | null {
  if (text === undefined || text.trim() === '') return null;
  const read = readDuration(text, 'h');
  const problem = read.ok ? numberProblem(NUMBERS.worked_s, read.value) : null;
  return problem === null ? read : { ok: false, problem };
}

/** The clean-up as it goes into the book; null while a field is wrong or no run is chosen. */
export function cleanupRecord(
  draft: CleanupDraft,
  sections: readonly SectionDraft[],
  { measured, blackSand, readings, screens }: CleanupRead,
  ground: StoredGround,
  runs: readonly StoredRun[],
  local: LocalTime,
  lift: StoredLift | null = null,
): (Cleanup & { baseVersion: 0 }) | null {
  const worked = readWorked(draft.worked);
  const wrong = screens?.ok === false || readings.some((r) => [...r.cells, r.colors].some((c) => c?.ok === false));
  if (
    wrong ||
    runs.length === 0 ||
    measured.length === 0 ||
    blackSand?.ok === false ||
    worked?.ok === false ||
    whenProblem(draft.when ?? '', local) !== null ||
    textProblem(TEXTS.note, draft.note)
  )
    return null;
  return {
    id: uuidv7(),
    deleted: false,
    groundId: ground.id,
    runIds: runs.map((r) => r.id).sort(),
    rinseOutOf: [],
    // Gold belongs to the day it left the box, whenever it is weighed: that day's water, people and agreement.
    cleanedAt: lift ? lift.liftedAt : (draft.when ? local.at(draft.when) : new Date()).toISOString(),
    sections: measured.map((m, i) => {
      const { name = '', gold = { text: '', unit: 'mg' }, bySize, weighing = null } = sections[i] ?? {};
      const { cells = [], colors } = readings[i] ?? {};
      const weighedBySize = cells.some((c) => c !== null);
      return {
        ...m,
        name,
        // Where only the sizes were typed the whole is what they come to.
        goldEntered: gold.text.trim() === '' ? { ...gold, text: inUnit(m.gold_mg, gold.unit) } : gold,
        colors: colors?.ok ? colors.value : null,
        weighing,
        bySize: weighedBySize
          ? cells.map((c, f) => ({
              gold_mg: c?.ok ? c.value : null,
              goldEntered: c?.ok ? { text: bySize?.[f] ?? '', unit: gold.unit } : null,
            }))
          : [],
      };
    }),
    screens:
      screens?.ok === true
        ? screens.list.map(({ name, mm }) => ({ aperture_mm: mm, apertureEntered: { text: name, unit: '' } }))
        : [],
    blackSand_g: blackSand?.ok ? blackSand.value / 1000 : null,
    blackSandEntered: blackSand ? draft.blackSand : null,
    rinsedClean: lift ? lift.rinsedClean : draft.rinsed,
    worked_s: worked?.ok ? worked.value : null,
    note: draft.note,
    baseVersion: 0,
  };
}

const inUnit = (mg: number, unit: string): string =>
  String(Number((mg / (UNITS.mass[unit as keyof typeof UNITS.mass] ?? 1)).toPrecision(6)));

/** Whether some of a section's gold stands weighed. */
export const isWeighed = ({ gold, bySize }: Pick<SectionDraft, 'gold' | 'bySize'>): boolean =>
  gold.text.trim() !== '' || (bySize ?? []).some((text) => text.trim() !== '');

/** Where a box is cut as a rule: one of several linings into what it was built of, one of a single lining into head, middle and tail. */
export function usualSections(rig: StoredRig | undefined, US: boolean): SectionDraft[] {
  const gold = { text: '', unit: US ? 'grain' : 'mg' };
  const built = rig ? rigSections(rig) : [];
  const cuts_m = usualCuts_m(built);
  const isBuilt = new Set(built.map((s) => liningOf(s).name)).size > 1;
  // The end of a box of one section is said as its length was typed.
  const asTyped = built.length === 1 ? built[0]?.lengthEntered : undefined;
  return cuts_m.map((cut_m, i) => {
    const isLast = i === cuts_m.length - 1;
    const section = (isBuilt ? built[i] : built[0]) ?? { lining: 'riffles' as const };
    const place = i === 0 ? 'head' : isLast ? 'tail' : 'middle';
    return {
      key: isBuilt ? `built-${i}` : place,
      name: isBuilt ? liningOf(section).name : place,
      to: isLast && asTyped ? asTyped : { text: (1000 * cut_m).toFixed(0), unit: 'mm' },
      gold,
      lining: section.lining,
    };
  });
}

/** One more section below the last, to be measured and weighed. */
export function sectionBelow(sections: readonly SectionDraft[]): readonly SectionDraft[] {
  const last = sections.at(-1);
  if (!last) return sections;
  return [
    ...sections,
    {
      ...last,
      key: uuidv7(),
      name: '',
      to: { ...last.to, text: '' },
      gold: { ...last.gold, text: '' },
      colors: '',
      bySize: [],
    },
  ];
}
