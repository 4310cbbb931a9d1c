import {
  NUMBERS,
  numberProblem,
  textProblem,
  TEXTS,
  type Cleanup,
  type StoredGround,
  type StoredRig,
  type StoredRun,
  type StoredSample,
  type StoredSetup,
} from '@riffle/contract';
import { COLOR_MG, meanColor_mg, sectionSplit, type Entered, type LiningId, type SectionSplit } from '@riffle/core';
import { v7 as uuidv7 } from 'uuid';
import { readEntered, type Reading } from '../../units/readEntered.ts';
import { useDraft } from '../../ui/useDraft.ts';

/** A stretch of the box, from where the one above ends to `to`. */
export interface SectionDraft {
  readonly key: string;
  readonly name: string;
  readonly to: Entered;
  readonly gold: Entered;
  readonly lining: LiningId;
}

export interface CleanupDraft {
  /** Runs left out of this clean-up; all others waiting are in it. */
  readonly leftOut: readonly string[];
  readonly sections: readonly SectionDraft[] | null;
  readonly blackSand: Entered;
  readonly rinsed: Cleanup['rinsedClean'];
  readonly note: string;
}

export interface SectionReading {
  readonly to: Reading;
  readonly gold: Reading;
  readonly from_m: number | null;
  readonly problem: string | null;
}

export interface CleanupInHand {
  readonly draft: CleanupDraft;
  readonly change: (some: Partial<CleanupDraft>) => void;
  readonly clear: () => void;
  readonly runs: readonly StoredRun[];
  readonly sections: readonly SectionDraft[];
  readonly readings: readonly SectionReading[];
  readonly blackSand: Reading | null;
  /** What the split tells, once every section is weighed. */
  readonly split: SectionSplit | null;
  readonly color_mg: number;
  record(ground: StoredGround): (Cleanup & { baseVersion: 0 }) | null;
}

export function useCleanup(
  groundId: string,
  waiting: readonly StoredRun[],
  setups: readonly StoredSetup[],
  rigs: readonly StoredRig[],
  samples: readonly StoredSample[],
  US: boolean,
): CleanupInHand {
  const [draft, setDraft, clear] = useDraft<CleanupDraft>(`cleanup-${groundId}`, () => ({
    leftOut: [],
    sections: null,
    blackSand: { text: '', unit: US ? 'oz' : 'g' },
    rinsed: 'unknown',
    note: '',
  }));
  const runs = waiting.filter((r) => !draft.leftOut.includes(r.id));
  const rig = rigs.find((r) => r.id === setups.find((s) => s.id === runs[0]?.setupId)?.rigId);
  const sections = draft.sections ?? usualSections(rig, US);

  const readings: SectionReading[] = [];
  let from_m: number | null = 0;
  for (const s of sections) {
    const to = readEntered('length', s.to);
    const gold = readEntered('mass', s.gold);
    const problem =
      to.ok && from_m !== null && to.value <= from_m
        ? 'Must lie below the section above.'
        : to.ok
          ? numberProblem(NUMBERS.boxLength_m, Math.max(to.value, NUMBERS.boxLength_m.least))
          : null;
    readings.push({ to, gold, from_m, problem });
    from_m = to.ok ? to.value : null;
  }
  const read = sections.map((s, i) => ({ s, r: readings[i] }));
  const weighed = read.every(({ r }) => r?.to.ok && r.gold.ok && r.problem === null && r.from_m !== null);
  const measured = !weighed
    ? []
    : read.map(({ s, r }) => ({
        from_m: r?.from_m ?? 0,
        to_m: r?.to.ok ? r.to.value : 0,
        gold_mg: r?.gold.ok ? r.gold.value : 0,
        lining: s.lining,
      }));
  const color_mg = meanColor_mg(samples.map((s) => s.counts)) ?? COLOR_MG['20-40'];
  const blackSand = draft.blackSand.text.trim() === '' ? null : readEntered('mass', draft.blackSand);

  return {
    draft,
    clear,
    runs,
    sections,
    readings,
    blackSand,
    color_mg,
    change: (some) => setDraft((before) => ({ ...before, ...some })),
    split: measured.length > 0 ? sectionSplit(measured, color_mg) : null,
    record: (ground) => {
      if (
        runs.length === 0 ||
        measured.length === 0 ||
        (blackSand && !blackSand.ok) ||
        textProblem(TEXTS.note, draft.note)
      )
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
    },
  };
}

/** Head, middle and tail, the first cut at the 200 mm that tell whether the box holds. */
export function usualSections(rig: StoredRig | undefined, US: boolean): SectionDraft[] {
  const lining = rig?.lining ?? 'riffles';
  const gold = { text: '', unit: US ? 'grain' : 'mg' };
  return [
    { key: 'head', name: 'head', to: { text: '200', unit: 'mm' }, gold, lining },
    { key: 'middle', name: 'middle', to: { text: '500', unit: 'mm' }, gold, lining },
    { key: 'tail', name: 'tail', to: rig?.lengthEntered ?? { text: '1.2', unit: 'm' }, gold, lining },
  ];
}
