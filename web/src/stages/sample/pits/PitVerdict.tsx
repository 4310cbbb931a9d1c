import { squareMetre, type HourAtDepth, type PitSum } from '@riffle/core';
import { bandOf, perMetreOf } from './CrackStrip.tsx';
import type { ReactNode } from 'react';
import { Gold, Judgement } from '../../../ui/Judgement.tsx';
import { readEntered } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { useSayHour } from '../../../units/useSayHour.ts';
import { whatToDo } from './whatToDo.ts';
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
      <CrackVerdict page={page} />
    ) : draft.layers.length === 0 ? (
      <Judgement rests="Tap what lies on top, type how thick, then what lies below it.">
        What did you dig through at {spot.name}?
      </Judgement>
    ) : (
      <Judgement rests={problem?.says}>This pit cannot be worked out yet.</Judgement>
    );
  const weight_kg = sum.layers.reduce((total, l) => total + l.weight_kg, 0);
  const size = (
    <>
      {show.volume(sum.bank_L)} in the bank, {show.load(weight_kg)} wet; {show.length(sum.depth_m)} deep at {spot.name}.
      {page.ground.kind === 'beach' && <UnderASquareMetre page={page} />}
    </>
  );
  if (page.byHour && page.byHour.best.gold_mg_h !== null)
    return <BestStop page={page} best={page.byHour.best} size={size} />;
  const grade = pit && pays.get(pit.id);
  return (
    <Judgement
      rests={
        <>
          {size} <WhatToTake page={page} />
        </>
      }
    >
      <PayUnderCover sum={sum} />
      {grade && sum.strippingRatio !== null && (
        <>
          {' '}
          <Gold>{sayGrade(grade)}</Gold>.
        </>
      )}
    </Judgement>
  );
}

/** What is still to be had of a crack in each state. */
const CRACK_WORDS = {
  found: 'clean it to its very bottom',
  'part cleaned': 'go back to it, the rest is open',
  frozen: 'go back when it thaws',
  'part cleaned, frozen': 'go back when it thaws, the rest is open',
  'cleaned out': 'nothing is left in it',
} as const;

/** A crack: how much it can hold, how far it is cleaned, and what its pans said. */
function CrackVerdict({ page: { inHand, pit, grades, pays, spot } }: { page: PitOnPage }) {
  const show = useShow();
  const sayGrade = useSayGrade();
  const crack = inHand.draft.crevice;
  if (!crack) return null;
  const size = [crack.width, crack.length, crack.depth].map((e) => readEntered('length', e));
  const volume_L = size.reduce((v, r) => v * (r.ok ? r.value : NaN), 1000);
  const grade = pit && spot && grades.get(spot.id)?.grade;
  // Each crack by its own pans, where it has any.
  const own = pit && perMetreOf(pit, pays);
  return (
    <Judgement
      rests={
        <>
          {Number.isFinite(volume_L) && (
            <>
              At most {show.volume(volume_L)}, half of that where it closes like a wedge; it runs {crack.strike}.{' '}
            </>
          )}
          {own ? (
            <>
              A meter of it held{' '}
              <Gold>
                {show.gold(own.middle)} ({show.range('gold', own.low, own.high)})
              </Gold>
              , by its own pans.{' '}
            </>
          ) : (
            grade && (
              <>
                Pans of this spot say <Gold>{sayGrade(grade)}</Gold>.{' '}
              </>
            )
          )}
          Each crack into a pan of its own; the clay at the very bottom holds the best.
        </>
      }
    >
      {inHand.draft.name} is {crack.state}: {CRACK_WORDS[crack.state]}.
    </Judgement>
  );
}

/** A beach is told by its square metre: what its seams hold, how thick they are, and what lies on them. */
function UnderASquareMetre({ page: { inHand, said } }: { page: PitOnPage }) {
  const show = useShow();
  const found = squareMetre(
    inHand.draft.layers.map((l) => ({
      thickness_m: l.thickness_m,
      grade_mg_L: bandOf(said?.layers.get(l.id)),
      blackShare: typeof l.blackSand_percent === 'number' ? l.blackSand_percent / 100 : null,
    })),
  );
  return found ? (
    <>
      {' '}
      A square meter holds{' '}
      <Gold>
        {show.gold(found.gold_mg.middle)} ({show.range('gold', found.gold_mg.low, found.gold_mg.high)})
      </Gold>{' '}
      in {show.smallLength(found.seam_m)} of seam under {show.smallLength(found.cover_m)} of cover
      {found.blackSand_kg !== null && `, with ${show.load(found.blackSand_kg)} of black sand`}.
    </>
  ) : null;
}

/** How deep to dig, what to wash of it, and what an hour of all that brings. */
function BestStop({ page, best, size }: { page: PitOnPage; best: HourAtDepth; size: ReactNode }) {
  const show = useShow();
  const say = useSayHour();
  const { sum, depth_m } = page.inHand;
  const stopsShort = best.depth_m > 0 && best.depth_m < depth_m - 0.01;
  const terms = say.terms(best);
  return (
    <Judgement
      rests={
        <>
          {whatToDo(page, best)} {terms && <>{terms.charAt(0).toUpperCase() + terms.slice(1)}. </>}
          {sum && <PayUnderCover sum={sum} />} {size}
        </>
      }
    >
      {stopsShort ? `Stop at ${show.length(best.depth_m)}` : 'Dig it to the bottom'}: <Gold>{say.gold(best)}</Gold>,
      cover and all.
    </Judgement>
  );
}

function PayUnderCover({ sum }: { sum: PitSum }) {
  const show = useShow();
  return sum.strippingRatio === null ? (
    <>Which layer is the pay? Mark it.</>
  ) : (
    <>
      {show.volume(sum.pay_L)} of pay under {sum.strippingRatio.toFixed(1)} times as much cover.
    </>
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
