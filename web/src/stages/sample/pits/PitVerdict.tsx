import { Gold, Judgement } from '../../../ui/Judgement.tsx';
import { useShow } from '../../../units/useShow.ts';
import { useSayGrade } from './useSayGrade.ts';
import type { PitOnPage } from './usePit.ts';

/** How much pay this pit has under how much cover, and which layers its pans would take. */
export function PitVerdict({ page }: { page: PitOnPage }) {
  const show = useShow();
  const sayGrade = useSayGrade();
  const { spot, pit, pays } = page;
  const { draft, sum, problem } = page.inHand;
  if (!spot)
    return (
      <Judgement rests="Pick it on the ribbon below, or mark a new one on Read.">Which spot is this pit at?</Judgement>
    );
  if (!sum)
    return draft.crevice ? (
      <Judgement rests="Each crack into a pan of its own; the clay at the very bottom holds the best.">
        {draft.name}: {draft.crevice.state}.
      </Judgement>
    ) : (
      <Judgement rests={problem?.says}>This pit cannot be worked out yet.</Judgement>
    );
  const grade = pit && pays.get(pit.id);
  const weight_kg = sum.layers.reduce((total, l) => total + l.weight_kg, 0);
  return (
    <Judgement
      rests={
        <>
          {show.volume(sum.bank_L)} in the bank, {show.load(weight_kg)} wet; {show.length(sum.depth_m)} deep at{' '}
          {spot.name}. <WhatToTake page={page} />
        </>
      }
    >
      {sum.strippingRatio === null ? (
        'Which layer is the pay? Mark it.'
      ) : (
        <>
          {show.volume(sum.pay_L)} of pay under {sum.strippingRatio.toFixed(1)} times as much cover
          {grade && (
            <>
              : <Gold>{sayGrade(grade)}</Gold>
            </>
          )}
          .
        </>
      )}
    </Judgement>
  );
}

function WhatToTake({ page: { said, pays_mg_L } }: { page: PitOnPage }) {
  const show = useShow();
  const take = said?.take;
  if (!take) return null;
  const several = take.last > take.first;
  return (
    <>
      By your pans {several ? `layers ${take.first + 1} to ${take.last + 1} are` : `layer ${take.first + 1} is`} to be
      taken, <span className="text-gold">{show.grade(take.grade_mg_L)}</span>
      {several && ' together'}, where {show.grade(pays_mg_L)} pays.
    </>
  );
}
