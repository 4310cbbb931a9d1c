import { MOST, SCREEN_SHAPES } from '@riffle/contract';
import { SpotSelect } from '../../../ground/SpotSelect.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Choices } from '../../../ui/Choices.tsx';
import { SelectField, TextField } from '../../../ui/Field.tsx';
import { Block } from '../../../ui/Judgement.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { TextButton } from '../../../ui/TextButton.tsx';
import { useShow } from '../../../units/useShow.ts';
import type { Screens } from './useScreens.ts';
import type { StackInHand } from './useStackDraft.ts';

const UNITS = { mass: ['kg', 'g', 'lb'], volume: ['L', 'gal', 'bucket', 'pan'] } as const;

/** The stack as it was screened: what went in, what stayed on each screen, what went through all. */
export function StackBlock({ screens: { spots, spot, pick, stack, tried } }: { screens: Screens }) {
  const { draft, change } = stack;
  const units = UNITS[draft.measure];
  return (
    <Block title="The stack" aside="coarse on top">
      <SpotSelect
        spots={spots}
        value={spot?.id}
        onPick={pick}
        problem={tried && !spot ? 'Say where it is from.' : null}
      />
      <WhatWentIn stack={stack} tried={tried} />
      <ol aria-label="Screens">
        {stack.screens.map((s, i) => (
          <ScreenRow key={s.draft.key} nth={i + 1} screen={s} stack={stack} tried={tried} />
        ))}
      </ol>
      {stack.screens.some((s) => s.draft.shape === 'slot') && (
        <p className="text-ink-2">
          Slots let slivers through: a flat piece longer than the slot is wide can be in the undersize.
        </p>
      )}
      <Button look="quiet" onClick={stack.addScreen} disabled={draft.screens.length >= MOST.screens}>
        Another screen
      </Button>
      <QuantityField
        label="Went through all of them"
        entered={draft.through}
        reading={stack.through}
        units={units}
        showProblem={tried}
        onChange={(through) => change({ through })}
      />
      <TextField label="Note" value={draft.note} rows={2} onChange={(note) => change({ note })} />
      <Button look="main" type="submit" className="mt-1 w-full">
        Keep this screening
      </Button>
      <p role="alert" className="min-h-5 text-[12.5px] text-danger">
        {stack.problem
          ? `▲ ${stack.problem}`
          : tried && (!spot || !stack.curve) && '▲ Not kept yet: see the fields marked. What you typed stays.'}
      </p>
    </Block>
  );
}

function WhatWentIn({ stack, tried }: { stack: StackInHand; tried: boolean }) {
  const { draft, change, wentIn } = stack;
  return (
    <>
      <div className="mb-2 flex flex-wrap gap-3">
        <Choices
          label="Measured by"
          value={draft.measure}
          onChange={(measure) => change({ measure })}
          choices={[
            { value: 'mass', label: 'weight' },
            { value: 'volume', label: 'volume' },
          ]}
        />
        <Choices
          label="Screened"
          value={draft.way}
          onChange={(way) => change({ way })}
          choices={[
            { value: 'wet', label: 'wet' },
            { value: 'dry', label: 'dry' },
          ]}
        />
      </div>
      <div className="grid grid-cols-2 gap-x-4">
        <QuantityField
          label="Went in"
          entered={draft.wentIn}
          reading={wentIn ?? { ok: true, value: 0 }}
          units={UNITS[draft.measure]}
          optional
          showProblem={tried}
          onChange={(entered) => change({ wentIn: entered })}
          problem={wentIn?.ok && !(wentIn.value > 0) ? 'More than nothing.' : null}
        />
        {draft.measure === 'mass' && (
          <TextField
            label="Moisture, %"
            inputMode="decimal"
            value={draft.moisture}
            onChange={(moisture) => change({ moisture })}
            hint="water over dry weight; empty: not known"
          />
        )}
      </div>
    </>
  );
}

interface ScreenRowProps {
  readonly nth: number;
  readonly screen: StackInHand['screens'][number];
  readonly stack: StackInHand;
  readonly tried: boolean;
}

/** One screen: its opening, what stayed on it, and the gold seen there. */
function ScreenRow({ nth, screen: { draft, aperture, kept, colorsProblem }, stack, tried }: ScreenRowProps) {
  const show = useShow();
  const set = (some: Partial<typeof draft>): void => stack.setScreen(draft.key, some);
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_5.2rem_minmax(0,1.3fr)] items-start gap-x-2 border-t border-rule pt-1">
      <TextField
        label={`Screen ${nth}`}
        value={draft.name}
        onChange={(name) => set({ name })}
        problem={aperture.ok ? null : aperture.problem}
        hint={aperture.ok ? show.grainSize(aperture.mm / 1000) : undefined}
      />
      <SelectField
        label="Holes"
        value={draft.shape}
        choices={SCREEN_SHAPES.map((v) => ({ value: v, label: v }))}
        onChange={(shape) => set({ shape })}
      />
      <QuantityField
        label="Stayed on it"
        entered={draft.kept}
        reading={kept}
        units={UNITS[stack.draft.measure]}
        showProblem={tried}
        onChange={(entered) => set({ kept: entered })}
      />
      <label className="col-span-2 flex min-h-11 flex-wrap items-center gap-x-2">
        gold seen on it
        <input
          className="written w-16"
          inputMode="numeric"
          aria-label={`Gold seen on screen ${nth}`}
          aria-invalid={colorsProblem !== null}
          placeholder="looked?"
          value={draft.colors ?? ''}
          onChange={(e) => set({ colors: e.target.value })}
        />
        {colorsProblem && <span className="text-[12.5px] text-danger">▲ {colorsProblem}</span>}
      </label>
      <TextButton
        className="justify-self-end"
        aria-label={`Take screen ${nth} out`}
        onClick={() => stack.removeScreen(draft.key)}
      >
        take out
      </TextButton>
    </li>
  );
}
