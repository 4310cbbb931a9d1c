import type { StoredGround, StoredSpot } from '@riffle/contract';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import type { bestSpot, SpotGrade } from '../../ribbon/spotGrades.ts';
import { useShow } from '../../units/useShow.ts';
import { Gold, Judgement } from '../../ui/Judgement.tsx';
import type { PlaceRanking, RankedPlace } from '../../reading/useRanking.ts';
import { inTen } from '../../reading/inTen.ts';

interface ReadJudgementProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly best: ReturnType<typeof bestSpot>;
  readonly ranking: PlaceRanking;
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];

/** Why a place is worth trying, in a few words: how many signs agree, and the colors beside it. */
function because({ reasons }: RankedPlace): string {
  const pro = reasons.filter((r) => r.from === 'sign' && r.logOdds > 0).length;
  const beside = reasons.find((r) => r.from === 'neighbors' && r.logOdds > 0.1);
  const agree = pro > 1 ? `${NUMBERS[pro] ?? pro} signs agree` : pro === 1 ? 'a good sign stands there' : '';
  return [agree, beside && `there are ${beside.says}`].filter(Boolean).join(', and ');
}

/** The one sentence of this screen: where to pan next and why, or which spot to work. */
export function ReadJudgement({ ground, spots, grades, best, ranking }: ReadJudgementProps) {
  const show = useShow();
  const along = GROUND_WORDS[ground.kind].along;
  const top = ranking.ranked[0];
  if (!top)
    return <Judgement rests="Tap the ribbon where you stand, or press n.">Walk it and mark the first spot.</Judgement>;
  const bestSpot = spots.find((s) => s.id === best?.spotId);
  const second = [...grades.values()]
    .flatMap((g) => (g.spotId !== best?.spotId && g.grade.kind === 'band' ? [{ id: g.spotId, ...g.grade }] : []))
    .sort((a, b) => b.grade_mg_L - a.grade_mg_L)[0];
  const secondName = spots.find((s) => s.id === second?.id)?.name;
  const apart = best !== null && second !== undefined && best.grade.low_mg_L > second.high_mg_L;
  const twice = [...grades.values()]
    .filter((g) => g.blanks > 1)
    .flatMap((g) => spots.find((s) => s.id === g.spotId)?.name ?? []);
  const twiceWords = twice.length > 0 && `Blank twice: ${twice.join(', ')}.`;

  if (best && bestSpot && (apart || top.place.spotId === best.spotId)) {
    const rests = [
      `Rests on ${best.grade.colors} color${best.grade.colors === 1 ? '' : 's'} in ${show.volume(best.volumeBank_L)} of bank ground; 90 % band.`,
      !apart && secondName && `The pans cannot yet tell it from ${secondName}.`,
      twiceWords,
    ]
      .filter(Boolean)
      .join(' ');
    return (
      <Judgement rests={rests}>
        {apart ? 'Work' : 'Best so far:'} {bestSpot.name}, {show.distance(bestSpot.distance_m)} {along}:{' '}
        <Gold>{show.band('grade', best.grade.grade_mg_L, best.grade.low_mg_L, best.grade.high_mg_L)}</Gold>.
      </Judgement>
    );
  }
  const why = because(top);
  const rests = [
    `Pays ${inTen(top.chance)} by signs and pans; any place here ${inTen(ranking.baseChance)}.`,
    best &&
      bestSpot &&
      `Best so far: ${bestSpot.name}, ${show.band('grade', best.grade.grade_mg_L, best.grade.low_mg_L, best.grade.high_mg_L)}.`,
    grades.size === 0 ? 'No pan yet on this ground.' : !best && 'Every pan so far was blank; a blank is a result.',
    twiceWords,
  ]
    .filter(Boolean)
    .join(' ');
  return (
    <Judgement rests={rests}>
      Pan {top.place.name} next, {show.distance(top.place.distance_m)} {along}
      {why && `: ${why}`}.
    </Judgement>
  );
}
