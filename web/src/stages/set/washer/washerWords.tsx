import type { StoredRig } from '@riffle/contract';
import { USUAL_MIX, type Spread, type WasherLever, type WasherSetting, type WasherSymptom } from '@riffle/core';
import type { ReactNode } from 'react';
import { Gold } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { valueOf } from '../../../units/readEntered.ts';
import { showLike } from '../../../units/showLike.ts';
import type { Show } from '../../../units/useShow.ts';
import { inTen, percentBand } from '../../../units/inTen.ts';
import type { WasherOnPage } from './useWasherScreen.ts';
import type { WasherVerdict, WasherWeighed } from './weighSetting.ts';

/** What one sees at a dry washer, in the trade's words, and where to look for it. Common practice, no source. */
export const WASHER_SYMPTOM_WORDS: Readonly<Record<WasherSymptom, { readonly name: string; readonly look: string }>> = {
  'lies still': { name: 'The lights lie still', look: 'sand sits on the cloth between puffs and in them' },
  boils: { name: 'The bed boils', look: 'it spits, and dust jumps off' },
  'no black sand': { name: 'No black sand', look: 'none on the uphill side of the riffles' },
  'fines in tail': { name: 'Fine gold in the tail', look: 'in a pan of the tailings' },
  packs: { name: 'Sand stays packed', look: 'it stands to the rim and does not roll' },
};

/** What is said of the washer: the sentence, and what it rests on. */
export interface WasherWords {
  readonly sentence: ReactNode;
  readonly rests: ReactNode;
}

/** What to change on the washer and by how much, in one sentence. */
export function washerWords(page: WasherOnPage, show: Show): WasherWords {
  const { solved, unread, failed, verdict } = page;
  if (!solved)
    return {
      sentence: unread ?? 'Say how the washer stands: its pitch, its air, your screen.',
      rests: 'The drawing answers as soon as they can be read.',
    };
  if (failed) return { sentence: 'This setting could not be weighed.', rests: failed };
  if (!verdict) return { sentence: 'Weighing it ...', rests: '256 washers as yours may be, each set as you set it.' };
  return found(page, verdict, solved.setting, show);
}

function found(page: WasherOnPage, verdict: WasherVerdict, setting: WasherSetting, show: Show): WasherWords {
  const { now, advice, fits, measures } = verdict;
  const { draft, readings, rig } = page;
  const bucket_L = valueOf(readings.bucket);
  const gold = setting.gold === USUAL_MIX ? 'the gold' : 'the gold you count';
  const model = `Weighed over 256 washers as yours may be${
    measures === 0
      ? '; tailings run again, or twenty flakes fed on purpose, would narrow it'
      : `, by ${plural(measures, 'measure')} of this one`
  }.`;
  const does = (w: WasherWeighed): ReactNode => (
    <>
      works {inTen(w.works)}, {paceWords(w, bucket_L)}, and holds <Gold>{percentBand(w.heldOfMix)}</Gold> of {gold} in
      one pass
    </>
  );
  const seen = seenWords(draft.seen);
  if (seen && !fits)
    return {
      sentence: <>Count the puffs and feel the feed again: {seen}, and a washer set as entered seldom shows that.</>,
      rests: <>As entered it {does(now)}.</>,
    };
  if (advice.kind === 'leave')
    return {
      sentence: <>Leave it: it {does(now)}.</>,
      rests: `${seen ? `That is seen now and then at one set so. ` : ''}No change by hand brings much more. Every puff lifts the sand a little and lets it fall; it creeps down and drops over each riffle, and black sand draws a line on the uphill side. ${model}`,
    };
  if (advice.kind === 'limited')
    return {
      sentence:
        now.works > 0.5 ? (
          <>As good as it gets here: it {does(now)}.</>
        ) : advice.by === 'gold' ? (
          <>
            Finer than air sorts: as it stands it holds {percentBand(now.heldOfMix)}. Run the tailings again, or carry
            it to water.
          </>
        ) : (
          `This washer does not lift such feed: as it stands it works ${inTen(now.works)}.`
        ),
      rests: `${advice.by === 'air' ? 'A finer screen, bellows of a longer stroke, or a more open cloth is what is missing.' : 'A longer tray, or water, is what is missing.'} ${model}`,
    };
  const { lever, after } = advice;
  const like: WasherShow = {
    head: showLike(show, 'pitch', draft.pitch),
    screen: showLike(show, 'length', draft.screen),
  };
  return {
    sentence: (
      <>
        {leverWords(lever, rig, like)}: {seen ?? whyNot(now, lever)}. Then it {does(after)}.
      </>
    ),
    rests: `${leverByHand(lever, setting, rig, bucket_L, like)} ${LOOK_FOR[lever.kind]} ${model}`,
  };
}

