import type { StoredLift, Tub } from '@riffle/contract';
import { textProblem, TEXTS } from '@riffle/contract';
import { readEntered } from '../../units/readEntered.ts';
import type { SectionDraft } from './readCleanup.ts';

/** A tub as it is named beside the box. */
export interface TubDraft {
  readonly section: SectionDraft;
  readonly tag: string;
}

/** Numbers for so many tubs that no tub still standing has. */
export function freeTags(count: number, standing: readonly string[]): string[] {
  const tags: string[] = [];
  for (let n = 1; tags.length < count; n++) if (!standing.includes(String(n))) tags.push(String(n));
  return tags;
}

/** What is wrong with a tub's number. */
export function tagProblem(tag: string, all: readonly string[]): string | null {
  const wrong = textProblem(TEXTS.tub, tag);
  if (wrong !== null) return wrong;
  return all.filter((t) => t.trim() === tag.trim()).length > 1 ? 'Another tub has this number.' : null;
}

/** The tubs in numbers; null where a section cannot be read. With `together` everything is in the first. */
export function tubsOf(drafts: readonly TubDraft[], together: boolean): Tub[] | null {
  const ends = drafts.map((d) => readEntered('length', d.section.to));
  const tubs = drafts.map(({ section, tag }, i): Tub | null => {
    const [end, above] = [ends[i], ends[i - 1]];
    if (!end?.ok || (i > 0 && !above?.ok)) return null;
    return {
      tag: tag.trim(),
      name: section.name,
      from_m: above?.ok ? above.value : 0,
      to_m: end.value,
      lining: section.lining,
      place: '',
      holder: '',
      lost: false,
      finish: null,
    };
  });
  const all = tubs.flatMap((t) => t ?? []);
  const [first, last] = [all[0], all.at(-1)];
  if (all.length < drafts.length || !first || !last) return null;
  return together ? [{ ...first, name: 'the whole box', to_m: last.to_m }] : all;
}

/** The sections of a clean-up out of the tubs that are still there; a lost one leaves its stretch out. */
export function sectionsFromTubs(lift: Pick<StoredLift, 'tubs'>, unit: string): SectionDraft[] {
  return lift.tubs.flatMap((tub, i) => {
    if (tub.lost) return [];
    const above = lift.tubs[i - 1];
    return [
      {
        key: `tub-${tub.tag}`,
        name: `${tub.name || `section ${i + 1}`}, tub ${tub.tag}`.slice(0, TEXTS.section.longest),
        to: { text: String(Math.round(1000 * tub.to_m)), unit: 'mm' },
        gold: { text: '', unit },
        lining: tub.lining,
        ...(above?.lost && { from_m: tub.from_m }),
      },
    ];
  });
}
