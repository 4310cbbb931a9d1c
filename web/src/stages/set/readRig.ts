import { NUMBERS, numberProblem, textProblem, TEXTS, type RigSection, type StoredRig } from '@riffle/contract';
import type { Entered, LiningId } from '@riffle/core';
import { rigSections } from '../../api/rigSections.ts';
import { readEntered, type Reading } from '../../units/readEntered.ts';
import { limited } from '../../units/limited.ts';

/** A section as it is typed. */
export interface RigSectionDraft {
  readonly key: string;
  readonly lining: LiningId;
  /** Name and height of a lining of the crew's own, like that one; no name: it is that one. */
  readonly ownName: string;
  readonly ownHeight: Entered;
  readonly width: Entered;
  readonly length: Entered;
  /** Drop below the section before; empty: none. */
  readonly step: Entered;
}

export interface RigSectionRead {
  readonly ownHeight: Reading;
  readonly width: Reading;
  readonly length: Reading;
  readonly step: Reading;
  /** As it goes into the book; null while something is wrong. */
  readonly section: RigSection | null;
}

const empty = (unit: string): Entered => ({ text: '', unit });

/** The sections of a box as they stand in its sheet; of a new one a single empty one. */
export const rigDraft = (rig: StoredRig | undefined, US: boolean): readonly RigSectionDraft[] =>
  rig
    ? rigSections(rig).map((s, i) => ({
        key: `kept-${i}`,
        lining: s.lining,
        ownName: s.own?.name ?? '',
        ownHeight: s.own?.heightEntered ?? empty(US ? 'in' : 'mm'),
        width: s.widthEntered,
        length: s.lengthEntered,
        step: s.stepEntered ?? empty(US ? 'in' : 'mm'),
      }))
    : [
        {
          key: 'first',
          lining: 'riffles',
          ownName: '',
          ownHeight: empty(US ? 'in' : 'mm'),
          width: empty(US ? 'in' : 'cm'),
          length: empty(US ? 'ft' : 'm'),
          step: empty(US ? 'in' : 'mm'),
        },
      ];

/** One more section at the tail, as wide as the last. */
export const sectionAfter = (sections: readonly RigSectionDraft[], key: string): readonly RigSectionDraft[] => {
  const last = sections.at(-1);
  return last
    ? [...sections, { ...last, key, length: empty(last.length.unit), step: empty(last.step.unit) }]
    : sections;
};

/** A section's fields in numbers, each with what is wrong with it; of one that is the whole box, as of a box. */
export function readRigSection(
  { lining, ownName, ownHeight, width, length, step }: RigSectionDraft,
  { isFirst, isAlone }: { readonly isFirst: boolean; readonly isAlone: boolean },
): RigSectionRead {
  const w = limited(readEntered('length', width), NUMBERS.boxWidth_m);
  const l = limited(readEntered('length', length), isAlone ? NUMBERS.boxLength_m : NUMBERS.sectionLength_m);
  const isOwn = ownName.trim() !== '';
  const h: Reading = isOwn ? limited(readEntered('length', ownHeight), NUMBERS.liningHeight_m) : { ok: true, value: 0 };
  const named = !isOwn || textProblem(TEXTS.name, ownName) === null;
  const none = isFirst || step.text.trim() === '';
  const s: Reading = none ? { ok: true, value: 0 } : limited(readEntered('length', step), NUMBERS.step_m);
  return {
    ownHeight: h,
    width: w,
    length: l,
    step: s,
    section:
      w.ok && l.ok && s.ok && h.ok && named
        ? {
            lining,
            own: isOwn ? { name: ownName.trim(), height_m: h.value, heightEntered: ownHeight } : null,
            width_m: w.value,
            widthEntered: width,
            length_m: l.value,
            lengthEntered: length,
            step_m: s.value,
            stepEntered: none ? null : step,
          }
        : null,
  };
}

/** What is wrong with the sections together; null when nothing is, or when one of them is not read yet. */
export function rigProblem(read: readonly RigSectionRead[]): string | null {
  const sections = read.flatMap((r) => r.section ?? []);
  if (sections.length < read.length) return null;
  return numberProblem(
    NUMBERS.boxLength_m,
    sections.reduce((sum, s) => sum + s.length_m, 0),
  );
}
