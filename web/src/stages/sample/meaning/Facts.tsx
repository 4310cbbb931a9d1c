import {
  beliefMean_mg_L,
  chanceOfBlank,
  correctForHands,
  detectionLimit,
  holeByHour,
  pansUntilWithin,
  volumeForParticles,
  type GroundColors,
  type PansToCome,
} from '@riffle/core';
import type { StoredGround } from '@riffle/contract';
import { useMemo } from 'react';
import { usePace } from '../../../reading/usePace.ts';
import { Gold } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { useSayHour } from '../../../units/useSayHour.ts';
import { useShow } from '../../../units/useShow.ts';
import { CLASS_NAMES } from '../pan/SizePan.tsx';
import { withinWords } from './moreWords.ts';
import type { Meant } from './useMeaning.ts';

const timesInHundred = (chance: number): string => {
  const n = Math.round(chance * 100);
  return n === 0 ? 'less than once in 100' : n === 1 ? 'once in 100' : `${n} times in 100`;
};

const WEIGHED = ['10-20', '20-40', '-40'] as const;

/** What the pans of one spot come to: more pans, worth of a pan and an hour, hands, sizes, and what it all rests on. */
export function Facts({
  ground,
  one,
  toCome,
  colors: { blankColor_mg, weights_mg },
  price,
}: {
  ground: StoredGround;
  one: Meant;
  toCome: PansToCome;
  colors: GroundColors;
  price: { perGram: number; money: string } | null;
}) {
  const show = useShow();
  const g = one.grade.grade;
  const mean = beliefMean_mg_L(one.belief);
  const twenty = volumeForParticles(mean, toCome.color_mg);
  const { pan_L } = toCome;
  const corrected = one.hands && one.hands.share > 0 && g.kind === 'band' ? correctForHands(g, one.hands) : null;
  const pan_mg = mean * pan_L;
  const pace = usePace(ground, one.spot);
  const say = useSayHour();
  const hour = useMemo(() => holeByHour(one.leveled, pace)?.best ?? null, [one, pace]);
  const bySize = WEIGHED.map((size) => ({
    size,
    mg: weights_mg[size] * one.samples.reduce((sum, s) => sum + s.counts[size], 0),
  }));
  const counted_mg = bySize.reduce((sum, s) => sum + s.mg, 0);
  const shares = counted_mg > 0 ? bySize.map((s) => ({ size: s.size, share: s.mg / counted_mg })) : [];
  const seen = one.samples.flatMap((s) => (s.seenWith ? [s.seenWith] : []));
  return (
    <ul className="mt-1">
      <li className="border-b border-rule py-1.5">{withinWords(pansUntilWithin(one.belief, toCome))}</li>
      <li className="border-b border-rule py-1.5">
        Twenty colors that carry its weight, by rule enough for a grade to trust, lie in{' '}
        <b>{show.volume(twenty.volume_L)}</b> of ground in place, {plural(Math.ceil(twenty.volume_L / pan_L), 'pan')}: a
        few pickers among specks count as few.
      </li>
      <li className="border-b border-rule py-1.5">
        A pan of it holds <Gold>{show.gold(pan_mg)}</Gold> on average
        {price
          ? `, worth ${((pan_mg / 1000) * price.perGram).toFixed(2)} ${price.money}`
          : '; set your price in Settings to see its worth'}
        . A pan with nothing in it comes {timesInHundred(chanceOfBlank(pan_mg / blankColor_mg, toCome.panVariance))} all
        the same.
      </li>
      {hour && hour.gold_mg_h !== null && (
        <li className="border-b border-rule py-1.5">
          An hour {hour.depth_m > 0 ? `on the hole down to ${show.length(hour.depth_m)}` : 'of washing it'} brings{' '}
          <Gold>{say.gold(hour)}</Gold>
          {hour.depth_m > 0
            ? ', cover and carrying counted'
            : '; a pit, or pans from more depths, would count its cover'}
          : {say.terms(hour)}.
        </li>
      )}
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
          Colors down to about {show.grainSize(Math.max(...seen.map((s) => detectionLimit(s).size_m)))} were seen; finer
          gold is in no count.
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
