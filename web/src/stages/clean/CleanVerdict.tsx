import type { Range, SectionSplit } from '@riffle/core';
import { HEAD_STRETCH_M } from '@riffle/core';
import { useShow } from '../../units/useShow.ts';
import { Gold, Judgement } from '../../ui/Judgement.tsx';

interface CleanVerdictProps {
  readonly runs: number;
  readonly volumeBank_L: number;
  readonly sources: readonly string[];
  readonly sections: number;
  readonly split: SectionSplit | null;
}

const share = (x: number): string =>
  x < 0.001 ? 'under 0.1 %' : x < 0.01 ? `${(x * 100).toFixed(1)} %` : `${Math.round(x * 100)} %`;

/** A band in percent, its sign once. */
const percents = ({ low, high }: Range): string =>
  high < 0.001 ? 'at most 0.1 %' : `${low < 0.001 ? '0' : share(low).replace(' %', '')}–${share(high)}`;

/** What the clean-up says: how much, whether the box held, what went over the end or why that cannot be told. */
export function CleanVerdict({ runs, volumeBank_L, sources, sections, split }: CleanVerdictProps) {
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
    headShare &&
    `${headShare.measured ? '' : 'By the fitted pattern, '}${share(headShare.share)} of it within the first ${show.smallLength(HEAD_STRETCH_M)}.`;
  const grade = volumeBank_L > 0 ? ` That is ${show.grade(split.total_mg / volumeBank_L)} recovered from ${fed}.` : '';
  const mixed = sources.length > 1 ? ' Mixed sources: it is credited to the mix, to no one spot.' : '';
  if (loss.kind === 'none')
    return (
      <Judgement rests={`No loss estimate from this split: ${loss.reason} ${head ?? ''}${grade}${mixed}`}>
        <Gold>{show.gold(split.total_mg)}</Gold> in the box.
      </Judgement>
    );
  const verdict =
    loss.band.high < 0.1 ? 'the box held' : loss.band.low > 0.1 ? 'too much went over the end' : 'watch the tail';
  return (
    <Judgement
      rests={`${head ?? ''} ${loss.lost < 0.001 ? 'Under 0.1 %' : `About ${share(loss.lost)}`} (${percents(loss.band)}) of what was fed went over the end${loss.lost < 0.001 ? '' : `, some ${show.gold(loss.lost_mg)}`}: estimated from how the gold thins out, 90 % band. Fine gold thins out more slowly than the whole, so a tail pan is surer.${sections === 2 ? ' Two sections cannot show whether it thins out evenly; three would.' : ''}${grade}${mixed}`}
    >
      <Gold>{show.gold(split.total_mg)}</Gold>, and {verdict}: {loss.lost < 0.001 ? '' : 'about '}
      {share(loss.lost)} lost.
    </Judgement>
  );
}