/** Head and screen in the units they were typed in. */
interface WasherShow {
  readonly head: Pick<Show, 'smallLength'>;
  readonly screen: Pick<Show, 'smallLength'>;
}

/** What to do, as the beginning of a sentence. */
export function leverWords(lever: WasherLever, rig: Pick<StoredRig, 'washer'>, like: WasherShow): string {
  switch (lever.kind) {
    case 'dry':
      return 'Dry it first';
    case 'slower':
      return 'Feed slower';
    case 'air': {
      const up = lever.times > 1;
      if (rig.washer?.drive.kind === 'blower')
        return `Turn the blower ${up ? 'up' : 'down'} by ${Math.round(100 * Math.abs(lever.times - 1))} %`;
      const sizes = Math.max(1, Math.round(Math.abs(Math.log(lever.times)) / Math.log(PULLEY_STEP)));
      return `${COUNT[sizes - 1] ?? sizes} pulley ${sizes === 1 ? 'size' : 'sizes'} ${up ? 'up' : 'down'}`;
    }
    case 'drop':
      return `${lever.drop_m > 0 ? 'Lift' : 'Lower'} the head ${like.head.smallLength(Math.abs(lever.drop_m))}`;
    case 'screen':
      return `Screen to ${like.screen.smallLength(lever.screen_m)}`;
  }
}
/** From one pulley to the next there is so much speed. Common practice, no source. */
const PULLEY_STEP = 1.15;
const COUNT = ['One', 'Two', 'Three', 'Four', 'Five', 'Six'];

/** How it is done by hand. */
function leverByHand(
  lever: WasherLever,
  setting: WasherSetting,
  { washer }: StoredRig,
  bucket_L: number | null,
  like: WasherShow,
): string {
  switch (lever.kind) {
    case 'dry':
      return 'Spread it thin on a tarpaulin in the sun and turn it, until a squeezed handful dusts and runs through the fingers.';
    case 'slower':
      return bucket_L === null
        ? ''
        : `A bucket in ${Math.round(bucket_L / 1000 / lever.feed_m3_s / 60)} min is what it takes.`;
    case 'air': {
      if (setting.drive.kind === 'blower') return '';
      const puffs = Math.round(setting.drive.puffs_min * lever.times);
      const motor = washer?.drive.kind === 'bellows' ? washer.drive.motor : null;
      const pulley = motor
        ? `a pulley of ${Math.round(motor.pulley_mm * lever.times)} mm on the motor in place of the ${Math.round(motor.pulley_mm)}, `
        : '';
      return `To ${puffs} puffs a minute: ${pulley}or ${lever.times > 1 ? 'a smaller' : 'a larger'} one on the bellows.`;
    }
    case 'drop':
      return `To a drop of ${like.head.smallLength(lever.slope * setting.length_m)} over the tray.`;
    case 'screen':
      return 'What stays on it is looked through before it goes.';
  }
}

const LOOK_FOR: Readonly<Record<WasherLever['kind'], string>> = {
  dry: '',
  slower: 'The next scoop when the tray has cleared.',
  air: 'Look for sand that lifts a little with every puff and creeps; not for sand that spits.',
  drop: 'Look for sand that drops over each riffle, and a line of black sand on its uphill side.',
  screen: '',
};

function paceWords({ pace_m3_s }: WasherWeighed, bucket_L: number | null): string {
  const m = bucket_L === null || !(pace_m3_s.middle > 0) ? Infinity : bucket_L / 1000 / pace_m3_s.middle / 60;
  return m > 600 ? 'takes next to nothing' : `takes a bucket in ${m < 10 ? m.toFixed(1) : Math.round(m)} min`;
}

/** What is wrong with it now, in the trade's words. */
function whyNot(now: WasherWeighed, lever: WasherLever): string {
  if (lever.kind === 'dry') return 'damp sand clumps, and what clumps is not sorted';
  if (lever.kind === 'slower') return 'fed like this it packs';
  if (now.tooLittle >= now.blowsOut && now.tooLittle > 0.2)
    return isStill(now.open) ? 'the lights lie still' : 'it takes too little gravel';
  if (now.blowsOut > 0.2) return 'gold goes over the riffles with the lights';
  return `it works ${inTen(now.works)} now`;
}
/** Loose for less of the turn than this, the bed hardly moves. */
const isStill = ({ middle }: Spread): boolean => middle < 0.1;

/** What is seen, in the middle of a sentence; null when nothing is. */
function seenWords(seen: Readonly<Partial<Record<WasherSymptom, boolean>>>): string | null {
  const there = (Object.entries(seen) as [WasherSymptom, boolean][]).filter(([, is]) => is);
  return there.length === 0
    ? null
    : `you see ${there.map(([id]) => WASHER_SYMPTOM_WORDS[id].name.replace(/^./, (c) => c.toLowerCase())).join(' and ')}`;
}
