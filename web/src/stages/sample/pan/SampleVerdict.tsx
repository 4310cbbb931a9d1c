import type { StoredSpot } from '@riffle/contract';
import { correctForHands, type Recovery, type SpotGrade } from '@riffle/core';
import { memo } from 'react';
import { plural } from '../../../ui/plural.ts';
import { asTyped } from '../../../units/readEntered.ts';
import { showLike } from '../../../units/showLike.ts';
import { useShow } from '../../../units/useShow.ts';
import { Gold, Judgement } from '../../../ui/Judgement.tsx';
import type { SampleInHand } from './useSampleDraft.ts';

/** Fewer colors that carry the weight than this leave a grade wide open. Common practice: the rule of twenty, by less than half. */
const FEW = 8;

interface SampleVerdictProps {
  readonly spot: StoredSpot | undefined;
  readonly inHand: SampleInHand;
  /** What the panner keeps, from practice pans; null when nobody seeded any. */
  readonly hands: Recovery | null;
  /** How many colors of one weight its colors are worth. */
  readonly effective: number;
  readonly best: { readonly name: string; readonly grade: SpotGrade['grade'] & { kind: 'band' } } | null;
}

/** What this pan says, in one sentence, while it is being counted. */
export const SampleVerdict = memo(function SampleVerdict({ spot, inHand, hands, effective, best }: SampleVerdictProps) {
  const show = useShow();
  const { grade, draft, colors } = inHand;
  if (!spot)
    return (
      <Judgement pinned rests="Pick it on the ribbon below, or mark a new one on Read.">
        Which spot did this pan come from?
      </Judgement>
    );
  if (!grade || inHand.volumeBank_L === null)
    return (
      <Judgement pinned rests="Pans, handfuls, part of a bucket or litres: as you say it.">
        How much did you pan at {spot.name}?
      </Judgement>
    );
  const from = `${asTyped(draft.volume)} ${draft.state}, ${showLike(show, 'volume', draft.volume).volume(inHand.volumeBank_L)} in the bank`;
  // As the last pan, and nothing counted: nobody said that it is a blank.
  if (grade.kind === 'blank' && draft.asUsual)
    return (
      <Judgement
        pinned
        rests={`${from}, as the last pan. No color in it would say less than ${show.grade(grade.lessThan_mg_L)}: a blank is a result, keep it.`}
      >
        What does the pan at {spot.name} hold?
      </Judgement>
    );
  if (grade.kind === 'blank') {
    return (
      <Judgement
        pinned
        rests={`No color in ${from}. With 95 % confidence, colors weighing what they do on this ground. A blank is a result: keep it.`}
      >
        {spot.name}: a blank, so <Gold>less than {show.grade(grade.lessThan_mg_L)}</Gold>.
      </Judgement>
    );
  }
  if (grade.kind === 'coarse only')
    return (
      <Judgement pinned rests="A piece that size has no usual weight, so it gives no grade by count.">
        Weigh that piece: <Gold>{grade.unweighedCoarse} over No. 10</Gold>.
      </Judgement>
    );
  const against = !best
    ? ''
    : grade.low_mg_L > best.grade.high_mg_L
      ? `, richer than ${best.name}`
      : grade.high_mg_L < best.grade.low_mg_L
        ? `, poorer than ${best.name}`
        : `: it may be as good as ${best.name}`;
  const corrected = (band: typeof grade, kept: Recovery): string => {
    const c = correctForHands(band, kept);
    return show.band('grade', c.grade_mg_L, c.low_mg_L, c.high_mg_L);
  };
  const rests = [
    grade.restsOn === 'weight'
      ? `Weighed gold from ${from}; the band from ${plural(colors, 'color')}.`
      : `${plural(colors, 'color')} in ${from}, at your weights by size; 90 % band.`,
    grade.unweighedCoarse > 0 &&
      `The ${grade.unweighedCoarse} over No. 10 ${grade.unweighedCoarse === 1 ? 'is' : 'are'} not in it: weigh all the gold to count ${grade.unweighedCoarse === 1 ? 'it' : 'them'}.`,
    hands &&
      hands.share > 0 &&
      hands.share < 1 &&
      grade.restsOn === 'counts' &&
      `As these hands keep ${Math.round(hands.share * 100)} %, the ground has ${corrected(grade, hands)}.`,
    colors > 0 &&
      effective < FEW &&
      (colors >= FEW
        ? `A few of the ${plural(colors, 'color')} carry the weight: they count as ${Math.max(1, Math.round(effective))}. Twenty would do.`
        : 'Few colors: four times the ground halves the band.'),
  ]
    .filter(Boolean)
    .join(' ');
  return (
    <Judgement pinned rests={rests}>
      <Gold>{show.band('grade', grade.grade_mg_L, grade.low_mg_L, grade.high_mg_L)}</Gold> at {spot.name}
      {against}.
    </Judgement>
  );
});
