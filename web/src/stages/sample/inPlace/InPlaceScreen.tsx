import { useShow } from '../../../units/useShow.ts';
import { Block } from '../../../ui/Judgement.tsx';
import { CutoffCurve } from './CutoffCurve.tsx';
import { InPlaceVerdict } from './InPlaceVerdict.tsx';
import { MapBlock } from './MapBlock.tsx';
import { MethodBlock } from './MethodBlock.tsx';
import { useInPlace, type InPlace } from './useInPlace.ts';

/** Gold in the ground from samples and an outline, and what of it pays at a cut-off. */
export function InPlaceScreen() {
  const inPlace = useInPlace();
  return (
    <div className="flex flex-col gap-4">
      <InPlaceVerdict inPlace={inPlace} />
      <div className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,1fr)_minmax(0,22rem)]">
        <div className="flex min-w-0 flex-col gap-4">
          <MapBlock inPlace={inPlace} />
          {inPlace.map && (
            <Block title="What the cut-off leaves">
              <CutoffCurve map={inPlace.map} cutoff_mg_L={inPlace.cutoff_mg_L} highest_mg_L={inPlace.highest_mg_L} />
            </Block>
          )}
          {inPlace.sections && <BySections sections={inPlace.sections} />}
        </div>
        <MethodBlock inPlace={inPlace} />
      </div>
    </div>
  );
}

/** The same sum as it is done by hand, section by section. */
function BySections({
  sections: { sections, pay_m3, grade_mg_L, gold_mg },
}: {
  sections: NonNullable<InPlace['sections']>;
}) {
  const show = useShow();
  return (
    <p className="text-ink-2">
      By {sections.length} sections instead: {show.volume(pay_m3 * 1000)} between the first and the last,{' '}
      <span className="text-gold">{grade_mg_L === null ? 'no grade' : show.grade(grade_mg_L)}</span>,{' '}
      <span className="text-gold">{show.bulkGold(gold_mg)}</span>.
    </p>
  );
}
