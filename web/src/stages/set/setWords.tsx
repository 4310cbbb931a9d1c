import type { StoredRig } from '@riffle/contract';
import { boxLength_m, toldSection, USUAL_MIX, type Seen, type SymptomId } from '@riffle/core';
import type { ReactNode } from 'react';
import { asTyped, valueOf } from '../../units/readEntered.ts';
import type { Show } from '../../units/useShow.ts';
import { showLike } from '../../units/showLike.ts';
import { Gold } from '../../ui/Judgement.tsx';
import { plural } from '../../ui/plural.ts';
import { inTen, percentBand } from '../../units/inTen.ts';
import { leverByHand, leverWords } from './leverWords.ts';
import { setShow } from './setShow.ts';
import { HAND_LIFT_M, isDrowned } from './readSetup.ts';
import { FAULT_WORDS, SYMPTOM_WORDS } from './symptomWords.ts';
import type { SetVerdictFound, Weighed } from './solveSetup.ts';
import type { SetupInHand } from './useSetup.ts';

/** What is said of the box: the sentence, and what it rests on. */
export interface SetWords {
  readonly sentence: ReactNode;
  readonly rests: ReactNode;
}

/** What to change on the box and by how much, in one sentence. */
export function setWords(inHand: SetupInHand, rig: StoredRig | undefined, show: Show): SetWords {
  const { solved, problem, verdict, failed } = inHand;
  if (!rig)
    return {
      sentence: 'Which box do you carry? Pick one or add yours.',
      rests: 'Its width, length and lining decide how much water and gravel it takes.',
    };
  if (!solved)
    return {
      sentence: problem ?? 'Say how the box stands: its pitch, its water, your largest stone.',
      rests: 'The drawing answers as soon as pitch, water and stones can be read.',
    };
  if (failed) return { sentence: 'This setting could not be weighed.', rests: failed };
  if (!verdict) return { sentence: 'Weighing it ...', rests: '256 boxes as yours may be, each set as you set it.' };
  return foundWords(inHand, verdict, show);
}

/** What the weighing rests on. */
const modelOf = (measuredBy: number): string =>
  measuredBy === 0
    ? 'Weighed over 256 boxes as yours may be; a tail pan or a clean-up by sections would narrow it.'
    : `Weighed over 256 boxes as yours may be, by ${plural(measuredBy, 'measure')} of this box.`;

function foundWords(inHand: SetupInHand, { now, advice, measured, faults }: SetVerdictFound, show: Show): SetWords {
  const model = modelOf(measured?.fits.filter(Boolean).length ?? 0);
  const { draft, readings, solved } = inHand;
  const dry = tooLittleHere(inHand, show);
  if (dry) return dry;
  const drowned = tailDrowned(inHand, show);
  if (drowned) return drowned;
  const inHands = setShow(show, draft);
  const bucket_L = valueOf(readings.bucket);
  // Gold too fine for eyes is in no count.
  const gold = solved?.setting.gold === USUAL_MIX ? 'the gold' : 'the gold you count';
  const does = (w: Weighed): ReactNode => (
    <>
      works {inTen(w.works)}, <Pace weighed={w} bucket_L={bucket_L} />, and holds{' '}
      <Gold>{percentBand(w.heldOfMix)}</Gold> of {gold}
    </>
  );
  // Nobody is told to leave a box that he sees failing.
  const trouble = seenWords(draft.seen);
  const [fault] = faults;
  const behind = fault && fault.fault !== 'none' && fault.chance >= LIKELY ? fault : null;
  if (advice.kind === 'leave' && trouble !== null && behind)
    return {
      sentence: (
        <>
          {upperFirst(FAULT_WORDS[behind.fault].do(behind, inHands))}: {trouble}, and likeliest{' '}
          {FAULT_WORDS[behind.fault].is}.
        </>
      ),
      rests: (
        <>
          As entered it {does(now)}. {upperFirst(FAULT_WORDS[behind.fault].then)}, when that was it.
        </>
      ),
    };
  if (advice.kind === 'leave' && trouble !== null && !draft.seen.clears)
    return {
      sentence: <>Measure pitch and water again: {trouble}, and a box set as entered seldom shows that.</>,
      rests: <>As entered it {does(now)}.</>,
    };
  if (advice.kind === 'leave')
    return {
      sentence: <>Leave it: it {does(now)}.</>,
      rests: `${solved?.setting.feed_m3_s === null ? 'No change you can set by hand brings much more.' : 'At the pace you feed.'} ${model}`,
    };
  if (advice.kind === 'limited')
    return {
      sentence:
        now.works > 0.5 ? (
          <>As good as it gets here: it {does(now)}.</>
        ) : (
          `${LIMITS[advice.by]}: as it stands it works ${inTen(now.works)}.`
        ),
      rests: `${LIMITED_BY[advice.by]} ${model}`,
    };
  const { levers, after } = advice;
  const length_m = solved ? boxLength_m(solved.setting.sections) : 1;
  const lost = lostBy(now, after);
  const words = levers.map((l) => leverWords(l, inHands));
  return {
    sentence: (
      <>
        {[words[0], ...words.slice(1).map(lowerFirst)].join(' and ')}:{' '}
        {seenWords(draft.seen) ?? whyNot(now, asTyped(draft.stone).replace(/[“”]/g, ''))}. Then it {does(after)}.
      </>
    ),
    rests: `${upperFirst(levers.map((l) => leverByHand(l, inHands, inHands.pitch(advice.setting.slope, length_m))).join('; '))}. ${lost ? `${lost} ` : ''}Look for stones that roll through from head to tail, and sand that turns over behind each riffle. ${model}`,
  };
}

