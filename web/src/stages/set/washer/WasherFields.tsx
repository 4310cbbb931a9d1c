import type { Squeeze } from '@riffle/core';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { unitTyped } from '../../../units/readEntered.ts';
import { useShow } from '../../../units/useShow.ts';
import { DropSum } from '../DropSum.tsx';
import { RigPicker } from '../RigPicker.tsx';
import type { WasherOnPage } from './useWasherScreen.ts';

const SQUEEZED: readonly { readonly value: Squeeze; readonly label: string }[] = [
  { value: 'dusts', label: 'dusts' },
  { value: 'cool', label: 'cool, no ball' },
  { value: 'falls apart', label: 'ball falls apart' },
  { value: 'holds', label: 'ball holds' },
];
const PASSES = [
  { value: '1', label: 'gravel' },
  { value: '2', label: 'its tailings' },
  { value: '3', label: 'those again' },
] as const;

/** Pitch, air, screen and feed as they are typed. */
export function WasherFields({ page }: { page: WasherOnPage }) {
  const show = useShow();
  const { draft, change, readings, tried, solved } = page;
  return (
    <form
      className="flex flex-col"
      onSubmit={(e) => {
        e.preventDefault();
        page.keep();
      }}
    >
      <Block title="How it stands">
        <RigPicker
          rigInHand={page.rigInHand}
          isDry
          onChange={() => page.open('rig')}
          onNew={(kind) => page.open(kind === 'box' ? 'new rig' : 'new washer')}
        />
        <p id="squeezed" className="text-[13px] text-ink-2">
          A handful of the feed, squeezed
        </p>
        <Choices
          label="A handful of the feed, squeezed"
          value={draft.squeeze}
          onChange={(squeeze) => change({ squeeze })}
          choices={SQUEEZED}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-ink"
            checked={draft.isClayey}
            onChange={(e) => change({ isClayey: e.target.checked })}
          />
          clay in it
        </label>
        <AirField page={page} />
        <QuantityField
          label="Pitch"
          entered={draft.pitch}
          reading={readings.pitch}
          units={['in/ft', '%', '°', 'in', 'mm', 'cm']}
          showProblem={tried}
          onChange={(pitch) => change({ pitch })}
          comesTo={
            readings.pitch.ok &&
            solved !== null && (
              <DropSum
                slope={readings.pitch.value}
                length_m={solved.setting.length_m}
                inFeet={unitTyped('pitch', draft.pitch) === 'in/ft'}
              />
            )
          }
        />
        <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1">
          <QuantityField
            label="Screen of the hopper"
            entered={draft.screen}
            reading={readings.screen}
            units={['in', 'mm']}
            showProblem={tried}
            onChange={(screen) => change({ screen })}
            comesTo={readings.screen.ok && show.smallLength(readings.screen.value)}
          />
          <TextField
            label="Minutes a bucket"
            value={draft.pace}
            onChange={(pace) => change({ pace })}
            problem={readings.pace.ok ? null : readings.pace.problem}
            hint="empty: fed as it suits"
            inputMode="decimal"
          />
        </div>
        <p className="text-[13px] text-ink-2">What is fed</p>
        <Choices label="What is fed" value={draft.pass} onChange={(pass) => change({ pass })} choices={PASSES} />
        <div className="mt-2 grid grid-cols-2 gap-x-4 lg:grid-cols-1">
          <QuantityField
            label="Your bucket, full"
            entered={draft.bucket}
            reading={readings.bucket}
            units={['bucket', 'gal', 'L']}
            showProblem={tried}
            onChange={(bucket) => change({ bucket })}
            comesTo={readings.bucket.ok && show.volume(readings.bucket.value)}
          />
          <QuantityField
            label="Your scoop"
            entered={draft.scoop}
            reading={readings.scoop}
            units={['scoop', 'L', 'mL', 'qt']}
            showProblem={tried}
            onChange={(scoop) => change({ scoop })}
            comesTo={readings.scoop.ok && show.volume(readings.scoop.value)}
          />
          <QuantityField
            label="Height above the sea"
            entered={draft.altitude}
            reading={readings.altitude}
            units={['m', 'ft']}
            showProblem={tried}
            optional
            onChange={(altitude) => change({ altitude })}
            comesTo={
              draft.altitude.text.trim() === ''
                ? 'empty: at the sea'
                : readings.altitude.ok && show.length(readings.altitude.value)
            }
          />
          <QuantityField
            label="Air temperature"
            entered={draft.temperature}
            reading={readings.temperature}
            units={['°C', '°F']}
            showProblem={tried}
            onChange={(temperature) => change({ temperature })}
            comesTo={readings.temperature.ok && show.temperature(readings.temperature.value)}
          />
        </div>
        <Button look="main" type="submit" className="mt-1 min-h-14 w-full text-[18px]">
          Keep this setting
        </Button>
        <p role="alert" className="min-h-5 text-[12.5px] text-danger">
          {tried && !solved && `▲ Not kept: ${page.unread ?? 'see the fields marked.'}`}
        </p>
      </Block>
    </form>
  );
}

/** Puffs a minute, or how far a blower is open; where nothing is typed, as the pulleys have it. */
function AirField({ page: { draft, change, readings, rig, tried, puffsByPulleys } }: { page: WasherOnPage }) {
  const wrong = readings.air.ok ? null : readings.air.problem;
  const isBlower = rig.washer?.drive.kind === 'blower';
  return (
    <TextField
      label={isBlower ? 'Blower, % of full speed' : 'Puffs a minute'}
      value={draft.air}
      onChange={(air) => change({ air })}
      inputMode="decimal"
      problem={tried || draft.air.trim() !== '' ? wrong : null}
      hint={
        draft.air.trim() !== ''
          ? isBlower
            ? undefined
            : 'count them for 15 s and take four times that'
          : isBlower
            ? 'empty: full'
            : puffsByPulleys === null
              ? 'empty: 200, as most crank it'
              : `empty: ${Math.round(puffsByPulleys)}, by its pulleys`
      }
    />
  );
}
