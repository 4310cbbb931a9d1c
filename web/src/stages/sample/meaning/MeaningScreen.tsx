import {
  bankVolume_L,
  beliefMean_mg_L,
  chanceRicher,
  correctForHands,
  detectionLimit,
  MOST_MORE_PANS,
  pansToCall,
  pansUntilWithin,
  volumeForParticles,
  type ColorWeights,
  bestOf,
} from '@riffle/core';
import { useMemo, useState } from 'react';
import { plural } from '../../../ui/plural.ts';
import { useRecords } from '../../../records/useRecords.ts';
import { Ribbon } from '../../../ribbon/Ribbon.tsx';
import { useGround, usePicked } from '../../../shell/useGround.ts';
import { usePreferences } from '../../../preferences/preferences.ts';
import { useContainers } from '../../../records/useContainers.ts';
import { readVolume } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { SelectField } from '../../../ui/Field.tsx';
import { Block, Gold, Judgement } from '../../../ui/Judgement.tsx';
import { CLASS_NAMES } from '../pan/SizePan.tsx';
import { MorePans } from './MorePans.tsx';
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
            .{' '}
            {second &&
              !called &&
              moreWords(pansToCall(first.meant, second.meant, panBank_L), first.meant, second.meant)}
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
          <Block title="Best of all" aside="chance to be the richest">
            <ul>
              {listed.map(({ meant: m, chance }) => (
                <li key={m.spot.id} className={`border-b border-rule ${m === one ? 'bg-picked' : ''}`}>
                  <button
                    type="button"
                    className="grid min-h-12 w-full grid-cols-[minmax(0,9rem)_minmax(0,1fr)_auto] items-center gap-3 text-left"
                    aria-pressed={m === one}
                    onClick={() => pick(m.spot.id)}
                  >
                    <span className="truncate font-semibold">{m.spot.name}</span>
                    <span className="block h-3.5 border border-ink">
                      <span className="block h-full bg-ink" style={{ width: `${chance * 100}%` }} />
                    </span>
                    <span className="w-48 text-right">
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
              <Against one={one} two={two} panBank_L={panBank_L} />
            ) : (
              <p className="text-ink-2">There is no other spot to hold it against.</p>
            )}
          </Block>
          <Block title={`What more pans at ${one.spot.name} would do`}>
            <MorePans meant={one} panBank_L={panBank_L} />
            <Facts
              one={one}
              panBank_L={panBank_L}
              color_mg={colors.blankColor_mg}
              weights_mg={colors.weights_mg}
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
            <Streak plan={plan} spots={meant.filter((m) => m.spot.samplePlanId === plan.id)} cutoff_mg_L={pays_mg_L} />
          </Block>
        )}
      </div>
      <Ribbon thin ground={ground} spots={spots} grades={grades} picked={one.spot.id} onPick={pick} />
    </div>
  );
}

type Show = ReturnType<typeof useShow>;

function gradeWords(m: Meant, show: Show): string {
  const g = m.grade.grade;
  return g.kind === 'band'
    ? show.band('grade', g.grade_mg_L, g.low_mg_L, g.high_mg_L)
    : g.kind === 'blank'
      ? `under ${show.grade(g.lessThan_mg_L)}`
      : 'weigh it';
}

function moreWords(n: number | null, a: Meant, b: Meant): string {
  if (n === null)
    return `${MOST_MORE_PANS} more pans would not tell ${a.spot.name} from ${b.spot.name}: take the one nearer the water.`;
  return n === 0
    ? `${a.spot.name} beats ${b.spot.name} already.`
    : `${plural(n, 'more pan')} at each would tell ${a.spot.name} from ${b.spot.name}, if they say what those so far said.`;
}

/** Two spots: the chance that the first is richer, as strokes, and what it takes to call it. */
function Against({ one, two, panBank_L }: { one: Meant; two: Meant; panBank_L: number }) {
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
          : `Too early to call (that takes 90). ${moreWords(pansToCall(one, two, panBank_L), ahead, behind)}`}
      </p>
    </>
  );
}

