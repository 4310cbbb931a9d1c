import { Block } from '../../../ui/Judgement.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { asTyped } from '../../../units/readEntered.ts';
import { OversizeBet } from './OversizeBet.tsx';
import { ScreensVerdict } from './ScreensVerdict.tsx';
import { CurveBlock } from './SizeCurve.tsx';
import { StackBlock } from './StackBlock.tsx';
import { useScreens, type Screens } from './useScreens.ts';
import { WhatItTakesOff } from './WhatItTakesOff.tsx';
import { useLocalTime } from '../../../when/useLocalTime.ts';

/** At the right moment, in the order of the work. Common practice, no source. */
const REMINDERS = [
  [
    'Before',
    'Wet it: in water the gravel turns fluid and gold drops through. Break every lump of clay; gold rides off in it.',
  ],
  [
    'On each screen',
    'Scrub the stones and look at what lies there before it goes: gold sticks to stones, and a nugget sits on the screen.',
  ],
  ['In the bucket', 'Let it settle, then judge it by its last pan and not its first: the heavies lie at the bottom.'],
  ['At the end', 'Keep the last mud and wash it out.'],
] as const;

/** Screening: what stays on each screen, whether the split closes, the size curve, and what a screen takes off with the gold it may take along. */
export function ScreensScreen() {
  const screens = useScreens();
  return (
    <div className="flex flex-col gap-4">
      <ScreensVerdict screens={screens} />
      <form
        className="grid grid-cols-1 gap-x-8 gap-y-5 lg:grid-cols-[minmax(0,26rem)_minmax(0,1fr)]"
        onSubmit={(e) => {
          e.preventDefault();
          screens.keep();
        }}
      >
        <StackBlock screens={screens} />
        <div className="flex min-w-0 flex-col gap-5">
          <CurveBlock curve={screens.curve} before={screens.behind} />
          {screens.which && screens.which.choices.length > 0 && <WhatItTakesOff which={screens.which} />}
          <OversizeBet screens={screens} />
          <Block title="While you screen">
            <ul>
              {REMINDERS.map(([when, says]) => (
                <li key={when} className="border-b border-rule py-1.5">
                  <b>{when}.</b> {says}
                </li>
              ))}
            </ul>
          </Block>
          {screens.before.length > 0 && <StacksBefore screens={screens} />}
        </div>
      </form>
    </div>
  );
}

/** Stacks screened at this spot before, the latest first. */
function StacksBefore({ screens: { before, spot, mended, stack, takeOut } }: { screens: Screens }) {
  const local = useLocalTime();
  return (
    <Block title={`Before, at ${spot?.name ?? ''}`}>
      <ul>
        {[...before].reverse().map((s) => {
          const on = local.day(s.screenedAt);
          return (
            <li key={s.id} className="flex flex-wrap items-center gap-x-3 border-b border-rule">
              <span className="w-14 text-ink-2">{on}</span>
              <span className="min-w-0 grow">
                {s.screens.map((k) => `${k.name} ${asTyped(k.keptEntered)}`).join(', ')}
              </span>
              {s.id === mended?.id ? (
                <TextButton onClick={stack.clear}>leave it as it was</TextButton>
              ) : (
                <TextButton aria-label={`Put right the screening of ${on}`} onClick={() => stack.take(s)}>
                  put right
                </TextButton>
              )}
              <TextButton aria-label={`Take out the screening of ${on}`} onClick={() => takeOut(s)}>
                take out
              </TextButton>
            </li>
          );
        })}
      </ul>
    </Block>
  );
}
