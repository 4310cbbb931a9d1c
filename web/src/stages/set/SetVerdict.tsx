import type { StoredRig } from '@riffle/contract';
import type { BoxAnswer, Range } from '@riffle/core';
import type { ReactNode } from 'react';
import { asTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Gold, Judgement } from '../../ui/Judgement.tsx';
import { WATCHED_M } from './readSetup.ts';
import type { SetupInHand } from './useSetup.ts';

const percent = ({ low, high }: Range): string =>
  Math.round(low * 100) === Math.round(high * 100)
    ? `${Math.round(low * 100)} %`
    : `${Math.round(low * 100)}–${Math.round(high * 100)} %`;
const watched = (answer: BoxAnswer): Range =>
  answer.caught.find((c) => c.size_m === WATCHED_M)?.share ?? { low: 0, high: 0 };

/** What to change on the box and by how much, in one sentence. */
export function SetVerdict({ inHand, rig }: { inHand: SetupInHand; rig: StoredRig | undefined }) {
  const show = useShow();
  const { solved, draft, problem } = inHand;
  if (!rig)
    return (
      <Judgement rests="Its width, length and lining decide how much water and gravel it takes.">
        Which box do you carry? Pick one or add yours.
      </Judgement>
    );
  if (!solved)
    return (
      <Judgement rests="The drawing answers as soon as pitch, water and stones can be read.">
        {problem ?? 'Say how the box stands: its pitch, its water, your largest stone.'}
      </Judgement>
    );
  const { setting, now, advice } = solved;
  const flakes = `${show.smallLength(WATCHED_M)} flakes`;
  const stones = `${asTyped(draft.stone).replace(/[“”]/g, '')} stones`;
  const model = `Worked out, not measured: the range spans two settling laws; a tail pan or a split clean-up replaces it.${now.warnings.length ? ` ${now.warnings.join(' ')}` : ''}`;
  const say = (sentence: ReactNode): ReactNode => <Judgement rests={model}>{sentence}</Judgement>;
  if (advice.kind === 'lift') {
    return say(
      <>
        Lift the head {show.smallLength(advice.head_m)}: your {stones} stall at {show.pitch(setting.slope)}; at{' '}
        {show.pitch(advice.slope)} they clear and you still hold <Gold>{percent(watched(advice.after))}</Gold> of{' '}
        {flakes}.
      </>,
    );
  }
  if (advice.kind === 'lower') {
    return say(
      <>
        Lower the head {show.smallLength(-advice.head_m)}: {stones} still clear at {show.pitch(advice.slope)}, and you
        hold <Gold>{percent(watched(advice.after))}</Gold> of {flakes} instead of {percent(watched(now))}.
      </>,
    );
  }
  if (advice.kind === 'screen') {
    return say(
      <>
        Screen to {show.smallLength(advice.stone_m)}: this water does not move {stones}, and lifting further would wash
        the fines out. You hold <Gold>{percent(watched(advice.after))}</Gold> of {flakes}.
      </>,
    );
  }
  return say(
    <>
      Leave it: stones to {show.smallLength(now.largestStone_m)} clear, and the box holds{' '}
      <Gold>{percent(watched(now))}</Gold> of {flakes}.
    </>,
  );
}
