import { useShow } from '../../../units/useShow.ts';
import { Gold, Judgement } from '../../../ui/Judgement.tsx';
import type { InPlace } from './useInPlace.ts';

/** What lies in the ground, above the cut-off and in all; or why that cannot be said yet. */
export function InPlaceVerdict({ inPlace }: { inPlace: InPlace }) {
  const show = useShow();
  const { canMap, above, all, failed, cutoff_mg_L, inReach } = inPlace;
  if (!canMap)
    return (
      <Judgement rests="A grid or two traverses give the shape; lay them out under Bags. Then the map draws itself.">
        Sample two spots or more, and Riffle maps what lies between.
      </Judgement>
    );
  if (!above || !all || above.grade_mg_L === null)
    return (
      <Judgement rests={failed ?? undefined}>
        {failed
          ? 'This ground cannot be mapped so.'
          : above
            ? `Nothing here reaches ${show.grade(cutoff_mg_L)}.`
            : 'Mapping the ground ...'}
      </Judgement>
    );
  const allGrade = all.grade_mg_L ?? 0;
  const perMetre = inPlace.thickness === 'not known';
  const whose = inPlace.drawn
    ? ''
    : 'Only ground about the samples counts: draw an outline on the map to say which ground is meant. ';
  return (
    <Judgement
      rests={
        <>
          All of it: <Gold>{show.bulkGold(all.gold_mg)}</Gold> in {show.volume(all.pay_m3 * 1000)},{' '}
          <Gold>
            {all.band ? show.band('grade', allGrade, all.band.low_mg_L, all.band.high_mg_L) : show.grade(allGrade)}
          </Gold>
          , by {inReach.length} sampled spots. {whose}
          {perMetre && `No pit says how thick the pay is: all this is for ${show.length(1)} of it. `}
          {inPlace.thickness === 'pits' && 'As thick as the pits found it. '}
          {!inPlace.coverKnown && 'What lies above it no pit says. '}
          What is in the ground is not what a box keeps.
        </>
      }
    >
      <Gold>
        {above.band
          ? show.band(
              'bulkGold',
              above.gold_mg,
              above.band.low_mg_L * above.pay_m3 * 1000,
              above.band.high_mg_L * above.pay_m3 * 1000,
            )
          : show.bulkGold(above.gold_mg)}
      </Gold>{' '}
      {perMetre ? (
        <>
          in each {show.length(1)} of pay over {show.area(above.area_m2)}, <Gold>{show.grade(above.grade_mg_L)}</Gold>.
        </>
      ) : (
        <>
          in {show.volume(above.pay_m3 * 1000)} of pay, <Gold>{show.grade(above.grade_mg_L)}</Gold>
          {inPlace.coverKnown ? `, under ${(above.strippingRatio ?? 0).toFixed(1)} times as much cover` : ''}.
        </>
      )}
    </Judgement>
  );
}
