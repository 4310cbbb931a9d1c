import { HEAD_STRETCH_M, type Entered, type LossBySize, type SectionSplit } from '@riffle/core';
import { expectedInTubs, standingTubs, type OpenLift } from '../../box/openLifts.ts';
import { plural } from '../../ui/plural.ts';
import { showLike } from '../../units/showLike.ts';
import { useShow } from '../../units/useShow.ts';
import { Gold, Judgement } from '../../ui/Judgement.tsx';
import { shareLost } from './shareLost.ts';

interface CleanVerdictProps {
  readonly runs: number;
  /** What stands in tubs, and of it what is being weighed. */
  readonly tubs: readonly OpenLift[];
  readonly weighing: OpenLift | null;
  readonly volumeBank_L: number;
  readonly sources: readonly string[];
  readonly split: SectionSplit | null;
  readonly bySize: LossBySize | null;
  /** A weight as it was typed: gold is told in its unit. */
  readonly typed: Entered | undefined;
}

/** From here on a loss is worth a change. Common practice, no source: one color in ten. */
const TOO_MUCH = 0.1;

/** From here on the sizes speak for the whole. Stated assumption. */
const MOST_TELLS = 0.8;

/** What the clean-up says: how much, whether the box held, what went over the end or why that cannot be told. */
export function CleanVerdict({ runs, tubs, weighing, volumeBank_L, sources, split, bySize, typed }: CleanVerdictProps) {
  const own = useShow();
  const show = typed ? showLike(own, 'mass', typed) : own;
  if (runs === 0 && tubs.length > 0) return <TubsVerdict tubs={tubs} />;
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
        rests={`From ${fed}. ${weighing ? 'Tub by tub from the head down.' : `Weigh section by section from the head down; cut the first at ${show.smallLength(HEAD_STRETCH_M)}.`}`}
      >
        {weighing ? 'What did each tub hold?' : 'What did each section of the box hold?'}
      </Judgement>
    );
  const { loss, headShare } = split;
  const head =
    headShare === null
      ? ''
      : `${shareLost(headShare)} of what was weighed lay within the first ${show.smallLength(HEAD_STRETCH_M)}. `;
  const grade = volumeBank_L > 0 ? `That is ${show.grade(split.total_mg / volumeBank_L)} recovered from ${fed}. ` : '';
  const mixed = sources.length > 1 ? 'Mixed sources: it is credited to the mix, to no one spot. ' : '';
  // Sizes tell what a whole cannot: an estimate, where most of the gold is of sizes that tell.
  if (bySize?.lost_mg && bySize.told >= MOST_TELLS) {
    const { low, middle, high } = bySize.lost_mg;
    const lost = middle / (split.total_mg + middle);
    const much = low / (split.total_mg + low) >= TOO_MUCH;
    return (
      <Judgement
        rests={`${head}${grade}${mixed}By how each size thins out, ${shareLost(lost)} of it; between ${show.gold(low)} and ${show.gold(high)} nine times in ten.${much ? ' Less water or pitch, or a longer box.' : ''} Sizes of which nothing stayed are not in it: pan the tail.`}
      >
        <Gold>{show.gold(split.total_mg)}</Gold> in the box, and about <Gold>{show.gold(middle)}</Gold> went over the
        end.
      </Judgement>
    );
  }
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
      <Gold>{show.gold(split.total_mg)}</Gold> in the box, and at least {shareLost(loss.atLeast)} went over the end.
    </Judgement>
  ) : (
    <Judgement
      rests={`${head}${grade}${mixed}${loss.atLeast < 0.001 ? 'The sections do not show that any went over' : `At least ${shareLost(loss.atLeast)} went over, by how the last sections thin out`}. ${unseen}`}
    >
      <Gold>{show.gold(split.total_mg)}</Gold> in the box; how much went over the end, the tail tells.
    </Judgement>
  );
}

/** What waits in tubs, and what to do with it next. */
function TubsVerdict({ tubs }: { tubs: readonly OpenLift[] }) {
  const show = useShow();
  const standing = standingTubs(tubs);
  const toFinish = standing.filter((t) => !t.finish).length;
  const expected = expectedInTubs(tubs);
  return (
    <Judgement
      rests={`${
        toFinish > 0
          ? `${plural(toFinish, 'tub')} still to be brought down to gold.`
          : 'All are brought down to gold: weigh them.'
      }${expected ? '' : ' What they should hold was not said beforehand.'}`}
    >
      {plural(standing.length, 'tub')} to be weighed
      {expected && (
        <>
          , <Gold>{show.gold(expected.low_mg)}</Gold> to <Gold>{show.gold(expected.high_mg)}</Gold> expected
        </>
      )}
      .
    </Judgement>
  );
}
