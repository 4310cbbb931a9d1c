import { goldAnHour_mg, type GroundBook } from '@riffle/core';
import { Suspense, useState } from 'react';
import { Link } from '../../ui/Link.tsx';
import { expectedInTubs, expectedWords, standingTubs } from '../../box/openLifts.ts';
import { useOpenLifts } from '../../box/useOpenLifts.ts';
import { plural } from '../../ui/plural.ts';
import { useBook } from '../../records/useBook.ts';
import { useRecords } from '../../records/useRecords.ts';
import { useGround, usePicked } from '../../shell/useGround.ts';
import { usePreferences } from '../../preferences/preferences.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Block, Gold, Judgement } from '../../ui/Judgement.tsx';
import { AmountCells, AmountHeads, hoursText, valueText, type Money } from './AmountCells.tsx';
import { BookBy } from './BookBy.tsx';
import { EveryGround } from './EveryGround.tsx';
import { WhatItTook } from './WhatItTook.tsx';
import { PromisedAndCame } from './PromisedAndCame.tsx';
import { late } from '../../ui/late.ts';

const SeasonChart = late(async () => (await import('./SeasonChart.tsx')).SeasonChart);
const GiveSheet = late(async () => (await import('./give/GiveSheet.tsx')).GiveSheet);

/** How much ground gave how much gold. */
export function BooksScreen() {
  const { ground, spots } = useGround();
  const { picked } = usePicked();
  const book = useBook(ground.id);
  const inTubs = useOpenLifts(ground);
  const show = useShow();
  const { pricePerGram, money: moneyName } = usePreferences().preferences;
  const money: Money = pricePerGram === null ? null : { pricePerGram, name: moneyName };
  const grounds = useRecords('grounds').items;
  const [giving, setGiving] = useState(false);
  const nameOf = (id: string): string => spots.find((s) => s.id === id)?.name ?? 'a spot since removed';

  if (!book)
    return (
      <Judgement
        rests={
          navigator.onLine
            ? undefined
            : 'Its runs and clean-ups are not on this device yet. What you logged here is kept and counts as soon as there is a signal.'
        }
      >
        {navigator.onLine ? 'Adding up ...' : 'The book cannot be added up here now.'}
      </Judgement>
    );
  const { total, unweighed } = book;
  const anHour = goldAnHour_mg(total);
  const tubs = standingTubs(inTubs).length;
  const tubsSay =
    tubs > 0 &&
    `${[`${plural(tubs, 'tub')} of it`, expectedWords(expectedInTubs(inTubs), show.gold)].filter(Boolean).join(', ')}.`;
  const rests = [
    total.running_s > 0 &&
      `${plural(total.buckets, 'bucket')} in ${hoursText(total.running_s)} of running, ${plural(total.cleanups, 'clean-up')}${anHour.running === null ? '' : `: ${show.gold(anHour.running)} an hour`}${anHour.person === null ? '' : `, ${show.gold(anHour.person)} for each person’s hour`}.`,
    unweighed.buckets > 0 &&
      `Not weighed yet: ${show.volume(unweighed.volumeBank_L)} in ${plural(unweighed.runs, 'run')}.`,
    tubsSay,
    pricePerGram === null && 'Type your price in Settings to see values.',
  ]
    .filter(Boolean)
    .join(' ');
  return (
    <div className="flex flex-col gap-5">
      <header className="hidden border-b border-rule pb-2 font-serif text-[18px] font-semibold sm:block">
        {ground.name}
      </header>
      {total.cleanups === 0 ? (
        <Judgement
          rests={
            unweighed.buckets > 0 ? (
              <>
                <Link className="underline underline-offset-4" to={`/g/${ground.id}/clean`}>
                  {show.volume(unweighed.volumeBank_L)} wait to be weighed
                </Link>
                {tubsSay && `: ${tubsSay}`}
              </>
            ) : (
              'Set a box, run some gravel, clean up: the first line then stands here.'
            )
          }
        >
          No gold in the book for {ground.name} yet.
        </Judgement>
      ) : (
        <Judgement rests={rests}>
          <Gold>{show.gold(total.gold_mg)}</Gold> out of {show.volume(total.volumeBank_L)} of bank ground:{' '}
          <Gold>{show.grade(total.gold_mg / total.volumeBank_L)}</Gold>
          {money && <>, worth {valueText(total.gold_mg, money)}</>}.
        </Judgement>
      )}
      {total.cleanups > 0 && <WhatItTook groundId={ground.id} gold_mg={total.gold_mg} />}
      <Button className="no-print self-start" onClick={() => setGiving(true)}>
        Give or print ...
      </Button>
      {book.lines.length > 0 && (
        <Block title="By source" aside="gold of several spots run together stays theirs together">
          <BookTable book={book} nameOf={nameOf} picked={picked} money={money} />
        </Block>
      )}
      {book.lines.length > 0 && <BookBy ground={ground} weighed={book.weighed} money={money} nameOf={nameOf} />}
      {total.cleanups > 0 && <PromisedAndCame ground={ground} weighed={book.weighed} nameOf={nameOf} />}
      {book.days.length > 0 && (
        <Block title="The season" aside="bars: weighed that day; line: all so far">
          <Suspense fallback={<div className="h-60" />}>
            <SeasonChart days={book.days} />
          </Suspense>
        </Block>
      )}
      {grounds.length > 1 && (
        <Block title="Every ground">
          <EveryGround grounds={grounds} open={ground.id} money={money} />
        </Block>
      )}
      {giving && (
        <Suspense fallback={null}>
          <GiveSheet ground={ground} spots={spots} book={book} onClose={() => setGiving(false)} />
        </Suspense>
      )}
    </div>
  );
}

interface BookTableProps {
  readonly book: GroundBook;
  readonly nameOf: (spotId: string) => string;
  readonly picked: string | null;
  readonly money: Money;
}

function BookTable({ book, nameOf, picked, money }: BookTableProps) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The book by source">
      <table className="w-full min-w-[40rem] border-collapse">
        <thead>
          <tr className="text-ink-2">
            <th scope="col" className="text-left font-normal">
              source
            </th>
            <AmountHeads money={money} />
          </tr>
        </thead>
        <tbody>
          {book.lines.map((l) => (
            <tr
              key={l.spotIds.join()}
              className={`border-t border-rule ${picked && l.spotIds.includes(picked) ? 'bg-picked shadow-[inset_5px_0_0_var(--ink)]' : ''}`}
            >
              <th scope="row" className="py-2 pr-4 pl-3 text-left font-normal">
                <span className="font-bold">{l.spotIds.map(nameOf).join(' + ') || 'no spot named'}</span>
                {l.spotIds.length > 1 && <span className="block text-[13px] text-ink-2">mixed, not shared out</span>}
                {l.mayHoldOldGold && (
                  <span className="block text-[13px] text-ink-2">
                    box was not rinsed clean before: may hold older gold
                  </span>
                )}
              </th>
              <AmountCells amounts={l} money={money} />
            </tr>
          ))}
          <tr className="border-t-2 border-ink">
            <th scope="row" className="py-2 pl-3 text-left font-bold">
              all
            </th>
            <AmountCells amounts={book.total} money={money} />
          </tr>
        </tbody>
      </table>
    </div>
  );
}
