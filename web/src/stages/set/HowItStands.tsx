import { boxLength_m } from '@riffle/core';
import { rigSections } from '../../api/rigSections.ts';
import { unitTyped } from '../../units/readEntered.ts';
import { useShow } from '../../units/useShow.ts';
import { Button } from '../../ui/Button.tsx';
import { Choices } from '../../ui/Choices.tsx';
import { TextField } from '../../ui/Field.tsx';
import { Block } from '../../ui/Judgement.tsx';
import { TextButton } from '../../ui/TextButton.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { RigPicker } from './RigPicker.tsx';
import { DropSum } from './DropSum.tsx';
import type { SetOnPage } from './useSetScreen.ts';

/** Box, pitch, water, stone and scoop as they are typed. */
export function HowItStands({ page }: { page: SetOnPage }) {
  const { rig, inHand, tried, keep } = page;
  const { draft, change, readings } = inHand;
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
        <QuantityField
          label="Pitch"
          entered={draft.pitch}
          reading={readings.pitch}
          units={['in/ft', '%', '°', 'in', 'mm', 'cm']}
          showProblem={tried}
          onChange={(pitch) => change({ pitch })}
          comesTo={
            readings.pitch.ok &&
            rig && (
              <DropSum
                slope={readings.pitch.value}
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

/** The water by its depth over the lining, or by its flow. */
function WaterFields({ page: { inHand, tried, open } }: { page: SetOnPage }) {
  const show = useShow();
  const { draft, change, readings } = inHand;
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
        <Button look="quiet" onClick={() => open('flow')}>
          Measure the flow
        </Button>
      </div>
      {draft.known === 'depth' ? (
        <QuantityField
          label="Water over the lining"
          entered={draft.depth}
          reading={readings.depth}
          units={['mm', 'cm', 'in']}
          showProblem={tried}
          onChange={(depth) => change({ depth })}
          comesTo={readings.depth.ok && show.smallLength(readings.depth.value)}
        />
      ) : (
        <QuantityField
          label="Flow into the box"
          entered={draft.flow}
          reading={readings.flow}
          units={['L/s', 'L/min', 'gpm', 'imp gpm', 'm3/h']}
          showProblem={tried}
          onChange={(flow) => change({ flow })}
          comesTo={readings.flow.ok && show.flow(readings.flow.value / 1000)}
        />
      )}
    </>
  );
}

/** What there is of water and fall at the place (no more is advised), and how the pool below stands. */
function HereFields({ page: { inHand, tried } }: { page: SetOnPage }) {
  const show = useShow();
  const { draft, change, readings } = inHand;
  return (
    <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1">
      <QuantityField
        label="Most water here"
        entered={draft.creek}
        reading={readings.creek}
        units={['L/s', 'L/min', 'gpm', 'imp gpm', 'm3/h']}
        showProblem={tried}
        optional
        onChange={(creek) => change({ creek })}
        comesTo={
          draft.creek.text.trim() === '' ? 'empty: enough' : readings.creek.ok && show.flow(readings.creek.value / 1000)
        }
      />
      <QuantityField
        label="Fall over the box"
        entered={draft.fall}
        reading={readings.fall}
        units={['cm', 'mm', 'in']}
        showProblem={tried}
        optional
        onChange={(fall) => change({ fall })}
        comesTo={
          draft.fall.text.trim() === '' ? 'empty: enough' : readings.fall.ok && show.smallLength(readings.fall.value)
        }
      />
      <QuantityField
        label="Pool over the tail"
        entered={draft.tail}
        reading={readings.tail}
        units={['mm', 'cm', 'in']}
        showProblem={tried}
        optional
        onChange={(tail) => change({ tail })}
        comesTo={
          draft.tail.text.trim() === ''
            ? 'empty: it falls free'
            : readings.tail.ok && show.smallLength(readings.tail.value)
        }
      />
    </div>
  );
}

function FeedFields({ page: { inHand, tried } }: { page: SetOnPage }) {
  const show = useShow();
  const { draft, change, readings } = inHand;
  return (
    <div className="grid grid-cols-2 gap-x-4 lg:grid-cols-1 xl:grid-cols-2">
      <QuantityField
        label="One side deeper by"
        entered={draft.crossFall}
        reading={readings.crossFall}
        units={['mm', 'in']}
        showProblem={tried}
        onChange={(crossFall) => change({ crossFall })}
        comesTo={
          draft.crossFall.text.trim() === ''
            ? 'empty: level'
            : readings.crossFall.ok && show.smallLength(readings.crossFall.value)
        }
      />
      <TextField
        label="Minutes a bucket"
        value={draft.pace}
        onChange={(pace) => change({ pace })}
        problem={readings.pace.ok ? null : readings.pace.problem}
        hint="empty: fed as advised"
        inputMode="decimal"
      />
      <QuantityField
        label="Largest stone fed"
        entered={draft.stone}
        reading={readings.stone}
        units={['in', 'mm', 'cm']}
        showProblem={tried}
        onChange={(stone) => change({ stone })}
        comesTo={readings.stone.ok && show.smallLength(readings.stone.value)}
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
        label="Your bucket, full"
        entered={draft.bucket}
        reading={readings.bucket}
        units={['bucket', 'gal', 'L']}
        showProblem={tried}
        onChange={(bucket) => change({ bucket })}
        comesTo={readings.bucket.ok && show.volume(readings.bucket.value)}
      />
      <QuantityField
        label="Water temperature"
        entered={draft.temperature}
        reading={readings.temperature}
        units={['°C', '°F']}
        showProblem={tried}
        onChange={(temperature) => change({ temperature })}
        comesTo={readings.temperature.ok && show.temperature(readings.temperature.value)}
      />
    </div>
  );
}
