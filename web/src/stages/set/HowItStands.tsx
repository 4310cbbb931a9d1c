import { boxLength_m } from '@riffle/core';
import { rigSections } from '../../api/rigSections.ts';
import { unitTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { DraftQuantity } from '../../ui/DraftQuantity.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { RigPicker } from './RigPicker.tsx';
import { DropSum } from './DropSum.tsx';
import type { SetOnPage } from './useSetScreen.ts';

/** Box, pitch, water, stone and scoop as they are typed. */
export function HowItStands({ page }: { page: SetOnPage }) {
  const { rig, inHand, tried, keep } = page;
  const form = formOf(page);
  const { draft } = form;
  return (
    <form
      className="flex flex-col"
      onSubmit={(e) => {
        e.preventDefault();
        keep();
      }}
    >
      <Block title="How it stands">
        <RigPicker
          rigInHand={page}
          isDry={page.ground.kind === 'wash'}
          onChange={() => page.open('rig')}
          onNew={(kind) => page.open(kind === 'box' ? 'new rig' : 'new washer')}
        />
        <DraftQuantity
          label="Pitch"
          form={form}
          of="pitch"
          units={['in/ft', '%', '°', 'in', 'mm', 'cm']}
          says={(v) =>
            rig !== undefined && (
              <DropSum
                slope={v}
                length_m={boxLength_m(rigSections(rig))}
                inFeet={unitTyped('pitch', draft.pitch) === 'in/ft'}
              />
            )
          }
        />
        {rig && (
          <TextButton className="-mt-2 mb-1 self-end" onClick={() => page.open('level')}>
            Measure pitch and level
          </TextButton>
        )}
        <WaterFields page={page} />
        <FeedFields page={page} />
        <HereFields page={page} />
        <Button look="main" type="submit" className="mt-1 min-h-14 w-full text-[18px]">
          Keep this set-up
        </Button>
        {rig && inHand.solved && (
          <TextButton className="mt-2 self-start" onClick={() => page.open('link')}>
            Link to this setting
          </TextButton>
        )}
        <p role="alert" className="min-h-5 text-[12.5px] text-danger">
          {tried &&
            !inHand.solved &&
            `▲ Not kept: ${inHand.problem ?? (rig ? 'see the fields marked.' : 'add your box first.')}`}
        </p>
      </Block>
    </form>
  );
}

const formOf = ({ inHand: { draft, readings, change }, tried }: SetOnPage) => ({ draft, readings, change, tried });

/** The water by its depth over the lining, or by its flow. */
function WaterFields({ page }: { page: SetOnPage }) {
  const show = useShow();
  const form = formOf(page);
  const { draft, change } = form;
  return (
    <>
      <div className="mb-1 flex items-center justify-between gap-2">
        <Choices
          label="Known of the water"
          value={draft.known}
          onChange={(known) => change({ known })}
          choices={[
            { value: 'depth', label: 'depth' },
            { value: 'flow', label: 'flow' },
          ]}
        />
        <Button look="quiet" onClick={() => page.open('flow')}>
          Measure the flow
        </Button>
      </div>
      {draft.known === 'depth' ? (
        <DraftQuantity
          label="Water over the lining"
          form={form}
          of="depth"
          units={['mm', 'cm', 'in']}
          says={show.smallLength}
        />
      ) : (
        <DraftQuantity
          label="Flow into the box"
          form={form}
          of="flow"
          units={['L/s', 'L/min', 'gpm', 'imp gpm', 'm3/h']}
          says={(v) => show.flow(v / 1000)}
        />
      )}
    </>
  );
}

/** What there is of water and fall at the place (no more is advised), and how the pool below stands. */
function HereFields({ page }: { page: SetOnPage }) {
  const show = useShow();
  const form = formOf(page);
  return (
    <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1">
      <DraftQuantity
        label="Most water here"
        form={form}
        of="creek"
        units={['L/s', 'L/min', 'gpm', 'imp gpm', 'm3/h']}
        says={(v) => show.flow(v / 1000)}
        empty="enough"
      />
      <DraftQuantity
        label="Fall over the box"
        form={form}
        of="fall"
        units={['cm', 'mm', 'in']}
        says={show.smallLength}
        empty="enough"
      />
      <DraftQuantity
        label="Pool over the tail"
        form={form}
        of="tail"
        units={['mm', 'cm', 'in']}
        says={show.smallLength}
        empty="it falls free"
      />
    </div>
  );
}

function FeedFields({ page }: { page: SetOnPage }) {
  const show = useShow();
  const form = formOf(page);
  const { draft, change, readings } = form;
  return (
    <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1 xl:grid-cols-2">
      <DraftQuantity
        label="One side deeper by"
        form={form}
        of="crossFall"
        units={['mm', 'in']}
        says={show.smallLength}
        empty="level"
      />
      <TextField
        label="Minutes a bucket"
        value={draft.pace}
        onChange={(pace) => change({ pace })}
        problem={readings.pace.ok ? null : readings.pace.problem}
        hint="empty: fed as advised"
        inputMode="decimal"
      />
      <DraftQuantity
        label="Largest stone fed"
        form={form}
        of="stone"
        units={['in', 'mm', 'cm']}
        says={show.smallLength}
      />
      <DraftQuantity label="Your scoop" form={form} of="scoop" units={['scoop', 'L', 'mL', 'qt']} says={show.volume} />
      <DraftQuantity
        label="Your bucket, full"
        form={form}
        of="bucket"
        units={['bucket', 'gal', 'L']}
        says={show.volume}
      />
      <DraftQuantity
        label="Water temperature"
        form={form}
        of="temperature"
        units={['°C', '°F']}
        says={show.temperature}
      />
    </div>
  );
}
