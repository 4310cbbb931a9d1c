import type { StoredGround, StoredSpot } from '@riffle/contract';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import type { bestSpot, SpotGrade } from '../../ribbon/spotGrades.ts';
import { useShow } from '../../units/useShow.ts';
import { Gold, Judgement } from '../../ui/Judgement.tsx';

interface ReadJudgementProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  readonly best: ReturnType<typeof bestSpot>;
}

/** The one sentence of this screen: where the pans point, and what is not known yet. */
export function ReadJudgement({ ground, spots, grades, best }: ReadJudgementProps) {
  const show = useShow();
  if (spots.length === 0) return <Judgement rests="Tap the ribbon where you stand, or press n.">Walk it and mark the first spot.</Judgement>;
  const untried = spots.filter((s) => !grades.has(s.id));
  const bestSpot = spots.find((s) => s.id === best?.spotId);
  if (!best || !bestSpot) {
    const next = untried[0] ?? spots[0];
    return <Judgement rests={grades.size === 0 ? 'No pan yet on this ground.' : 'Every pan so far was blank; a blank is a result.'}>{next ? `Pan ${next.name} next.` : `Nothing to go by yet on ${ground.name}.`}</Judgement>;
  }
  const { grade } = best;
  const second = [...grades.values()].flatMap((g) => (g.spotId !== best.spotId && g.grade.kind === 'band' ? [{ id: g.spotId, ...g.grade }] : [])).sort((a, b) => b.grade_mg_L - a.grade_mg_L)[0];
  const secondName = spots.find((s) => s.id === second?.id)?.name;
  const apart = !second || grade.low_mg_L > second.high_mg_L;
  const twice = [...grades.values()].filter((g) => g.blanks > 1).map((g) => spots.find((s) => s.id === g.spotId)?.name).filter(Boolean);
  const rests = [
    `Rests on ${grade.colors} color${grade.colors === 1 ? '' : 's'} in ${show.volume(best.volumeBank_L)} of bank ground; 90 % band.`,
    !apart && secondName && `The pans cannot yet tell it from ${secondName}.`,
    twice.length > 0 && `Blank twice: ${twice.join(', ')}.`,
    untried.length > 0 && `Not panned yet: ${untried.slice(0, 3).map((s) => s.name).join(', ')}${untried.length > 3 ? ' and more' : ''}.`,
  ].filter(Boolean).join(' ');
  return (
    <Judgement rests={rests}>
      {apart ? 'Work' : 'Best so far:'} {bestSpot.name}, {show.distance(bestSpot.distance_m)} {GROUND_WORDS[ground.kind].along}: <Gold>{show.band('grade', grade.grade_mg_L, grade.low_mg_L, grade.high_mg_L)}</Gold>.
    </Judgement>
  );
}