const timesInHundred = (chance: number): string => {
  const n = Math.round(chance * 100);
  return n === 0 ? 'less than once in 100' : n === 1 ? 'once in 100' : `${n} times in 100`;
};

const WEIGHED = ['10-20', '20-40', '-40'] as const;

function Facts({
  one,
  panBank_L,
  color_mg,
  weights_mg,
  price,
}: {
  one: Meant;
  panBank_L: number;
  color_mg: number;
  weights_mg: ColorWeights;
  price: { perGram: number; money: string } | null;
}) {
  const show = useShow();
  const g = one.grade.grade;
  const mean = beliefMean_mg_L(one.belief);
  const third = pansUntilWithin(one, panBank_L);
  const twenty = volumeForParticles(mean, color_mg);
  const corrected = one.hands && one.hands.share > 0 && g.kind === 'band' ? correctForHands(g, one.hands) : null;
  const pan_mg = mean * panBank_L;
  const bySize = WEIGHED.map((size) => ({
    size,
    mg: weights_mg[size] * one.samples.reduce((sum, s) => sum + s.counts[size], 0),
  }));
  const counted_mg = bySize.reduce((sum, s) => sum + s.mg, 0);
  const shares = counted_mg > 0 ? bySize.map((s) => ({ size: s.size, share: s.mg / counted_mg })) : [];
  const seen = one.samples.flatMap((s) => (s.seenWith ? [s.seenWith] : []));
  return (
    <ul className="mt-1">
      <li className="border-b border-rule py-1.5">
        {third === null ? (
          `Within a third it will not come in ${MOST_MORE_PANS} pans.`
        ) : third === 0 ? (
          'The band is within a third already: pan elsewhere.'
        ) : (
          <>
            <b>{plural(third, 'more pan')}</b> bring the band within a third.
          </>
        )}
      </li>
      <li className="border-b border-rule py-1.5">
        Twenty colors, by rule enough for a grade to trust, lie in <b>{show.volume(twenty.volume_L)}</b> of ground in
        place, {Math.ceil(twenty.volume_L / panBank_L)} pans.
      </li>
      <li className="border-b border-rule py-1.5">
        A pan of it holds <Gold>{show.gold(pan_mg)}</Gold> on average
        {price
          ? `, worth ${((pan_mg / 1000) * price.perGram).toFixed(2)} ${price.money}`
          : '; set your price in Settings to see its worth'}
        . A pan with nothing in it comes {timesInHundred(Math.exp(-pan_mg / color_mg))} all the same.
      </li>
      {g.kind === 'band' && (
        <li className="border-b border-rule py-1.5">
          As panned: <Gold>{show.band('grade', g.grade_mg_L, g.low_mg_L, g.high_mg_L)}</Gold>.
          {corrected && one.hands ? (
            <>
              {' '}
              As these hands keep {Math.round(one.hands.share * 100)} %, the ground has{' '}
              <Gold>{show.band('grade', corrected.grade_mg_L, corrected.low_mg_L, corrected.high_mg_L)}</Gold>.
            </>
          ) : (
            ' Practice pans (under Hands) would say what the panning lost.'
          )}
        </li>
      )}
      {shares.length > 0 && (
        <li className="border-b border-rule py-1.5">
          Its gold by size: {shares.map((s) => `${CLASS_NAMES[s.size].name} ${Math.round(s.share * 100)} %`).join(', ')}
          .
        </li>
      )}
      {seen.length > 0 && (
        <li className="border-b border-rule py-1.5">
          Colors down to about {show.smallLength(Math.max(...seen.map((s) => detectionLimit(s).size_m)))} were seen;
          finer gold is in no count.
        </li>
      )}
      {one.samples.some((s) => s.grownIn > 0) && (
        <li className="border-b border-rule py-1.5">
          Some of its gold is grown into rock and weighs less than its size says: the grade is likelier too high.
        </li>
      )}
      <li className="py-1.5 text-ink-2">
        Rests on {plural(one.samples.length, 'sample')}, {show.volume(one.volumeBank_L)} of ground in place. By layer
        and depth: see the table.
      </li>
    </ul>
  );
}
