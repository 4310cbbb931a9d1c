import {
  bankVolume_L,
  beliefMean_mg_L,
  beliefBand_mg_L,
  chanceRicher,
  pansToCall,
  type PansToCome,
  bestOf,
} from '@riffle/core';
import { useMemo, useState } from 'react';
import { HowSure } from '../../../sure/HowSure.tsx';
import { useRecords } from '../../../records/useRecords.ts';
import { NextLine } from '../../../reading/NextLine.tsx';
import { useLateRanking } from '../../../reading/useLateRanking.ts';
import { useReading } from '../../../reading/useReading.ts';
import { Ribbon } from '../../../ribbon/Ribbon.tsx';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { readVolume } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { SelectField } from '../../../ui/Field.tsx';
import { Block, Judgement } from '../../../ui/Judgement.tsx';
import { Facts } from './Facts.tsx';
import { MorePans } from './MorePans.tsx';
import { callWords, pansToCome } from './moreWords.ts';
import { Streak } from './Streak.tsx';
import { Strokes } from './Strokes.tsx';
import { useMeaning, type Meant } from './useMeaning.ts';
import { Weights } from './Weights.tsx';

/** Spots listed at first; the rest by asking. */
const LISTED = 8;
/** From this chance on one spot is called the better. */
const CALL = 0.9;

/** What the pans say together: which spot is best, how sure that is, and how many more pans it takes. */
export function MeaningScreen() {
  const { ground, spots } = useGround();
  const { picked, pick } = usePicked();
  const show = useShow();
  const {
    preferences: { pays_mg_L, pricePerGram, money },
  } = usePreferences();
  const { colors, spots: meant, grades } = useMeaning(ground, spots);
  const ranking = useLateRanking(useReading(ground), spots);
  const plans = useRecords('sample-plans', ground.id).items;
  const traverses = plans.filter(
    (p) => meant.filter((m) => m.spot.samplePlanId === p.id).length >= 2 && p.pattern === 'traverse',
  );
  const [planId, setPlanId] = useState('');
  const plan = traverses.find((p) => p.id === planId) ?? traverses.at(-1);
  const compared = useMemo(() => bestOf(meant), [meant]);
  const [listsAll, setListsAll] = useState(false);
  const listed = listsAll ? compared : compared.slice(0, LISTED);
  const [first, second] = compared;
  const one = meant.find((m) => m.spot.id === picked) ?? first?.meant;
  const [otherId, setOtherId] = useState('');
  const two =
    meant.find((m) => m.spot.id === otherId && m !== one) ?? (one === first?.meant ? second?.meant : first?.meant);
  const pan = readVolume({ text: '1', unit: 'pan' }, useContainers());
  const panBank_L = bankVolume_L(pan.ok ? pan.value : NaN, ground.swell_percent);
  const toCome = pansToCome(colors, panBank_L);
  if (!first || !one)
    return <Judgement rests="Pan somewhere, and blanks count too.">Nothing was panned on this ground yet.</Judgement>;
  const called = first.chance >= CALL;
  return (
    <div className="flex flex-col gap-4">
      <Judgement
        rests={
          <>
            Out of{' '}
            {compared.length === meant.length
              ? `all ${meant.length} sampled spots`
              : `the ${compared.length} most likely of ${meant.length} spots`}
            .
            <NextLine groundId={ground.id} ranking={ranking} />
          </>
        }
      >
        {called ? <>{first.meant.spot.name} is the best spot here</> : <>{first.meant.spot.name} is likely the best</>}:{' '}
        {Math.round(first.chance * 100)} chances in 100
        {second && !called ? (
          <>
            , {second.meant.spot.name} has {Math.round(second.chance * 100)}
          </>
        ) : null}
        .
      </Judgement>
      <div className="grid grid-cols-1 gap-x-8 gap-y-6 lg:grid-cols-2">
        <div className="flex min-w-0 flex-col gap-6">
          <Block
            title="Best of all"
            aside={
              <>
                chance to be the richest; <HowSure groundId={ground.id} />
              </>
            }
          >
            <ul>
              {listed.map(({ meant: m, chance }) => (
                <li key={m.spot.id} className={`border-b border-rule ${m === one ? 'bg-picked' : ''}`}>
                  <button
                    type="button"
                    className="grid min-h-12 w-full grid-cols-[minmax(0,9rem)_minmax(0,1fr)_auto] items-center gap-3 text-left tight:grid-cols-1 tight:gap-1"
                    aria-pressed={m === one}
                    onClick={() => pick(m.spot.id)}
                  >
                    <span className="truncate font-semibold">{m.spot.name}</span>
                    <span className="block h-3.5 border border-ink">
                      <span className="block h-full bg-ink" style={{ width: `${chance * 100}%` }} />
                    </span>
                    <span className="w-48 text-right tight:w-auto tight:text-left">
                      <b>{Math.round(chance * 100)}</b> <span className="text-gold">{gradeWords(m, show)}</span>
                    </span>
                  </button>
                </li>
              ))}
            </ul>
            {compared.length > LISTED && (
              <p className="flex flex-wrap items-center gap-x-3">
                {!listsAll && (
                  <span className="text-ink-2">
                    The other {compared.length - LISTED} together:{' '}
                    {Math.round(compared.slice(LISTED).reduce((sum, c) => sum + c.chance, 0) * 100)} in 100.
                  </span>
                )}
                <button
                  type="button"
                  className="min-h-11 underline underline-offset-4"
                  onClick={() => setListsAll(!listsAll)}
                >
                  {listsAll ? 'Only the likeliest' : 'Show them'}
                </button>
              </p>
            )}
          </Block>
          <Block title="What a color weighs here">
            <Weights colors={colors} />
          </Block>
        </div>
        <div className="flex min-w-0 flex-col gap-6">
          <Block
            title={`${one.spot.name} against`}
            aside={
              two && (
                <select
                  aria-label="Against"
                  className="written"
                  value={two.spot.id}
                  onChange={(e) => setOtherId(e.target.value)}
                >
                  {meant
                    .filter((m) => m !== one)
                    .map((m) => (
                      <option key={m.spot.id} value={m.spot.id}>
                        {m.spot.name}
                      </option>
                    ))}
                </select>
              )
            }
          >
            {two ? (
              <Against one={one} two={two} toCome={toCome} />
            ) : (
              <p className="text-ink-2">There is no other spot to hold it against.</p>
            )}
          </Block>
          <Block title={`What more pans at ${one.spot.name} would do`}>
            <MorePans meant={one} toCome={toCome} />
            <Facts
              ground={ground}
              one={one}
              toCome={toCome}
              colors={colors}
              price={pricePerGram === null ? null : { perGram: pricePerGram, money }}
            />
          </Block>
        </div>
        {plan && (
          <Block
            title="The pay streak"
            aside={
              traverses.length > 1 ? (
                <div className="w-44">
                  <SelectField
                    label="Traverse"
                    value={plan.id}
                    choices={traverses.map((p) => ({ value: p.id, label: p.name }))}
                    onChange={setPlanId}
                  />
                </div>
              ) : (
                plan.name
              )
            }
            className="lg:col-span-2"
          >
            <Streak
              plan={plan}
              spots={meant.filter((m) => m.spot.samplePlanId === plan.id)}
              waiting={spots.filter((s) => s.samplePlanId === plan.id && !grades.has(s.id))}
              cutoff_mg_L={pays_mg_L}
            />
          </Block>
        )}
      </div>
      <Ribbon thin ground={ground} spots={spots} grades={grades} picked={one.spot.id} onPick={pick} />
    </div>
  );
}

