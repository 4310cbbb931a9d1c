import type { Squeeze } from '@riffle/core';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { DraftQuantity } from '../../../ui/DraftQuantity.tsx';
import { TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
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
        <DraftQuantity
          label="Pitch"
          form={page}
          of="pitch"
          units={['in/ft', '%', '°', 'in', 'mm', 'cm']}
          says={(v) =>
            solved !== null && (
              <DropSum
                slope={v}
                length_m={solved.setting.length_m}
                inFeet={unitTyped('pitch', draft.pitch) === 'in/ft'}
              />
            )
          }
        />
        <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1">
          <DraftQuantity
            label="Screen of the hopper"
            form={page}
            of="screen"
            units={['in', 'mm']}
            says={show.smallLength}
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
          <DraftQuantity
            label="Your bucket, full"
            form={page}
            of="bucket"
            units={['bucket', 'gal', 'L']}
            says={show.volume}
          />
          <DraftQuantity
            label="Your scoop"
            form={page}
            of="scoop"
            units={['scoop', 'L', 'mL', 'qt']}
            says={show.volume}
          />
          <DraftQuantity
            label="Height above the sea"
            form={page}
            of="altitude"
            units={['m', 'ft']}
            says={show.length}
            empty="at the sea"
          />
          <DraftQuantity
            label="Air temperature"
            form={page}
            of="temperature"
            units={['°C', '°F']}
            says={show.temperature}
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
