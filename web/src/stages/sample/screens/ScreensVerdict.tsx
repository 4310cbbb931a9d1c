import type { ScreenChoice } from '@riffle/core';
import { atMost } from './atMost.ts';
import { Gold, Judgement } from '../../../ui/Judgement.tsx';
import { plural } from '../../../ui/plural.ts';
import { useShow } from '../../../units/useShow.ts';
import type { Screens } from './useScreens.ts';

/** First whether the split closes; then the screen to use, or the gold that forbids one. */
export function ScreensVerdict({ screens: { open, closure_percent, which } }: { screens: Screens }) {
  const show = useShow();
  if (open && closure_percent !== null) return <Unclosed closure_percent={closure_percent} />;
  if (which?.best)
    return (
      <Judgement rests={restsOn(which.best, closure_percent)}>
        Screen at {show.grainSize(which.best.aperture_mm / 1000)}: it takes off{' '}
        {(which.best.removes_percent ?? 0).toFixed(0)} % of the gravel and at most{' '}
        <Gold>{atMost(which.best.goldOverAtMost_percent ?? 100)} of the gold</Gold>.
      </Judgement>
    );
  if (which?.goldOnTop)
    return (
      <Judgement rests="Screen coarser, or pick through the oversize every time: what lies there would have gone with the stones.">
        Gold lies on the screens: <Gold>{plural(which.goldOnTop.foundOver ?? 0, 'piece')}</Gold> at{' '}
        {show.grainSize(which.goldOnTop.aperture_mm / 1000)} and above.
      </Judgement>
    );
  if (which?.usual)
    return (
      <Judgement
        rests={
          which.usual.goldOver_percent === null
            ? `No gold was counted here yet, so what a finer screen would throw away is not known. Half an inch is what one usually screens at.`
            : `So far up to ${atMost(which.usual.goldOverAtMost_percent ?? 100)} of the gold could be coarser than that: a few more pans, or looking through the oversize, would tell.`
        }
      >
        Stay at {show.grainSize(which.usual.aperture_mm / 1000)}, and look at what stays on it.
      </Judgement>
    );
  return (
    <Judgement rests="By weight or by volume, wet or dry, in any unit. Empty screens count as 0: write it.">
      What stayed on each screen?
    </Judgement>
  );
}

function Unclosed({ closure_percent }: { closure_percent: number }) {
  const missing = closure_percent < 100;
  return (
    <Judgement
      rests={
        missing
          ? 'Wet screening loses mud over the rim; dry fines blow away. Settle the bucket and weigh what is in it too.'
          : 'Something was weighed wetter than it went in, or twice.'
      }
    >
      The split does not close:{' '}
      <span className="text-danger">
        {Math.abs(100 - closure_percent).toFixed(1)} % {missing ? 'is missing' : 'too much'}
      </span>
      .
    </Judgement>
  );
}

function restsOn(best: ScreenChoice, closure_percent: number | null): string {
  return [
    best.goldOver_percent !== null &&
      `By the counts ${best.goldOver_percent < 0.1 ? 'hardly any' : `${best.goldOver_percent.toFixed(1)} %`} of the gold, by weight, is larger than that opening; the limit is at 95 %.`,
    closure_percent !== null && `The split closes to ${closure_percent.toFixed(1)} %.`,
  ]
    .filter(Boolean)
    .join(' ');
}