type Show = ReturnType<typeof useShow>;

/** A band whose ends are so far apart says only its upper one. */
const NEXT_TO_NOTHING = 0.005;

/** Its grade beside the others: pulled toward its ground, as the chances are. */
function gradeWords(m: Meant, show: Show): string {
  const { low, high } = beliefBand_mg_L(m.belief);
  switch (m.grade.grade.kind) {
    case 'band':
      // Where it may as well hold next to nothing, its upper end is all that can be said.
      return low < NEXT_TO_NOTHING * high
        ? `under ${show.grade(high)}`
        : show.band('grade', beliefMean_mg_L(m.belief), low, high);
    case 'blank':
      return `under ${show.grade(high)}`;
    case 'coarse only':
      return 'weigh it';
  }
}

/** Two spots: the chance that the first is richer, as strokes, and what it takes to call it. */
function Against({ one, two, toCome }: { one: Meant; two: Meant; toCome: PansToCome }) {
  const chance = chanceRicher(one.belief, two.belief);
  const [ahead, behind, share] = chance >= 0.5 ? [one, two, chance] : [two, one, 1 - chance];
  return (
    <>
      <p className="text-[18px]">
        <b>{Math.round(share * 100)} chances in 100</b> that {ahead.spot.name} is richer.
      </p>
      <Strokes chance={share} />
      <p className="text-ink-2">
        {share >= CALL
          ? 'That is enough to call it.'
          : `Too early to call (that takes 90). ${callWords(pansToCall(one.belief, two.belief, toCome), ahead.spot.name, behind.spot.name)}`}
      </p>
    </>
  );
}
