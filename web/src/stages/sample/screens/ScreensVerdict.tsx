import type { ScreenChoice } from '@riffle/core';
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
        Screen at {show.smallLength(which.best.aperture_mm / 1000)}: it takes off{' '}
        {(which.best.removes_percent ?? 0).toFixed(0)} % of the gravel and <Gold>no counted gold</Gold>.
      </Judgement>
    );
  if (which?.goldOnTop)
    return (
      <Judgement rests="Screen coarser, or pick through the oversize every time: what lies there would have gone with the stones.">
        Gold lies on the screens: <Gold>{plural(which.goldOnTop.foundOver ?? 0, 'piece')}</Gold> at{' '}
        {show.smallLength(which.goldOnTop.aperture_mm / 1000)} and above.
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
    best.goldOver_percent === null
      ? 'No gold was counted here yet, so what goes with the oversize is not known.'
      : `Of the counted gold ${best.goldOver_percent.toFixed(1)} % is larger than that opening; the count leaves open that up to ${(best.colorsOverAtMost_percent ?? 100).toFixed(0)} in 100 are.`,
    best.uncountedCoarse > 0 &&
      `${best.uncountedCoarse} over No. 10 ${best.uncountedCoarse === 1 ? 'is' : 'are'} in no share: look at the oversize.`,
    closure_percent !== null && `The split closes to ${closure_percent.toFixed(1)} %.`,
  ]
    .filter(Boolean)
    .join(' ');
}
