import { readingVerdict, type ReadingVerdict, type SpotGrade } from '@riffle/core';
import type { StoredGround, StoredSpot } from '@riffle/contract';
import { usePreferences } from '../../preferences/preferences.ts';
import { GROUND_WORDS } from '../../ground/groundWords.ts';
import { inTen } from '../../reading/inTen.ts';
import type { RankedReading } from '../../reading/rankReading.ts';
import { Gold, Judgement } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { useShow } from '../../units/useShow.ts';

interface ReadJudgementProps {
  readonly ground: StoredGround;
  readonly spots: readonly StoredSpot[];
  readonly grades: ReadonlyMap<string, SpotGrade>;
  /** What was concluded elsewhere, before its pans are graded here. */
  readonly told: ReadingVerdict | null;
  /** Null for a moment after the first sight: until then the best spot speaks, if there is one. */
  readonly ranking: RankedReading | null;
  readonly anySigns: boolean;
}
type PanNext = Extract<ReadingVerdict, { kind: 'pan next' }>;

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];

/** Why a place is worth trying, in a few words: how many signs agree, and the colors beside it. */
function because({ signsFor, beside }: PanNext): string {
  const agree =
    signsFor > 1 ? `${NUMBERS[signsFor] ?? signsFor} signs agree` : signsFor === 1 ? 'a good sign stands there' : '';
  return [agree, beside && `there are ${beside}`].filter(Boolean).join(', and ');
}

/** The one sentence of this screen: where to pan next and why, or which spot to work. */
export function ReadJudgement({ ground, spots, grades, told: toldFirst, ranking, anySigns }: ReadJudgementProps) {
  const show = useShow();
  const along = GROUND_WORDS[ground.kind].along;
  const byId = new Map(spots.map((s) => [s.id, s]));
  const { pays_mg_L } = usePreferences().preferences;
  const next = ranking?.next ?? null;
  const says =
    toldFirst ??
    readingVerdict(
      grades,
      new Set(byId.keys()),
      ranking && { ...ranking, next: next && next.does !== 'weigh' ? next.at : null },
      pays_mg_L,
      anySigns,
    );
  if (says.kind === 'nothing marked')
    return (
      <Judgement
        rests={
          <>
            {says.lookFirst &&
              `Look first at ${show.distance(says.lookFirst.place.distance_m)} ${along}: ${says.lookFirst.place.name}. `}
            Tap the ribbon where you stand, or press n.
          </>
        }
      >
        Walk it and mark the first spot.
      </Judgement>
    );
  if (says.kind === 'nothing to dig at')
    return (
      <Judgement rests="Float and notes show where to look, not where to dig: mark bends, bedrock and lees as you walk.">
        Nothing to dig at is marked yet.
      </Judgement>
    );
  if (says.kind === 'not ranked yet')
    return <Judgement waits={grades.size > 0 || anySigns || 'in brief'}>{'\u00a0'}</Judgement>;
  const nameOf = (id: string | null): string => (id === null ? '' : (byId.get(id)?.name ?? ''));
  const twice = says.blankTwice.length > 0 && `Blank twice: ${says.blankTwice.map(nameOf).join(', ')}.`;
  const band = (g: { grade_mg_L: number; low_mg_L: number; high_mg_L: number }): string =>
    show.band('grade', g.grade_mg_L, g.low_mg_L, g.high_mg_L);

  if (says.kind === 'work') {
    const { best, apart, worthIt, secondId } = says;
    const rests = [
      `Rests on ${plural(best.grade.colors, 'color')} in ${show.volume(best.volumeBank_L)} of bank ground, pulled toward the other spots as the best of several must be; 90 % band.`,
      !apart && secondId && `The pans cannot yet tell it from ${nameOf(secondId)}.`,
      ranking?.nextSays,
      apart && !worthIt && `Less than ${show.grade(pays_mg_L)} does not pay you.`,
      twice,
    ];
    return (
      <Judgement rests={rests.filter(Boolean).join(' ')}>
        {apart && worthIt ? 'Work' : 'Best so far:'} {nameOf(best.spotId)},{' '}
        {show.distance(byId.get(best.spotId)?.distance_m ?? NaN)} {along}: <Gold>{band(best.pulled)}</Gold>.
      </Judgement>
    );
  }
  const { place, best, panned } = says;
  const why = because(says);
  const told = next?.at === place ? next : null;
  const far = `, ${show.distance(place.place.distance_m)} ${along}`;
  const rests = [
    told && why && `${why.charAt(0).toUpperCase()}${why.slice(1)}.`,
    `Pays ${inTen(place.chance)} by signs and pans; any place here ${inTen(says.baseChance)}.`,
    best && `Best so far: ${nameOf(best.spotId)}, ${band(best.pulled)}.`,
    !panned ? 'No pan yet on this ground.' : !best && 'Every pan so far was blank; a blank is a result.',
    twice,
  ];
  return (
    <Judgement rests={rests.filter(Boolean).join(' ')}>
      {told ? told.stepAt(far) : `Pan ${place.place.name} next${far}`}
      {told ? `: ${told.hope}` : why && `: ${why}`}.
    </Judgement>
  );
}