/** A fault so likely is the sentence. */
const LIKELY = 0.35;

/** A box set in more water than there is: said before anything else of it. */
function tooLittleHere({ draft, readings, solved }: SetupInHand, own: Show): SetWords | null {
  const show = showLike(own, 'flow', draft.creek);
  const gives_m3_s = (valueOf(readings.creek) ?? 0) / 1000;
  if (!solved || gives_m3_s <= 0) return null;
  const takes_m3_s = solved.middle.sections[toldSection(solved.setting.sections)]?.flow.flow_m3_s ?? 0;
  if (takes_m3_s <= NEARLY_ENOUGH * gives_m3_s) return null;
  return {
    sentence: (
      <>
        There is not so much water: so set the box takes {show.flow(takes_m3_s)}, and {show.flow(gives_m3_s)} is to be
        had.
      </>
    ),
    rests: `${draft.known === 'depth' ? `Put ${asTyped(draft.creek)} in as its flow to see how it then runs; a` : 'A'} wing dam of stones and turf brings more, a narrower box needs less.`,
  };
}
/** A tail that stands in the pool below: nothing else counts before the water can leave; null where it shoots out. */
function tailDrowned({ draft, solved, surface }: SetupInHand, own: Show): SetWords | null {
  const show = showLike(own, 'length', draft.tail);
  if (!solved || !surface || !isDrowned(surface)) return null;
  // A hand sets no finer than half a centimeter.
  const lift = show.smallLength(Math.ceil(surface.lift_m / HAND_LIFT_M) * HAND_LIFT_M);
  const dead_m = boxLength_m(solved.setting.sections) - (surface.jump_m ?? 0);
  return {
    sentence: <>Lift the whole box {lift}: its tail stands in the pool below.</>,
    rests:
      surface.runs === 'slow'
        ? 'The water backs up in it, so stones and sand lie where they fall. Or dig the pool out below the tail.'
        : `${surface.jump_m === 0 ? 'The water is slow from the mouth on' : `It jumps inside, and the last ${show.smallLength(dead_m)} run slow`}: stones stop there and sand packs. Or dig the pool out below the tail. The rest is weighed as if it fell free.`,
  };
}
/** A middle box takes a tenth more or less than another. */
const NEARLY_ENOUGH = 1.1;

function Pace({ weighed: { pace_m3_s }, bucket_L }: { weighed: Weighed; bucket_L: number | null }) {
  const m = bucket_L === null ? Infinity : bucket_L / 1000 / pace_m3_s.middle / 60;
  return (
    <span className="whitespace-nowrap">
      {m > 600 ? 'no pace' : `a bucket in ${m < 10 ? m.toFixed(1).replace(/\.0$/, '') : Math.round(m)} min`}
    </span>
  );
}

const LIMITS = {
  stones: 'This water does not move these stones',
  feed: 'This water carries too little gravel',
  gold: 'The gold goes with the water here',
} as const;
const LIMITED_BY = {
  stones: 'A finer screen, or a run with more fall and more water, is what is missing.',
  feed: 'More water than the creek gives, or a wider box, is what is missing.',
  gold: 'A longer box, or one with a finer lining, is what is missing.',
} as const;

/** What is seen, in the middle of a sentence; null when nothing is. */
function seenWords(seen: Seen): string | null {
  const there = (Object.entries(seen) as [SymptomId, boolean][]).filter(([, is]) => is);
  return there.length === 0 ? null : `you see ${there.map(([id]) => lowerFirst(SYMPTOM_WORDS[id].name)).join(' and ')}`;
}

/** What is wrong with it now, in the trade's words. */
function whyNot(now: Weighed, stones: string): string {
  if (now.load.middle > 0.8) return 'fed like this it packs';
  if (now.stalls >= now.washesOut && now.stalls > 0.2)
    return now.stones.middle < 1.1 ? `your ${stones} stones stall` : 'it carries too little gravel';
  if (now.washesOut > 0.2) return 'the gold goes with the water';
  return `it works ${inTen(now.works)} now`;
}

/** What the change costs, where it costs something. */
function lostBy(now: Weighed, after: Weighed): string | null {
  const [a, b] = [Math.round(100 * now.heldOfMix.middle), Math.round(100 * after.heldOfMix.middle)];
  if (after.pace_m3_s.middle < 0.9 * now.pace_m3_s.middle)
    return `It costs pace: ${Math.round(100 * (1 - after.pace_m3_s.middle / now.pace_m3_s.middle))} % less gravel.`;
  return b < a - 1 ? `It costs fines: ${a - b} points less of the gold stay.` : null;
}

const upperFirst = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1);
const lowerFirst = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);
