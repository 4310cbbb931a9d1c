import { HEAD_STRETCH_M, type SectionSplit } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import { Gold, Judgement } from '../../ui/Judgement.tsx';

interface CleanVerdictProps {
  readonly runs: number;
  readonly volumeBank_L: number;
  readonly sources: readonly string[];
  readonly split: SectionSplit | null;
}

/** From here on a loss is worth a change. Common practice, no source: one color in ten. */
const TOO_MUCH = 0.1;

const share = (x: number): string =>
  x < 0.001 ? 'under 0.1 %' : x < 0.01 ? `${(x * 100).toFixed(1)} %` : `${Math.round(x * 100)} %`;

/** What the clean-up says: how much, whether the box held, what went over the end or why that cannot be told. */
export function CleanVerdict({ runs, volumeBank_L, sources, split }: CleanVerdictProps) {
  const show = useShow();
  if (runs === 0)
    return (
      <Judgement rests="Run some gravel first; its clean-up waits here afterwards.">
        Nothing waits to be weighed.
      </Judgement>
    );
  const fed = `${show.volume(volumeBank_L)} of bank ground from ${sources.join(' + ') || 'no named spot'}`;
  if (!split)
    return (
      <Judgement
        rests={`From ${fed}. Weigh section by section from the head down; cut the first at ${show.smallLength(HEAD_STRETCH_M)}.`}
      >
        What did each section of the box hold?
      </Judgement>
    );
  const { loss, headShare } = split;
  const head =
    headShare === null
      ? ''
      : `${share(headShare)} of what was weighed lay within the first ${show.smallLength(HEAD_STRETCH_M)}. `;
  const grade = volumeBank_L > 0 ? `That is ${show.grade(split.total_mg / volumeBank_L)} recovered from ${fed}. ` : '';
  const mixed = sources.length > 1 ? 'Mixed sources: it is credited to the mix, to no one spot. ' : '';
  if (loss.kind !== 'bound')
    return (
      <Judgement
        rests={`${head}${grade}${mixed}${loss.kind === 'none' ? `What went over the end this split does not tell: ${loss.reason}` : ''}`}
      >
        <Gold>{show.gold(split.total_mg)}</Gold> in the box.
      </Judgement>
    );
  const unseen = 'What was too fine to stay anywhere is in no section: pan the tail to see it.';
  return loss.atLeast >= TOO_MUCH ? (
    <Judgement
      rests={`${head}${grade}${mixed}The last sections still held much, so some ${show.gold(loss.atLeast_mg)} more went past them: less water or pitch, or a longer box. ${unseen}`}
    >
      <Gold>{show.gold(split.total_mg)}</Gold> in the box, and at least {share(loss.atLeast)} went over the end.
    </Judgement>
  ) : (
    <Judgement
      rests={`${head}${grade}${mixed}${loss.atLeast < 0.001 ? 'The sections do not show that any went over' : `At least ${share(loss.atLeast)} went over, by how the last sections thin out`}. ${unseen}`}
    >
      <Gold>{show.gold(split.total_mg)}</Gold> in the box; how much went over the end, the tail tells.
    </Judgement>
  );
}
