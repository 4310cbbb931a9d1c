import { NUMBERS, numberProblem, type StoredSwellReading } from '@riffle/contract';
import type { Entered } from '@riffle/core';
import { readEntered } from '../../../units/readEntered.ts';
import type { LocalTime } from '../../../when/localTime.ts';
import { whenProblem } from '../../../when/readWhen.ts';
import { numberTyped } from '../../../units/numberTyped.ts';

/** The sea as it is written down. */
export interface SeaDraft {
  readonly kind: 'swell' | 'storm';
  readonly height: Entered;
  readonly period: string;
  /** What was seen of the berm after a storm. */
  readonly berm: 'not looked' | 'whole' | 'cut';
  readonly cut: Entered;
  /** When, as the field writes it. */
  readonly at: string;
}

export const newSea = (US: boolean, at: string): SeaDraft => ({
  kind: 'swell',
  height: { text: '', unit: US ? 'ft' : 'm' },
  period: '',
  berm: 'not looked',
  cut: { text: '', unit: US ? 'ft' : 'm' },
  at,
});

export const seaAsDraft = (r: StoredSwellReading, US: boolean, local: LocalTime): SeaDraft => ({
  kind: r.isStorm ? 'storm' : 'swell',
  height: r.heightEntered,
  period: String(r.period_s),
  berm: r.cut_m === null ? 'not looked' : r.cut_m > 0 ? 'cut' : 'whole',
  cut: r.cutEntered ?? { text: '', unit: US ? 'ft' : 'm' },
  at: local.isoMoment(r.readAt),
});

/** What was written, in numbers; what is wrong beside each field; and the record it makes, null while something is wrong. */
export function readSea(draft: SeaDraft, local: LocalTime) {
  const height = readEntered('length', draft.height);
  const isCut = draft.kind === 'storm' && draft.berm === 'cut';
  const cut = isCut ? readEntered('length', draft.cut) : null;
  const period_s = numberTyped(draft.period.replace(/\s*s\s*$/i, ''));
  const problems = {
    height: height.ok ? numberProblem(NUMBERS.waveHeight_m, height.value) : null,
    period: Number.isNaN(period_s)
      ? 'Count the seconds from crest to crest; ten waves by ten is best.'
      : numberProblem(NUMBERS.wavePeriod_s, period_s),
    cut: !cut
      ? null
      : !cut.ok
        ? draft.cut.text.trim() === ''
          ? 'How high is the step it left? A guess will do.'
          : null
        : cut.value === 0
          ? 'Nothing taken: then it stood whole.'
          : numberProblem(NUMBERS.bermCut_m, cut.value),
    at: draft.at === '' ? 'Give day and time.' : whenProblem(draft.at, local),
  };
  const fits = height.ok && (!cut || cut.ok) && Object.values(problems).every((p) => p === null);
  return {
    height,
    cut,
    problems,
    record: fits
      ? {
          readAt: local.at(draft.at).toISOString(),
          height_m: height.value,
          heightEntered: draft.height,
          period_s,
          isStorm: draft.kind === 'storm',
          cut_m: draft.kind !== 'storm' || draft.berm === 'not looked' ? null : cut?.ok ? cut.value : 0,
          cutEntered: cut?.ok ? draft.cut : null,
        }
      : null,
  };
}
